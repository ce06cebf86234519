<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;
use Bowline\Job\FileValue;

final readonly class RoundPlate implements PlateShape
{
    /** @param  float  $diameter  mm */
    public function __construct(private float $diameter)
    {
    }

    public function outline(): Outline
    {
        return Outline::circle($this->diameter / 2);
    }

    public function toFile(): array
    {
        return ['od' => FileValue::roundForFile($this->diameter)];
    }
}
