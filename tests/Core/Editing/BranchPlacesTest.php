<?php

declare(strict_types=1);

use Bowline\Editing\BranchPlaces;
use Tests\Jobs;
use Tests\Tees;

/** A main run from (0,0,0) over (400,0,0) to (400,300,0), bent with R 100, over other ends and stops. */
function bentMain(array $over = []): array
{
    return [
        'to' => ['at' => [400, 300, 0]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 0]]]], ...$over,
    ];
}

/** The job with its main run changed. */
function withMain(stdClass $file, array $over): stdClass
{
    $after = clone $file;
    $after->runs = [Jobs::object([...(array) $file->runs[0], ...$over]), ...array_slice($file->runs, 1)];

    return $after;
}

// What a bend of R 100 by 90° is shorter than its corner.
$bend = 200 - 50 * M_PI;

it('stays where it is while its host still goes there', function (
    float $told,
    array $main,
    array $changed,
    float $length,
): void {
    $file = Tees::file([['from' => ['on' => ['run' => 'main', 'length' => $told], 'axis' => [0, 0, 1]]]], $main);
    $after = withMain($file, $changed);
    $on = BranchPlaces::fit($file, $after)->runs[1]->from->on;

    expect($on->run)->toBe('main')->and($on->length)->toEqualWithDelta($length, 1e-6)
        // The files that came in are as they were.
        ->and($after->runs[1]->from->on->length)->toEqual($told);
})->with([
    'reversed' => [100, [], ['from' => ['at' => [400, 0, 0]], 'to' => ['at' => [0, 0, 0]]], 300],
    'reversed, behind a bend' => [
        550 - $bend, bentMain(), bentMain(['from' => ['at' => [400, 300, 0]], 'to' => ['at' => [0, 0, 0]]]), 150,
    ],
    'made longer at its start' => [100, [], ['from' => ['at' => [-60, 0, 0]]], 160],
    'made longer at its end' => [100, [], ['to' => ['at' => [900, 0, 0]]], 100],
    'a corner put in behind it' => [100, [], bentMain(), 100],
    'a corner put in before it' => [
        100, [], [
            'from' => ['at' => [-300, 300, 0]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [-300, 0, 0]]]],
        ], 300 + 300 + 100 - $bend,
    ],
    'the leg before it longer' => [
        550 - $bend, bentMain(), bentMain(['from' => ['at' => [-50, 0, 0]]]), 600 - $bend,
    ],
    'moved as a whole, along itself' => [100, [], ['from' => ['at' => [50, 0, 0]], 'to' => ['at' => [450, 0, 0]]], 100],
    'moved aside' => [100, [], ['from' => ['at' => [0, 50, 0]], 'to' => ['at' => [400, 50, 0]]], 100],
    'it goes there no more' => [300, [], ['from' => ['at' => [-60, 0, 0]], 'to' => ['at' => [200, 0, 0]]], 300],
    'told past its end' => [500, [], ['from' => ['at' => [-60, 0, 0]]], 500],
]);

it('is told anew nowhere else', function (array $was, array $is): void {
    $file = Tees::file([['from' => ['on' => $was, 'axis' => [0, 0, 1]]]]);
    $file->values = Jobs::object(['place' => 100]);
    $after = withMain($file, ['from' => ['at' => [-60, 0, 0]]]);
    $after->runs[1] = Jobs::object([...(array) $after->runs[1], 'from' => ['on' => $is, 'axis' => [0, 0, 1]]]);

    expect(BranchPlaces::fit($file, $after))->toEqual($after);
})->with([
    'by an expression' => [['run' => 'main', 'length' => '=place'], ['run' => 'main', 'length' => '=place']],
    'changed itself' => [['run' => 'main', 'length' => 100], ['run' => 'main', 'length' => 120]],
]);

it('stays on a branch that is told anew itself', function (): void {
    // b1 goes up from x 200 of the pipe, b2 out of it at 100: neither is moved when the pipe is reversed.
    $file = Tees::file([
        ['from' => ['on' => ['run' => 'b2', 'length' => 100], 'axis' => [0, 1, 0]], 'to' => ['at' => [150, 200, 100]]],
        ['from' => ['on' => ['run' => 'main', 'length' => 150], 'axis' => [0, 0, 1]], 'to' => ['at' => [150, 0, 150]]],
    ]);
    $after = withMain($file, ['from' => ['at' => [400, 0, 0]], 'to' => ['at' => [0, 0, 0]]]);
    $fitted = BranchPlaces::fit($file, $after);

    expect([$fitted->runs[1]->from->on->length, $fitted->runs[2]->from->on->length])->toEqual([100, 250]);
});

it('takes its first leg along where it is moved along its host', function (
    array $branch,
    array $to,
    ?array $stop,
): void {
    $file = Tees::file([$branch]);
    $moved = Jobs::edited($file, ['do' => 'stand-on', 'end' => 'from', 'run' => 'main', 'along' => 250], 1);

    expect($moved->from->on->length)->toEqual(250)->and($moved->to->at)->toEqualWithDelta($to, 1e-9)
        ->and($moved->route->stops[0]->at ?? null)->toEqualWithDelta($stop, 1e-9);
})->with([
    'straight' => [[], [250, 0, 150], null],
    'to its first corner' => [
        ['to' => ['at' => [200, 300, 150]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 0, 150]]]]],
        [200, 300, 150], [250, 0, 150],
    ],
    'not where a lead keeps its way out' => [
        ['from' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1], 'lead' => 100]],
        [200, 0, 150], null,
    ],
]);
