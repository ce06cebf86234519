<?php

declare(strict_types=1);

/*
 * How long `bin/bowline solve` takes as a whole process: php bench/solve.php
 * Asked for: a job of 1 run in under 0.1 s, 200 runs of 20 corners in under 2 s, 500 in under 1.2 s.
 */

require __DIR__.'/jobs.php';
require __DIR__.'/record.php';

$empty = medianTime(7, static function (): void {
    exec(PHP_BINARY." -r ''");
});

foreach ([[1, 4, 0.1], [200, 20, 2.0], [500, 20, 1.2]] as [$runs, $corners, $limit]) {
    $file = tempnam(sys_get_temp_dir(), 'bowline');
    file_put_contents((string) $file, json_encode(benchJob($runs, $corners), JSON_THROW_ON_ERROR));
    $times = [];
    $exit = -1;
    for ($i = 0; $i < 7; $i++) {
        $start = hrtime(true);
        exec(
            sprintf(
                '%s %s solve %s',
                PHP_BINARY,
                escapeshellarg(__DIR__.'/../bin/bowline'),
                escapeshellarg((string) $file),
            ),
            $out,
            $exit,
        );
        $times[] = (hrtime(true) - $start) / 1e9;
    }
    unlink((string) $file);
    sort($times);
    printf(
        "%3d runs of %2d corners: median %.3f s, slowest %.3f s (asked for: under %.1f s), exit %d\n",
        $runs,
        $corners,
        $times[3],
        $times[6],
        $limit,
        $exit,
    );
    recordRatio(
        "bin/bowline solve, $runs runs of $corners corners",
        $times[3] / $empty,
        sprintf('%.3f s', $times[3]),
        sprintf('PHP started for nothing, %.3f s', $empty),
    );
}
