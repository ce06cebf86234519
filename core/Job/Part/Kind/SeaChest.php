<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A box on the hull that lets sea water in: its port on top. */
final readonly class SeaChest extends PartKind
{
    public function word(): string
    {
        return 'sea-chest';
    }

    public function title(): string
    {
        return 'Sea chest';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Length', 220.0),
            new Parameter('width', 'Width', 220.0),
            new Parameter('height', 'Height', 180.0),
            new Parameter('size', 'For tube of', 34.0),
            self::flange(),
        ];
    }

    public function solids(array $by): array
    {
        [$x, $y, $half] = [$by['length'], $by['width'], $by['height'] / 2];
        $lid = $half - max(24.0, $by['flange'] / 4);

        $vent = new Vector(-0.36 * $x, -0.36 * $y, $lid);

        return [
            Solid::box(self::z(($lid - 12.0 - $half) / 2), $x, $y, $lid - 12.0 + $half),
            Solid::box(self::z($lid - 6.0), $x + 36.0, $y + 36.0, 12.0),
            Solid::box(self::z(-$half - 8.0), $x + 60.0, $y + 60.0, 16.0),
            Solid::round($vent, $vent->plus(self::z(40.0)), 22.0),
            ...self::stub(self::z($lid - 12.0), self::z($half), $by['size'], $by['flange']),
        ];
    }

    public function ports(array $by): array
    {
        return [new PartPort('top', 'Top', self::z($by['height'] / 2), self::z(1.0), $by['size'])];
    }

    protected function fixed(): array
    {
        return ['length', 'width', 'height', 'flange'];
    }
}
