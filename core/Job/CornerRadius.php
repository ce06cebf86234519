<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The centre-line radius given for a corner: a length, or a multiple of the outside diameter. */
final readonly class CornerRadius
{
    private function __construct(
        private float $amount,
        private bool $isRatio,
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

    /** @throws JobError */
    public static function read(?Node $node, Values $values): ?self
    {
        if ($node === null) {
            return null;
        }
        $radius = $node->find('radius');
        $ratio = $node->find('ratio');
        if ($radius !== null && $ratio !== null) {
            throw $node->error('a corner has a radius or a ratio, not both');
        }

        return $ratio !== null
            ? self::ratio($values->positive($ratio, 'the ratio'))
            : self::length($values->positive($radius ?? $node->get('radius'), 'the bend radius'));
    }

    public function on(Section $section): float
    {
        return $this->isRatio ? $this->amount * $section->outsideDiameter : $this->amount;
    }
}
