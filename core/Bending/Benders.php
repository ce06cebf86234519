<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** The benders at hand: two invented ones, a bench bender for small tube and a machine for pipe. */
final readonly class Benders
{
    /** @return array<string, Bender> by id */
    public static function all(): array
    {
        $benders = [];
        foreach ([
            new Bender('bench-22', 'Cleat bench bender 22', 18.0, 40.0, 30.0, [20.0, 25.0, 30.0, 36.0, 45.0, 55.0, 65.0], deg2rad(185), 22.0),
            new Bender('shop-60', 'Windlass shop bender 60', 45.0, 110.0, 95.0, [50.0, 56.0, 70.0, 90.0, 115.0, 140.0, 180.0], deg2rad(190), 60.3),
        ] as $bender) {
            $benders[$bender->id] = $bender;
        }

        return $benders;
    }
}
