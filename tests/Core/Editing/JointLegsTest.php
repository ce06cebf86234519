<?php

declare(strict_types=1);

use Bowline\Exchange\Parts;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Tests\Jobs;

/*
 * Joints stay where they are in space when an edit numbers the corners anew. The run goes 800 along x, 700 along y, 600
 * up and 500 back along x, with R 100 at its three corners.
 */

/**
 * @param  array<array<string, mixed>>  $joints
 * @param  array<string, mixed>  $more  of the run
 */
function jointedFile(array $joints, array $more = []): stdClass
{
    $pipe = static fn (string $id, float $od, float $wall): array => [
        'id' => $id, 'kind' => 'pipe', 'section' => ['shape' => 'round', 'od' => $od, 'wall' => $wall],
        'bend' => ['radius' => 100, 'min_radius' => 80, 'min_straight' => 20], 'density' => 7850,
    ];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'Jointed',
        'stock' => [$pipe('big', 60.3, 3.9), $pipe('mid', 48.3, 3.6), $pipe('small', 33.7, 2.6)],
        'clamps' => [['id' => 'c', 'at' => [400, 0, 0], 'axis' => [1, 0, 0], 'bore' => 60.3, 'width' => 20]],
        'runs' => [[
            'id' => 'feed', 'stock' => 'big', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [300, 700, 600]],
            'route' => ['kind' => 'corners', 'stops' => [
                ['at' => [800, 0, 0]], ['at' => [800, 700, 0]], ['at' => [800, 700, 600]],
            ]],
            'joints' => $joints, ...$more,
        ]],
    ]);
}

/** @return list<Vector> where the joints are, in the order in which they are told */
function jointsAt(LaidRun $laid): array
{
    $places = [];
    foreach (LaidJoint::all($laid) as $joint) {
        $places[$joint->index] = $laid->path->pointAt($joint->at ?? -1.0);
    }
    ksort($places);

    return array_values($places);
}

/** @param  array<string, mixed>  $change */
function editedJoints(stdClass $file, array $change): LaidRun
{
    $file = clone $file;
    $file->runs = [Jobs::edited($file, $change)];

    return Jobs::laid($file);
}

it('keeps every joint where it is', function (array $change): void {
    $file = jointedFile([
        ['at' => ['leg' => 1, 'from_start' => 250], 'kind' => 'weld'],
        ['at' => ['leg' => 2, 'from_start' => 300], 'kind' => 'flanges'],
        ['at' => ['leg' => 4, 'from_start' => 200], 'kind' => 'weld'],
        ['at' => ['leg' => 3, 'from_start' => 290], 'kind' => 'coupling'],
    ]);
    $before = jointsAt(Jobs::laid($file));
    $after = jointsAt(editedJoints($file, $change));
    expect($after)->toHaveCount(4);
    foreach ($before as $index => $place) {
        expect($after[$index]->distanceTo($place))->toBeLessThan(1e-6, sprintf('joint %d', $index + 1));
    }
})->with([
    'a corner into the first leg, behind its joint' => [['do' => 'insert-corner', 'vertex' => 1]],
    'a corner into the second leg, in front of its joint' => [['do' => 'insert-corner', 'vertex' => 2]],
    'a corner into the last leg' => [['do' => 'insert-corner', 'vertex' => 4]],
    'the other way round' => [['do' => 'reverse']],
    'the first leg through a clamp' => [['do' => 'through-clamp', 'vertex' => 1, 'clamp' => 'c']],
]);

it('puts a joint on the leg that is left where its corner goes', function (): void {
    $file = jointedFile([
        ['at' => ['leg' => 2, 'from_start' => 300], 'kind' => 'weld'],
        ['at' => ['leg' => 4, 'from_start' => 200], 'kind' => 'weld'],
    ]);
    // Without the corner at (800, 700, 0) a leg goes from (800, 0, 0) to (800, 700, 600): from 800, 300, 0 the nearest
    // place on it is 300·7/√85 along it.
    $joints = Jobs::edited($file, ['do' => 'remove-corner', 'vertex' => 2])->joints;
    expect((array) $joints[0]->at)->toEqualWithDelta(['leg' => 2, 'from_start' => 300 * 7 / sqrt(85)], 1e-6)
        ->and((array) $joints[1]->at)->toEqual(['leg' => 3, 'from_start' => 200]);
});

