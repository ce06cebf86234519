<?php

declare(strict_types=1);

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\Edit\MoveCorner;
use Bowline\Editing\Edit\MoveStops;
use Bowline\Editing\Edit\RemoveCorner;
use Bowline\Editing\Edit\Reverse;
use Bowline\Editing\Edit\SetCorner;
use Bowline\Editing\Edit\SetLeg;
use Bowline\Editing\EditError;
use Bowline\Editing\Loosening;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdits;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use Tests\Jobs;

/** A run told in every way: a lead, a point with a value in it, a step, a leg, one level with a port, a clamp. */
function toldInEveryWay(): stdClass
{
    $file = Jobs::file(
        [
            ['at' => [0, 0, 'riser + 80']],
            ['by' => [100, 0, 0], 'corner' => ['radius' => 40]],
            ['along' => '+y', 'length' => 'riser'],
            ['along' => '+x', 'until' => 'filter.in'],
            ['clamp' => 'c', 'before' => 60, 'after' => 'riser / 2'],
        ],
        ['port' => 'filter.in'],
        [
            'from' => ['port' => 'pump.out', 'lead' => 30],
            'clamps' => [['id' => 'c', 'at' => [300, 300, 200], 'axis' => [0, 1, 0], 'bore' => 12, 'width' => 10]],
            'fixed_length' => ['length' => 900, 'tolerance' => 500, 'adjust' => ['stops' => [1, 3], 'along' => '+z']],
        ],
    );
    $file->fittings[] = (object) [
        'id' => 'filter',
        'pose' => (object) ['at' => [300, 500, 200]],
        'ports' => [(object) ['id' => 'in', 'at' => [0, 0, 0], 'axis' => [0, -1, 0]]],
    ];
    unset($file->runs[0]->fixed_length->length);
    $file->runs[0]->fixed_length->length = Jobs::laid(
        (static function () use ($file): stdClass {
            $free = json_decode(json_encode($file));
            unset($free->runs[0]->fixed_length);

            return $free;
        })(),
    )->length();

    return $file;
}

/** @return list<array{float, float, float}> the vertices once a run is edited so */
function verticesAfter(stdClass $file, callable $edit): array
{
    $changed = json_decode(json_encode($file));
    $changed->runs[0] = $edit(RunDraft::of(Jobs::laid($file)))->run();
    unset($changed->runs[0]->fixed_length);

    return array_map(
        fn ($vertex): array => array_map(fn (float $x): float => round($x, 6) + 0.0, $vertex->at->toArray()),
        Jobs::laid($changed)->vertices,
    );
}

// Vertices: 0 port, 1 lead, 2 point, 3 step, 4 leg, 5 level, 6 and 7 clamp, 8 port.
$same = [
    [0.0, 0.0, 50.0],
    [0.0, 0.0, 80.0],
    [0.0, 0.0, 200.0],
    [100.0, 0.0, 200.0],
    [100.0, 120.0, 200.0],
    [300.0, 120.0, 200.0],
    [300.0, 240.0, 200.0],
    [300.0, 360.0, 200.0],
    [300.0, 500.0, 200.0],
];

it('starts where the run is', function () use ($same): void {
    expect(verticesAfter(toldInEveryWay(), fn (RunDraft $edit): RunDraft => $edit))->toBe($same);
});

it('moves a corner and takes along what was told from it', function (int $vertex, array $by, array $changed) use (
    $same,
): void {
    expect(
        verticesAfter(
            toldInEveryWay(),
            fn (RunDraft $edit): RunDraft => $edit->apply(new MoveCorner($vertex, new Vector(...$by))),
        ),
    )->toBe(array_replace($same, $changed));
})->with([
    'a lead along its axis' => [1, [0, 0, 12], [1 => [0.0, 0.0, 92.0]]],
    'a point; what is relative to it follows, as far as the next absolute place' => [
        2,
        [0, 5, 0],
        [
            2 => [0.0, 5.0, 200.0],
            3 => [100.0, 5.0, 200.0],
            4 => [100.0, 125.0, 200.0],
            5 => [300.0, 125.0, 200.0],
        ],
    ],
    'a leg along itself' => [4, [0, 10, 0], [4 => [100.0, 130.0, 200.0], 5 => [300.0, 130.0, 200.0]]],
    'a leg sideways' => [4, [0, 0, 10], [4 => [100.0, 120.0, 210.0], 5 => [300.0, 120.0, 210.0]]],
    'before a clamp' => [6, [0, -20, 0], [6 => [300.0, 220.0, 200.0]]],
    'behind a clamp' => [7, [0, 15, 0], [7 => [300.0, 375.0, 200.0]]],
]);

