<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A basket strainer on legs under a bolted lid: its inlet high on one side, its outlet low on another. */
final readonly class Strainer extends PartKind
{
    public function word(): string
    {
        return 'strainer';
    }

    public function title(): string
    {
        return 'Strainer';
    }

    public function parameters(): array
    {
        return [
            new Parameter('height', 'Bowl height', 360.0),
            new Parameter('diameter', 'Bowl diameter', 130.0),
            new Parameter('reach', 'Centre to face', 100.0),
            new Parameter('drop', 'Outlet lower by', 160.0, 'mm', 0.0),
            new Parameter('angle', 'Outlet turned by', 180.0, '°', -360.0, 360.0),
            new Parameter('stand', 'Legs', 120.0, 'mm', 0.0),
            new Parameter('size', 'Inlet for tube of', 28.0),
            new Parameter('outlet', 'Outlet for tube of', 28.0),
            self::flange(),
            new Parameter('outlet_flange', 'Flange of its outlet', 0.0, 'mm', 0.0),
        ];
    }

    public function solids(array $by): array
    {
        [$d, $height] = [$by['diameter'], $by['height']];
        $top = self::top($by);
        $bottom = $top - $height;
        $lid = max(10.0, $d * 0.1);
        $around = [];
        foreach ([45.0, 135.0, 225.0, 315.0] as $angle) {
            $side = self::x(1.0)->turnedAbout(self::z(1.0), deg2rad($angle));
            $bolt = $side->times($d * 0.64)->plus(self::z($top - $lid - 8.0));
            $around[] = Solid::round($bolt, $bolt->plus(self::z(2 * $lid + 20.0)), $d * 0.08);
            if ($by['stand'] > 0.0) {
                $foot = $side->times($d * 0.42)->plus(self::z($bottom - $by['stand']));
                $around[] = Solid::round($foot, $foot->plus(self::z($by['stand'] + $height * 0.2)), $d * 0.13);
            }
        }

        return [
            Solid::round(self::z($bottom), self::z($top - $lid), $d),
            Solid::round(self::z($top - $lid), self::z($top), $d * 1.45),
            Solid::round(self::z($top), self::z($top + $lid), $d * 1.45),
            Solid::box(self::z($top + $lid + 14.0), $d * 0.7, 14.0, 10.0),
            Solid::round(self::z($top + $lid), self::z($top + $lid + 12.0), $d * 0.16),
            Solid::round(self::z($bottom - 24.0), self::z($bottom), $d * 0.2),
            ...$around,
            ...self::stub(Vector::zero(), self::x(-$by['reach']), $by['size'], $by['flange']),
            ...self::stub(self::z(-$by['drop']), self::outlet($by), $by['outlet'], $by['outlet_flange']),
        ];
    }

    public function rooms(array $by): array
    {
        $lid = self::top($by) + max(10.0, $by['diameter'] * 0.1) + 19.0;

        return [new Room('to draw out its basket', Solid::round(
            self::z($lid), self::z($lid + 0.8 * $by['height']), $by['diameter'],
        ))];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('in', 'Inlet', self::x(-$by['reach']), self::x(-1.0), $by['size']),
            new PartPort(
                'out', 'Outlet', self::outlet($by), self::outlet($by)->plus(self::z($by['drop']))->unit(),
                $by['outlet'],
            ),
        ];
    }

    protected function sizes(): array
    {
        return ['size', 'outlet'];
    }

    protected function fixed(): array
    {
        return ['stand', 'flange', 'outlet_flange'];
    }

    /**
     * Returns the height of the lid over the inlet, mm.
     *
     * @param  array<string, float>  $by
     */
    private static function top(array $by): float
    {
        return max($by['flange'] / 2, $by['size']) + 30.0;
    }

    /** @param  array<string, float>  $by */
    private static function outlet(array $by): Vector
    {
        return self::x(-$by['reach'])->turnedAbout(self::z(1.0), deg2rad($by['angle']))->minus(self::z($by['drop']));
    }
}
