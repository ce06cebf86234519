<?php

declare(strict_types=1);

/*
 * The laws of tests/Properties over any random jobs: php bench/properties.php [COUNT] [FIRST SEED]
 * Prints the worst that each part of a law was missed by, with its seed, beside what it may be missed by.
 */

use Tests\Properties\Movements;
use Tests\Properties\Relations;
use Tests\Properties\SmoothRuns;
use Tests\Properties\SprungHoses;
use Tests\Properties\StraightOnStops;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

$count = (int) ($argv[1] ?? 500);
$first = (int) ($argv[2] ?? 1);
$failed = false;
foreach (
    [
        'stops on legs' => [new StraightOnStops, 1],
        'smooth runs' => [new SmoothRuns, 1],
        'one relation' => [new Relations(1), 1],
        'two relations' => [new Relations(2), 1],
        'three relations' => [new Relations(3), 1],
        'sprung hoses' => [new SprungHoses, 1],
        // A movement is hundreds of hoses: a tenth of the jobs.
        'cables that move' => [new Movements(true), 10],
        'hoses that move' => [new Movements(false), 10],
    ] as $name => [$property, $share]
) {
    $worst = [];
    for ($seed = $first; $seed < $first + intdiv($count, $share); $seed++) {
        foreach ($property->differences($seed) as $part => $difference) {
            $worst[$part] = $difference >= ($worst[$part][0] ?? 0.0) ? [$difference, $seed] : $worst[$part];
        }
    }
    printf("%s, %d jobs\n", $name, intdiv($count, $share));
    foreach ($property->limits() as $part => $limit) {
        [$difference, $seed] = $worst[$part] ?? [0.0, 0];
        $failed = $failed || $difference > $limit;
        recordRatio(
            "$name: $part",
            // Of what may not be missed at all, any miss is endlessly much.
            $limit > 0.0 ? $difference / $limit : ($difference > 0.0 ? INF : 0.0),
            sprintf('%.1e', $difference),
            sprintf('what it may be missed by, %.1e', $limit),
        );
        printf(
            "    %-36s %9.2e of %8.1e  (seed %d)%s\n",
            $part,
            $difference,
            $limit,
            $seed,
            $difference > $limit ? '  MISSED' : '',
        );
    }
}
exit($failed ? 1 : 0);
