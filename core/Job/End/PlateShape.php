<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;

/** The shape of the plate of a flange: x along the upright, y across it, the origin on the axis of the run. */
interface PlateShape
{
    /** Returns its rim, counter-clockwise. */
    public function outline(): Outline;

    /** @return array<string, mixed> its dimensions as a job file has them */
    public function toFile(): array;
}
