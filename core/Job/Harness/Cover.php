<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

/** A sleeve, a conduit or tape round a length of a trunk. */
final readonly class Cover
{
    /**
     * @param  string  $run  id of the trunk
     * @param  float  $from  developed length of the trunk where it begins, mm
     * @param  float|null  $to  where it ends, mm; null at the end of the trunk
     * @param  float  $thickness  of its wall, or of the tape, mm
     * @param  float  $overlap  share of its width by which each turn of tape lies on the one before, below 1
     * @param  float|null  $bore  of a conduit, mm
     * @param  float|null  $fill  greatest share of the bore that wires may take
     */
    public function __construct(
        public string $name,
        public string $run,
        public CoverKind $kind,
        public float $from,
        public ?float $to,
        public float $thickness,
        public float $overlap,
        public ?float $bore,
        public ?float $fill,
    ) {
    }

    /** Returns the diameter over it, mm, round a bundle of a diameter. */
    public function outside(float $bundle): float
    {
        return max($bundle, $this->bore ?? 0.0) + 2 * $this->thickness / (1.0 - $this->overlap);
    }
}
