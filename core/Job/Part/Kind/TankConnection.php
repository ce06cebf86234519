<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Solid;

/** A connection on the wall of a tank. */
final readonly class TankConnection extends PartKind
{
    public function word(): string
    {
        return 'tank-connection';
    }

    public function title(): string
    {
        return 'Tank connection';
    }

    public function parameters(): array
    {
        return [
            new Parameter('flange', 'Flange diameter', 80.0), new Parameter('thickness', 'Flange thickness', 8.0),
            new Parameter('length', 'Reach from the wall', 40.0), new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        return [
            Solid::round(Vector::zero(), self::z($by['thickness']), $by['flange']),
            Solid::round(self::z($by['thickness']), self::z(self::face($by)), $by['size'] + self::STUB),
        ];
    }

    public function ports(array $by): array
    {
        return [new PartPort('out', 'Outlet', self::z(self::face($by)), self::z(1.0), $by['size'])];
    }

    /** @param  array<string, float>  $by */
    private static function face(array $by): float
    {
        return max($by['length'], $by['thickness'] + 1.0);
    }
}
