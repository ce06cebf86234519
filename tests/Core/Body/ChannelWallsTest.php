<?php

declare(strict_types=1);

use Bowline\Exchange\JobBodies;
use Bowline\Job;
use Tests\Blocks;

/*
 * The material round channels of 8 in a block of 200 × 100 × 60, against the distances between lines, arcs and planes.
 */
it('is what is left to every face, less the radius', function (): void {
    $walls = Blocks::walls(Blocks::file([Blocks::through([70, 20, -30], [], [70, 20, 30])]));

    expect(array_map(static fn ($wall): float => $wall->thickness, $walls))->toEqualWithDelta([
        'the −y face' => 66.0, 'the +x face' => 26.0, 'the +y face' => 26.0, 'the −x face' => 166.0,
    ], 1e-9);
});

it('is the distance of skew lines, less both radii', function (array $one, array $other, float $distance): void {
    $walls = Blocks::walls(Blocks::file([Blocks::through(...$one), Blocks::through(...$other)]));

    expect($walls['Channel 2']->thickness)->toEqualWithDelta($distance - 8.0, 1e-9);
})->with([
    // Square to each other: the distance of their planes.
    'square' => [[[-100, 0, 12], [], [100, 0, 12]], [[7, -50, -5], [], [7, 50, -5]], 17.0],
    'parallel' => [[[-100, 3, 12], [], [100, 3, 12]], [[-100, 0, -4], [], [100, 0, -4]], hypot(3, 16)],
    // Along (4, 0, 3)/5 and y, through the origin and (12, 0, 0): |(12, 0, 0) · (−3, 0, 4)/5| = 7.2.
    'leaning' => [[[-40, 0, -30], [], [40, 0, 30]], [[12, -50, 0], [], [12, 50, 0]], 36 / 5],
    // The second ends in the block, at (0, 20, 0), with 5 that it cuts beyond: 15 from the first.
    'beyond the end of one' => [[[0, 0, -30], [], [0, 0, 30]], [[0, 50, 0], [], [0, 20, 0]], 15.0],
]);

it('is the distance of a line from an arc, less both radii', function (float $y, float $distance): void {
    // A bend of R 20 about (−20, 0, 20) from (−20, 0, 0) to (0, 0, 20).
    $walls = Blocks::walls(Blocks::file([
        Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]),
        Blocks::through([0, $y === 0.0 ? 50 : $y, -30], [], $y === 0.0 ? [0, 20, -30] : [0, $y, 30]),
    ]));

    expect($walls['Channel 2']->thickness)->toEqualWithDelta($distance - 8.0, 1e-9);
})->with([
    // Beside its second leg, which lies along the line.
    'beside the leg' => [14.0, 14.0],
]);

it('is nearest on the outside of a bend', function (): void {
    // A line along y through (5, y, −5): 25√2 − 20 outside of the arc about (−20, 20) in x and z.
    $walls = Blocks::walls(Blocks::file([
        Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]), Blocks::through([5, -50, -5], [], [5, 50, -5]),
    ]));
    $place = $walls['Channel 2']->at;

    expect($walls['Channel 2']->thickness)->toEqualWithDelta(25 * M_SQRT2 - 20 - 8, 1e-9)
        ->and($place->x)->toEqualWithDelta(-20 + 20 / M_SQRT2, 1e-5)
        ->and($place->z)->toEqualWithDelta(20 - 20 / M_SQRT2, 1e-5)
        ->and($walls['Channel 2']->away->x)->toEqualWithDelta(-1 / M_SQRT2, 1e-6);
});

it('is nearest to a face where a bend is, and does not count the face that a channel comes out of', function (): void {
    $walls = Blocks::walls(Blocks::file([
        Blocks::through([-100, 0, -20], [[-50, 0, -20], [-50, 0, 20], [50, 0, 20]], [50, 0, -30]),
    ]));

    // 30 − 20 − 4 over the level leg. It leaves −x and turns along it: at 45° of a bend of R 20 that begins 30 from it,
    // its section reaches 4 · sin 45° towards it.
    expect($walls['the +z face']->thickness)->toEqualWithDelta(6.0, 1e-9)
        ->and($walls['the −x face']->thickness)->toEqualWithDelta(30 + 16 * M_SQRT1_2, 0.2)
        // It comes out of −z too; before that it goes level, 6 over it.
        ->and($walls['the −z face']->thickness)->toEqualWithDelta(6.0, 1e-9);
});

