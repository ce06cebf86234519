<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Junction\WallMap;
use Bowline\Geometry\Vector;

/** Writes the wall of a body (job-file.md, `walls`): mm and mm². */
final class WallWriter
{
    /** @return array<string, mixed> */
    public static function write(string $id, WallMap $walls): array
    {
        $place = static fn (Vector $at, float $wall): array => [
            'wall' => $wall, 'at' => $at->withoutNegativeZeros(),
        ];

        return [
            'id' => $id, 'least' => $place(...$walls->least()), 'most' => $place(...$walls->most()),
            'histogram' => $walls->histogram(),
        ];
    }
}
