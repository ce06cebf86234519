<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A centrifugal pump: its motor behind, its inlet in front, its outlet to a side. */
final readonly class Pump extends PartKind
{
    public function word(): string
    {
        return 'pump';
    }

    public function title(): string
    {
        return 'Pump';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Motor length', 160.0), new Parameter('diameter', 'Motor diameter', 90.0),
            new Parameter('size', 'Inlet for tube of', 28.0), new Parameter('outlet', 'Outlet for tube of', 28.0),
            new Parameter('outlet_angle', 'Outlet turned by', 0.0, '°', -360.0, 360.0),
        ];
    }

    public function solids(array $by): array
    {
        $o = Vector::zero();
        $head = self::head($by);

        return [
            Solid::round(self::x(-$by['length']), $o, $by['diameter']),
            Solid::round($o, self::x($head), $by['diameter'] * 0.8),
            Solid::round(self::x($head), self::x($head + 18.0), $by['size'] + self::STUB),
            Solid::round(self::x($head / 2), self::outlet($by), $by['outlet'] + self::STUB),
            Solid::box(
                new Vector(-$by['length'] / 2, 0.0, -$by['diameter'] / 2 - 6.0),
                $by['length'] * 0.6,
                $by['diameter'] * 0.9,
                12.0,
            ),
        ];
    }

    public function ports(array $by): array
    {
        $head = self::head($by);
        $outlet = self::outlet($by);

        return [
            new PartPort('in', 'Inlet', self::x($head + 18.0), self::x(1.0), $by['size']),
            new PartPort('out', 'Outlet', $outlet, $outlet->minus(self::x($head / 2))->unit(), $by['outlet']),
        ];
    }

    protected function sizes(): array
    {
        return ['size', 'outlet'];
    }

    /** @param  array<string, float>  $by */
    private static function head(array $by): float
    {
        return max(30.0, $by['outlet'] + 14.0);
    }

    /** @param  array<string, float>  $by */
    private static function outlet(array $by): Vector
    {
        $up = self::z($by['diameter'] * 0.4 + 24.0)->turnedAbout(self::x(1.0), deg2rad($by['outlet_angle']));

        return $up->plus(self::x(self::head($by) / 2));
    }
}
