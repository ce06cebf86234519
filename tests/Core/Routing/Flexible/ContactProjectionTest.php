<?php

declare(strict_types=1);

use Bowline\Curves\NodeChain;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Surrounding;
use Bowline\Job\Values;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\Clearance;
use Bowline\Routing\Flexible\ContactProjection;
use Tests\Jobs;

/*
 * How far a chain is moved out of what it has sunk into, by hand. A point of a link is (1, 4, 1, 0) sixths of its nodes
 * at its start; a move by 1 there moves them by 1/3, 4/3 and 1/3: the least that does, as the squares of the weights
 * sum up to a half.
 */

/** Gap that is kept between a line and what it lies on, mm. */
const CONTACT_GAP = 0.08;

/** A plate of 2 m square of which the top lies at a height, or nothing. */
function plate(?float $top, float $thickness = 20.0): Bodies
{
    return new Bodies($top === null ? [] : ['plate' => Surrounding::read(new Node(Jobs::object([
        'id' => 'plate', 'shape' => 'box', 'size' => [2000, 2000, $thickness],
        'pose' => ['at' => [0, 0, $top - $thickness / 2]],
    ])), Values::read(null))]);
}

/** A level chain of 10 mm links about the middle of the plate. */
function levelChain(int $links, float $z, float $link = 10.0): NodeChain
{
    return new NodeChain(array_map(
        static fn (int $i): Vector => new Vector(($i - $links / 2) * $link, 0.0, $z), range(0, $links),
    ), $link);
}

/**
 * @param  array<int, float>  $places
 * @return array<int, float>
 */
function shifted(array $places, float $by): array
{
    return array_map(static fn (float $one): float => $one + $by, $places);
}

/**
 * Moves a chain out of bodies, of half 5 mm and with ends that touch nothing.
 *
 * @param  array{float, float, float}  $moved  by which the chain came to where it is
 */
function movedOut(
    NodeChain $chain, Bodies $bodies, array $moved, bool $isSinking = false, float $half = 5.0, bool $endIsFree = false,
): void {
    $far = new Vector(0.0, 0.0, 500.0);
    (new ContactProjection($bodies, new Clearance($bodies, $half, $far, $far), $half, $endIsFree))->apply(
        $chain, shifted($chain->x, -$moved[0]), shifted($chain->y, -$moved[1]), shifted($chain->z, -$moved[2]),
        $isSinking,
    );
}

it('lifts a link out of the floor at its ends, half by each', function (bool $isSinking): void {
    // 1.08 too deep.
    $chain = levelChain(3, 4.0);
    movedOut($chain, plate(0.0), [0.0, 0.0, -2.0], $isSinking);
    $by = 5.0 + CONTACT_GAP - 4.0;
    expect($chain->z)->toEqualWithDelta([4.0 + $by / 6, 4.0 + $by * 5 / 6, 4.0 + $by * 5 / 6, 4.0 + $by / 6], 1e-12)
        ->and($chain->x)->toEqualWithDelta([-15.0, -5.0, 5.0, 15.0], 1e-12)
        ->and($chain->y)->toEqualWithDelta([0.0, 0.0, 0.0, 0.0], 1e-12);
})->with(['all places of a link' => [false], 'few of them while it sinks' => [true]]);

it('finds a thin plate that only one node of a link has gone through, whichever it is', function (): void {
    // From 10 above a sheet of 1 mm to 13.9 below it; the end of the link follows by 4/6 of it and is 5.6 below.
    $lifted = [];
    foreach ([1, 2] as $node) {
        $chain = levelChain(3, 10.0);
        $was = [$chain->x, $chain->y, $chain->z];
        $chain->z[$node] = -14.9;
        $bodies = plate(0.0, 1.0);
        $far = new Vector(0.0, 0.0, 500.0);
        (new ContactProjection($bodies, new Clearance($bodies, 5.0, $far, $far), 5.0, false))
            ->apply($chain, ...$was, isSinking: false);
        $lifted[] = $chain->z;
    }
    expect($lifted[1][2])->toBeGreaterThan(-14.9)
        ->and($lifted[1])->toEqualWithDelta(array_reverse($lifted[0]), 1e-9);
});

