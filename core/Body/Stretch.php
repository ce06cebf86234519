<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Motion;

/** A piece of the path of a run as one motion of its section. */
final readonly class Stretch
{
    /**
     * @param  Frame  $start  frame of the section at its start
     * @param  float|null  $straight  length where it is straight, mm; null where it is not
     */
    public function __construct(
        public Frame $start,
        public Motion $motion,
        public ?float $straight,
    ) {
    }

    /** Returns the frame of the section at its end. */
    public function end(): Frame
    {
        return $this->motion->frameOf($this->start);
    }
}