it('takes joints out with the leg that is taken back, and leaves expressions as they are told', function (): void {
    $file = jointedFile([
        ['at' => ['leg' => 1, 'from_start' => '200 + 50'], 'kind' => 'weld'],
        ['at' => ['leg' => 3, 'from_start' => 290], 'kind' => 'weld'],
    ]);
    $file->runs[0]->to = Jobs::object(['at' => [800, 700, 600]]);
    expect(json_encode(Jobs::edited($file, ['do' => 'take-back'])->joints))
        ->toBe('[{"at":{"leg":1,"from_start":"200 + 50"},"kind":"weld"}]');
    unset($file->runs[0]->joints[0]);
    $file->runs[0]->joints = array_values($file->runs[0]->joints);
    expect(Jobs::edited($file, ['do' => 'take-back']))->not->toHaveProperty('joints');
});

it('counts legs anew behind corners that are pasted', function (): void {
    $file = jointedFile([
        ['at' => ['leg' => 1, 'from_start' => 250], 'kind' => 'weld'],
        ['at' => ['leg' => 3, 'from_start' => 290], 'kind' => 'weld'],
    ]);
    $joints = Jobs::edited($file, ['do' => 'put-corners', 'vertex' => 2, 'stops' => [
        ['at' => [800, 300, 0]], ['at' => [900, 300, 0]],
    ]])->joints;
    expect([$joints[0]->at->leg, $joints[1]->at->leg])->toBe([1, 5]);
});

it('is the same run the other way round, piece by piece', function (array $joints): void {
    $file = jointedFile($joints, ['repeats' => [['kind' => 'clip', 'count' => 3, 'from' => 60, 'to' => 90]]]);
    $there = Jobs::solve($file);
    $file->runs = [Jobs::edited($file, ['do' => 'reverse'])];
    $back = Jobs::solve($file);
    $volumes = static fn (Bowline\Solving\SolvedRun $run): array => array_map(
        static fn ($part): float => Bowline\Body\MassProperties::of($part->solid)->volume, Parts::of($run, ''),
    );
    $lengths = static fn (LaidRun $laid): array => array_map(
        static fn (Spool $spool): float => $spool->laid->length(), Spool::all($laid),
    );
    $stocks = static fn (LaidRun $laid): array => array_map(
        static fn (Spool $spool): string => $spool->laid->run->stock->id, Spool::all($laid),
    );
    expect($there->laid->length())->toEqualWithDelta($back->laid->length(), 1e-9)
        ->and(array_reverse($lengths($back->laid)))->toEqualWithDelta($lengths($there->laid), 1e-6)
        ->and(array_reverse($stocks($back->laid)))->toBe($stocks($there->laid))
        ->and(array_reverse($volumes($back)))->toEqualWithDelta($volumes($there), 1e-2);
    $clips = Bowline\Routing\RepeatPlaces::of($back->laid, $back->laid->run->repeats[0]);
    expect([$clips[0], $back->laid->length() - $clips[2]])->toEqualWithDelta([90, 60], 1e-9);
    // And back again it is told as it was.
    $file->runs = [Jobs::edited($file, ['do' => 'reverse'])];
    expect($lengths(Jobs::laid($file)))->toEqualWithDelta($lengths($there->laid), 1e-6)
        ->and($file->runs[0]->stock)->toBe('big');
})->with([
    'welds, one told by its length' => [[
        ['at' => ['length' => 300], 'kind' => 'weld'], ['at' => ['leg' => 3, 'from_start' => 290], 'kind' => 'weld'],
    ]],
    'narrower and narrower' => [[
        ['at' => ['leg' => 2, 'from_start' => 350], 'kind' => 'weld', 'stock' => 'mid'],
        ['at' => ['leg' => 3, 'from_start' => 300], 'kind' => 'weld', 'stock' => 'small'],
    ]],
    'narrower and wide again' => [[
        ['at' => ['leg' => 1, 'from_start' => 350], 'kind' => 'weld', 'stock' => 'small'],
        ['at' => ['leg' => 4, 'from_start' => 300], 'kind' => 'weld', 'stock' => 'big'],
    ]],
    'flanges with a spigot, turned' => [[
        ['at' => ['leg' => 2, 'from_start' => 350], 'kind' => 'flanges', 'flange' => [
            'type' => 'flange', 'od' => 140, 'thickness' => 14, 'bore' => 61, 'turn' => 20,
            'holes' => ['count' => 4, 'circle' => 110, 'diameter' => 14, 'start' => 10],
            'face' => ['kind' => 'spigot', 'diameter' => 80, 'height' => 3],
        ]],
    ]],
    'two flanges that differ' => [[
        ['at' => ['leg' => 2, 'from_start' => 350], 'kind' => 'flanges',
            'flange' => ['type' => 'flange', 'od' => 140, 'thickness' => 14, 'bore' => 61],
            'other' => ['type' => 'flange', 'od' => 140, 'thickness' => 30, 'bore' => 61]],
    ]],
]);
