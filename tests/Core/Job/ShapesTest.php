<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Box;
use Bowline\Job\Shape\Cylinder;
use Bowline\Job\Shape\Panel;
use Bowline\Job\Shape\Shape;
use Bowline\Space\SignedDistance;
use Tests\Jobs;
use Tests\Triangles;

/** How far a place is from all of many places spread over the surface of a body. */
function nearestOf(array $places, Vector $at): float
{
    return min(array_map($at->distanceTo(...), $places));
}

/** @return list<Vector> of a cylinder of 100, 160 high, about 3 apart */
function overCylinder(): array
{
    $places = [];
    for ($i = 0; $i < 104; $i++) {
        $angle = 2 * M_PI * $i / 104;
        for ($z = -80.0; $z <= 80.0; $z += 3.2) {
            $places[] = new Vector(50 * cos($angle), 50 * sin($angle), $z);
        }
        for ($radius = 0.0; $radius < 50.0; $radius += 3.0) {
            array_push(
                $places,
                new Vector($radius * cos($angle), $radius * sin($angle), 80),
                new Vector($radius * cos($angle), $radius * sin($angle), -80),
            );
        }
    }

    return $places;
}

it('knows how far off a cylinder is, within and without', function (): void {
    $cylinder = new Cylinder(100, 160);
    $places = overCylinder();
    mt_srand(3);
    for ($i = 0; $i < 60; $i++) {
        $at = new Vector(90 * Jobs::random(), 90 * Jobs::random(), 130 * Jobs::random());
        $isWithin = hypot($at->x, $at->y) < 50 && abs($at->z) < 80;
        [$distance] = $cylinder->outside($at->x, $at->y, $at->z, INF);
        // Of places 3 apart the nearest is no farther than half of that off the true one.
        expect(abs($distance))->toEqualWithDelta(nearestOf($places, $at), 1.2)->and($distance < 0.0)->toBe($isWithin);
    }
});

it('leads out of every body by the shortest way', function (Shape $shape): void {
    mt_srand(8);
    for ($i = 0; $i < 200; $i++) {
        [$x, $y, $z] = [200 * Jobs::random(), 200 * Jobs::random(), 200 * Jobs::random()];
        [$distance, $nx, $ny, $nz] = $shape->outside($x, $y, $z, INF);
        expect(sqrt($nx ** 2 + $ny ** 2 + $nz ** 2))->toEqualWithDelta(1.0, 1e-9)
            ->and($shape->outside($x - $distance * $nx, $y - $distance * $ny, $z - $distance * $nz, INF)[0])
            ->toEqualWithDelta(0.0, 1e-9);
        // One step away from it is one step farther off, wherever it is.
        expect($shape->outside($x + 0.5 * $nx, $y + 0.5 * $ny, $z + 0.5 * $nz, INF)[0])->toEqualWithDelta(
            $distance + 0.5,
            1e-9,
        );
    }
})->with([
    'a box' => [new Box(new Vector(120, 80, 60))],
    'a cylinder' => [new Cylinder(100, 160)],
    'a panel' => [new Panel(150, 90, 3)],
]);

it('has faces to stand things on, by their names', function (): void {
    [$at, $normal] = (new Box(new Vector(120, 80, 60)))->face('-y') ?? [];
    expect($at->toArray())->toBe([0.0, -40.0, 0.0])->and($normal->toArray())->toBe([0.0, -1.0, 0.0]);
    [$at, $normal] = (new Panel(150, 90, 3))->face('back') ?? [];
    expect($at->toArray())->toEqual([0, 0, -3])->and($normal->toArray())->toEqual([0, 0, -1]);
    [$at] = (new Cylinder(100, 160))->face('+z') ?? [];
    expect($at->toArray())
        ->toEqual([0, 0, 80])
        ->and((new Cylinder(100, 160))->face('+x'))
        ->toBeNull()
        ->and((new Box(new Vector(1, 1, 1)))->face('front'))
        ->toBeNull();
});

it('reads a large mesh only about where it is asked, with the same answer there', function (): void {
    // 120,000 triangles of a box of 300 × 600 × 200; what is asked about is one corner of it.
    $packed = Triangles::box([300, 600, 200], 100);
    $whole = static fn (float $x, float $y, float $z): float => (new Box(new Vector(300, 600, 200)))->outside(
        $x,
        $y,
        $z,
        INF,
    )[0];
    $corner = SignedDistance::of($packed, new Vector(100, 250, 50), new Vector(200, 350, 150));
    expect($corner->isWhole())->toBeFalse()->and(strlen($packed) / 36)->toEqual(120000);
    foreach ([[155, 290, 95], [140, 280, 99], [149, 310, 60], [170, 320, 120]] as [$x, $y, $z]) {
        expect($corner->outside($x, $y, $z, 60.0)[0])->toEqualWithDelta($whole($x, $y, $z), 1e-4);
    }
});
