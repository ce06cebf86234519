<?php

declare(strict_types=1);

use Bowline\Geometry\Arc;
use Bowline\Geometry\GreatestDistance;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Pose;
use Bowline\Geometry\RigidFit;
use Bowline\Geometry\Vector;

const FITTED_CORNERS = [[0.0, 0.0, 0.0], [100.0, 0.0, 0.0], [0.0, 70.0, 0.0], [0.0, 0.0, 40.0]];

/** @return non-empty-list<Vector> */
function fittedCorners(): array
{
    return array_map(static fn (array $at): Vector => new Vector(...$at), FITTED_CORNERS);
}

it('finds the turn and the shift by which points were moved', function (array $about, float $degrees): void {
    $pose = Pose::turned(new Vector(-7.0, 31.0, 12.0), (new Vector(...$about))->unit(), deg2rad($degrees));
    $points = fittedCorners();
    $moved = array_map($pose->point(...), $points);
    $fit = RigidFit::of($points, $moved);

    expect($fit->worst($points, $moved))->toBeLessThan(1e-10)
        ->and($fit->direction(new Vector(0, 0, 1))->distanceTo($pose->direction(new Vector(0, 0, 1))))
        ->toBeLessThan(1e-12);
})->with([
    'not at all' => [[0, 0, 1], 0.0],
    'by a quarter' => [[0, 0, 1], 90.0],
    'by a half' => [[1, 0, 0], 180.0],
    'askew' => [[1, -2, 3], 123.4],
    'a little' => [[3, 1, -1], 0.001],
]);

it('never takes a mirror image: the corners of a tetrahedron and its mirror image stay apart', function (): void {
    $mirrored = array_map(static fn (Vector $at): Vector => new Vector(-$at->x, $at->y, $at->z), fittedCorners());

    expect(RigidFit::of(fittedCorners(), $mirrored)->worst(fittedCorners(), $mirrored))->toBeGreaterThan(10.0);
});

it('is better than any turn or shift beside it, for points that do not fit', function (): void {
    mt_srand(5);
    $off = static fn (): float => mt_rand(-1000, 1000) / 500;
    $points = fittedCorners();
    $onto = array_map(
        static fn (Vector $at): Vector => new Vector($at->x + $off(), $at->y + $off(), $at->z + $off()), $points,
    );
    $sum = static fn (callable $move): float => array_sum(array_map(
        static fn (Vector $at, Vector $other): float => $move($at)->distanceTo($other) ** 2, $points, $onto,
    ));
    $fit = RigidFit::of($points, $onto);
    $best = $sum($fit->point(...));
    foreach (Vector::axes() as $axis) {
        foreach ([-0.01, 0.01] as $by) {
            $turn = Pose::turned(Vector::zero(), $axis, $by);
            expect($sum(static fn (Vector $at): Vector => $turn->point($fit->point($at))))->toBeGreaterThan($best)
                ->and($sum(static fn (Vector $at): Vector => $fit->point($at)->plus($axis->times($by))))
                ->toBeGreaterThan($best);
        }
    }
});

it('tells the greatest distance of two paths', function (Path $one, Path $other, float $distance): void {
    $found = GreatestDistance::between($one, $other);
    $back = GreatestDistance::between($other, $one);

    expect($found->distance)->toEqualWithDelta($distance, 1e-4)->and($back->distance)->toEqualWithDelta($distance, 1e-4)
        ->and(max(
            $found->at->distanceTo($one->pointAt($one->closestTo($found->at))),
            $found->at->distanceTo($other->pointAt($other->closestTo($found->at))),
        ))->toEqualWithDelta($distance, 1e-4);
})->with(static function (): array {
    $line = static fn (array $from, array $to): Path => new Path([new Line(new Vector(...$from), new Vector(...$to))]);
    $arc = new Path([new Arc(
        new Vector(0, 0, 0), new Vector(0, 200, 0), new Vector(0, 100, 0), new Vector(0, 0, 1), 100.0, M_PI,
    )]);

    return [
        'side by side' => [$line([0, 0, 0], [100, 0, 0]), $line([0, 7, 0], [100, 7, 0]), 7.0],
        'one shorter' => [$line([0, 0, 0], [100, 0, 0]), $line([0, 0, 0], [60, 0, 0]), 40.0],
        'along itself' => [$line([0, 0, 0], [100, 0, 0]), $line([12, 0, 0], [112, 0, 0]), 12.0],
        // A straight 100 long turned by 30° about its start: 100·sin 30°.
        'turned' => [
            $line([0, 0, 0], [100, 0, 0]), $line([0, 0, 0], [100 * cos(M_PI / 6), 50, 0]), 50.0,
        ],
        // A half circle of R 100 over the straight between its ends: its top is 100 off.
        'an arc over its chord' => [$arc, $line([0, 0, 0], [0, 200, 0]), 100.0],
    ];
});
