<?php

declare(strict_types=1);

/*
 * Random bodies of several runs, rounded and hollowed in both orders: php bench/junctions.php [COUNT] [CHORD] [SEED]
 * How many close as one shell, how even the wall is of those that are rounded first, how long the slowest takes and how
 * much memory. Asked for: all of them, within 2 %, under 60 s and 2 GB.
 */

use Bowline\Job\JobError;
use Tests\RandomJunctions;
use Tests\Triangles;

require __DIR__.'/../vendor/autoload.php';

$count = (int) ($argv[1] ?? 8);
$chord = (float) ($argv[2] ?? 0.5);
$first = (int) ($argv[3] ?? 1);
[$closed, $slowest, $uneven, $refused, $triangles] = [0, 0.0, 0.0, 0, 0];
for ($seed = $first; $seed < $first + $count; $seed++) {
    $begin = hrtime(true);
    try {
        $body = RandomJunctions::made($seed);
        $mesh = $body->mesh($chord);
        $isGood = $mesh->isClosed() && Triangles::shells($mesh) === 1 && $mesh->volume() > 0.0;
        $closed += $isGood ? 1 : 0;
        $triangles += count($mesh->triangles);
        if (! $isGood) {
            fprintf(STDERR, "seed %d: %d shells\n", $seed, Triangles::shells($mesh));
        }
        $told = RandomJunctions::file($seed)->bodies[0];
        $isEven = $told->order === 'round-first' && $told->round > 0;
        $walls = $isEven ? $body->walls(max(0.5, $chord)) : null;
        $off = $walls === null ? 0.0 : $walls->most()[1] / $walls->least()[1] - 1;
        if ($off > 0.02) {
            fprintf(STDERR, "seed %d: uneven by %.2f %%\n", $seed, 100 * $off);
        }
        $uneven = max($uneven, $off);
    } catch (JobError $error) {
        $refused++;
        fprintf(STDERR, "seed %d: %s\n", $seed, $error->getMessage());
    }
    $took = (hrtime(true) - $begin) / 1e9;
    if ($took > 30) {
        fprintf(STDERR, "seed %d: %.1f s\n", $seed, $took);
    }
    $slowest = max($slowest, $took);
}
printf(
    '%d of %d closed as one shell, %d refused; uneven by %.4f %% at most; the slowest took %.1f s; %.0f MB; '
    ."%d triangles each\n",
    $closed, $count, $refused, 100 * $uneven, $slowest, memory_get_peak_usage(true) / 1e6,
    $triangles / max(1, $count - $refused),
);
