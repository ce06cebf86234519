<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A small round tank with a filler cap: its port at one end. */
final readonly class HeaderTank extends PartKind
{
    public function word(): string
    {
        return 'header-tank';
    }

    public function title(): string
    {
        return 'Header tank';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Length', 300.0),
            new Parameter('diameter', 'Diameter', 180.0),
            new Parameter('size', 'For tube of', 22.0),
        ];
    }

    public function solids(array $by): array
    {
        [$half, $d] = [$by['length'] / 2, $by['diameter']];
        $front = -$half + 20.0;

        return [
            Solid::round(self::x($front + 10.0), self::x($half - 10.0), $d),
            Solid::round(self::x($front), self::x($front + 10.0), $d * 0.86),
            Solid::round(self::x($half - 10.0), self::x($half), $d * 0.86),
            Solid::round(self::x(-$half), self::x($front), $by['size'] + self::STUB),
            Solid::round(new Vector($half * 0.3, 0.0, 0.4 * $d), new Vector($half * 0.3, 0.0, 0.6 * $d), $d * 0.28),
            Solid::round(new Vector($half * 0.3, 0.0, 0.6 * $d), new Vector($half * 0.3, 0.0, 0.68 * $d), $d * 0.36),
            Solid::box(self::x($front + 50.0), 18.0, $d * 1.04, $d * 1.04),
            Solid::box(self::x($half - 50.0), 18.0, $d * 1.04, $d * 1.04),
        ];
    }

    public function ports(array $by): array
    {
        return [new PartPort('in', 'Inlet', self::x(-$by['length'] / 2), self::x(-1.0), $by['size'])];
    }
}
