<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;

/** A plate of two bolts: a circle in the middle and a smaller one round each bolt, joined by straights. */
final readonly class OvalPlate implements PlateShape
{
    /**
     * @param  float  $diameter  of the circle in the middle, mm
     * @param  float  $endRadius  of the circles round the bolts, mm; at most that of the one in the middle
     * @param  float  $apart  from one bolt to the other, mm
     */
    public function __construct(
        private float $diameter,
        private float $endRadius,
        private float $apart,
    ) {
    }

    public function outline(): Outline
    {
        $radius = $this->diameter / 2;
        $reach = $this->apart / 2;
        if ($reach + $this->endRadius <= $radius) {
            return Outline::circle($radius);
        }
        // The straights touch both circles; seen from the middle, where they do lies so far from the way to the bolt.
        $angle = acos(($radius - $this->endRadius) / $reach);
        [$across, $along] = [cos($angle), sin($angle)];
        $on = static fn (float $centre, float $r, float $x, float $y): array => [$r * $x, $centre + $r * $y];
        $left = [$on($reach, $this->endRadius, $along, $across), $on($reach, $this->endRadius, -$along, $across)];
        $right = [$on(-$reach, $this->endRadius, -$along, -$across), $on(-$reach, $this->endRadius, $along, -$across)];
        $middle = [
            $on(0.0, $radius, -$along, $across), $on(0.0, $radius, -$along, -$across),
            $on(0.0, $radius, $along, -$across), $on(0.0, $radius, $along, $across),
        ];
        $ends = [
            OutlinePiece::arc($left[0], $left[1], [0.0, $reach], 2 * $angle),
            OutlinePiece::arc($right[0], $right[1], [0.0, -$reach], 2 * $angle),
        ];
        $bow = M_PI - 2 * $angle;
        if ($bow < Tolerance::PARALLEL) {
            // Its ends are as wide as its middle: each side is one straight.
            return new Outline([
                $ends[0], OutlinePiece::line($left[1], $right[0]), $ends[1], OutlinePiece::line($right[1], $left[0]),
            ]);
        }

        return new Outline([
            $ends[0],
            OutlinePiece::line($left[1], $middle[0]),
            OutlinePiece::arc($middle[0], $middle[1], [0.0, 0.0], $bow),
            OutlinePiece::line($middle[1], $right[0]),
            $ends[1],
            OutlinePiece::line($right[1], $middle[2]),
            OutlinePiece::arc($middle[2], $middle[3], [0.0, 0.0], $bow),
            OutlinePiece::line($middle[3], $left[0]),
        ]);
    }

    public function toFile(): array
    {
        return [
            'plate' => 'oval',
            'od' => FileValue::roundForFile($this->diameter),
            'end_radius' => FileValue::roundForFile($this->endRadius),
        ];
    }
}
