<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

/** A cover on a board as it was built. */
final readonly class BuiltCover
{
    /** Lengths that differ by less are the same to a hand with a peg, mm. */
    public const SAME = 0.5;

    /** Thicknesses that differ by less are the same, mm. */
    private const AS_THICK = 1e-3;

    /**
     * @param  string  $run  id of the trunk
     * @param  float  $from  developed length of the trunk where it begins, mm
     * @param  float  $to  where it ends, mm
     * @param  float  $thickness  mm
     */
    public function __construct(
        public string $run,
        public CoverKind $kind,
        public float $from,
        public float $to,
        public float $thickness,
    ) {
    }

    /** Says whether another begins and ends where this one does. */
    public function isAlong(self $other): bool
    {
        return $this->run === $other->run && abs($this->from - $other->from) < self::SAME
            && abs($this->to - $other->to) < self::SAME;
    }

    public function isAs(self $other): bool
    {
        return $this->kind === $other->kind && $this->isAlong($other)
            && abs($this->thickness - $other->thickness) < self::AS_THICK;
    }
}
