<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A flexible-impeller pump: its shaft along x, its ports on opposite sides of the housing, one over the other. */
final readonly class ImpellerPump extends PartKind
{
    public function word(): string
    {
        return 'impeller-pump';
    }

    public function title(): string
    {
        return 'Impeller pump';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Motor length', 180.0), new Parameter('diameter', 'Housing diameter', 110.0),
            new Parameter('across', 'Face to face of its ports', 160.0),
            new Parameter('offset', 'Outlet higher by', 50.0, 'mm', 0.0),
            new Parameter('size', 'For tube of', 28.0), self::flange(),
        ];
    }

    public function solids(array $by): array
    {
        [$d, $long] = [$by['diameter'], $by['length']];
        $foot = -0.5 * $d - 22.0;

        return [
            Solid::round(self::x(-0.3 * $d), self::x(0.3 * $d), $d),
            Solid::round(self::x(0.3 * $d), self::x(0.3 * $d + 8.0), $d * 0.94),
            Solid::round(self::x(0.3 * $d + 8.0), self::x(0.3 * $d + 13.0), $d * 0.3),
            Solid::round(self::x(-0.3 * $d - 14.0), self::x(-0.3 * $d), $d * 0.7),
            Solid::round(self::x(-0.3 * $d - 14.0 - $long), self::x(-0.3 * $d - 14.0), $d * 1.05),
            Solid::round(self::x(-0.3 * $d - 30.0 - $long), self::x(-0.3 * $d - 14.0 - $long), $d * 0.85),
            Solid::box(new Vector(-0.3 * $d - 14.0 - $long * 0.5, 0.0, 0.55 * $d), $long * 0.4, $d * 0.5, $d * 0.3),
            Solid::box(new Vector(-0.3 * $d - 14.0 - $long * 0.5, 0.0, $foot + 20.0), $long * 0.7, $d * 0.5, 40.0),
            Solid::box(new Vector(-0.3 * $long, 0.0, $foot), $long + 0.6 * $d, $d, 12.0),
            ...self::stub(new Vector(0.0, 0.0, -$by['offset'] / 2), self::inlet($by), $by['size'], $by['flange']),
            ...self::stub(new Vector(0.0, 0.0, $by['offset'] / 2), self::outlet($by), $by['size'], $by['flange']),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('in', 'Inlet', self::inlet($by), self::y(1.0), $by['size']),
            new PartPort('out', 'Outlet', self::outlet($by), self::y(-1.0), $by['size']),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function inlet(array $by): Vector
    {
        return new Vector(0.0, $by['across'] / 2, -$by['offset'] / 2);
    }

    /** @param  array<string, float>  $by */
    private static function outlet(array $by): Vector
    {
        return new Vector(0.0, -$by['across'] / 2, $by['offset'] / 2);
    }
}