it('finds a thin wall that it has gone through as it does a floor', function (string $normal, string $along): void {
    // A line along one axis, moved along another from 10 before a sheet of 1 mm to 14.9 behind its face.
    $lie = static function (string $normal, string $along): array {
        $sheet = Surrounding::read(new Node(Jobs::object([
            'id' => 'sheet', 'shape' => 'box',
            'size' => array_map(static fn (string $axis): int => $axis === $normal ? 1 : 2000, ['x', 'y', 'z']),
            'pose' => ['at' => array_map(
                static fn (string $axis): float => $axis === $normal ? -0.5 : 0.0, ['x', 'y', 'z'],
            )],
        ])), Values::read(null));
        $chain = new NodeChain(array_map(static fn (int $i): Vector => new Vector(...array_map(
            static fn (string $axis): float => match ($axis) {
                $along => ($i - 1.5) * 10.0, $normal => -14.9, default => 0.0,
            }, ['x', 'y', 'z'],
        )), range(0, 3)), 10.0);
        $moved = array_map(static fn (string $axis): float => $axis === $normal ? -24.9 : 0.0, ['x', 'y', 'z']);
        movedOut($chain, new Bodies(['sheet' => $sheet]), [$moved[0], $moved[1], $moved[2]]);

        return [$chain->{$along}, $chain->{$normal}];
    };
    expect($lie($normal, $along))->toEqualWithDelta($lie('z', 'x'), 1e-9)
        ->and($lie($normal, $along)[1][1])->toBeGreaterThan(0.0);
})->with([['x', 'y'], ['y', 'z'], ['x', 'z'], ['y', 'x']]);

it('leaves what is clear by the gap where it is', function (float $z): void {
    $chain = levelChain(3, $z);
    movedOut($chain, plate(0.0), [0.0, 0.0, -2.0]);
    expect($chain->z)->toBe([$z, $z, $z, $z]);
})->with([5.0 + CONTACT_GAP, 6.0, 30.0]);

it('does not move nodes that are held', function (): void {
    // Of the weights 1, 4 and 1 sixths only 4 is free: it moves by 6/4 of what is wanted, as if alone.
    $chain = levelChain(3, 4.0);
    [$chain->free[0], $chain->free[2], $chain->free[3]] = [0.0, 0.0, 0.0];
    movedOut($chain, plate(0.0), [0.0, 0.0, -2.0]);
    // From the other end the same node counts by 1/6 of a place of which the others are held: six times as much.
    expect($chain->z[0])->toBe(4.0)->and($chain->z[2])->toBe(4.0)->and($chain->z[3])->toBe(4.0)
        ->and($chain->z[1])->toEqualWithDelta(4.0 + 0.5 * (5.0 + CONTACT_GAP - 4.0) * (6 / 4 + 6), 1e-12);
});

it('holds back by friction what slides along the floor', function (array $slide, float $held): void {
    $chain = levelChain(3, 4.0);
    movedOut($chain, plate(0.0), [$slide[0], $slide[1], -0.5]);
    // As above: the nodes move by 1/6, 5/6, 5/6 and 1/6 of what their places do.
    foreach ([1 / 6, 5 / 6, 5 / 6, 1 / 6] as $node => $share) {
        expect($chain->x[$node])->toEqualWithDelta(-15.0 + 10.0 * $node - $share * $held * $slide[0], 1e-12)
            ->and($chain->y[$node])->toEqualWithDelta(-$share * $held * $slide[1], 1e-12)
            ->and($chain->z[$node])->toEqualWithDelta(4.0 + $share * 1.08, 1e-12);
    }
})->with([
    // 0.15 of the 1.08 by which it is pushed out, of a slide of 2.
    'some of a long slide' => [[2.0, 0.0], 0.15 * 1.08 / 2.0],
    'either way' => [[-1.2, 1.6], 0.15 * 1.08 / 2.0],
    'all of a short one' => [[0.1, -0.05], 1.0],
]);

it('takes the deepest place of a link', function (int $count): void {
    // A rod of 1 mm across the chain, at a share of the link beside its middle: 5.08 over its top and no less far from
    // its edge.
    $chain = levelChain(3, 4.0, 40.0);
    $along = 40.0 * $count / 8 - 20.0;
    $bodies = new Bodies(['rod' => Surrounding::read(new Node(Jobs::object([
        'id' => 'rod', 'shape' => 'box', 'size' => [1, 100, 1], 'pose' => ['at' => [$along, 0, -0.5]],
    ])), Values::read(null))]);
    movedOut($chain, $bodies, [0.0, 0.0, -2.0]);
    $weights = NodeChain::splineWeights(8)[$count];
    // Both passes move the same place, half each.
    expect(NodeChain::splineAt($chain->z, 1, $weights))->toEqualWithDelta(5.0 + CONTACT_GAP, 1e-12);
})->with([1, 3, 4, 7]);

it('looks at few places of a link while it sinks: two, and one to two radii at most', function (
    float $link, int $place, int $of, bool $isMet,
): void {
    $chain = levelChain(3, 4.0, $link);
    $bodies = new Bodies(['rod' => Surrounding::read(new Node(Jobs::object([
        'id' => 'rod', 'shape' => 'box', 'size' => [0.2, 100, 1],
        'pose' => ['at' => [$link * $place / $of - $link / 2, 0, -0.5]],
    ])), Values::read(null))]);
    movedOut($chain, $bodies, [0.0, 0.0, -2.0], true);
    // Beside the rod at 4 over it: 3.1 away sideways and more is clear.
    expect(max($chain->z) > 4.0)->toBe($isMet);
})->with([
    'the middle' => [20.0, 1, 2, true],
    'between two' => [40.0, 1, 8, false],
    'one of four of 40' => [40.0, 1, 4, true],
    'one of eight of 80' => [80.0, 1, 8, true],
    'no more than eight of 160' => [160.0, 1, 16, false],
]);

