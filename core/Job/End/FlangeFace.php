<?php

declare(strict_types=1);

namespace Bowline\Job\End;

/** What the face of a flange has beside the flat of its plate. Millimetres. */
final readonly class FlangeFace
{
    /** @param  float  $height  by which it stands out of the plate, or is sunk into it */
    public function __construct(
        public FaceKind $kind,
        public float $diameter,
        public float $height,
    ) {
    }
}
