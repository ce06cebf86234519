<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;
use Bowline\Job\FileValue;

/** A square or rectangular plate with rounded corners. */
final readonly class RectangularPlate implements PlateShape
{
    /**
     * @param  float  $width  across the upright, mm
     * @param  float  $height  along the upright, mm
     * @param  float  $corner  radius of its corners, mm; at most half of its shorter side
     */
    public function __construct(
        private float $width,
        private float $height,
        private float $corner,
    ) {
    }

    public function outline(): Outline
    {
        return Outline::rectangle($this->height, $this->width, $this->corner);
    }

    public function toFile(): array
    {
        return [
            'plate' => 'rectangle',
            'width' => FileValue::roundForFile($this->width),
            'height' => FileValue::roundForFile($this->height),
            'corner_radius' => FileValue::roundForFile($this->corner),
        ];
    }
}
