<?php

declare(strict_types=1);

use Bowline\Clearance\SolidPiece;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\ItemRef;
use Bowline\Job\Shape\Box;
use Bowline\Pathfinding\CornerLine;
use Bowline\Pathfinding\Costs;
use Bowline\Pathfinding\Fall;
use Bowline\Pathfinding\Obstacle;
use Bowline\Pathfinding\Obstacles;
use Bowline\Pathfinding\Tracks;
use Bowline\Pathfinding\Weights;

/* Lines from corner to corner with bends of 30, what they cost, and how they fall: all worked out by hand. */

/** @param  list<float|int>  ...$points */
function cornersAt(array ...$points): CornerLine
{
    assert($points !== []);

    return new CornerLine(array_values(array_map(
        static fn (array $one): Vector => new Vector((float) $one[0], (float) $one[1], (float) $one[2]), $points,
    )), 30.0);
}

it('is as long as its legs less what each bend saves', function (array $points, float $length, int $bends): void {
    expect(cornersAt(...$points)->length())->toEqualWithDelta($length, 1e-9)
        ->and(cornersAt(...$points)->bends())->toBe($bends);
})->with([
    'a straight' => [[[0, 0, 0], [100, 0, 0]], 100.0, 0],
    // Each square bend is 30 (2 − π/2) = 12.8761 shorter than its corner.
    'a square bend' => [[[0, 0, 0], [100, 0, 0], [100, 100, 0]], 200 - 30 * (2 - M_PI_2), 1],
    'two of them' => [
        [[0, 0, 0], [100, 0, 0], [100, 100, 0], [100, 100, 200]], 400 - 60 * (2 - M_PI_2), 2,
    ],
    // 45 degrees: 30 (2 tan 22.5° − π/4).
    'half a square' => [
        [[0, 0, 0], [100, 0, 0], [200, 100, 0]], 100 + 100 * M_SQRT2 - 30 * (2 * (M_SQRT2 - 1) - M_PI_4), 1,
    ],
]);

it('has room where each leg takes its tangents and the least straight', function (float $middle, bool $hasRoom): void {
    // 30 + 30 for both bends and 20 between them.
    $line = cornersAt([0, 0, 0], [100, 0, 0], [100, $middle, 0], [200, $middle, 0]);

    expect($line->hasRoom(20.0, 0.0, 0.0))->toBe($hasRoom);
})->with([[80.0, true], [79.9, false], [200.0, true]]);

it('has room at its ends for what these need', function (): void {
    $line = cornersAt([0, 0, 0], [50, 0, 0], [50, 100, 0]);

    expect($line->hasRoom(20.0, 20.0, 0.0))->toBeTrue()->and($line->hasRoom(20.0, 20.1, 0.0))->toBeFalse()
        ->and($line->hasRoom(20.0, 0.0, 70.0))->toBeTrue()->and($line->hasRoom(20.0, 0.0, 70.1))->toBeFalse();
});

it('does not come back on itself', function (): void {
    expect(cornersAt([0, 0, 0], [300, 0, 0], [0, 1, 0])->hasRoom(0.0, 0.0, 0.0))->toBeFalse();
});

it('knows how near its own legs come', function (float $apart, bool $keepsOff): void {
    // A loop whose last leg passes 25 above the first.
    $line = cornersAt([0, 0, 0], [300, 0, 0], [300, 200, 0], [300, 200, 25], [150, 200, 25], [150, -200, 25]);

    expect($line->keepsOffItself($apart))->toBe($keepsOff);
})->with([[24.9, true], [25.1, false]]);

it('leaves out corners at which it does not turn', function (): void {
    $line = cornersAt([0, 0, 0], [50, 0, 0], [50, 0, 0], [100, 0, 0], [100, 80, 0], [100, 200, 0])->tidied();

    expect(array_map(static fn (Vector $one): array => $one->toArray(), $line->vertices))
        ->toBe([[0.0, 0.0, 0.0], [100.0, 0.0, 0.0], [100.0, 200.0, 0.0]]);
});

it('may touch what it begins at until it is clear of it, and nothing else', function (): void {
    $body = static fn (string $id, float $x): Obstacle => Obstacle::of(
        ItemRef::of('fittings', $id),
        new SolidPiece(new Box(new Vector(100.0, 100.0, 100.0)), Pose::at(new Vector($x, 0.0, 0.0))), 10.0,
    );
    $line = cornersAt([50, 0, 0], [300, 0, 0], [300, 300, 0]);
    $own = new Obstacles([$body('pump', 0.0)]);
    $both = new Obstacles([$body('pump', 0.0), $body('tank', 300.0)]);

    expect($line->body($own, [12.0, ['fittings/pump']], [0.0, []]))->toBeNull()
        ->and($line->body($own, [5.0, ['fittings/pump']], [0.0, []]))->toBe(0)
        ->and($line->body($both, [12.0, ['fittings/pump']], [0.0, []]))->toBe(1);
});

