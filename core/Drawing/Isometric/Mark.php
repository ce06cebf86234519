<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

/** Something on a leg of an isometric drawing. */
final readonly class Mark
{
    /** @param  float  $at  from the corner at which the leg begins, mm */
    public function __construct(
        public float $at,
        public MarkKind $kind,
        public string $words,
    ) {
    }
}
