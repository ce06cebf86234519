<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A filter with its bowl under its head, its ports opposite each other. */
final readonly class Filter extends PartKind
{
    public function word(): string
    {
        return 'filter';
    }

    public function title(): string
    {
        return 'Filter';
    }

    public function parameters(): array
    {
        return [
            new Parameter('height', 'Bowl height', 140.0),
            new Parameter('diameter', 'Bowl diameter', 80.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        [$height, $reach] = [$by['height'], self::reach($by)];

        return [
            Solid::round(self::z(-$height), self::z(-0.15 * $height), $by['diameter']),
            Solid::round(self::z(-0.15 * $height), self::z($by['size'] * 0.9), $by['diameter'] * 1.12),
            Solid::round(self::x(-$reach), self::x($reach), $by['size'] + self::STUB),
        ];
    }

    public function rooms(array $by): array
    {
        return [new Room('to take off its bowl', Solid::round(
            self::z(-1.9 * $by['height']), self::z(-$by['height']), $by['diameter'],
        ))];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('in', 'Inlet', self::x(-self::reach($by)), self::x(-1.0), $by['size']),
            new PartPort('out', 'Outlet', self::x(self::reach($by)), self::x(1.0), $by['size']),
        ];
    }

    /** @param  array<string, float>  $by */
    private static function reach(array $by): float
    {
        return $by['diameter'] * 0.56 + 14.0;
    }
}
