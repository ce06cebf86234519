<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/**
 * A heat exchanger of tubes in a shell along x: what cools it comes in at the bottom of one end and leaves at the top
 * of the other.
 */
final readonly class HeatExchanger extends PartKind
{
    public function word(): string
    {
        return 'heat-exchanger';
    }

    public function title(): string
    {
        return 'Heat exchanger';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Length', 600.0),
            new Parameter('diameter', 'Shell diameter', 140.0),
            new Parameter('apart', 'Ports apart', 420.0),
            new Parameter('reach', 'Centre to face', 85.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        [$half, $d] = [$by['length'] / 2, $by['diameter']];
        $shell = 0.66 * $half;

        return [
            Solid::round(self::x(-$shell), self::x($shell), $d * 0.92),
            Solid::round(self::x(-$shell - 16.0), self::x(-$shell), $d * 1.12),
            Solid::round(self::x($shell), self::x($shell + 16.0), $d * 1.12),
            Solid::round(self::x(-$half + 18.0), self::x(-$shell - 16.0), $d),
            Solid::round(self::x($shell + 16.0), self::x($half - 18.0), $d),
            Solid::round(self::x(-$half), self::x(-$half + 18.0), $d * 0.78),
            Solid::round(self::x($half - 18.0), self::x($half), $d * 0.78),
            Solid::box(new Vector(-0.5 * $shell, 0.0, -0.42 * $d), 46.0, $d * 0.7, $d * 0.3),
            Solid::box(new Vector(0.5 * $shell, 0.0, -0.42 * $d), 46.0, $d * 0.7, $d * 0.3),
            Solid::round(new Vector(-0.55 * $shell, 0.0, 0.0), new Vector(-0.55 * $shell, 0.0, $d * 0.62), $d * 0.3),
            Solid::round(new Vector(0.55 * $shell, 0.0, 0.0), new Vector(0.55 * $shell, 0.0, $d * 0.62), $d * 0.3),
            ...self::stub(self::x($by['apart'] / 2), self::inlet($by), $by['size']),
            ...self::stub(self::x(-$by['apart'] / 2), self::inlet($by)->times(-1.0), $by['size']),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('in', 'Inlet', self::inlet($by), self::z(-1.0), $by['size']),
            new PartPort('out', 'Outlet', self::inlet($by)->times(-1.0), self::z(1.0), $by['size']),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function inlet(array $by): Vector
    {
        return new Vector($by['apart'] / 2, 0.0, -$by['reach']);
    }
}
