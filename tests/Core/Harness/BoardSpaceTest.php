<?php

declare(strict_types=1);

use Bowline\Harness\BoardSegment;
use Bowline\Harness\BoardSpace;

/*
 * Room on the board: a trunk of 1000 along x, 10 thick, from the origin.
 */
$space = static function (): BoardSpace {
    $space = new BoardSpace;
    $space->segments[] = new BoardSegment('t1', 0.0, 1000.0, [0.0, 0.0], [1000.0, 0.0], 10.0);

    return $space;
};

it('finds what is in the way of a straight', function (
    float $x,
    float $y,
    float $degrees,
    float $length,
    bool $isFree,
) use ($space): void {
    expect($space()->inWay([$x, $y], deg2rad($degrees), $length, 6.0) === null)->toBe($isFree);
})->with([
    'across it' => [500.0, 100.0, -90.0, 300.0, false],
    // 18 for hands, and half of both: 18 + 5 + 3 = 26.
    'beside it, too near' => [100.0, 25.9, 0.0, 300.0, false],
    'beside it, far enough' => [100.0, 26.1, 0.0, 300.0, true],
    'ahead of its end, too near' => [1025.0, 0.0, 0.0, 100.0, false],
    'ahead of its end' => [1027.0, 0.0, 0.0, 100.0, true],
    'from its end, on along it' => [1000.0, 0.0, 0.0, 500.0, true],
    'from its end, back over it' => [1000.0, 0.0, 180.0, 100.0, false],
    // A quarter of a radian is 14.3°.
    'from its end, at too small an angle' => [1000.0, 0.0, 166.0, 100.0, false],
    'from its end, at an angle that is enough' => [1000.0, 0.0, 165.0, 100.0, true],
]);

it('knows what goes on from a place', function (float $x, float $y, float $degrees, bool $goesOn) use ($space): void {
    expect($space()->goesOn([$x, $y], deg2rad($degrees)))->toBe($goesOn);
})->with([
    [0.0, 0.0, 0.0, true], [0.0, 0.0, 180.0, false], [1000.0, 0.0, 180.0, true], [1000.0, 0.0, 0.0, false],
    [0.0, 0.0, 90.0, false], [500.0, 0.0, 0.0, false],
]);

it('is as large as what lies in it, with the origin', function () use ($space): void {
    $whole = $space();
    $whole->segments[] = new BoardSegment('t2', 0.0, 50.0, [200.0, 0.0], [200.0, -50.0], 4.0);

    expect($whole->extent())->toBe([[0.0, -50.0], [1000.0, 0.0]])
        ->and((new BoardSpace)->extent())->toBe([[0.0, 0.0], [0.0, 0.0]]);
});

it('tells angles between −π and π', function (float $degrees, float $expected): void {
    expect(rad2deg(BoardSpace::turn(deg2rad($degrees))))->toEqualWithDelta($expected, 1e-9);
})->with([[0.0, 0.0], [190.0, -170.0], [-190.0, 170.0], [720.0, 0.0], [270.0, -90.0]]);
