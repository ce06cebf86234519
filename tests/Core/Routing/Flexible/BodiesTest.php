<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Surrounding;
use Bowline\Job\Values;
use Bowline\Routing\Flexible\Bodies;
use Tests\Jobs;

/*
 * The nearest of what a run may lie on, against the distance to each box by the formula of a box.
 */

/**
 * Boxes at random, turned about the z axis.
 *
 * @return array{Bodies, list<array{id: string, at: list<float>, size: list<float>, turn: float}>}
 */
function boxesAtRandom(int $seed): array
{
    mt_srand($seed);
    $boxes = [];
    foreach (range(1, 6) as $number) {
        $boxes[] = [
            'id' => "b$number", 'at' => [300 * Jobs::random(), 300 * Jobs::random(), 300 * Jobs::random()],
            'size' => [mt_rand(20, 200), mt_rand(20, 200), mt_rand(20, 200)], 'turn' => 180 * Jobs::random(),
        ];
    }

    $read = array_map(static fn (array $box): Surrounding => Surrounding::read(new Node(Jobs::object([
        'id' => $box['id'], 'shape' => 'box', 'size' => $box['size'],
        'pose' => ['turn' => ['about' => [0, 0, 1], 'by' => $box['turn']], 'at' => $box['at']],
    ])), Values::read(null)), $boxes);

    return [new Bodies(array_combine(array_column($boxes, 'id'), $read)), $boxes];
}

/** @param  array{id: string, at: list<float>, size: list<float>, turn: float}  $box */
function outsideBox(Vector $point, array $box): float
{
    [$x, $y, $z] = $point->minus(new Vector(...$box['at']))->toArray();
    [$cos, $sin] = [cos(deg2rad($box['turn'])), sin(deg2rad($box['turn']))];
    $over = array_map(
        static fn (float $along, float $size): float => abs($along) - $size / 2,
        [$cos * $x + $sin * $y, $cos * $y - $sin * $x, $z], $box['size'],
    );

    return max($over) <= 0.0
        ? max($over)
        : sqrt(array_sum(array_map(static fn (float $one): float => max(0.0, $one) ** 2, $over)));
}

it('finds the nearest of them within reach, how far off and which way', function (int $seed): void {
    [$bodies, $boxes] = boxesAtRandom($seed);
    foreach (range(1, 60) as $_) {
        $point = new Vector(400 * Jobs::random(), 400 * Jobs::random(), 400 * Jobs::random());
        $within = mt_rand(0, 250);
        $distances = array_combine(
            array_column($boxes, 'id'), array_map(static fn (array $box): float => outsideBox($point, $box), $boxes),
        );
        asort($distances);
        $least = reset($distances);
        $found = $bodies->nearest($point->x, $point->y, $point->z, $within);
        if ($least > $within) {
            expect($found)->toBeNull();

            continue;
        }
        [$distance, $x, $y, $z, $id] = $found ?? [NAN, 0.0, 0.0, 0.0, ''];
        expect($distance)->toEqualWithDelta($least, 1e-9)->and($id)->toBe(array_key_first($distances));
        // The normal is of length 1, and leads to the surface.
        $box = $boxes[(int) array_search($id, array_column($boxes, 'id'), true)];
        $normal = new Vector($x, $y, $z);
        expect($normal->length())->toEqualWithDelta(1.0, 1e-9)
            ->and(outsideBox($point->minus($normal->times($distance)), $box))->toEqualWithDelta(0.0, 1e-6);
    }
})->with(range(1, 12));

it('keeps all that a line can touch between its ends, and not all', function (): void {
    [$from, $to] = [new Vector(-100, 0, 0), new Vector(100, 50, 0)];
    $length = 300.0;
    $touched = $left = 0;
    foreach (range(1, 12) as $seed) {
        [$bodies] = boxesAtRandom($seed);
        $near = $bodies->near([[$from, $to]], $length);
        $left += $bodies->count() - $near->count();
        foreach (range(1, 2000) as $_) {
            // What a line of that length reaches is an ellipsoid about its ends.
            $point = new Vector(200 * Jobs::random(), 200 * Jobs::random(), 200 * Jobs::random());
            if ($point->distanceTo($from) + $point->distanceTo($to) <= $length) {
                $all = $bodies->nearest($point->x, $point->y, $point->z, 0.0);
                expect($near->nearest($point->x, $point->y, $point->z, 0.0)[4] ?? null)->toBe($all[4] ?? null);
                $touched += $all === null ? 0 : 1;
            }
        }
    }
    // Enough points are in a box, and boxes are left out, for this to say something.
    expect($touched)->toBeGreaterThan(20)->and($left)->toBeGreaterThan(12);
});

it('is told by its name, and by how many there are', function (): void {
    $floor = Surrounding::read(new Node(Jobs::object([
        'id' => 'floor', 'name' => 'Engine bed', 'shape' => 'box', 'size' => [10, 10, 10],
        'pose' => ['at' => [0, 0, 0]],
    ])), Values::read(null));
    $bodies = new Bodies(['floor' => $floor]);
    expect($bodies->name('floor'))->toBe('Engine bed')->and($bodies->name('other'))->toBe('other')
        ->and([$bodies->count(), $bodies->countMeshes(), $bodies->isEmpty()])->toBe([1, 0, false])
        ->and($bodies->unknown())->toBe([])
        ->and((new Bodies([]))->isEmpty())->toBeTrue()
        ->and($bodies->near([], 100.0)->isEmpty())->toBeTrue();
});
