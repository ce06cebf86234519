<?php

declare(strict_types=1);

/*
 * Blocks with random channels: each is made, its mesh looked at, and how long that takes told.
 * php bench/blocks.php [COUNT] [FIRST SEED]
 */

use Bowline\Body\MassProperties;
use Bowline\Job\JobError;
use Tests\RandomBlocks;

require dirname(__DIR__).'/vendor/autoload.php';

$count = (int) ($argv[1] ?? 200);
$first = (int) ($argv[2] ?? 1);
$times = [];
[$exact, $found, $refused, $open] = [0, 0, 0, 0];
for ($seed = $first; $seed < $first + $count; $seed++) {
    $started = microtime(true);
    try {
        $made = RandomBlocks::made($seed);
        $mesh = $made->mesh(0.1);
    } catch (JobError) {
        $refused++;

        continue;
    }
    $times[] = microtime(true) - $started;
    $made->isExact() ? $exact++ : $found++;
    if (! $mesh->isClosed() || $mesh->volume() <= 0.0) {
        $open++;
        printf("seed %d is not closed\n", $seed);
    } elseif ($made->isExact()) {
        $off = $mesh->volume() / MassProperties::of($made->solid())->volume - 1.0;
        if (abs($off) > 0.01) {
            printf("seed %d: triangles have %.4f of the volume\n", $seed, 1.0 + $off);
        }
    }
}
sort($times);
printf(
    "%d blocks: %d exact, %d found, %d cannot be made, %d not closed\n", $count, $exact, $found, $refused, $open,
);
printf(
    "median %.3f s, longest %.3f s; %d MB\n", $times[intdiv(count($times), 2)] ?? 0.0, $times[count($times) - 1] ?? 0.0,
    memory_get_peak_usage() / 1e6,
);
