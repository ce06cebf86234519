<?php

declare(strict_types=1);

use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Surrounding;
use Bowline\Job\Values;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\Clearance;
use Tests\Jobs;

/** A plate whose upper side is at z = 0, as large as anything here. */
function ground(): Bodies
{
    return new Bodies(['ground' => Surrounding::read(new Node(Jobs::object([
        'id' => 'ground', 'shape' => 'box', 'size' => [4e6, 4e6, 1000], 'pose' => ['at' => [0, 0, -500]],
    ])), Values::read(null))]);
}

it('wants a radius, but no more at an end than that has, and as much more as it is away from there', function (
    float $start, ?float $end, array $along, float $wanted,
): void {
    // Of half 5: an end at 2 has 2, one 3 deep has −3, one at 8 has all.
    $clearance = new Clearance(
        ground(), 5.0, new Vector(0, 0, $start), $end === null ? null : new Vector(100, 0, $end),
    );
    expect($clearance->wanted(...$along))->toEqualWithDelta($wanted, 1e-9);
})->with([
    'at a start beside it' => [2.0, 8.0, [0.0, 100.0], 2.0],
    'behind that' => [2.0, 8.0, [1.5, 98.5], 3.5],
    'far behind that' => [2.0, 8.0, [3.5, 96.5], 5.0],
    'at a start within it' => [-3.0, 8.0, [0.0, 100.0], -3.0],
    'behind that, too' => [-3.0, 8.0, [6.0, 94.0], 3.0],
    'at an end beside it' => [8.0, 2.0, [99.0, 1.0], 3.0],
    'at an end that is free' => [8.0, null, [100.0, 0.0], 5.0],
    'at ends that are clear' => [8.0, 8.0, [0.0, 0.0], 5.0],
    'the least of both' => [1.0, 2.0, [1.5, 2.5], 2.5],
]);

it('looks along a curve for where it is deepest', function (
    float $length, float $half, float $from, ?float $to, float $first,
): void {
    // Level at 3 over the ground: 2 too deep for 5, 1 for 4.
    $curve = Curve::straight(new Vector(0, 0, 3), new Vector($length, 0, 3));
    $clearance = new Clearance(
        ground(), $half, new Vector(0, 0, $from), $to === null ? null : new Vector($length, 0, $to),
    );
    [$depth, $along, $id] = $clearance->deepest($curve);
    expect($depth)->toEqualWithDelta($half - 3.0, 1e-9)->and($along)->toEqualWithDelta($first, 1e-9)
        ->and($id)->toBe('ground')
        ->and($clearance->isClear($curve))->toBeFalse();
})->with([
    'in fifty steps at least' => [100.0, 5.0, 90.0, null, 2.0],
    'in steps of half a radius' => [1000.0, 5.0, 90.0, null, 2.5],
    'in twenty thousand steps at most' => [100_000.0, 4.0, 90.0, null, 5.0],
    // 3.0 of the end and 2.0 on are 5: from three radii on it counts.
    'three radii from a start that touches' => [1000.0, 5.0, 3.0, null, 15.0],
    'at the start where only the end touches' => [1000.0, 5.0, 90.0, 3.0, 2.5],
    'at the start where it has just a radius' => [1000.0, 5.0, 5.0, 5.0, 2.5],
]);

it('finds the deepest place and not the first, unless that is enough', function (): void {
    // Falls from 4 to 1 over 1000, with a radius of 5: 1000.0045 long, in 401 steps.
    $curve = Curve::straight(new Vector(0, 0, 4), new Vector(1000, 0, 1));
    $clearance = new Clearance(ground(), 5.0, new Vector(0, 0, 90), null);
    [$depth, $along] = $clearance->deepest($curve);
    expect($along)->toEqualWithDelta(hypot(1000, 3) * 400 / 401, 1e-6)
        ->and($depth)->toEqualWithDelta(1.0 + 3.0 * 400 / 401, 1e-6)
        ->and($clearance->deepest($curve, 2.0)[0])->toBeGreaterThan(2.0)->toBeLessThan(2.02);
});

it('leaves out the last three radii before an end that touches', function (): void {
    // Falls on to 4 at its end, which has 4: nowhere else it is too deep.
    $curve = Curve::straight(new Vector(0, 0, 24), new Vector(100, 0, 4));
    $clearance = new Clearance(ground(), 5.0, new Vector(0, 0, 24), new Vector(100, 0, 4));
    expect($clearance->isClear($curve))->toBeTrue()->and($clearance->deepest($curve))->toBe([0.0, 0.0, '']);
    $free = new Clearance(ground(), 5.0, new Vector(0, 0, 24), null);
    expect($free->isClear($curve))->toBeFalse();
});

it('is clear by a radius, and where there is nothing', function (): void {
    $curve = Curve::straight(new Vector(0, 0, 5), new Vector(100, 0, 5));
    expect((new Clearance(ground(), 5.0, new Vector(0, 0, 5), null))->isClear($curve))->toBeTrue()
        ->and((new Clearance(ground(), 5.1, new Vector(0, 0, 90), null))->isClear($curve))->toBeFalse()
        ->and((new Clearance(new Bodies([]), 5.1, new Vector(0, 0, 0), null))->deepest($curve))->toBe([0.0, 0.0, '']);
});
