<?php

declare(strict_types=1);

namespace Bowline\Job\Part\Kind;

use Bowline\Job\Part\Parameter;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartPort;
use Bowline\Job\Part\Room;
use Bowline\Job\Part\Solid;

/** A union through a wall. The wall is as thick as it is, whatever goes through it. */
final readonly class BulkheadUnion extends PartKind
{
    public function word(): string
    {
        return 'bulkhead-union';
    }

    public function title(): string
    {
        return 'Bulkhead union';
    }

    public function parameters(): array
    {
        return [
            new Parameter('wall', 'Wall between', 20.0, 'mm', 0.1),
            new Parameter('length', 'Reach each side', 30.0),
            new Parameter('size', 'For tube of', 28.0),
        ];
    }

    public function solids(array $by): array
    {
        [$s, $face, $wall] = [$by['size'], self::face($by), $by['wall'] / 2];

        return [
            Solid::round(self::x(-$face), self::x($face), $s + 6.0),
            Solid::round(self::x($wall), self::x($wall + 12.0), $s * 1.7),
            Solid::round(self::x(-$wall - 12.0), self::x(-$wall), $s * 1.7),
        ];
    }

    public function rooms(array $by): array
    {
        [$wall, $wide] = [$by['wall'] / 2, $by['size'] * 1.7 + 2 * self::HAND];

        return [
            new Room('for a spanner', Solid::round(self::x($wall), self::x($wall + 12.0), $wide)),
            new Room('for a spanner', Solid::round(self::x(-$wall - 12.0), self::x(-$wall), $wide)),
        ];
    }

    public function ports(array $by): array
    {
        return [
            new PartPort('a', 'Side A', self::x(-self::face($by)), self::x(-1.0), $by['size']),
            new PartPort('b', 'Side B', self::x(self::face($by)), self::x(1.0), $by['size']),
        ];
    }

    protected function fixed(): array
    {
        return ['wall'];
    }

    /** @param  array<string, float>  $by */
    private static function face(array $by): float
    {
        return $by['wall'] / 2 + $by['length'];
    }
}
