<?php

declare(strict_types=1);

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Rules\Finding;
use Bowline\Rules\Remedy;
use Bowline\Rules\Rules;
use Tests\Jobs;
use Tests\Limits;

/*
 * What of a run a finding is about, and all the ways out that a rule suggests, in their order: of clamps, ports, held
 * lengths, trims and curves.
 */

/** @return list<Finding> */
function foundBy(string $rule, LaidRun $laid): array
{
    return Rules::all()[$rule]->check($laid);
}

/** @return list<string> what the remedies of the first finding are called */
function waysOut(string $rule, LaidRun $laid): array
{
    $labels = [];
    /** @var Remedy $remedy */
    foreach (Rules::all()[$rule]->remedies(foundBy($rule, $laid)[0], $laid) as $remedy) {
        $labels[] = $remedy->label;
    }

    return $labels;
}

/**
 * Straight up from (188, 0, 0), then along x through a saddle of 20 at (200, 0, 300), and up again behind it: corners
 * so far before and behind the middle of it. Bends of R 30.
 */
function bentAtSaddle(float $before, float $after, float $x = 0.0): LaidRun
{
    $file = Jobs::file(
        [['clamp' => 'c', 'before' => $before, 'after' => $after]],
        ['at' => [200 + $after, 0, 600]],
        ['clamps' => [
            ['id' => 'c', 'name' => 'Saddle', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20],
        ]],
    );
    $file->runs[0]->from = Jobs::object(['at' => [200 - $before + $x, 0, 0], 'axis' => '+z']);

    return Jobs::laid($file);
}

it('sets the corners beside a clamp farther off, a little at a time', function (
    float $before,
    float $after,
    array $labels,
): void {
    $laid = bentAtSaddle($before, $after);
    [$finding] = foundBy('off-axis', $laid);
    expect($finding->title)->toBe('The run bends inside Saddle')
        ->and(waysOut('off-axis', $laid))->toBe($labels)
        // The leg through it ends at the corner behind it.
        ->and($finding->subject->toArray())->toBe(['kind' => 'clamp', 'vertex' => 2, 'name' => 'c']);
})->with([
    // A tangent of 30 less the 2 there are between corner and clamp: 28 more, half as much again, twice, three times.
    'before it' => [12, 60, [
        'Corner 40 mm before Saddle', 'Corner 54 mm before Saddle', 'Corner 68 mm before Saddle',
        'Corner 96 mm before Saddle',
    ]],
    'behind it' => [60, 15, [
        'Corner 40 mm after Saddle', 'Corner 52.5 mm after Saddle', 'Corner 65 mm after Saddle',
        'Corner 90 mm after Saddle',
    ]],
    'on both sides' => [20, 30, [
        'Corner 40 mm before and 40 mm after Saddle', 'Corner 50 mm before and 45 mm after Saddle',
        'Corner 60 mm before and 50 mm after Saddle', 'Corner 80 mm before and 60 mm after Saddle',
    ]],
]);

it('leaves a clamp alone that nothing bends in', function (float $before, float $after): void {
    expect(foundBy('off-axis', bentAtSaddle($before, $after)))->toBe([]);
})->with([[40.0, 40.0], [41.0, 60.0]]);

it('knows the leg that goes through a clamp by where it is', function (): void {
    // Two clamps: on the level leg, and on the riser behind it.
    $file = Jobs::file(
        [
            ['clamp' => 'a', 'before' => 12, 'after' => 60],
            ['clamp' => 'b', 'before' => 12, 'after' => 100],
        ],
        ['at' => [260, 300, 500]],
        ['clamps' => [
            ['id' => 'a', 'name' => 'A', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20],
            ['id' => 'b', 'name' => 'B', 'at' => [260, 0, 312], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 20],
        ]],
    );
    $file->runs[0]->from = Jobs::object(['at' => [188, 0, 0], 'axis' => '+z']);
    $found = foundBy('off-axis', Jobs::laid($file));
    // Vertices: 0 start, 1 and 2 at A, 3 (which is 2) and 4 at B, 5 end.
    expect(array_map(static fn (Finding $one): array => $one->subject->toArray(), $found))->toBe([
        ['kind' => 'clamp', 'vertex' => 2, 'name' => 'a'],
        ['kind' => 'clamp', 'vertex' => 4, 'name' => 'b'],
    ]);
});

/** Up from the pump and along x into a filter that looks along −x, turned by some degrees about z. */
function intoFilter(float $degrees): LaidRun
{
    $file = Jobs::file([['at' => [0, 0, 300]]], ['port' => 'filter.in']);
    $file->fittings[] = Jobs::object([
        'id' => 'filter', 'pose' => ['at' => [400, 0, 300]],
        'ports' => [[
            'id' => 'in', 'at' => [0, 0, 0], 'axis' => [-cos(deg2rad($degrees)), -sin(deg2rad($degrees)), 0],
        ]],
    ]);

    return Jobs::laid($file);
}