it('is what is left of a cylinder at its side', function (): void {
    $body = ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60];
    $walls = Blocks::walls(Blocks::file([Blocks::through([9, 12, -30], [], [9, 12, 30])], $body));

    // 15 from the axis; looked at every 5° round the section.
    expect($walls['the round side']->thickness)->toEqualWithDelta(25.0 - 15.0 - 4.0, 4 * (1 - cos(M_PI / 72)) * 2);
});

it('is that of the section itself where that is not round', function (
    array $section,
    array $channels,
    string $words,
    float $wall,
    array $body = [],
): void {
    $walls = Blocks::walls(Blocks::file($channels, $body, [], $section));

    expect($walls[$words]->thickness)->toEqualWithDelta($wall, 1e-6);
})->with(function (): array {
    $square = ['shape' => 'rectangle', 'width' => 8, 'height' => 8, 'wall' => 1];
    $flat = ['shape' => 'rectangle', 'width' => 12, 'height' => 4, 'wall' => 1];
    $upright = static fn (float $x, float $y, array $more = []): array => [
        ...Blocks::through([$x, $y, -30], [], [$x, $y, 30]), ...$more,
    ];
    $level = static fn (float $y, float $z): array => Blocks::through([-100, $y, $z], [], [100, $y, $z]);

    return [
        'a square to a face' => [$square, [$upright(70, 20)], 'the +x face', 26.0],
        'turned on its corner' => [
            $square, [$upright(70, 20, ['section_turn' => 45])], 'the +x face', 30 - 4 * M_SQRT2,
        ],
        // Level, 12 wide and 4 high: 8 from one to the other beside it, 16 above it.
        'beside each other' => [$flat, [$level(0, 0), $level(20, 0)], 'Channel 2', 8.0],
        'above each other' => [$flat, [$level(0, 0), $level(0, 20)], 'Channel 2', 16.0],
        // From corner to corner.
        'askew' => [$flat, [$level(0, 0), $level(15, 8)], 'Channel 2', 5.0],
        // 6 to the side of the one and 2 above the path of the other, that goes 25 above it.
        'across each other' => [
            $flat, [$level(0, 0), Blocks::through([7, -50, 25], [], [7, 50, 25])], 'Channel 2', 21.0,
        ],
        // The far corner is hypot(13, 16) from the axis.
        'to the side of a cylinder' => [
            $square, [$upright(9, 12)], 'the round side', 25 - hypot(13, 16),
            ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60],
        ],
        // Round corners of 2: 2 more from the corner of a square of 4 about the axis to the round one.
        'with round corners' => [
            [...$square, 'corner_radius' => 2], [$upright(9, 12)], 'the round side', 25 - hypot(11, 14) - 2,
            ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60],
        ],
        // Round a bend of R 20 about (−20, 20) in x and z, 2 outside of it, to the corner (−1, −3) of one across.
        'round a bend' => [
            $flat, [
                Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]), Blocks::through([5, -50, -5], [], [5, 50, -5]),
            ], 'Channel 2', hypot(19, 23) - 22.0,
        ],
        // The bend among the others: a square across it, whose near corner is (1, −1).
        'to a bend' => [
            $square, [
                Blocks::through([5, -50, -5], [], [5, 50, -5]), Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]),
            ], 'Channel 2', hypot(21, 21) - 24.0,
        ],
    ];
});

it('weighs places round a section that is not round by their share of its girth', function (): void {
    $file = Blocks::file([[]], [], [], ['shape' => 'rectangle', 'width' => 12, 'height' => 4, 'wall' => 1]);
    $walls = JobBodies::walls(Job::read($file), 'block', 0.1);

    // 60 long; the nearest faces are those of y, 50 from the middle.
    expect(array_sum(array_column($walls->histogram(), 'area')))->toEqualWithDelta(2 * (12 + 4) * 60, 1e-6)
        ->and($walls->least()[1])->toBeGreaterThan(43.9)->toBeLessThan(48.1);
});

it('is told of a block with its least and greatest place', function (): void {
    $job = Job::read(Blocks::file([[], Blocks::through([30, 0, -30], [], [30, 0, 30])]));
    $walls = JobBodies::walls($job, 'block', 0.1);
    [$at, $least] = $walls->least();

    // Between both there are 30 − 8; beyond them 46 to the sides.
    expect($least)->toEqualWithDelta(22.0, 0.1)
        ->and($at->x)->toBeGreaterThan(3.9)->toBeLessThan(26.1)
        // Behind one of them as seen from the other.
        ->and($walls->most()[1])->toEqualWithDelta(30.0, 0.1)
        ->and(array_sum(array_column($walls->histogram(), 'area')))->toEqualWithDelta(2 * 8 * M_PI * 60, 1e-6);
});
