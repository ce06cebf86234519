<?php

declare(strict_types=1);

use Bowline\Editing\Loosening;
use Bowline\Editing\OpenEnds;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/*
 * Whatever is taken away, what hung on it stays where it was, and names it no more.
 */

/**
 * A pump, a filter on a panel that stands askew, a clamp on the same, a box, and two runs: "other", which is laid by
 * itself, and the one that is told in a certain way.
 *
 * @param  array<string, mixed>  $run  over a rigid run from the pump to the filter
 */
function everythingHangs(array $run): stdClass
{
    $file = Jobs::file([], ['at' => [0, 0, 900]]);
    $file->surroundings = [
        Jobs::object([
            'id' => 'panel', 'shape' => 'panel', 'width' => 900, 'height' => 900,
            'pose' => ['at' => [300, 500, 200], 'turn' => ['about' => '+x', 'by' => 70]],
        ]),
        Jobs::object(['id' => 'box', 'shape' => 'box', 'size' => [100, 100, 100], 'pose' => ['at' => [150, 60, 40]]]),
    ];
    $file->fittings[] = Jobs::object([
        'id' => 'filter', 'on' => 'panel', 'pose' => ['at' => [40, 30, 25]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => [0, 0, 1]]],
    ]);
    $file->clamps = [
        Jobs::object([
            'id' => 'c', 'on' => 'panel', 'face' => 'front', 'stand_off' => 60, 'at' => [-60, -80, 0], 'axis' => '+x',
            'bore' => 12, 'width' => 10,
        ]),
    ];
    $other = Jobs::object([
        'id' => 'other', 'stock' => 't12', 'from' => ['at' => [-200, 0, 0], 'axis' => '+z'],
        'to' => ['at' => [300, -200, 350]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [-200, 0, 350]], ['at' => [-200, -200, 350]]]],
    ]);
    $told = Jobs::object([
        'id' => 'run', 'stock' => 't12', 'from' => ['port' => 'pump.out'], 'to' => ['port' => 'filter.in'], ...$run,
    ]);
    $file->runs = [$told, $other];

    return $file;
}

/** The same job without one thing of it, or with all that is said of it left in place where there is none such. */
function without(stdClass $file, string $list, string $id): stdClass
{
    $after = json_decode(json_encode($file, JSON_THROW_ON_ERROR));
    $after->{$list} = array_values(array_filter($after->{$list}, static fn (stdClass $one): bool => $one->id !== $id));

    return $after;
}

/** @return list<list<float>> places along the first run */
function placesAlong(stdClass $file): array
{
    $path = Jobs::laid($file)->path;

    return array_map(
        static fn (int $k): array => $path->pointAt($path->length * $k / 40)->toArray(),
        range(0, 40),
    );
}

/** @return array<string, array{array<string, mixed>}> ways to tell a run that hangs on things */
function hangingWays(): array
{
    $corners = static fn (array $stops, array $more = []): array => [
        ['route' => ['kind' => 'corners', 'stops' => $stops], ...$more],
    ];

    return [
        'its ends alone' => $corners([['at' => [0, 0, 200]], ['at' => [300, 100, 300]]]),
        'leads out of its ports' => $corners([['at' => [200, 0, 300]]], [
            'from' => ['port' => 'pump.out', 'lead' => 60], 'to' => ['port' => 'filter.in', 'lead' => 40],
        ]),
        'a leg level with a port' => $corners([
            ['at' => [0, 0, 200]], ['along' => '+x', 'until' => 'filter.in'],
        ]),
        'a leg level with a clamp' => $corners([['at' => [0, 0, 200]], ['along' => '+x', 'until' => 'c']]),
        'through a clamp' => $corners([['at' => [0, 0, 250]], ['clamp' => 'c', 'before' => 60, 'after' => 70]]),
        'tied level with a port' => $corners([
            ['at' => [0, 0, 200]],
            ['at' => [300, 90, 240], 'ties' => [['level' => '+x', 'with' => 'filter.in', 'distance' => 25]]],
        ]),
        'tied off an axis' => $corners([
            ['at' => [0, 0, 200]], ['at' => [300, 90, 240], 'ties' => [['away' => 120, 'from' => 'filter.in']]],
        ]),
        'tied to a clamp' => $corners([
            ['at' => [0, 0, 200]],
            ['at' => [300, 90, 240], 'ties' => [['level' => '+z', 'with' => 'c', 'distance' => 30]]],
        ]),
        'tied off a face of a box' => $corners([
            ['at' => [0, 0, 200]],
            ['at' => [300, 90, 240], 'ties' => [['away' => 150, 'from' => ['face' => '+z', 'of' => 'box']]]],
        ]),
        'tied to the corner of another run' => $corners([
            ['at' => [0, 0, 200]],
            ['at' => [300, 90, 240], 'ties' => [['level' => '+z', 'with' => ['stop' => 0, 'run' => 'other']]]],
        ]),
        'beside another run' => [[
            'from' => ['like' => ['run' => 'other', 'end' => 'from', 'offset' => [0, 40, 0]]],
            'to' => ['like' => ['run' => 'other', 'end' => 'to', 'offset' => [0, 40, 0]]],
            'route' => ['kind' => 'corners', 'like' => ['run' => 'other', 'offset' => [0, 40, 0]], 'stops' => []],
        ]],
        'hanging between ports' => [['route' => ['kind' => 'hang', 'slack' => 0.1]]],
        'smooth through a point' => [['route' => ['kind' => 'flow', 'points' => [[100, 150, 350]]]]],
    ];
}

