<?php

declare(strict_types=1);

/*
 * How long the ways and lengths of 1,000 wires over 200 trunks take, beside reading their job and beside laying the
 * trunks, the bundles, and all of it again with what is found and its remedies: 30 wires are too long.
 * Usage: php bench/harness.php [WIRES] [TRUNKS]
 */

use Bowline\Harness\BoardLayout;
use Bowline\Harness\Bundles;
use Bowline\Harness\FoundPackings;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/jobs.php';
require __DIR__.'/record.php';

$wires = (int) ($argv[1] ?? 1000);
$trunks = (int) ($argv[2] ?? 200);
$text = json_encode(benchHarness($wires, $trunks), JSON_THROW_ON_ERROR);

$reading = null;
// The first is what the others are measured against.
$timed = static function (string $what, callable $do) use (&$reading): mixed {
    $start = hrtime(true);
    $done = $do();
    $took = (hrtime(true) - $start) / 1e6;
    printf("%-34s %8.1f ms\n", $what, $took);
    if ($reading !== null) {
        recordRatio($what, $took / $reading, sprintf('%.1f ms', $took), sprintf('reading the job, %.1f ms', $reading));
    }
    $reading ??= $took;

    return $done;
};
$job = $timed('the job read', static fn (): Job => Job::read(JobFile::decode($text)));
$laid = $timed('its trunks laid', static fn (): array => array_map(
    static fn ($run) => $run->route->lay($run), $job->runs,
));
$harness = $job->harnesses['h'];
$made = $timed("ways and lengths of $wires wires", static fn (): LaidHarness => LaidHarness::of($harness, $laid));
printf("%-34s %8.1f m\n", 'length of all wires', array_sum(array_map(
    static fn ($one): float => $one->length() ?? 0.0, $made->wires,
)) / 1000);
$packings = new FoundPackings;
$few = $timed('bundles', static fn (): array => (new Bundles($packings))->of($made));
// Packings are found once and remembered, also between requests.
$solver = new HarnessSolver($job, $packings);
$solved = $timed('all of it, with what is found', static fn (): SolvedHarness => $solver->solved($harness));
$timed('remedies tried of 24 findings', static fn (): SolvedHarness => $solver->cured($solved));
$timed('the board', static fn () => BoardLayout::of($made, $few));
printf("%-34s %8d\n", 'wires in the thickest', max(array_map(
    static fn (array $spans): int => max(array_map(static fn ($span): int => count($span->wires), $spans)), $few,
)));
