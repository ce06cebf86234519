<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A ball valve with its lever along it. */
final readonly class Valve extends PartKind
{
    public function word(): string
    {
        return 'valve';
    }

    public function title(): string
    {
        return 'Ball valve';
    }

    public function parameters(): array
    {
        return [
            new Parameter('length', 'Face to face', 70.0),
            new Parameter('lever', 'Lever', 90.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        $s = $by['size'];

        return [
            Solid::round(self::x(-$by['length'] / 2), self::x($by['length'] / 2), $s + self::STUB),
            Solid::round(Vector::zero(), self::z($s + 14.0), $s * 0.6),
            Solid::box(new Vector($by['lever'] / 2 - 8.0, 0.0, $s + 16.0), $by['lever'], 14.0, 4.0),
        ];
    }

    public function rooms(array $by): array
    {
        $height = $by['size'] + 16.0;

        return [new Room('to turn its lever', Solid::round(
            self::z($height - 4.0), self::z($height + self::HAND), 2 * $by['lever'],
        ))];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('a', 'Side A', self::x(-$by['length'] / 2), self::x(-1.0), $by['size']),
            new PartPort('b', 'Side B', self::x($by['length'] / 2), self::x(1.0), $by['size']),
        ];
    }
}
