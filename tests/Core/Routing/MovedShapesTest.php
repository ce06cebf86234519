<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Routing\MovedShape;
use Bowline\Routing\MovedShapes;

/**
 * A shape of three points, whose middle one is at a height; it runs along x, and gets longer by its height.
 *
 * @param  array<string, float>  $heights  of the middle point by position
 * @param  list<string>  $jumps  positions behind which it jumps to another shape
 */
function movedThrough(array $heights, array $jumps = []): MovedShapes
{
    $shapes = array_map(static fn (string $part, float $height): MovedShape => new MovedShape(
        (float) $part,
        [Vector::zero(), new Vector(100.0, 0.0, $height), new Vector(200.0, 0.0, 0.0)],
        [new Vector(1.0, 0.0, 0.0), (new Vector(1.0, 0.0, $height / 100))->unit(), new Vector(1.0, 0.0, 0.0)],
        200.0 + $height,
        500.0 - $height,
        in_array($part, $jumps, true),
    ), array_map(strval(...), array_keys($heights)), array_values($heights));

    return new MovedShapes($shapes === [] ? throw new LogicException : $shapes);
}

/** @return array<string, float> a function of the position at each of some positions */
function heights(Closure $of, float ...$parts): array
{
    return array_combine(array_map(strval(...), $parts), array_map($of, $parts));
}

$cubic = static fn (float $part): float => 40 * $part ** 3 - 25 * $part ** 2 + 30 * $part - 7;

it('goes through any cubic course exactly, from four positions', function (
    array $parts, float $part,
) use ($cubic): void {
    $curve = movedThrough(heights($cubic, ...$parts))->at($part);
    expect($curve->points[1]->z)->toEqualWithDelta($cubic($part), 1e-12)
        ->and($curve->points[1]->x)->toEqualWithDelta(100, 1e-12)
        ->and($curve->length())->toEqualWithDelta(200 + $cubic($part), 1e-12)
        ->and($curve->along)->toEqualWithDelta([0, 100 + $cubic($part) / 2, 200 + $cubic($part)], 1e-12);
})->with([
    'at the first' => [[0.0, 0.3, 0.5, 1.0], 0.0],
    'behind the first' => [[0.0, 0.3, 0.5, 1.0], 0.1],
    'between the middle ones' => [[0.0, 0.3, 0.5, 1.0], 0.41],
    'at one' => [[0.0, 0.3, 0.5, 1.0], 0.5],
    'before the last' => [[0.0, 0.3, 0.5, 1.0], 0.93],
    'at the last' => [[0.0, 0.3, 0.5, 1.0], 1.0],
    'of more positions' => [[0.0, 0.1, 0.2, 0.55, 0.6, 0.8, 1.0], 0.58],
]);

it('goes through the two positions on either side, or as many as are near an end', function (
    float $part, array $through,
): void {
    // Only one position is not on the ground: its weight is the product of Lagrange's formula over the other three.
    $parts = [0.0, 0.1, 0.3, 0.4, 0.6, 0.9, 1.0];
    foreach ($parts as $raised) {
        $expected = in_array($raised, $through, true) ? 10.0 : 0.0;
        foreach ($expected === 0.0 ? [] : array_diff($through, [$raised]) as $other) {
            $expected *= ($part - $other) / ($raised - $other);
        }
        $shapes = movedThrough(heights(static fn (float $one): float => $one === $raised ? 10.0 : 0.0, ...$parts));
        expect($shapes->at($part)->points[1]->z)->toEqualWithDelta($expected, 1e-12, "$raised");
    }
})->with([
    'at the beginning' => [0.05, [0.0, 0.1, 0.3, 0.4]],
    'in the second interval' => [0.2, [0.0, 0.1, 0.3, 0.4]],
    'in the middle' => [0.35, [0.1, 0.3, 0.4, 0.6]],
    'behind the middle' => [0.5, [0.3, 0.4, 0.6, 0.9]],
    'in the last but one' => [0.7, [0.4, 0.6, 0.9, 1.0]],
    'at the end' => [0.97, [0.4, 0.6, 0.9, 1.0]],
]);

it('goes through three, two or one where there are no more', function (array $parts, Closure $of, float $part): void {
    expect(movedThrough(heights($of, ...$parts))->at($part)->points[1]->z)->toEqualWithDelta($of($part), 1e-12);
})->with([
    'a parabola' => [[0.0, 0.4, 1.0], fn (float $part): float => 7 * $part ** 2 - $part + 3, 0.7],
    'a straight' => [[0.2, 0.6], fn (float $part): float => 7 * $part - 2, 0.5],
    'one place' => [[0.5], fn (float $part): float => 9.0, 0.7],
]);

it('stays where it last reaches', function () use ($cubic): void {
    $shapes = movedThrough(heights($cubic, 0.2, 0.4, 0.6, 0.8));
    expect($shapes->at(0.0)->points[1]->z)->toEqualWithDelta($cubic(0.2), 1e-12)
        ->and($shapes->at(1.0)->points[1]->z)->toEqualWithDelta($cubic(0.8), 1e-12);
});

it('does not go through what lies beyond a jump', function (float $part, float $height): void {
    // 10·part up to 0.4, where it jumps to 50 + 20·part.
    $of = static fn (float $part): float => $part <= 0.4 ? 10 * $part : 50 + 20 * $part;
    $shapes = movedThrough(heights($of, 0.0, 0.2, 0.4, 0.5, 0.7, 1.0), ['0.4']);
    expect($shapes->at($part)->points[1]->z)->toEqualWithDelta($height, 1e-12);
})->with([
    'well before it' => [0.1, 1.0],
    'just before it' => [0.39, 3.9],
    'on it, nearer to the one' => [0.44, 4.0],
    'on it, nearer to the other' => [0.46, 60.0],
    'just behind it' => [0.51, 60.2],
    'well behind it' => [0.9, 68.0],
]);

it('bends as tightly as the tightest that it goes through', function () use ($cubic): void {
    $curve = movedThrough(heights($cubic, 0.0, 0.1, 0.3, 0.4, 0.6, 0.9, 1.0))->at(0.5);
    // 500 less the greatest height of those at 0.3 to 0.9.
    expect($curve->least)->toEqualWithDelta(500 - $cubic(0.9), 1e-12)
        ->and($curve->curvature)->toEqualWithDelta(array_fill(0, 3, 1 / (500 - $cubic(0.9))), 1e-15);
    foreach ($curve->directions as $direction) {
        expect($direction->length())->toEqualWithDelta(1, 1e-12);
    }
});

it('is straight where all that it goes through are', function (): void {
    $straight = static fn (float $part): MovedShape => new MovedShape(
        $part, [Vector::zero(), new Vector(100.0, 0.0, 0.0)], array_fill(0, 2, new Vector(1.0, 0.0, 0.0)),
        100.0, INF, false,
    );
    expect((new MovedShapes([$straight(0.0), $straight(1.0)]))->at(0.5)->curvature)->toBe([0.0, 0.0]);
});
