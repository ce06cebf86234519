<?php

declare(strict_types=1);

namespace Bowline\Job;

/** A set of runs: brought to one length, or kept within a budget of tube. */
final readonly class RunSet
{
    /**
     * @param  list<string>  $runs  ids
     * @param  float|null  $budget  how long they may be together, mm
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $runs,
        public ?float $budget,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $id = $node->get('id')->text();
        $budget = $node->find('budget');

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            array_map(static fn (Node $run): string => $run->text(), $node->list('runs')),
            $budget === null ? null : $values->positive($budget, 'the budget'),
        );
    }
}
