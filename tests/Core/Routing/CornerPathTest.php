<?php

declare(strict_types=1);

use Bowline\Routing\Bend;
use Bowline\Routing\Leg;
use Tests\Jobs;

/** A run from (0, 0, 50) up to 250, along +x to 300, towards one side to 400, and on along a last direction. */
function throughSpace(int $side, array $last): stdClass
{
    return Jobs::file([
        ['at' => [0, 0, 250]], ['at' => [300, 0, 250]], ['at' => [300, 400 * $side, 250]],
    ], ['at' => [300 + 200 * $last[0], $side * 400 + 200 * $last[1], 250 + 200 * $last[2]]]);
}

it('turns the plane from bend to bend, right-handed about the travel', function (
    int $side, array $last, array $degrees,
): void {
    $laid = Jobs::laid(throughSpace($side, $last));
    expect(array_map(static fn (Bend $bend): float => rad2deg($bend->rotation), $laid->bends))
        ->toEqualWithDelta($degrees, 1e-9);
})->with([
    // From up to +x the normal is +y; from +x to +y it is +z: a right-handed quarter turn about +x. From +y to up it is
    // +x, and a quarter turn about +y takes +z to +x.
    'to the left, and up' => [1, [0, 0, 1], [0.0, 90.0, 90.0]],
    'to the right, and up' => [-1, [0, 0, 1], [0.0, -90.0, -90.0]],
    'to the left, and down' => [1, [0, 0, -1], [0.0, 90.0, -90.0]],
    'to the left, and on along +x' => [1, [1, 0, 0], [0.0, 90.0, 180.0]],
    'to the right, and on along +x' => [-1, [1, 0, 0], [0.0, -90.0, 180.0]],
    'to the left, and back' => [1, [-1, 0, 0], [0.0, 90.0, 0.0]],
]);

it('knows of each bend where it is and what lies ahead of it', function (): void {
    // R 30: tangents of 30, arcs of 47.12.
    $arc = 30 * M_PI_2;
    $bends = Jobs::laid(throughSpace(1, [0, 0, 1]))->bends;
    expect(array_column($bends, 'vertex'))->toBe([1, 2, 3])
        ->and(array_column($bends, 'straight'))->toEqualWithDelta([170.0, 240.0, 340.0], 1e-9)
        ->and(array_column($bends, 'start'))->toEqualWithDelta([170.0, 410.0 + $arc, 750.0 + 2 * $arc], 1e-9)
        ->and(array_map(static fn (Bend $bend): float => $bend->end(), $bends))
        ->toEqualWithDelta([170.0 + $arc, 410.0 + 2 * $arc, 750.0 + 3 * $arc], 1e-9)
        ->and(array_column($bends, 'tangent'))->toEqualWithDelta([30.0, 30.0, 30.0], 1e-9)
        ->and(array_column($bends, 'askedTangent'))->toEqualWithDelta([30.0, 30.0, 30.0], 1e-9)
        ->and(array_column($bends, 'radius'))->toEqualWithDelta([30.0, 30.0, 30.0], 1e-9)
        ->and(array_column($bends, 'askedRadius'))->toEqualWithDelta([30.0, 30.0, 30.0], 1e-9)
        ->and(array_map(static fn (Bend $bend): array => $bend->corner->toArray(), $bends))
        ->toEqualWithDelta([[0, 0, 250], [300, 0, 250], [300, 400, 250]], 1e-9)
        ->and(array_map(static fn (Bend $bend): array => $bend->in->toArray(), $bends))
        ->toEqualWithDelta([[0, 0, 1], [1, 0, 0], [0, 1, 0]], 1e-9)
        ->and(array_map(static fn (Bend $bend): array => $bend->out->toArray(), $bends))
        ->toEqualWithDelta([[1, 0, 0], [0, 1, 0], [0, 0, 1]], 1e-9)
        ->and(array_map(static fn (Bend $bend): array => $bend->normal->toArray(), $bends))
        ->toEqualWithDelta([[0, 1, 0], [0, 0, 1], [1, 0, 0]], 1e-9);
});

it('knows of each leg what it lies between', function (): void {
    $arc = 30 * M_PI_2;
    $legs = Jobs::laid(throughSpace(1, [0, 0, 1]))->legs;
    expect(array_column($legs, 'fromVertex'))->toBe([0, 1, 2, 3])
        ->and(array_column($legs, 'toVertex'))->toBe([1, 2, 3, 4])
        ->and(array_map(static fn (Leg $leg): ?int => $leg->bendBefore, $legs))->toBe([null, 0, 1, 2])
        ->and(array_map(static fn (Leg $leg): ?int => $leg->bendAfter, $legs))->toBe([0, 1, 2, null])
        ->and(array_column($legs, 'length'))->toEqualWithDelta([200.0, 300.0, 400.0, 200.0], 1e-9)
        ->and(array_column($legs, 'straight'))->toEqualWithDelta([170.0, 240.0, 340.0, 170.0], 1e-9)
        ->and(array_column($legs, 'start'))
        ->toEqualWithDelta([0.0, 170.0 + $arc, 410.0 + 2 * $arc, 750.0 + 3 * $arc], 1e-9)
        ->and(array_map(static fn (Leg $leg): array => $leg->middle->toArray(), $legs))
        ->toEqualWithDelta([[0, 0, 150], [150, 0, 250], [300, 200, 250], [300, 400, 350]], 1e-9)
        ->and(array_map(static fn (Leg $leg): array => $leg->direction->toArray(), $legs))
        ->toEqualWithDelta([[0, 0, 1], [1, 0, 0], [0, 1, 0], [0, 0, 1]], 1e-9);
});

it('is one straight between each two vertices that it goes straight on through', function (): void {
    // Up 200 with a stop at 100 and one at 190, which lies in the bend that begins at 170 over the pump.
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 150]], ['at' => [0, 0, 240]], ['at' => [0, 0, 250]], ['at' => [200, 0, 250]]],
        ['at' => [300, 0, 250]],
    ));
    expect(array_map(static fn ($segment): float => $segment->length(), $laid->path->segments))
        ->toEqualWithDelta([100.0, 70.0, 30 * M_PI_2, 170.0, 100.0], 1e-9)
        ->and($laid->legs)->toHaveCount(2)
        ->and([$laid->legs[0]->fromVertex, $laid->legs[0]->toVertex, $laid->legs[1]->toVertex])->toBe([0, 3, 5]);
});

it('finds the vertex that comes next behind a place on a straight', function (float $along, ?int $vertex): void {
    $laid = Jobs::laid(Jobs::file(
        [['at' => [0, 0, 150]], ['at' => [0, 0, 250]], ['at' => [200, 0, 250]]], ['at' => [300, 0, 250]],
    ));
    expect($laid->vertexBehind($along))->toBe($vertex);
})->with([
    'at its start' => [0.0, 1],
    'before a vertex that it goes straight on through' => [99.0, 1],
    'behind that' => [101.0, 2],
    'just before the bend' => [169.0, 2],
    'in the bend' => [190.0, null],
    'behind the bend' => [170.0 + 48.0, 3],
    'on the last piece' => [170.0 + 30 * M_PI_2 + 171.0, 4],
]);
