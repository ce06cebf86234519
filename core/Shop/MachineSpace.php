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
     * Returns what a tube would hit while a step is made, "bed" or "floor"; null where it swings free.
     *
     * @param  list<Vector>  $front  of what is bent already, from the die on, at the end of the step before
     */
    public function hit(array $front, BendStep $step, float $radius): ?string
    {
        $fed = $this->fed($front, $step->feed);
        $turned = $fed;
        foreach (self::steps($step->turn) as $angle) {
            $turned = array_map(
                static fn (Vector $at): Vector => $at->turnedAbout(new Vector(1.0, 0.0, 0.0), $angle), $fed,
            );
            $hit = $this->touched($turned, $radius);
            if ($hit !== null) {
                return $hit;
            }
        }
        foreach (self::steps($step->set) as $angle) {
            $hit = $this->touched($this->bent($turned, $step->radius, $angle), $radius);
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

    /** @param  list<Vector>  $points  of the middle of the tube, straight between them */
    private function touched(array $points, float $radius): ?string
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
