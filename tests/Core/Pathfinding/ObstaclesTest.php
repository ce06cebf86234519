<?php

declare(strict_types=1);

use Bowline\Clearance\SolidPiece;
use Bowline\Geometry\Arc;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;
use Bowline\Job\Shape\Box;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Shape;
use Bowline\Pathfinding\Obstacle;
use Bowline\Pathfinding\Obstacles;

/* What of a line, a straight or a bend is too near to a body, by distances worked out by hand. */

function obstacle(Shape $shape, Pose $pose, float $keep, string $id = 'box'): Obstacle
{
    return Obstacle::of(ItemRef::of('surroundings', $id), new SolidPiece($shape, $pose), $keep);
}

function cubeOf100(float $keep = 10.0): Obstacle
{
    return obstacle(new Box(new Vector(100.0, 100.0, 100.0)), Pose::at(Vector::zero()), $keep);
}

it('finds where a line comes too near to a box', function (float $y, float $z, ?float $half): void {
    $found = cubeOf100()->along(0, [0.0, $y, $z]);

    expect($found)->toHaveCount($half === null ? 0 : 1);
    if ($half !== null) {
        expect($found[0][0])->toEqualWithDelta(-$half, 1e-9)->and($found[0][1])->toEqualWithDelta($half, 1e-9);
    }
})->with([
    'through its middle' => [0.0, 0.0, 60.0],
    // 6 off a face, of 10: √(100 − 36) = 8 beyond its edge.
    'beside a face' => [56.0, 0.0, 58.0],
    // 6 and 0 off two faces at an edge is 6 off; 6 and 8 is 10, which is enough.
    'beside an edge' => [56.0, 50.0, 58.0],
    'just far enough off an edge' => [56.0, 58.0, null],
    'just far enough off a face' => [60.0, 0.0, null],
    'far off' => [200.0, 0.0, null],
]);

it('finds where a line comes too near to a round body or to one that is turned', function (
    Shape $shape, Pose $pose, array $point, float $from, float $to,
): void {
    $found = obstacle($shape, $pose, 10.0)->along(0, $point);

    expect($found)->toHaveCount(1)
        ->and($found[0][0])->toEqualWithDelta($from, 0.3)
        ->and($found[0][1])->toEqualWithDelta($to, 0.3);
})->with([
    // A circle of 40 + 10 about its axis, 30 beside it: √(50² − 30²) = 40.
    'beside an upright cylinder' => [
        new Cylinder(80.0, 200.0), Pose::at(Vector::zero()), [0.0, 30.0, 0.0], -40.0, 40.0,
    ],
    // Half a diagonal of 100 √2 / 2 = 70.71, and 10 off a slanting face is 14.14 along x.
    'through a box turned by 45 degrees' => [
        new Box(new Vector(100.0, 100.0, 100.0)), Pose::turned(Vector::zero(), new Vector(0.0, 0.0, 1.0), M_PI_4),
        [0.0, 20.0, 0.0], -(70.7107 + 14.1421 - 20.0), 70.7107 + 14.1421 - 20.0,
    ],
]);

it('says how far one can go, and what ends it', function (): void {
    $far = obstacle(new Box(new Vector(20.0, 20.0, 20.0)), Pose::at(new Vector(300.0, 0.0, 0.0)), 10.0, 'far');
    $all = new Obstacles([$far, cubeOf100()]);

    expect($all->free(0, [-200.0, 0.0, 0.0], 1))->toBe([140.0, 1])
        ->and($all->free(0, [100.0, 0.0, 0.0], 1))->toBe([180.0, 0])
        ->and($all->free(0, [100.0, 0.0, 0.0], -1))->toBe([40.0, 1])
        ->and($all->free(0, [400.0, 0.0, 0.0], 1))->toBe([INF, null])
        ->and($all->free(0, [0.0, 0.0, 0.0], 1)[0])->toBeLessThan(0.0)
        ->and($all->freeLength(new Vector(-200.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0), 1000.0))
        ->toEqualWithDelta(140.0, 0.5);
});

it('knows a slanting straight and a bend that pass a corner', function (): void {
    $all = new Obstacles([cubeOf100()]);
    // A straight over the edge at x = y = 50: its distance from the edge is (x + y − 100) / √2 for x + y on it.
    $over = static fn (float $sum): ?int => $all->onStraight(
        new Vector($sum - 0.0, 0.0, 0.0), new Vector(0.0, $sum, 0.0),
    );
    expect($over(100.0 + 10.1 * M_SQRT2))->toBeNull()->and($over(100.0 + 9.9 * M_SQRT2))->toBe(0)
        ->and($all->onStraight(new Vector(0.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0), ['surroundings/box']))->toBeNull();

    // A bend of 30 round the edge: with its centre 20 inside both faces it is 30 − 20 √2 = 1.7 off the edge.
    $bend = static fn (float $inside): Arc => new Arc(
        new Vector(80.0 - $inside, 50.0 - $inside, 0.0), new Vector(50.0 - $inside, 80.0 - $inside, 0.0),
        new Vector(50.0 - $inside, 50.0 - $inside, 0.0), new Vector(0.0, 0.0, 1.0), 30.0, M_PI_2,
    );
    expect($all->onBend($bend(20.0)))->toBe(0)
        // 30 − 14.1 √2 = 10.06 off it, but only 15.9 off the faces at its ends.
        ->and($all->onBend($bend(14.1)))->toBeNull();
});
