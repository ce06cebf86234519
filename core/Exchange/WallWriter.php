<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Junction\WallMap;
use Bowline\Geometry\Vector;

/** Writes the wall of a body (job-file.md, `walls`): mm and mm². */
final class WallWriter
{
    /** Walls are found to this, mm. */
    private const SLACK = 1e-3;

    /** A wall that is thicker than this times what is told is a thick spot: it cools last, and shrinks. */
    private const THICK = 1.5;

    /**
     * @param  float|null  $needed  least wall, mm; null where none is told
     * @param  float|null  $usual  wall that it is made with, mm; null where that is nothing to go by
     * @return array<string, mixed>
     */
    public static function write(string $id, WallMap $walls, ?float $needed, ?float $usual): array
    {
        $place = static fn (Vector $at, float $wall): array => [
            'wall' => $wall, 'at' => $at->withoutNegativeZeros(),
        ];
        [$least, $most] = [$place(...$walls->least()), $place(...$walls->most())];

        return [
            'id' => $id, 'least' => $least, 'most' => $most, 'histogram' => $walls->histogram(),
            'findings' => array_values(array_filter([
                $needed !== null && $least['wall'] < $needed - self::SLACK
                    ? ['rule' => 'thin-wall', ...$least, 'limit' => $needed]
                    : null,
                $usual !== null && $most['wall'] > self::THICK * $usual + self::SLACK
                    ? ['rule' => 'thick-spot', ...$most, 'limit' => self::THICK * $usual]
                    : null,
            ])),
        ];
    }
}
