<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The springback of a bend: a share of its angle plus a constant. */
final readonly class Springback
{
    /** @param  float  $offset  radians */
    public function __construct(
        public float $ratio,
        public float $offset,
    ) {
    }

    /** @throws JobError */
    public static function read(?Node $node, Values $values): self
    {
        $ratio = $node?->find('ratio');
        $offset = $node?->find('offset');

        return new self(
            $ratio === null ? 0.0 : $values->number($ratio),
            $offset === null ? 0.0 : deg2rad($values->number($offset)),
        );
    }

    /** Returns the angle to set on the bender so that $angle remains, both in radians. */
    public function setAngle(float $angle): float
    {
        return $angle * (1.0 + $this->ratio) + $this->offset;
    }
}
