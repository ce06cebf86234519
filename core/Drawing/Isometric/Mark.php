<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

/** Something on a leg of an isometric drawing. */
final readonly class Mark
{
    /**
     * @param  float  $at  mm from the corner where its leg begins; from the start of the line while it has no leg
     * @param  float  $half  of the gap that it leaves in the pipe, mm
     */
    public function __construct(
        public float $at,
        public MarkKind $kind,
        public string $words,
        public float $half = 0.0,
    ) {
    }
}
