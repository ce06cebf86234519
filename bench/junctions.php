<?php

declare(strict_types=1);

/*
 * Bodies of several runs whose surface is found: php bench/junctions.php [COUNT] [CHORD]
 * Random branches on a pipe and random legs that begin as one, rounded first and hollow first: how many close as one
 * shell, how even their wall is, and how long the slowest takes. Asked for: all of them, within 2 %, under 60 s.
 */

use Bowline\Body\Junction\RoundedBody;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;
use Tests\Tees;

require __DIR__.'/../vendor/autoload.php';

$count = (int) ($argv[1] ?? 8);
$chord = (float) ($argv[2] ?? 0.5);
[$closed, $slowest, $uneven, $refused] = [0, 0.0, 0.0, 0];
for ($seed = 1; $seed <= $count; $seed++) {
    mt_srand($seed);
    $lean = deg2rad(mt_rand(40, 140));
    $turn = deg2rad(mt_rand(0, 359));
    $file = Tees::file(
        [Tees::branch(200, [cos($lean), sin($lean) * cos($turn), sin($lean) * sin($turn)])], [], [60, 3],
        [mt_rand(16, 60), 2],
    );
    $file->bodies[0] = Jobs::object([
        ...(array) $file->bodies[0], 'round' => mt_rand(0, 120) / 10, 'wall' => mt_rand(10, 40) / 10,
        'order' => $seed % 2 === 0 ? 'round-first' : 'hollow-first',
    ]);
    $job = Job::read($file);
    $begin = hrtime(true);
    try {
        $body = RoundedBody::of($job->bodies['tee'], Tees::laid($file), '');
        $closed += $body->mesh($chord)->isClosed() ? 1 : 0;
        $walls = $seed % 2 === 0 ? $body->walls($chord) : null;
        $uneven = max($uneven, $walls === null ? 0.0 : $walls->most()[1] / $walls->least()[1] - 1);
    } catch (JobError $error) {
        $refused++;
        fprintf(STDERR, "seed %d: %s\n", $seed, $error->getMessage());
    }
    $took = (hrtime(true) - $begin) / 1e9;
    $slowest = max($slowest, $took);
}
printf(
    "%d of %d closed, %d refused; uneven by %.4f %% at most; the slowest took %.1f s; %.0f MB\n",
    $closed, $count, $refused, 100 * $uneven, $slowest, memory_get_peak_usage(true) / 1e6,
);