/** @return array<string, array{string, string}> things that may be taken away: list and id */
$things = [
    'without the pump' => ['fittings', 'pump'],
    'without the filter' => ['fittings', 'filter'],
    'without the clamp' => ['clamps', 'c'],
    'without the panel' => ['surroundings', 'panel'],
    'without the box' => ['surroundings', 'box'],
    'without the other run' => ['runs', 'other'],
];

it('stays where it was, whatever is taken away', function (array $run, string $list, string $id): void {
    $file = everythingHangs($run);
    $before = placesAlong($file);
    $fitted = Loosening::of($file)->fit(without($file, $list, $id));

    // To a millionth of a millimetre, at which places are rounded for the file.
    expect(placesAlong($fitted))->toEqualWithDelta($before, 2e-5)
        // Nothing names it any more, nor a port of it.
        ->and(json_encode($fitted, JSON_THROW_ON_ERROR))->not->toMatch('/"'.$id.'(\.\w+)?"/');
})->with(hangingWays())->with($things);

it('changes nothing of what did not hang on it', function (array $run): void {
    $file = everythingHangs($run);
    $file->surroundings[] = Jobs::object(['id' => 'aside', 'shape' => 'box', 'size' => [9, 9, 9]]);
    $after = without($file, 'surroundings', 'aside');
    $fitted = Loosening::of($file)->fit($after);
    expect(json_encode($fitted, JSON_THROW_ON_ERROR))->toBe(json_encode($after, JSON_THROW_ON_ERROR));
})->with(hangingWays());

it('takes an open end along with the corner that it lies on', function (array $stop): void {
    $file = Jobs::file([['at' => [0, 0, 200]], $stop], ['at' => [300, 0, 200]]);
    $file->fittings[] = Jobs::object([
        'id' => 'filter', 'pose' => ['at' => [300, 0, 200]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => '+y']],
    ]);
    $after = json_decode(json_encode($file, JSON_THROW_ON_ERROR));
    // The filter goes 40 along x, the first corner 15 along z, and with them the last corner.
    $after->fittings[1]->pose->at = [340, 0, 200];
    $after->runs[0]->route->stops[0]->at = [0, 0, 215];
    $fitted = OpenEnds::fit($file, $after);
    $last = Jobs::laid($fitted)->vertices;
    expect($fitted->runs[0]->to->at)->toEqualWithDelta($last[2]->at->toArray(), 1e-6)
        ->and($last[2]->at->distanceTo(new Vector(300, 0, 200)))->toBeGreaterThan(10.0)
        // Where it was, no leg goes back.
        ->and(Jobs::laid($fitted)->bends)->toHaveCount(1);
})->with([
    'level with a port' => [['along' => '+x', 'until' => 'filter.in']],
    'a leg of a length' => [['along' => '+x', 'length' => 300]],
    'a step' => [['by' => [300, 0, 0]]],
]);

it('leaves an end where it is that is not on the last corner, or goes into a port', function (array $to): void {
    $file = Jobs::file([['at' => [0, 0, 200]], ['by' => [300, 0, 0]]], $to);
    $file->fittings[] = Jobs::object([
        'id' => 'filter', 'pose' => ['at' => [300, 400, 200]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => '-y']],
    ]);
    $after = json_decode(json_encode($file, JSON_THROW_ON_ERROR));
    $after->runs[0]->route->stops[0]->at = [0, 0, 215];
    expect(OpenEnds::fit($file, $after)->runs[0]->to)->toEqual($after->runs[0]->to);
})->with(['a leg beyond' => [['at' => [300, 200, 200]]], 'a port' => [['port' => 'filter.in']]]);