it('keeps expressions, and adds to them', function (): void {
    $run = RunDraft::of(Jobs::laid(toldInEveryWay()))
        ->apply(new MoveCorner(2, new Vector(0, 0, 12.5)))
        ->apply(new MoveCorner(2, new Vector(0, 0, -2.5)))
        ->apply(new MoveCorner(4, new Vector(0, -7, 0)))
        ->apply(new MoveCorner(7, new Vector(0, 1, 0)))
        ->run();

    expect($run->route->stops[0]->at)
        ->toBe([0, 0, 'riser + 90'])
        ->and($run->route->stops[2]->length)
        ->toBe('riser - 7')
        ->and($run->route->stops[4]->after)
        ->toBe('riser / 2 + 1');
});

it('moves stops together and leaves every other corner', function () use ($same): void {
    expect(
        verticesAfter(
            toldInEveryWay(),
            fn (RunDraft $edit): RunDraft => $edit->apply(new MoveStops(0, 1, new Vector(0, 0, 9))),
        ),
    )->toBe(array_replace($same, [2 => [0.0, 0.0, 209.0], 3 => [100.0, 0.0, 209.0]]));
});

it('puts a corner into a leg without moving the others, and takes it out again', function (int $vertex) use (
    $same,
): void {
    $middle = array_map(fn (float $a, float $b): float => ($a + $b) / 2, $same[$vertex - 1], $same[$vertex]);
    $longer = $same;
    array_splice($longer, $vertex, 0, [$middle]);
    $file = toldInEveryWay();
    expect(verticesAfter($file, fn (RunDraft $edit): RunDraft => $edit->apply(new InsertCorner($vertex))))->toBe(
        $longer,
    );

    $file->runs[0] = RunDraft::of(Jobs::laid($file))->apply(new InsertCorner($vertex))->run();
    expect(verticesAfter($file, fn (RunDraft $edit): RunDraft => $edit->apply(new RemoveCorner($vertex))))
        ->toBe($same)
        // The legs that may give are still the same ones.
        ->and($file->runs[0]->fixed_length->adjust->stops)
        ->toBe(array_map(fn (int $stop): int => $stop + ($stop + 2 >= $vertex ? 1 : 0), [1, 3]));
})->with([2, 3, 4, 5, 8]);

it('forgets a stop that was to give when it is taken out', function (): void {
    $run = RunDraft::of(Jobs::laid(toldInEveryWay()))->apply(new RemoveCorner(3))->run();

    expect($run->fixed_length->adjust->stops)->toBe([2]);
});

it('gives a leg another direction or length', function () use ($same): void {
    expect(verticesAfter(toldInEveryWay(), fn (RunDraft $edit): RunDraft => $edit->apply(new SetLeg(4, '-y', null))))
        ->toBe(array_replace($same, [4 => [100.0, -120.0, 200.0], 5 => [300.0, -120.0, 200.0]]))
        ->and(verticesAfter(toldInEveryWay(), fn (RunDraft $edit): RunDraft => $edit->apply(new SetLeg(3, null, 150))))
        ->toBe(array_replace($same, [3 => [150.0, 0.0, 200.0], 4 => [150.0, 120.0, 200.0]]))
        ->and(
            verticesAfter(toldInEveryWay(), fn (RunDraft $edit): RunDraft => $edit->apply(new SetLeg(1, null, 45)))[1],
        )
        ->toBe([0.0, 0.0, 95.0])
        ->and(
            verticesAfter(
                toldInEveryWay(),
                fn (RunDraft $edit): RunDraft => $edit->apply(new SetLeg(3, '+x', null, 'filter.in')),
            )[3],
        )
        ->toBe([300.0, 0.0, 200.0]);
});

it('says why a corner stays', function (callable $edit, string $why): void {
    expect(fn () => $edit(RunDraft::of(Jobs::laid(toldInEveryWay()))))->toThrow(EditError::class, $why);
})->with([
    [fn (RunDraft $edit) => $edit->apply(new MoveCorner(8, new Vector(0, 0, 1))), 'move the fitting'],
    [fn (RunDraft $edit) => $edit->apply(new MoveCorner(1, new Vector(1, 0, 0))), 'along the axis of its port'],
    [fn (RunDraft $edit) => $edit->apply(new MoveCorner(6, new Vector(1, 0, 0))), 'axis of the clamp'],
    [fn (RunDraft $edit) => $edit->apply(new InsertCorner(7)), 'straight through its clamp'],
    [fn (RunDraft $edit) => $edit->apply(new InsertCorner(1)), 'lead stays straight'],
    [fn (RunDraft $edit) => $edit->apply(new SetLeg(8, null, 10)), 'closes the run'],
    [fn (RunDraft $edit) => $edit->apply(new RemoveCorner(0)), 'cannot be taken out'],
]);

