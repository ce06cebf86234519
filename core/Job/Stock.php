<?php

declare(strict_types=1);

namespace Bowline\Job;

/** What a run is made of. */
final readonly class Stock
{
    /** @param  float  $density  kg/m³ */
    public function __construct(
        public string $id,
        public string $name,
        public StockKind $kind,
        public Section $section,
        public BendPractice $bend,
        public float $density,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $kind = $node->get('kind');
        $id = $node->get('id')->text();

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            StockKind::tryFrom($kind->text()) ?? throw $kind->error(sprintf('“%s” is no kind of stock', $kind->text())),
            Section::read($node->get('section'), $values),
            BendPractice::read($node->get('bend'), $values),
            $values->positive($node->get('density'), 'the density'),
        );
    }
}