it('brings a run onto the axis of the port that it enters', function (): void {
    $laid = intoFilter(2.0);
    [$finding] = foundBy('off-axis', $laid);
    // The corner is 400 off, along the axis by 400·cos 2° of it: 400·sin 2° = 13.96 beside it.
    expect($finding->title)->toBe('The run enters filter.in off its axis')
        ->and($finding->subject->toArray())->toBe(['kind' => 'end', 'vertex' => 2, 'name' => 'to'])
        ->and($finding->span)
        ->toEqualWithDelta([250 - 30 + 15 * M_PI, 250 - 30 + 15 * M_PI + 370], 1e-9)
        ->and($finding->measured)->toEqualWithDelta(2, 1e-9)
        ->and(array_slice(waysOut('off-axis', $laid), 1))->toBe([
            'Lead 30 mm straight into filter.in', 'Lead 45 mm straight into filter.in',
            'Lead 60 mm straight into filter.in', 'Lead 90 mm straight into filter.in',
        ])
        ->and(waysOut('off-axis', $laid)[0])->toStartWith('Move corner 1 13.96 mm along ');
});

it('forgives half a degree, and a bare point all', function (): void {
    expect(foundBy('off-axis', intoFilter(0.5)))->toBe([])
        ->and(foundBy('off-axis', intoFilter(0.51)))->toHaveCount(1)
        ->and(foundBy('off-axis', Jobs::laid(Jobs::file([['at' => [40, 0, 300]]], ['at' => [400, 90, 300]]))))
        ->toHaveCount(1);
    // From a bare point with an axis nothing is screwed on: no finding of that end.
    $file = Jobs::file([['at' => [40, 0, 300]]], ['at' => [400, 0, 300]]);
    $file->runs[0]->from = Jobs::object(['at' => [0, 0, 50], 'axis' => '+z']);
    expect(foundBy('off-axis', Jobs::laid($file)))->toBe([]);
});

it('says when trims leave nothing to cut', function (float $trim, bool $isLeft): void {
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300], 'trim' => $trim]));
    $length = 650 - 60 + 15 * M_PI;
    $found = foundBy('cut-length', $laid);
    expect($found === [])->toBe($isLeft);
    if (! $isLeft) {
        expect($found)->toHaveCount(1)
            ->and($found[0]->title)->toBe('Nothing is left to cut')
            ->and($found[0]->at->toArray())->toBe([0.0, 0.0, 50.0])
            ->and($found[0]->span)->toEqualWithDelta([0, $length], 1e-9)
            ->and([$found[0]->measured, $found[0]->required])->toEqualWithDelta([$length + $trim, 0], 1e-9)
            ->and($found[0]->subject->toArray())->toBe(['kind' => 'run']);
    }
})->with([
    'all but half a millimetre' => [-(650 - 60 + 15 * M_PI - 0.5), true],
    'half a millimetre too much' => [-(650 - 60 + 15 * M_PI + 0.5), false],
    'far too much' => [-700, false],
]);

it('offers every corner, and every two beside each other, to give', function (): void {
    // A goalpost: up 250, along x for 300, down 250 to the end; 20 longer than it is.
    $length = 250 + 300 + 250 - 120 + 30 * M_PI;
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [300, 0, 300]]],
        ['at' => [300, 0, 50]],
        ['fixed_length' => ['length' => $length + 20, 'tolerance' => 1]],
    ));
    expect(waysOut('fixed-length', $laid))->toBe([
        // Both corners up as one, since the legs beside them are in one line.
        'Let corners 1–2 give along +z',
        'Let corner 1 give along +z', 'Let corner 1 give along +x',
        'Let corner 2 give along +x', 'Let corner 2 give along −z',
        sprintf('Hold %s mm, as it is now', number_format($length, 1, '.', '')),
    ]);
});

it('forgives a length within its tolerance, and not a hair beyond', function (float $off, bool $isGood): void {
    $length = 590 + 15 * M_PI;
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]], [
        'fixed_length' => ['length' => $length + $off, 'tolerance' => 0.5],
    ]));
    expect(foundBy('fixed-length', $laid) === [])->toBe($isGood);
})->with([[0.5, true], [-0.5, true], [0.501, false], [-0.501, false], [0.0, true]]);

/**
 * A run along x whose curve has these radii at points 10 apart, tightest at one of them; 0 is straight.
 *
 * @param  list<float>  $radii
 */
function alongCurve(array $radii, float $least, float $leastAt): LaidRun
{
    $count = count($radii);
    $run = Limits::line(10.0 * ($count - 1), ['kind' => 'flow', 'points' => []]);
    $laid = Jobs::laid($run);
    $curve = new Curve(
        array_map(static fn (int $i): Vector => new Vector(10.0 * $i, 0.0, 0.0), range(0, $count - 1)),
        array_fill(0, $count, new Vector(1.0, 0.0, 0.0)),
        array_map(static fn (int $i): float => 10.0 * $i, range(0, $count - 1)),
        array_map(static fn (float $radius): float => $radius === 0.0 ? 0.0 : 1 / $radius, $radii),
        $least,
        $leastAt,
    );

    return LaidRun::curve($laid->run, new Path([$curve]));
}

