<?php

declare(strict_types=1);

use Bowline\Clearance\SolidPiece;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;
use Bowline\Job\Shape\Box;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Shape;
use Bowline\Pathfinding\CornerLine;
use Bowline\Pathfinding\Costs;
use Bowline\Pathfinding\LengthDetour;
use Bowline\Pathfinding\Mouth;
use Bowline\Pathfinding\Obstacle;
use Bowline\Pathfinding\Obstacles;
use Bowline\Pathfinding\Passage;
use Bowline\Pathfinding\Weights;

/* How far out of a mouth a way is clear of what that is on, and free of all else; and ways made longer. */

/** @param  list<float|int>  $at */
function bodyAt(string $id, Shape $shape, array $at, float $keep = 10.0): Obstacle
{
    return Obstacle::of(
        ItemRef::of('fittings', $id),
        new SolidPiece($shape, Pose::at(new Vector(...array_map(floatval(...), $at)))), $keep,
    );
}

function cube(float $edge): Box
{
    return new Box(new Vector($edge, $edge, $edge));
}

/**
 * @param  array<float|int>  $at
 * @param  array<float|int>  $axis
 */
function mouthAt(array $at, array $axis, string $own): Mouth
{
    return new Mouth(
        new Vector(...array_map(floatval(...), $at)), (new Vector(...array_map(floatval(...), $axis)))->unit(), 12.0,
        ['fittings/'.$own], $own.'.p',
    );
}

/** @param  list<Obstacle>  $all */
function passageAmong(Mouth $from, Mouth $to, array $all): Passage
{
    $without = static fn (array $keys): array => array_values(array_filter(
        $all, static fn (Obstacle $one): bool => ! in_array($one->ref->key(), $keys, true),
    ));

    return Passage::between($from, $to, static fn (array $keys): Obstacles => new Obstacles($without($keys)));
}

it('is clear of what it is on once it is 2 farther off than it has to be', function (
    Shape $shape, array $at, array $axis, ?float $clear,
): void {
    $length = mouthAt($at, $axis, 'pump')->clearLength(new Obstacles([bodyAt('pump', $shape, [0, 0, 0])]));

    $clear === null ? expect($length)->toBeNull() : expect($length)->toEqualWithDelta($clear, 0.5);
})->with([
    // The centre line keeps 10: 12 out of the face.
    'square out of a face' => [cube(100.0), [50, 0, 0], [1, 0, 0], 12.0],
    // 30 inside the face: 42.
    'out of a recess' => [cube(100.0), [20, 0, 0], [1, 0, 0], 42.0],
    // Slanting at 45 degrees it goes 12 √2 to be 12 off.
    'slanting' => [cube(100.0), [50, 0, 0], [1, 1, 0], 12 * M_SQRT2],
    'out of a round side' => [new Cylinder(80.0, 200.0), [40, 0, 0], [1, 0, 0], 12.0],
    // Along a face that is 8000 long it never comes clear in 3 m.
    'along a long wall' => [new Box(new Vector(8000.0, 100.0, 100.0)), [0, 50, 0], [1, 0, 0], null],
]);

it('goes as far out of both mouths as nothing is too near', function (): void {
    $passage = passageAmong(
        mouthAt([50, 0, 0], [1, 0, 0], 'pump'), mouthAt([550, 200, 0], [-1, 0, 0], 'tank'),
        [bodyAt('pump', cube(100.0), [0, 0, 0]), bodyAt('tank', cube(100.0), [600, 200, 0]),
            bodyAt('post', cube(40.0), [400, 0, 0])],
    );

    // The post begins at 380, of which 10 are kept: 320 out of the port at 50.
    expect($passage->fromFree)->toEqualWithDelta(320.0, 0.5)
        // Out of the tank it is free for 20 m, past the pump, which is 150 aside.
        ->and($passage->toFree)->toBeGreaterThan(20_000.0)
        ->and($passage->from->straight)->toEqualWithDelta(12.0, 0.5)
        ->and($passage->closing())->toBe([]);
});

it('knows what closes a mouth', function (float $off, bool $isClosed): void {
    $passage = passageAmong(
        mouthAt([50, 0, 0], [1, 0, 0], 'pump'), mouthAt([550, 0, 0], [-1, 0, 0], 'tank'),
        [bodyAt('pump', cube(100.0), [0, 0, 0]), bodyAt('tank', cube(100.0), [600, 0, 0]),
            bodyAt('lid', cube(20.0), [50 + $off + 10, 0, 0])],
    );

    expect(array_keys($passage->closing()))->toBe($isClosed ? [2] : []);
})->with(['5 before it' => [5.0, true], '40 before it' => [40.0, false]]);

