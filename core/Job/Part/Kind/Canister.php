<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A spin-on filter: its canister under a head, its port on top. */
final readonly class Canister extends PartKind
{
    public function word(): string
    {
        return 'canister';
    }

    public function title(): string
    {
        return 'Spin-on filter';
    }

    public function parameters(): array
    {
        return [
            new Parameter('height', 'Height', 180.0),
            new Parameter('diameter', 'Canister diameter', 90.0),
            new Parameter('size', 'For tube of', 12.0),
        ];
    }

    public function solids(array $by): array
    {
        [$d, $half] = [$by['diameter'], $by['height'] / 2];
        $head = $half - 0.28 * $by['height'];

        return [
            Solid::round(self::z(-$half), self::z($head - 8.0), $d),
            Solid::round(self::z(-$half - 6.0), self::z(-$half), $d * 0.8),
            Solid::round(self::z($head - 8.0), self::z($head), $d * 0.9),
            Solid::round(self::z($head), self::z($half - 22.0), $d * 1.08),
            Solid::box(new Vector(0.0, $d * 0.55, $half - 42.0), $d * 0.7, $d * 0.34, 30.0),
            Solid::round(self::z($half - 22.0), self::z($half), $by['size'] + self::STUB),
        ];
    }

    public function rooms(array $by): array
    {
        $bottom = -$by['height'] / 2 - 6.0;

        return [new Room('to unscrew its canister', Solid::round(
            self::z($bottom - 2 * self::HAND), self::z($bottom), $by['diameter'],
        ))];
    }

    public function ports(array $by): array
    {
        return [new PartPort('in', 'Inlet', self::z($by['height'] / 2), self::z(1.0), $by['size'])];
    }
}
