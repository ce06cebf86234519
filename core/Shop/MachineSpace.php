<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/**
 * What stands round the die of a bender: its bed behind the die and under the tube, and the floor. The die is at the
 * origin, the tube is fed along +x and bent towards +y, up is +z. Millimetres.
 */
final readonly class MachineSpace
{
    /** Steps in which a turn or a bend is looked at, radians, and lengths along the tube, mm. */
    private const TURN = M_PI / 90;

    private const LENGTH = 10.0;

    public function __construct(
        public float $bedHalfWidth = 120.0,
        public float $bedTop = -70.0,
        public float $bedFront = -60.0,
        public float $floor = -950.0,
    ) {
    }

    /**
     * Returns what a tube would hit while a step is made, "bed", "floor" or "tube", which is the straight of itself
     * that is still behind the die; null where it swings free.
     *
     * @param  list<Vector>  $front  of what is bent already, from the die on, at the end of the step before
     * @param  float  $radius  of the tube
     * @param  float  $behind  length of tube that is still behind the die once it is fed
     */
    public function hit(array $front, BendStep $step, float $radius, float $behind = 0.0): ?string
    {
        $fed = $this->fed($front, $step->feed);
        $turned = $fed;
        foreach (self::steps($step->turn) as $angle) {
            $turned = array_map(
                static fn (Vector $at): Vector => $at->turnedAbout(new Vector(1.0, 0.0, 0.0), $angle), $fed,
            );
            $hit = $this->touched($turned, $radius, $behind);
            if ($hit !== null) {
                return $hit;
            }
        }
        foreach (self::steps($step->set) as $angle) {
            // Tube is drawn round the die, so that less is behind it; what lies round the die touches what is drawn.
            $left = max(0.0, $behind - $angle * $step->radius);
            $bent = $this->bent($turned, $step->radius, $angle);
            $hit = $this->touched(array_slice($bent, 0, 2), $radius, 0.0)
                ?? $this->touched(array_slice($bent, 1), $radius, $left);
            if ($hit !== null) {
                return $hit;
            }
        }

        return null;
    }

    /**
     * Returns what is bent after a step, from the die on.
     *
     * @param  list<Vector>  $front
     * @return list<Vector>
     */
    public function after(array $front, float $feed, float $turn, float $angle, float $radius): array
    {
        $turned = array_map(
            static fn (Vector $at): Vector => $at->turnedAbout(new Vector(1.0, 0.0, 0.0), $turn),
            $this->fed($front, $feed),
        );

        return [new Vector(0.0, 0.0, 0.0), ...$this->bent($turned, $radius, $angle)];
    }

    /**
     * @param  list<Vector>  $front
     * @return list<Vector>
     */
    private function fed(array $front, float $feed): array
    {
        return array_map(
            static fn (Vector $at): Vector => $at->plus(new Vector($feed, 0.0, 0.0)),
            $front === [] ? [new Vector(0.0, 0.0, 0.0)] : $front,
        );
    }

    /**
     * @param  list<Vector>  $front
     * @return list<Vector>
     */
    private function bent(array $front, float $radius, float $angle): array
    {
        $centre = new Vector(0.0, $radius, 0.0);

        return array_map(
            static fn (Vector $at): Vector => $at->minus($centre)->turnedAbout(new Vector(0.0, 0.0, 1.0), $angle)
                ->plus($centre),
            [new Vector(0.0, 0.0, 0.0), ...$front],
        );
    }

    /**
     * @param  list<Vector>  $points  of the middle of the tube, straight between them
     * @param  float  $behind  length of tube behind the die
     */
    private function touched(array $points, float $radius, float $behind): ?string
    {
        foreach (array_slice($points, 1) as $i => $to) {
            $from = $points[$i];
            $steps = max(1, (int) ceil($from->distanceTo($to) / self::LENGTH));
            for ($k = 0; $k <= $steps; $k++) {
                $at = $from->plus($to->minus($from)->times($k / $steps));
                if ($at->z < $this->floor + $radius) {
                    return 'floor';
                }
                if ($at->x < $this->bedFront + $radius && abs($at->y) < $this->bedHalfWidth + $radius
                    && $at->z < $this->bedTop + $radius) {
                    return 'bed';
                }
                if ($at->x < 0.0 && $at->x > -$behind - $radius && hypot($at->y, $at->z) < 2 * $radius) {
                    return 'tube';
                }
            }
        }

        return null;
    }

    /** @return list<float> angles on the way to one, that among them */
    private static function steps(float $angle): array
    {
        $count = max(1, (int) ceil(abs($angle) / self::TURN));

        return array_map(static fn (int $i): float => $angle * $i / $count, range(1, $count));
    }
}