it('costs its length and its bends, more up and down, less along what is followed', function (
    Weights $weights, float $off, float $cost,
): void {
    // A tray beneath the first leg, from x = 100 to 200, 20 under its centre line; followed where an offset is told.
    $tray = new Bounds(new Vector(100.0, -50.0, -40.0), new Vector(200.0, 50.0, -20.0));
    $beside = $off > 0.0 ? [[$tray, $off, 0.4]] : [];
    // 300 along x, 200 up, 300 along y.
    $line = cornersAt([0, 0, 0], [300, 0, 0], [300, 0, 200], [300, 300, 200]);

    expect($line->cost(new Costs($weights, 30.0, 2, $beside)))->toEqualWithDelta($cost, 1e-9);
})->with(function (): array {
    $saved = 2 * 30 * (2 - M_PI_2);

    return [
        'plain' => [new Weights(150.0), 0.0, 800 + 300 - $saved],
        'a bend worth nothing costs nothing' => [new Weights(0.0), 0.0, 800.0],
        'height' => [new Weights(150.0, 0.5), 0.0, 800 + 100 + 300 - $saved],
        'along a tray' => [new Weights(150.0), 20.0, 800 - 0.4 * 100 + 300 - $saved],
        'too far off it' => [new Weights(150.0), 18.0, 800 + 300 - $saved],
    ];
});

it('costs more where an earlier way went, but for its ends', function (): void {
    $costs = new Costs(new Weights(150.0), 30.0, 2, []);
    $line = cornersAt([0, 0, 0], [100, 0, 0], [100, 500, 0], [200, 500, 0]);

    // Its middle leg of 500 again: 0.6 of it more.
    expect($line->cost($costs->avoiding($line->vertices)) - $line->cost($costs))->toEqualWithDelta(300.0, 1e-9);
});

it('slants at three times the price of a leg along an axis', function (): void {
    $costs = new Costs(new Weights(150.0), 30.0, 2, []);

    expect(cornersAt([0, 0, 0], [30, 40, 0])->cost($costs))->toEqualWithDelta(150.0, 1e-9)
        ->and(cornersAt([0, 0, 0], [50, 0, 0])->cost($costs))->toEqualWithDelta(50.0, 1e-9);
});

it('has tracks at both faces of a body, and a bend farther off where that is wider', function (): void {
    $box = new Bounds(new Vector(0.0, 0.0, 0.0), new Vector(100.0, 50.0, 20.0));
    $tracks = new Tracks(30.0, 20.0);
    $tracks->body($box, 10.0);
    $tracks->body($box, 40.0);

    expect($tracks->all())->toBe([
        [-40.0, -30.0, -10.0, 110.0, 130.0, 140.0], [-40.0, -30.0, -10.0, 60.0, 80.0, 90.0],
        [-40.0, -30.0, -10.0, 30.0, 50.0, 60.0],
    ]);
    $tracks->spread();
    // A shortest leg is 30 + 20 + 30.
    expect($tracks->all()[2])->toContain(-120.0)->toContain(140.0);
});

it('lets level legs fall by what upright ones get shorter', function (): void {
    $fall = new Fall(new Vector(0.0, 0.0, 1.0), 0.01);
    $line = cornersAt([0, 0, 300], [500, 0, 300], [500, 0, 0], [500, 300, 0]);
    $fallen = $fall->of($line, $line->vertices[3]);
    $z = array_map(static fn (Vector $one): float => $one->z, $fallen->vertices ?? []);

    // 5 along the first leg and 3 along the last; the upright one is 292 long. A ten-thousandth more than asked for.
    expect($z[0])->toBe(300.0)->and($z[1])->toEqualWithDelta(295.0, 1e-3)->and($z[2])->toEqualWithDelta(3.0, 1e-3)
        ->and($z[3])->toEqualWithDelta(0.0, 1e-9);
});

it('shares a little height among level legs, with no more at the ends than ports take', function (
    float $height, array $expected,
): void {
    $fall = new Fall(new Vector(0.0, 0.0, 1.0), 0.005);
    $line = cornersAt([0, 0, $height], [200, 0, $height], [200, 600, $height], [400, 600, $height]);
    $fallen = $fall->of($line, new Vector(400.0, 600.0, 0.0));

    expect($fallen === null ? [] : array_map(
        static fn (Vector $one): float => round($one->z, 3), $fallen->vertices,
    ))->toBe($expected);
})->with([
    // 5 over 1000: everywhere the same.
    'evenly' => [5.0, [5.0, 4.0, 1.0, 0.0]],
    // At the ends 8.55 a metre over 200: 1.71 each.
    'more in the middle' => [20.0, [20.0, 18.29, 1.71, 0.0]],
    'too little' => [4.0, []],
]);

it('does not fall up', function (): void {
    $fall = new Fall(new Vector(0.0, 0.0, 1.0), 0.01);
    $line = cornersAt([0, 0, 300], [200, 0, 300], [200, 0, 400], [500, 0, 400], [500, 0, 0]);

    expect($fall->of($line, $line->vertices[4]))->toBeNull();
});
