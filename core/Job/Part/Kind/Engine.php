<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/**
 * A diesel engine along x, its flywheel and gearbox towards −x: its cooling water leaves on top, its fuel returns on
 * the side of +y.
 */
final readonly class Engine extends PartKind
{
    public function word(): string
    {
        return 'engine';
    }

    public function title(): string
    {
        return 'Engine';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Length', 1100.0),
            new Parameter('width', 'Width', 600.0),
            new Parameter('height', 'Height', 700.0),
            new Parameter('size', 'Coolant, for tube of', 22.0),
            new Parameter('fuel', 'Fuel return, for tube of', 12.0),
        ];
    }

    public function solids(array $by): array
    {
        return [...self::block($by), ...self::drive($by), ...self::besides($by), ...self::pipes($by)];
    }

    public function ports(array $by): array
    {
        [$coolant, $fuel] = [self::coolant($by), self::fuel($by)];

        return [
            new PartPort('coolant', 'Coolant out', $coolant, self::z(1.0), $by['size']),
            new PartPort('fuel-return', 'Fuel return', $fuel, self::y(1.0), $by['fuel']),
        ];
    }

    protected function fixed(): array
    {
        return ['length', 'width', 'height', 'fuel'];
    }

    /**
     * Returns the sump, the crankcase, the heads with their covers, and the mounts.
     *
     * @param  array<string, float>  $by
     * @return list<Solid>
     */
    private static function block(array $by): array
    {
        [$l, $w, $h] = [$by['length'], $by['width'], $by['height']];
        $solids = [
            self::part($by, [-0.02, 0.0, -0.35], [0.60, 0.40, 0.22]),
            self::part($by, [0.02, 0.0, -0.06], [0.66, 0.56, 0.40]),
            self::part($by, [0.02, 0.0, 0.20], [0.62, 0.40, 0.13]),
            self::part($by, [0.38, 0.0, -0.05], [0.07, 0.50, 0.44]),
        ];
        // A cover over each cylinder, with its filler or its lifting eye.
        foreach ([-0.21, -0.055, 0.10, 0.255] as $at) {
            $solids[] = self::part($by, [$at, 0.0, 0.31], [0.135, 0.32, 0.10]);
            $solids[] = Solid::round(
                new Vector($at * $l, 0.0, 0.36 * $h), new Vector($at * $l, 0.0, 0.375 * $h), 0.08 * $w,
            );
        }
        foreach ([-0.24, 0.26] as $x) {
            foreach ([-1.0, 1.0] as $side) {
                $solids[] = self::part($by, [$x, $side * 0.31, -0.36], [0.10, 0.34, 0.05]);
                $solids[] = self::part($by, [$x, $side * 0.385, -0.44], [0.075, 0.12, 0.12]);
            }
        }

        return $solids;
    }

    /**
     * Returns the flywheel housing, the gearbox with its flange, and the pulleys in front.
     *
     * @param  array<string, float>  $by
     * @return list<Solid>
     */
    private static function drive(array $by): array
    {
        return [
            self::along($by, -0.39, -0.31, 0.0, -0.08, 0.80),
            self::along($by, -0.47, -0.39, 0.0, -0.14, 0.52),
            self::along($by, -0.50, -0.47, 0.0, -0.20, 0.24),
            self::along($by, 0.415, 0.45, 0.0, -0.24, 0.30),
            self::along($by, 0.415, 0.44, 0.0, 0.04, 0.24),
            self::along($by, 0.42, 0.44, 0.34, 0.02, 0.14),
        ];
    }

    /**
     * Returns the alternator, the manifolds, the air filter, the oil filters and the starter.
     *
     * @param  array<string, float>  $by
     * @return list<Solid>
     */
    private static function besides(array $by): array
    {
        $w = $by['width'];
        $oil = static fn (float $x): Solid => Solid::round(
            new Vector($x * $by['length'], -0.28 * $w, -0.10 * $by['height']),
            new Vector($x * $by['length'], -0.36 * $w, -0.26 * $by['height']), 0.14 * $w,
        );

        return [
            self::along($by, 0.28, 0.42, 0.34, 0.02, 0.22),
            self::along($by, -0.27, 0.30, -0.30, 0.17, 0.15),
            self::part($by, [0.02, 0.29, 0.17], [0.54, 0.14, 0.10]),
            self::along($by, -0.30, -0.08, 0.24, 0.33, 0.28),
            self::along($by, -0.08, -0.04, 0.24, 0.33, 0.18),
            self::along($by, -0.31, -0.12, -0.36, -0.16, 0.17),
            $oil(0.10), $oil(0.20),
        ];
    }

    /**
     * Returns what leads to its ports: the thermostat housing, and the fuel rail with its end.
     *
     * @param  array<string, float>  $by
     * @return list<Solid>
     */
    private static function pipes(array $by): array
    {
        [$coolant, $fuel] = [self::coolant($by), self::fuel($by)];
        $under = $coolant->minus(self::z(0.36 * $by['height']));
        $rail = $fuel->minus(self::y(0.12 * $by['width']));

        return [
            Solid::round($under, $coolant->minus(self::z(24.0)), 0.13 * $by['width']),
            ...self::stub($coolant->minus(self::z(30.0)), $coolant, $by['size']),
            Solid::round($rail, $rail->plus(self::x(0.62 * $by['length'])), 0.05 * $by['width']),
            ...self::stub($rail, $fuel, $by['fuel']),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function coolant(array $by): Vector
    {
        return new Vector($by['length'] / 2 - 100.0, 0.0, $by['height'] / 2);
    }

    /** @param  array<string, float>  $by */
    private static function fuel(array $by): Vector
    {
        return new Vector(-$by['length'] / 2 + 150.0, $by['width'] / 2, $by['height'] / 2 - 150.0);
    }

    /**
     * @param  array<string, float>  $by
     * @param  array{float, float, float}  $at  its middle, as parts of the length, the width and the height
     * @param  array{float, float, float}  $size  likewise
     */
    private static function part(array $by, array $at, array $size): Solid
    {
        [$l, $w, $h] = [$by['length'], $by['width'], $by['height']];

        return Solid::box(
            new Vector($at[0] * $l, $at[1] * $w, $at[2] * $h), $size[0] * $l, $size[1] * $w, $size[2] * $h,
        );
    }

    /**
     * @param  array<string, float>  $by
     * @param  float  $diameter  as a part of the width; the others as parts of the length, the width and the height
     */
    private static function along(
        array $by,
        float $from,
        float $to,
        float $y,
        float $z,
        float $diameter,
    ): Solid {
        $at = new Vector(0.0, $y * $by['width'], $z * $by['height']);

        return Solid::round(
            $at->plus(self::x($from * $by['length'])), $at->plus(self::x($to * $by['length'])),
            $diameter * $by['width'],
        );
    }
}
