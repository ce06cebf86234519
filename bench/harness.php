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

$wires = (int) ($argv[1] ?? 1000);
$trunks = (int) ($argv[2] ?? 200);
mt_srand(5);
$runs = $fittings = $ports = [];
// A spine of pieces of 150 with a branch square to each, which ends at a connector.
for ($i = 0; $i < intdiv($trunks, 2); $i++) {
    $runs[] = [
        'id' => "s$i", 'stock' => 'b', 'from' => ['at' => [150 * $i, 0, 0]], 'to' => ['at' => [150 * ($i + 1), 0, 0]],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];
    $runs[] = [
        'id' => "b$i", 'stock' => 'b', 'from' => ['on' => ['run' => "s$i", 'length' => 75], 'axis' => [0, 1, 0]],
        'to' => ['port' => "c$i.X"],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [150 * $i + 75, 200, 0]]]],
    ];
    $fittings[] = ['id' => "c$i", 'pose' => ['at' => [150 * $i + 75, 200, 120]], 'ports' => [[
        'id' => 'X', 'at' => [0, 0, 0], 'axis' => [0, 0, -1],
        'pins' => array_map(strval(...), range(1, max(2, intdiv(4 * $wires, $trunks) + 4))),
    ]]];
    $ports[] = "c$i.X";
}
$used = $list = [];
for ($i = 0; $i < $wires; $i++) {
    [$one, $other] = array_rand($ports, 2);
    $ends = array_map(static function (int $port) use ($ports, &$used): string {
        $used[$port] = ($used[$port] ?? 0) + 1;

        return $ports[$port].'.'.min($used[$port], 4);
    }, [$one, $other]);
    $list[] = ['id' => "W$i", 'from' => $ends[0], 'to' => $ends[1], 'stock' => $i % 3 === 0 ? 'w4' : 'w2']
        + ($i < 30 ? ['length' => ['at_most' => 100]] : []);
}
$wire = static fn (string $id, float $od): array => [
    'id' => $id, 'kind' => 'wire', 'section' => ['shape' => 'round', 'od' => $od, 'wall' => $od / 2],
    'bend' => ['radius' => 10, 'min_radius' => 8, 'min_straight' => 0], 'density' => 4000,
];
$text = json_encode([
    'format' => 'bowline-job', 'version' => 4, 'up' => 'z',
    'stock' => [['id' => 'b', 'kind' => 'bundle', 'bend' => ['radius' => 30]], $wire('w2', 2.0), $wire('w4', 4.0)],
    'fittings' => $fittings, 'runs' => $runs,
    'harnesses' => [['id' => 'h', 'trunks' => array_column($runs, 'id'), 'wires' => $list]],
], JSON_THROW_ON_ERROR);

$timed = static function (string $what, callable $do): mixed {
    $start = hrtime(true);
    $done = $do();
    printf("%-34s %8.1f ms\n", $what, (hrtime(true) - $start) / 1e6);

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
