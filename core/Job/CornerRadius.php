<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The centre-line radius given for a corner: a length, a multiple of the outside diameter, or that of an elbow. */
final readonly class CornerRadius
{
    private function __construct(
        private float $amount,
        private bool $isRatio,
        public ?ElbowKind $elbow = null,
    ) {
    }

    public static function length(float $radius): self
    {
        return new self($radius, false);
    }

    public static function ratio(float $ratio): self
    {
        return new self($ratio, true);
    }

    /** That of a bought elbow. */
    public static function elbow(ElbowKind $kind): self
    {
        return new self(0.0, false, $kind);
    }

    /** @throws JobError */
    public static function read(?Node $node, Values $values): ?self
    {
        if ($node === null) {
            return null;
        }
        $radius = $node->find('radius');
        $ratio = $node->find('ratio');
        $elbow = $node->find('elbow');
        if (count(array_filter([$radius, $ratio, $elbow], static fn (?Node $one): bool => $one !== null)) > 1) {
            throw $node->error('a corner has a radius, a ratio or an elbow, one of them');
        }
        if ($elbow !== null) {
            return self::elbow(ElbowKind::tryFrom($elbow->text()) ?? throw $elbow->error(
                sprintf('“%s” is no kind of elbow; long and short are', $elbow->text()),
            ));
        }

        return $ratio !== null
            ? self::ratio($values->positive($ratio, 'the ratio'))
            : self::length($values->positive($radius ?? $node->get('radius'), 'the bend radius'));
    }

    public function on(Section $section): float
    {
        if ($this->elbow !== null) {
            return $this->elbow->radius($section->outsideDiameter);
        }

        return $this->isRatio ? $this->amount * $section->outsideDiameter : $this->amount;
    }
}
