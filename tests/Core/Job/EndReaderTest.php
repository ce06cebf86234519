<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;

/** The pointer into the job of what is wrong with it, and the words. */
function refusedRun(array $more): array
{
    try {
        $to = ['at' => [400, 0, 300], ...$more['to'] ?? []];
        Job::read(Jobs::file([['at' => [0, 0, 300]]], $to, $more['run'] ?? []));
    } catch (JobError $error) {
        return [$error->pointer, $error->getMessage()];
    }

    return ['', 'it was taken'];
}

/** A plate of 90 × 10 with four holes of 12 on a circle of 60. */
const PLATE = [
    'type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13,
    'holes' => ['count' => 4, 'circle' => 60, 'diameter' => 12],
];

it('names the place of what is wrong with an end', function (array $end, string $at, string $words): void {
    [$pointer, $said] = refusedRun(['to' => ['end' => $end]]);

    expect($pointer)->toBe('/runs/0/to/end'.$at)->and($said)->toContain($words);
})->with([
    'no thickness' => [['thickness' => 0] + PLATE, '/thickness', 'more than 0'],
    'an outside of less than nothing' => [['od' => -90] + PLATE, '/od', 'more than 0'],
    'no hole is so small' => [
        ['holes' => ['count' => 4, 'circle' => 60, 'diameter' => 0]] + PLATE, '/holes/diameter', '',
    ],
    'half a hole' => [['holes' => ['count' => 2.5, 'circle' => 60, 'diameter' => 12]] + PLATE, '/holes/count', ''],
    'more holes than there are' => [
        ['holes' => ['count' => 65, 'circle' => 600, 'diameter' => 12]] + PLATE, '/holes/count', 'at most 64',
    ],
    'a table that is none' => [['type' => 'flange', 'standard' => 'EN 1'], '/standard', 'no table of flanges'],
    'a size that the table has not' => [
        ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 16', 'nominal' => 'DN 7'], '/nominal', 'DN 50',
    ],
    'corners rounder than its sides' => [
        ['plate' => 'rectangle', 'width' => 90, 'height' => 40, 'corner_radius' => 20.5] + PLATE, '/corner_radius',
        'half of its shorter side',
    ],
    'an oval with four bolts' => [['plate' => 'oval', 'end_radius' => 15] + PLATE, '', 'two bolt holes'],
    'an oval with ends wider than its middle' => [
        ['plate' => 'oval', 'end_radius' => 46, 'holes' => ['count' => 2, 'circle' => 70, 'diameter' => 11]] + PLATE,
        '/end_radius', 'wider than its middle',
    ],
    'a face of no height' => [
        ['face' => ['kind' => 'raised', 'diameter' => 50, 'height' => 0]] + PLATE, '/face/height', '',
    ],
    'a neck of no length' => [['neck' => ['diameter' => 20, 'length' => 0]] + PLATE, '/neck/length', ''],
    'a fillet of nothing' => [['neck' => ['radius' => 0]] + PLATE, '/neck/radius', ''],
    'a flat cap of no thickness' => [['type' => 'cap', 'shape' => 'flat', 'thickness' => 0], '/thickness', ''],
    'a dome without a radius' => [['type' => 'cap', 'shape' => 'domed', 'crown' => 0], '/crown', ''],
    'a stepped cap without its spigot' => [
        ['type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 20], '/depth', '',
    ],
    'a reducer to nothing' => [['type' => 'reducer', 'od' => 0, 'length' => 30], '/od', ''],
    'a reducer of no length' => [['type' => 'reducer', 'od' => 20, 'length' => 0], '/length', ''],
    'a collar of no width' => [['type' => 'collar', 'od' => 20, 'width' => 0], '/width', ''],
    'a collar past the end' => [['type' => 'collar', 'od' => 20, 'width' => 4, 'from_end' => -1], '/from_end', ''],
    'the same as a run that is not there' => [
        ['type' => 'flange', 'same_as' => ['run' => 'none', 'end' => 'to']], '/same_as', '',
    ],
]);

it('names the place of what is wrong with a joint or with what repeats', function (
    array $run,
    string $at,
    string $words,
): void {
    [$pointer, $said] = refusedRun(['run' => $run]);

    expect($pointer)->toBe('/runs/0/'.$at)->and($said)->toContain($words);
})->with([
    'leg nought' => [
        ['joints' => [['at' => ['leg' => 0, 'from_start' => 9], 'kind' => 'weld']]], 'joints/0/at/leg', '',
    ],
    'a length before the start' => [
        ['joints' => [['at' => ['length' => -1], 'kind' => 'weld']]], 'joints/0/at/length', '',
    ],
    'a gap of less than nothing' => [
        ['joints' => [['at' => ['length' => 90], 'kind' => 'weld', 'gap' => -1]]], 'joints/0/gap', '',
    ],
    'the second joint is wrong' => [
        ['joints' => [
            ['at' => ['length' => 90], 'kind' => 'weld'],
            ['at' => ['length' => 150], 'kind' => 'coupling', 'sleeve' => ['length' => 0]],
        ]],
        'joints/1/sleeve/length', '',
    ],
    'a flange at a joint' => [
        ['joints' => [['at' => ['length' => 90], 'kind' => 'flanges', 'flange' => ['thickness' => 0] + PLATE]]],
        'joints/0/flange/thickness', '',
    ],
    'neither pitch nor count' => [['repeats' => [['kind' => 'clip']]], 'repeats/0', 'a pitch or by a count'],
    'both of them' => [['repeats' => [['kind' => 'tie', 'pitch' => 50, 'count' => 3]]], 'repeats/0', 'one of them'],
    'too many' => [['repeats' => [['kind' => 'mark', 'count' => 2001]]], 'repeats/0/count', 'at most 2000'],
    'from before the start' => [['repeats' => [['kind' => 'rib', 'pitch' => 50, 'from' => -1]]], 'repeats/0/from', ''],
    'an outline that crosses itself' => [
        ['repeats' => [['kind' => 'clip', 'pitch' => 50, 'outline' => [[-9, -9], [9, 9], [9, -9], [-9, 9]]]]],
        'repeats/0/outline', '',
    ],
    'an elbow of another kind' => [
        ['route' => ['kind' => 'corners', 'corner' => ['elbow' => 'wide'], 'stops' => [['at' => [0, 0, 300]]]]],
        'route/corner/elbow', '',
    ],
    'a weld gap of less than nothing' => [['weld_gap' => -1], 'weld_gap', ''],
    'carries what no legend has' => [['service' => 'lemonade'], 'service', ''],
]);

it('covers as much of the tube as its parts are long', function (array $end, float $length): void {
    $job = Job::read(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300], 'end' => $end]));
    $run = array_values($job->runs)[0];

    expect($run->to->end->covers($run->stock->section))->toEqualWithDelta($length, 1e-9);
})->with([
    'open' => [['type' => 'open'], 0],
    'a plug in the bore' => [['type' => 'closed', 'thickness' => 5], 0],
    'a dome beyond the end' => [['type' => 'cap', 'shape' => 'domed'], 0],
    'a plate' => [PLATE, 10],
    'a plate with a neck of 25' => [['neck' => ['diameter' => 20, 'length' => 25]] + PLATE, 35],
    'a collar 4 wide, 6 from the end' => [['type' => 'collar', 'od' => 20, 'width' => 4, 'from_end' => 6], 10],
    'a reducer' => [['type' => 'reducer', 'od' => 8, 'length' => 30], 30],
    'the same as an end without one' => [
        ['type' => 'flange', 'same_as' => ['run' => 'run', 'end' => 'from']], 0,
    ],
]);