it('sets a radius for one corner, and for all', function (): void {
    $edit = RunDraft::of(Jobs::laid(toldInEveryWay()))->apply(SetCorner::radius(4, 35));
    expect($edit->run()->route->stops[2]->corner)->toEqual((object) ['radius' => 35]);

    $all = $edit->apply(SetCorner::radius(null, 50))->run();
    expect($all->route->corner)->toEqual((object) ['radius' => 50]);
    foreach ($all->route->stops as $stop) {
        expect(property_exists($stop, 'corner'))->toBeFalse();
    }
});

it('leaves a run where it was when a fitting and a clamp are taken away', function () use ($same): void {
    $before = toldInEveryWay();
    $after = clone $before;
    $after->fittings = [];
    $after->clamps = [];
    $fitted = Loosening::of($before)->fit($after);

    expect(verticesAfter($fitted, fn (RunDraft $edit): RunDraft => $edit))
        ->toBe($same)
        ->and($fitted->runs[0]->from->axis)
        ->toBe([0, 0, 1])
        ->and($fitted->runs[0]->route->stops)
        ->toHaveCount(6)
        ->and(json_encode($fitted->runs[0]))
        ->not->toContain('filter')
        ->not->toContain('clamp');
});

it('reverses a run told in every way, and back again', function () use ($same): void {
    $file = toldInEveryWay();
    expect(verticesAfter($file, fn (RunDraft $edit): RunDraft => $edit->apply(new Reverse)))->toBe(
        array_reverse($same),
    );

    $there = clone $file;
    $there->runs = [RunDraft::of(Jobs::laid($file))->apply(new Reverse)->run()];
    expect($there->runs[0]->fixed_length->adjust->stops)
        ->toBe([3, 1])
        ->and(verticesAfter($there, fn (RunDraft $edit): RunDraft => $edit->apply(new Reverse)))
        ->toBe($same);
});

it('turns a flexible run round and leaves its shape as it was', function (array $route): void {
    $file = Jobs::file(
        [],
        ['at' => [400, 150, 200], 'axis' => [-1, 0, 0], 'lead' => 30],
        [
            'route' => $route,
            'clamps' => [
                ['id' => 'c', 'at' => [150, 40, 200], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20],
                ['id' => 'd', 'at' => [280, 90, 210], 'axis' => [0, 1, 0], 'bore' => 12, 'width' => 10],
            ],
        ],
    );
    $laid = Jobs::laid($file);
    $turned = clone $file;
    $turned->runs = [RunDraft::of($laid)->apply(new Reverse)->run()];
    $back = Jobs::laid($turned);
    expect($back->length())->toEqualWithDelta($laid->length(), 1e-6 * $laid->length());
    $at = static function (LaidRun $run, float $along): Vector {
        foreach ($run->path->segments as $segment) {
            if ($along <= $segment->length()) {
                return $segment->pointAt($along);
            }
            $along -= $segment->length();
        }

        return $run->run->to->at;
    };
    foreach (range(1, 19) as $i) {
        expect(
            $at($back, ($back->length() * $i) / 20)->distanceTo($at($laid, ($laid->length() * (20 - $i)) / 20)),
        )->toBeLessThan(0.1);
    }
    // Twice round it is told as it was.
    expect(json_encode(Jobs::laid($turned)->run->source->from))->toBe(json_encode($file->runs[0]->to));
})->with([
    'smooth' => [['kind' => 'flow', 'points' => [[80, 40, 220], [200, 60, 210]], 'start_pull' => 1.5]],
    'smooth, through a clamp' => [['kind' => 'flow', 'points' => [['clamp' => 'c'], [220, 80, 215]]]],
    'hanging' => [['kind' => 'hang', 'length' => 640]],
    'hanging through clamps' => [
        ['kind' => 'hang', 'length' => 800, 'through' => [['clamp' => 'c'], ['clamp' => 'd', 'length' => 190]]],
    ],
    'sprung' => [['kind' => 'spring', 'length' => 720]],
    'sprung through a clamp' => [
        ['kind' => 'spring', 'length' => 800, 'through' => [['clamp' => 'c']], 'last_span' => 430],
    ],
    'kept as it lay' => [['kind' => 'drape', 'length' => 700, 'kept' => [[50, 20, 120], [200, 80, 90]]]],
]);

it('says in plain words that a curve has no legs', function (string $do, array $more): void {
    $file = Jobs::file([], ['at' => [400, 150, 200]], ['route' => ['kind' => 'spring', 'length' => 720]]);
    $job = Bowline\Job::read($file);
    RunEdits::apply(RunDraft::of(Jobs::laid($file)), new Node(Jobs::object(['do' => $do, ...$more])), $job->site);
})
    ->with([
        ['put-corners', ['vertex' => null, 'stops' => []]],
        ['add-leg', ['along' => '+x', 'length' => 40]],
        ['take-back', []],
        ['finish', ['port' => 'pump.out', 'stops' => []]],
    ])
    ->throws(EditError::class, 'this one is a curve');