it('says over which length a curve is too tight', function (array $radii, float $least, float $at, ?array $span): void {
    /** @var list<float> $radii */
    $laid = alongCurve($radii, $least, $at);
    $limit = $laid->run->stock->bend->leastRadius;
    $found = foundBy('bend-radius', $laid);
    expect($found === [])->toBe($span === null);
    if ($span !== null) {
        expect($found[0]->span)->toEqualWithDelta($span, 1e-9)
            ->and([$found[0]->measured, $found[0]->required])->toEqualWithDelta([$least, $limit], 1e-9)
            ->and($found[0]->subject->toArray())->toBe(['kind' => 'curve', 'index' => 0])
            ->and($found[0]->at->toArray())->toEqualWithDelta([$at, 0, 0], 1e-9);
    }
})->with(static function (): iterable {
    $limit = Jobs::laid(Limits::line(100.0, ['kind' => 'flow', 'points' => []]))->run->stock->bend->leastRadius;
    $wide = 2 * $limit;
    $tight = $limit / 2;
    yield 'nowhere' => [[0.0, $wide, $limit, $wide, 0.0], $limit, 20.0, null];
    yield 'at one point' => [[0.0, $wide, $tight, $wide, 0.0], $tight, 20.0, [20, 20]];
    yield 'from the second to the fourth' => [[0.0, $tight, $limit * 0.9, $tight, 0.0], $tight, 10.0, [10, 30]];
    yield 'at both ends' => [[$tight, $wide, $wide, $wide, $tight], $tight, 0.0, [0, 40]];
    yield 'between two points alone' => [[$wide, $wide, $wide, $wide, $wide], $tight, 14.0, [14, 14]];
    yield 'by less than curves are solved to' => [[0.0, $wide, $limit, $wide, 0.0], $limit * (1 - 5e-7), 20.0, null];
});

it('says where a curve folds', function (float $share, bool $folds): void {
    $straight = Jobs::laid(Limits::line(100.0, ['kind' => 'flow', 'points' => []]));
    $half = $straight->run->stock->section->outsideDiameter / 2;
    $laid = alongCurve([0.0, 500.0, $half * $share, 500.0, 0.0], $half * $share, 20.0);
    $found = foundBy('section-fold', $laid);
    expect($found !== [])->toBe($folds);
    if ($folds) {
        expect($found[0]->span)->toEqualWithDelta([20, 20], 1e-9)
            ->and([$found[0]->measured, $found[0]->required])->toEqualWithDelta([$half * $share, $half], 1e-9)
            ->and($found[0]->title)->toBe('It folds into itself')
            ->and($found[0]->subject->toArray())->toBe(['kind' => 'curve', 'index' => 0]);
    }
})->with([[0.5, true], [1.0, true], [1.001, false], [3.0, false]]);

it('says where a run reverses, and in how many corners it might turn', function (): void {
    // Up 250 and straight back down 100, then along x.
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [0, 0, 200]]], ['at' => [300, 0, 200]],
    ));
    $found = foundBy('reversal', $laid);
    expect($found)->toHaveCount(1)
        ->and($found[0]->subject->toArray())->toBe(['kind' => 'bend', 'index' => 0])
        ->and($found[0]->title)->toBe('The run turns back on itself at bend 1');
    // The second of two that reverse is told by its own number.
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 300]], ['at' => [200, 0, 300]], ['at' => [100, 0, 300]]], ['at' => [100, 300, 300]],
    ));
    expect(foundBy('reversal', $laid)[0]->title)->toBe('The run turns back on itself at bend 2')
        ->and(foundBy('reversal', $laid)[0]->subject->toArray())->toBe(['kind' => 'bend', 'index' => 1]);
});

it('tells both ends of a kept shape that is elsewhere', function (array $kept, array $expected): void {
    $laid = Jobs::laid(Limits::line(1000, ['kind' => 'drape', 'length' => 1100, 'kept' => $kept]));
    $found = foundBy('kept-away', $laid);
    expect(array_map(
        static fn (Finding $one): array => [$one->subject->toArray()['name'], round($one->measured ?? 0.0, 6)], $found,
    ))->toBe($expected);
})->with([
    'where it is' => [[[0, 0, 0], [500, 0, -90], [1000, 0, 0]], []],
    'half a millimetre off' => [[[0, 0.5, 0], [500, 0, -90], [1000, 0, 0]], []],
    'at its start' => [[[0, 2, 0], [500, 0, -90], [1000, 0, 0]], [['from', 2.0]]],
    'at both' => [[[0, 2, 0], [500, 0, -90], [1000, 0, 3]], [['from', 2.0], ['to', 3.0]]],
]);

it('judges a clamp by its bore, tight by half a millimetre either way', function (float $bore, bool $isGood): void {
    $file = Jobs::file(
        [['at' => [0, 0, 300]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
        ['at' => [400, 0, 300]],
        ['clamps' => [['id' => 'c', 'at' => [200, 0, 300], 'axis' => [1, 0, 0], 'bore' => $bore, 'width' => 20]]],
    );
    expect(foundBy('clamp-size', Jobs::laid($file)) === [])->toBe($isGood);
})->with([[12.0, true], [12.5, true], [11.5, true], [12.51, false], [11.49, false]]);
