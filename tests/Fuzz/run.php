<?php

declare(strict_types=1);

/*
 * Random input to everything that reads: bin/fuzz [COUNT] [FIRST SEED] [FUZZER]
 * Exit 1 when anything but a plain refusal came of it.
 */

use Tests\Fuzz\BroughtInFiles;
use Tests\Fuzz\JobFiles;
use Tests\Fuzz\RunEdits;

require __DIR__.'/../../vendor/autoload.php';

$count = (int) ($argv[1] ?? 1000);
$first = (int) ($argv[2] ?? 1);
$failed = 0;
$fuzzers = ['job-files' => JobFiles::class, 'run-edits' => RunEdits::class, 'brought-in' => BroughtInFiles::class];
foreach ($fuzzers as $name => $class) {
    if (isset($argv[3]) && $argv[3] !== $name) {
        continue;
    }
    $fuzzer = new $class;
    $seen = [];
    $start = hrtime(true);
    for ($seed = $first; $seed < $first + $count; $seed++) {
        $failure = $fuzzer->failure($seed);
        if ($failure !== null) {
            $seen[$failure][] = $seed;
        }
    }
    printf(
        "%-12s %d tries in %.0f s, %d failed\n",
        $name,
        $count,
        (hrtime(true) - $start) / 1e9,
        array_sum(array_map(count(...), $seen)),
    );
    foreach ($seen as $failure => $seeds) {
        $failed += count($seeds);
        printf("    %s  (%d times, seed %d)\n", mb_substr($failure, 0, 200), count($seeds), $seeds[0]);
    }
}
exit($failed > 0 ? 1 : 0);