it('leaves out what a mouth is on and never comes clear of', function (): void {
    $wall = bodyAt('pump', new Box(new Vector(8000.0, 100.0, 100.0)), [0, 0, 0]);
    $passage = passageAmong(
        mouthAt([0, 50, 0], [1, 0, 0], 'pump'), mouthAt([900, 200, 0], [-1, 0, 0], 'tank'), [$wall],
    );

    expect($passage->obstacles->all)->toBe([])->and($passage->fromClear)->toBe(0.0);
});

/** A Z from (0,0,0) to (800,300,0), or a U from (0,0,0) to (0,300,0), with bends of 30. */
function shapeOf(string $shape): CornerLine
{
    $points = $shape === 'Z'
        ? [[0, 0, 0], [400, 0, 0], [400, 300, 0], [800, 300, 0]]
        : [[0, 0, 0], [200, 0, 0], [200, 300, 0], [0, 300, 0]];

    return new CornerLine(array_map(
        static fn (array $one): Vector => new Vector((float) $one[0], (float) $one[1], (float) $one[2]), $points,
    ), 30.0);
}

/** @param  list<Obstacle>  $all */
function longer(string $shape, float $more, array $all = []): ?CornerLine
{
    $line = shapeOf($shape);
    $last = $line->vertices[count($line->vertices) - 1];
    $passage = passageAmong(
        mouthAt([0, 0, 0], [1, 0, 0], 'a'),
        mouthAt($last->toArray(), $shape === 'Z' ? [-1, 0, 0] : [1, 0, 0], 'b'), $all,
    );

    return (new LengthDetour($passage, new Costs(new Weights, 30.0, 2, []), 20.0))->of($line, $line->length() + $more);
}

it('moves a leg outwards between two opposite ones', function (float $more): void {
    $found = longer('U', $more);

    expect($found?->bends())->toBe(2)->and($found?->length())->toEqualWithDelta(shapeOf('U')->length() + $more, 1e-6)
        ->and($found?->vertices[1]->x)->toEqualWithDelta(200 + $more / 2, 1e-6);
})->with([4.0, 60.0, 700.0]);

it('makes a loop of four bends where there is no such leg', function (float $more): void {
    $found = longer('Z', $more);

    expect($found?->bends())->toBe(6)->and($found?->length())->toEqualWithDelta(shapeOf('Z')->length() + $more, 1e-6);
    foreach ($found?->turns() ?? [] as $turn) {
        expect($turn)->toEqualWithDelta(M_PI_2, 1e-9);
    }
    // The least loop is 80 high, which is twice that longer, less 30 (4 − π) · 2 for its bends: 108.5.
})->with([108.6, 200.0, 1500.0]);

it('makes a flat loop of three bends where a square one is too much', function (float $more): void {
    $found = longer('Z', $more);

    expect($found?->bends())->toBe(5)->and($found?->length())->toEqualWithDelta(shapeOf('Z')->length() + $more, 1e-6);
})->with([1.0, 20.0, 100.0]);

it('makes it where there is room', function (): void {
    // Walls close beneath and above all of it, and on the side to which a loop is tried first.
    $plates = [
        bodyAt('low', new Box(new Vector(3000.0, 3000.0, 20.0)), [400, 150, -40]),
        bodyAt('high', new Box(new Vector(3000.0, 3000.0, 20.0)), [400, 150, 40]),
        bodyAt('side', new Box(new Vector(3000.0, 20.0, 60.0)), [400, 330, 0]),
    ];
    $found = longer('Z', 200.0, $plates);

    assert($found !== null);
    expect($found->length())->toEqualWithDelta(shapeOf('Z')->length() + 200.0, 1e-6);
    foreach ($found->vertices as $vertex) {
        // 330 less half of 20 and 10 that are kept.
        expect($vertex->y)->toBeLessThan(310.001)->and($vertex->z)->toEqualWithDelta(0.0, 1e-9);
    }
});

it('is none where there is no room, or where it is too long already', function (): void {
    $around = [
        bodyAt('low', new Box(new Vector(3000.0, 3000.0, 20.0)), [400, 150, -25]),
        bodyAt('high', new Box(new Vector(3000.0, 3000.0, 20.0)), [400, 150, 25]),
        bodyAt('left', new Box(new Vector(360.0, 240.0, 30.0)), [180, 150, 0]),
        bodyAt('right', new Box(new Vector(380.0, 280.0, 30.0)), [630, 140, 0]),
        bodyAt('beneath', new Box(new Vector(3000.0, 20.0, 30.0)), [400, -25, 0]),
        bodyAt('behind', new Box(new Vector(3000.0, 20.0, 30.0)), [400, 325, 0]),
    ];

    expect(longer('Z', 300.0, $around))->toBeNull()->and(longer('Z', -1.0))->toBeNull()
        ->and(longer('Z', 0.0)?->vertices)->toEqual(shapeOf('Z')->vertices);
});
