<?php

declare(strict_types=1);

use Bowline\Drawing\MeasuredThing;
use Bowline\Drawing\Measurement;
use Bowline\Geometry\Nearness;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Tests\Jobs;

/** Measures between two things on a tube of 12: 250 up from (0, 0, 50), 400 along x, 300 along y. */
function measured(array $from, array $to): Measurement
{
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 300]], ['at' => [400, 0, 300]]], ['at' => [400, 300, 300]]));
    $thing = static fn (array $said): MeasuredThing => MeasuredThing::read(
        new Node(Jobs::object($said)), Values::read(null), static fn () => $laid,
    );

    return Measurement::between($thing($from), $thing($to));
}

it('measures from point to point', function (): void {
    $found = measured(['at' => [1, 2, 3]], ['at' => [4, 6, 15]]);

    // 3-4-12-13.
    expect($found->way->toArray())->toEqualWithDelta([3, 4, 12], 1e-12)
        ->and($found->way->length())->toEqualWithDelta(13, 1e-12)
        ->and([$found->angle, $found->along, $found->least, $found->clear, $found->axes])
        ->toBe([null, null, null, null, null]);
});

it('measures between legs: angle, least distance, outside to outside, between axes', function (): void {
    // The upright leg and the one along y: skew axes 400 apart, nearest from (0, 0, 300) to (400, 0, 300).
    $found = measured(
        ['at' => [0, 0, 100], 'run' => 'run', 'leg' => 1], ['at' => [400, 200, 300], 'run' => 'run', 'leg' => 3],
    );
    expect(rad2deg($found->angle ?? 0.0))->toEqualWithDelta(90, 1e-9)
        ->and($found->least?->distance())->toEqualWithDelta(400, 1e-9)
        ->and($found->clear)->toEqualWithDelta(388, 1e-9)
        ->and($found->axes)->toEqualWithDelta(400, 1e-9)
        // 200 of the upright less 30, a bend of R 30, 340, another bend, and 170 of the last leg.
        ->and($found->along)->toEqualWithDelta(200 - 30 + 340 + 170 + 30 * M_PI, 1e-9);
});

it('measures a leg from a face and a point from a leg', function (): void {
    // A face at x = −50 looking along x, and the leg along x from 0: nearest at its beginning.
    $face = ['at' => [-50, 70, 0], 'normal' => [1, 0, 0]];
    $leg = ['at' => [100, 0, 300], 'run' => 'run', 'leg' => 2];
    expect(measured($face, $leg)->least?->distance())->toEqualWithDelta(50, 1e-9)
        ->and(rad2deg(measured($leg, $face)->angle ?? 0.0))->toEqualWithDelta(90, 1e-9);
    $upright = measured($face, ['at' => [0, 0, 100], 'run' => 'run', 'leg' => 1]);
    // Along the face all the way: 50 to its axis, 44 to its outside.
    expect($upright->clear)->toEqualWithDelta(44, 1e-9)->and($upright->angle)->toEqualWithDelta(0, 1e-9);
    // A leg that goes through a plane touches it.
    expect(measured(['at' => [200, 0, 0], 'normal' => [1, 0, 0]], $leg)->least?->distance())->toEqualWithDelta(0, 1e-9);
    // 30 over the leg along x, abeam of its middle.
    $point = measured(['at' => [200, 0, 330]], $leg);
    expect($point->least?->to->toArray())->toEqualWithDelta([200, 0, 300], 1e-9)
        ->and($point->clear)->toEqualWithDelta(24, 1e-9);
});

it('refuses a leg that is not there', function (): void {
    expect(fn () => measured(['at' => [0, 0, 0], 'run' => 'run', 'leg' => 9], ['at' => [0, 0, 0]]))
        ->toThrow('there is no such leg');
});

/*
 * The nearest places of two pieces, against the least over a fine grid of both: never farther, and nearer only by what
 * the grid leaves between.
 */
it('finds where two pieces come nearest', function (int $seed): void {
    mt_srand($seed);
    $random = static fn (): Vector => new Vector(100 * Jobs::random(), 100 * Jobs::random(), 100 * Jobs::random());
    [$a, $b, $c, $d] = [$random(), $random(), $random(), $random()];
    $found = Nearness::ofPieces($a, $b, $c, $d)->distance();
    $least = INF;
    for ($i = 0; $i <= 60; $i++) {
        for ($k = 0; $k <= 60; $k++) {
            $least = min($least, $a->plus($b->minus($a)->times($i / 60))
                ->distanceTo($c->plus($d->minus($c)->times($k / 60))));
        }
    }
    expect($found)->toBeLessThanOrEqual($least + 1e-9)->and($found)->toBeGreaterThan($least - 6.0);
})->with(range(1, 12));

it('knows parallel pieces and axes', function (): void {
    $x = new Vector(1, 0, 0);
    $at = static fn (float $x, float $y): Vector => new Vector($x, $y, 0);
    expect(Nearness::ofPieces($at(0, 0), $at(10, 0), $at(4, 3), $at(20, 3))->distance())->toEqualWithDelta(3, 1e-12)
        ->and(Nearness::ofPieces($at(0, 0), $at(10, 0), $at(13, 4), $at(20, 4))->distance())->toEqualWithDelta(5, 1e-12)
        ->and(Nearness::ofAxes($at(0, 0), $x, $at(90, 7), $x)->distance())->toEqualWithDelta(7, 1e-12)
        ->and(Nearness::ofAxes($at(0, 0), $x, new Vector(50, 80, 9), new Vector(0, 1, 0))->distance())
        ->toEqualWithDelta(9, 1e-12);
});