it('finds on its way what is thin', function (): void {
    // Half of it is 10. From 6 over a plate of a tenth to 4.5 under it, by 10.5: half way, 0.7 over the plate, it is
    // 9.38 too deep, and has gone on by 5.25.
    $chain = levelChain(3, -4.5);
    movedOut($chain, plate(0.05, 0.1), [0.0, 0.0, -10.5], false, 10.0);
    $by = 0.05 + 10.0 + CONTACT_GAP + 4.5;
    expect($chain->z)->toEqualWithDelta(array_map(
        static fn (float $share): float => -4.5 + $share * $by, [1 / 6, 5 / 6, 5 / 6, 1 / 6],
    ), 1e-12);
});

it('is pushed back from a thin wall square to it, without being pushed along', function (): void {
    // The same sideways: from y = 6 to −4.5 through a wall that stands at y = 0.
    $chain = levelChain(3, 0.0);
    $chain->y = array_fill(0, 4, -4.5);
    $wall = new Bodies(['wall' => Surrounding::read(new Node(Jobs::object([
        'id' => 'wall', 'shape' => 'box', 'size' => [2000, 0.1, 2000], 'pose' => ['at' => [0, 0, 0]],
    ])), Values::read(null))]);
    movedOut($chain, $wall, [0.0, -10.5, 0.0], false, 10.0);
    // All places of the link are as deep: rounding decides which is moved half of the way out from each end.
    $places = array_map(
        static fn (array $weights): float => NodeChain::splineAt($chain->y, 1, $weights), NodeChain::splineWeights(8),
    );
    $way = 0.05 + 10.0 + CONTACT_GAP + 4.5;
    expect(max($places))->toBeGreaterThan(-4.5 + $way / 2)->toBeLessThan(-4.5 + $way + 1e-9)
        ->and(min($chain->y))->toBeGreaterThan(-4.5)
        ->and($chain->x)->toEqualWithDelta([-15.0, -5.0, 5.0, 15.0], 1e-12)
        ->and($chain->z)->toEqualWithDelta([0.0, 0.0, 0.0, 0.0], 1e-12);
});

it('goes on to the near side of what is thin where it has moved little', function (): void {
    // By 4 in a step, of a radius of 10: less than half. It is pushed out where it is nearest, below the plate.
    $chain = levelChain(3, -2.0);
    movedOut($chain, plate(0.05, 0.1), [0.0, 0.0, -4.0], false, 10.0);
    expect($chain->z[1])->toEqualWithDelta(-2.0 - 5 / 6 * (10.0 + CONTACT_GAP - 1.95), 1e-12);
});

it('moves a free end out by itself, and leaves one that is held', function (bool $endIsFree, float $end): void {
    // Of two links none has four nodes; the end is 5.08 over the floor afterwards.
    $chain = levelChain(1, 1.0);
    movedOut($chain, plate(0.0), [3.0, 0.0, -2.0], false, 5.0, $endIsFree);
    expect($chain->z)->toEqualWithDelta([1.0, $end], 1e-12)->and($chain->x)->toEqualWithDelta([-5.0, 5.0], 1e-12);
})->with([[true, 5.0 + CONTACT_GAP], [false, 1.0]]);

it('is the same from either end', function (int $links): void {
    // A roof whose ridge is in the middle of the chain.
    $bodies = new Bodies(['roof' => Surrounding::read(new Node(Jobs::object([
        'id' => 'roof', 'shape' => 'box', 'size' => [40, 400, 40],
        'pose' => ['turn' => ['about' => [0, 1, 0], 'by' => 45], 'at' => [0, 0, -20]],
    ])), Values::read(null))]);
    $chain = levelChain($links, 5.0);
    movedOut($chain, $bodies, [0.0, 0.0, -2.0]);
    expect($chain->z)->toEqualWithDelta(array_reverse($chain->z), 1e-12)
        ->and(array_map(static fn (float $x): float => -$x, array_reverse($chain->x)))
        ->toEqualWithDelta($chain->x, 1e-12)
        ->and(max($chain->z))->toBeGreaterThan(5.0);
})->with([4, 5, 8, 9]);

it('does nothing where there is nothing', function (): void {
    $chain = levelChain(4, -3.0);
    movedOut($chain, plate(null), [0.0, 0.0, -2.0], false, 5.0, true);
    expect($chain->z)->toBe([-3.0, -3.0, -3.0, -3.0, -3.0]);
});
