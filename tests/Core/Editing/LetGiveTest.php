<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;

/* Which corners or points may give so that a run has its length. */

/**
 * A goalpost in tube 12, R 30, that is to be 25.75 longer than it is: 150 + 300 + 150 less four tangents of 30 and with
 * two quarters are 574.25.
 *
 * @param  array<string, mixed>|null  $adjust  as the file has it
 */
function goalpostHeld(?array $adjust, string $up = 'z'): stdClass
{
    $file = Jobs::file(
        [['at' => [0, 0, 200]], ['at' => [300, 0, 200]]],
        ['at' => [300, 0, 50]],
        [
            'fixed_length' => [
                'length' => 480 + 30 * M_PI + 25.75, 'tolerance' => 1, ...$adjust === null ? [] : ['adjust' => $adjust],
            ],
        ],
    );
    $file->up = $up;

    return $file;
}

it('adds a corner and takes it off again, in their order, along what was said', function (
    ?array $adjust,
    int $stop,
    bool $gives,
    ?array $expected,
): void {
    $run = Jobs::edited(goalpostHeld($adjust), ['do' => 'let-give', 'stop' => $stop, 'gives' => $gives]);
    $expected === null
        ? expect($run->fixed_length)->not->toHaveProperty('adjust')
        : expect($run->fixed_length->adjust)->toEqual(Jobs::object($expected));
})->with([
    'the first' => [null, 0, true, ['stops' => [0], 'along' => '+z']],
    'one more' => [['stops' => [0], 'along' => '+z'], 1, true, ['stops' => [0, 1], 'along' => '+z']],
    'one before it' => [['stops' => [1], 'along' => '+z'], 0, true, ['stops' => [0, 1], 'along' => '+z']],
    'one that gives already' => [['stops' => [0], 'along' => '+z'], 0, true, ['stops' => [0], 'along' => '+z']],
    'one less' => [['stops' => [0, 1], 'along' => '+z'], 0, false, ['stops' => [1], 'along' => '+z']],
    'the last one' => [['stops' => [1], 'along' => '+z'], 1, false, null],
    'one that does not give' => [null, 1, false, null],
    'along another axis' => [['stops' => [0], 'along' => '-x'], 1, true, ['stops' => [0, 1], 'along' => '-x']],
    'told by expressions' => [
        ['stops' => ['0 * riser'], 'along' => '+z'], 1, true, ['stops' => [0, 1], 'along' => '+z'],
    ],
]);

it('begins along what is up in the job', function (): void {
    $run = Jobs::edited(goalpostHeld(null, 'y'), ['do' => 'let-give', 'stop' => 0, 'gives' => true]);
    expect($run->fixed_length->adjust)->toEqual(Jobs::object(['stops' => [0], 'along' => '+y']));
});

it('lets two corners give half of it each, whichever was told first', function (array $order): void {
    $file = goalpostHeld(null);
    foreach ($order as $stop) {
        $file->runs[0] = Jobs::edited($file, ['do' => 'let-give', 'stop' => $stop, 'gives' => true]);
    }
    $laid = Jobs::laid($file);
    expect($laid->vertices[1]->at->toArray())->toEqualWithDelta([0, 0, 212.875], 1e-6)
        ->and($laid->vertices[2]->at->toArray())->toEqualWithDelta([300, 0, 212.875], 1e-6)
        ->and($laid->length())->toEqualWithDelta(480 + 30 * M_PI + 25.75, 1e-6)
        ->and(Jobs::broken($file))->toBe([]);
})->with(['the first one first' => [[0, 1]], 'the second one first' => [[1, 0]]]);

it('lets a point of a smooth run give', function (): void {
    $file = Jobs::file([], ['at' => [1000, 0, 0]], ['fixed_length' => ['length' => 1010, 'tolerance' => 1]]);
    $file->runs[0]->from = Jobs::object(['at' => [0, 0, 0], 'axis' => '+x']);
    $file->runs[0]->route = Jobs::object(['kind' => 'flow', 'points' => [[300, 0, 20], [700, 0, 40]]]);
    $file->runs[0] = Jobs::edited($file, ['do' => 'let-give', 'stop' => 1, 'gives' => true]);
    expect($file->runs[0]->fixed_length->adjust)->toEqual(Jobs::object(['stops' => [1], 'along' => '+z']))
        ->and(Jobs::laid($file)->length())->toEqualWithDelta(1010, 1e-3);
});

it('refuses what cannot give', function (stdClass $file, int $stop, string $error, string $why): void {
    $edit = static function () use ($file, $stop): void {
        $file->runs[0] = Jobs::edited($file, ['do' => 'let-give', 'stop' => $stop, 'gives' => true]);
        Job::read($file);
    };
    expect($edit)->toThrow($error, $why);
})->with([
    'no length is held' => [
        Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]), 0, EditError::class, 'not held',
    ],
    'a stop that is not there' => [goalpostHeld(null), 2, JobError::class, 'there is no stop 2; this run has 2'],
]);
