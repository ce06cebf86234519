<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

/** Something on a leg of an isometric drawing. */
final readonly class Mark
{
    /** @param  float  $at  from the corner at which its leg begins; before it is on one, from the start of the line, mm */
    public function __construct(
        public float $at,
        public MarkKind $kind,
        public string $words,
    ) {
    }
}
