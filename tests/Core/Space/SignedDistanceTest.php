<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Space\SignedDistance;
use Tests\Triangles;

function surface(string $packed): SignedDistance
{
    return SignedDistance::of($packed, new Vector(-1e4, -1e4, -1e4), new Vector(1e4, 1e4, 1e4));
}

it('is as far off as the box it is made of, within and without, and pushes out the same way', function (
    int $pieces,
): void {
    [$a, $b, $c] = [150.0, 300.0, 100.0];
    $box = surface(Triangles::box([2 * $a, 2 * $b, 2 * $c], $pieces));
    mt_srand(17);
    for ($i = 0; $i < 400; $i++) {
        [$x, $y, $z] = [mt_rand(-2600, 2600) / 10, mt_rand(-4200, 4200) / 10, mt_rand(-2100, 2100) / 10];
        [$dx, $dy, $dz] = [abs($x) - $a, abs($y) - $b, abs($z) - $c];
        $outside = hypot(hypot(max($dx, 0.0), max($dy, 0.0)), max($dz, 0.0));
        $distance = $outside > 0.0 ? $outside : max($dx, $dy, $dz);
        $found = $box->outside($x, $y, $z, 1000.0);
        expect($found[0])->toEqualWithDelta($distance, 1e-4);
        // Gone that far along the way out, it is on the surface.
        [$x, $y, $z] = [$x - $found[0] * $found[1], $y - $found[0] * $found[2], $z - $found[0] * $found[3]];
        expect(max(abs($x) - $a, abs($y) - $b, abs($z) - $c))->toEqualWithDelta(0.0, 1e-3);
    }
})->with([1, 9]);

it('is as round as its ball, though it has been turned inside out', function (): void {
    // A ball of 80 in facets of 7.5° is flat by 80·(1 − cos² 3.75°) = 0.34 at most.
    foreach ([false, true] as $turned) {
        $ball = surface(Triangles::ball(80.0, 48, $turned));
        mt_srand(23);
        for ($i = 0; $i < 200; $i++) {
            $way = (new Vector(mt_rand(-99, 99), mt_rand(-99, 99), mt_rand(-99, 100)))->unit();
            $far = mt_rand(5, 160);
            expect($ball->outside(...[...$way->times($far)->toArray(), 500.0])[0])->toEqualWithDelta($far - 80.0, 0.35);
        }
    }
});

it('is outside on both sides of a sheet, and of one that has been written twice', function (): void {
    $up = [[0, 0, 0], [100, 0, 0], [0, 100, 0]];
    foreach ([[$up], [$up, array_reverse($up)]] as $triangles) {
        $sheet = surface(Triangles::pack($triangles));
        expect($sheet->outside(20, 20, 7, 50.0))->toEqualWithDelta([7, 0, 0, 1], 1e-9)
            ->and($sheet->outside(20, 20, -7, 50.0))->toEqualWithDelta([7, 0, 0, -1], 1e-9)
            // Over the long edge, 10√2 beyond it.
            ->and($sheet->outside(60, 60, 0, 50.0))->toEqualWithDelta([10 * M_SQRT2, M_SQRT1_2, M_SQRT1_2, 0], 1e-9);
    }
});

it('does not say how far off what is farther than asked for', function (): void {
    $box = surface(Triangles::box([100, 100, 100], 1));
    expect($box->outside(0, 0, 400, 20.0)[0])
        ->toBe(INF)
        ->and($box->outside(0, 0, 60, 20.0)[0])
        ->toEqualWithDelta(10.0, 1e-9)
        ->and($box->outside(0, 0, 10, 1.0)[0])->toEqualWithDelta(-40.0, 1e-9)
        ->and(surface('')->outside(0, 0, 0, 1e9)[0])->toBe(INF);
});
