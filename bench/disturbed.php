<?php

declare(strict_types=1);

/*
 * What a trillionth changes: php bench/disturbed.php [ROUNDS] [FILE…]
 * Solves each job file (the demos and the cases when none is named) with its numbers disturbed, so many times, and
 * tells what differs by more than a thousandth of a millimetre or a degree.
 */

use Tests\Disturbed;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

$rounds = (int) ($argv[1] ?? 3);
$files = array_slice($argv, 2) ?: [
    ...glob(__DIR__.'/../database/demo/*.json'),
    ...array_filter(
        glob(__DIR__.'/../tests/cases/*.json'),
        static fn (string $file): bool => ! str_contains($file, '.expected.') && ! str_contains($file, 'bad-'),
    ),
];
$changed = 0;
foreach ($files as $file) {
    $json = (string) file_get_contents($file);
    $rest = Disturbed::solution($json, null);
    $differ = [];
    for ($seed = 1; $seed <= $rounds; $seed++) {
        array_push($differ, ...Disturbed::differences($rest, Disturbed::solution($json, $seed), 1e-6));
    }
    $changed += $differ === [] ? 0 : 1;
    printf("%-45s %s\n", basename($file), $differ === [] ? 'the same' : count($differ).' differ');
    foreach (array_slice($differ, 0, 5) as $one) {
        printf("    %s\n", $one);
    }
}
recordRatio(
    'job files whose solution a trillionth in the input changes',
    $changed / count($files),
    (string) $changed,
    'all that were disturbed, '.count($files),
);
