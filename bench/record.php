<?php

declare(strict_types=1);

/**
 * Appends one row to the table of bench/all, when that is what runs: the file that BENCH_TABLE names.
 *
 * @param  string  $what  what was measured
 * @param  float  $ratio  how many times $against it is
 * @param  string  $measured  the figure with its unit
 * @param  string  $against  what it is compared with, with its own figure
 */
function recordRatio(string $what, float $ratio, string $measured, string $against): void
{
    $table = getenv('BENCH_TABLE');
    if (is_string($table) && $table !== '') {
        file_put_contents(
            $table,
            sprintf("| %s | %s | %s | %.3g |\n", $what, $measured, $against, $ratio),
            FILE_APPEND,
        );
    }
}

/** The median of an odd number of times that $work takes, in seconds. */
function medianTime(int $times, Closure $work): float
{
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        $start = hrtime(true);
        $work();
        $took[] = (hrtime(true) - $start) / 1e9;
    }
    sort($took);

    return $took[intdiv($times, 2)];
}

/** Adds up 100 000 square roots: what times are compared with that have nothing else beside them. */
function addSquareRoots(): void
{
    $sum = 0.0;
    for ($i = 1; $i <= 100_000; $i++) {
        $sum += sqrt($i);
    }
}
