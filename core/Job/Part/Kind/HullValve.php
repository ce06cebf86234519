<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Geometry\Vector;
use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A valve on a hull fitting: its flange at the hull, its wheel to a side, its port over it. */
final readonly class HullValve extends PartKind
{
    public function word(): string
    {
        return 'hull-valve';
    }

    public function title(): string
    {
        return 'Hull valve';
    }

    public function parameters(): array
    {
        return [
            new Parameter('height', 'Height', 140.0),
            new Parameter('diameter', 'Body diameter', 70.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        [$d, $half] = [$by['diameter'], $by['height'] / 2];

        return [
            Solid::round(self::z(-$half), self::z(-$half + 12.0), $d * 1.6),
            Solid::round(self::z(-$half + 12.0), self::z($half * 0.5), $d),
            Solid::round(self::z($half * 0.5), self::z($half), $by['size'] + self::STUB),
            Solid::round(Vector::zero(), self::y($d * 1.05), $d * 0.3),
            Solid::round(self::y($d * 1.05), self::y($d * 1.05 + 10.0), $d * 1.1),
        ];
    }

    public function rooms(array $by): array
    {
        $wheel = $by['diameter'] * 1.05 + 10.0;

        return [new Room('to turn its wheel', Solid::round(
            self::y($wheel), self::y($wheel + 2 * self::HAND), $by['diameter'] * 1.1,
        ))];
    }

    public function ports(array $by): array
    {
        return [new PartPort('in', 'Inlet', self::z($by['height'] / 2), self::z(1.0), $by['size'])];
    }
}
