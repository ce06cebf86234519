<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Space\DividedSurface;
use Bowline\Space\SignedDistance;
use Tests\Triangles;

/*
 * A surface in cubes is as far off as the whole of it, and on the same side.
 */

/** A torus about z: its circle of 200, and 60 round that. */
function torus(int $around, int $across, bool $isTurned = false): string
{
    $at = static function (int $i, int $j) use ($around, $across): array {
        [$u, $v] = [2 * M_PI * $i / $around, 2 * M_PI * $j / $across];
        $far = 200 + 60 * cos($v);

        return [$far * cos($u), $far * sin($u), 60 * sin($v)];
    };
    $triangles = [];
    for ($i = 0; $i < $around; $i++) {
        for ($j = 0; $j < $across; $j++) {
            [$a, $b, $c, $d] = [$at($i, $j), $at($i + 1, $j), $at($i + 1, $j + 1), $at($i, $j + 1)];
            array_push($triangles, ...$isTurned ? [[$a, $c, $b], [$a, $d, $c]] : [[$a, $b, $c], [$a, $c, $d]]);
        }
    }

    return Triangles::pack($triangles);
}

it('is as far off as all of its triangles, inside and outside', function (
    string $packed,
    float $wide,
    float $high,
): void {
    $corner = new Vector($wide, $wide, $high);
    $whole = SignedDistance::of($packed, $corner->times(-1.0), $corner);
    $divided = DividedSurface::of($packed, $corner->times(-1.0), $corner);
    mt_srand(5);
    $inside = 0;
    for ($i = 0; $i < 300; $i++) {
        $place = [
            mt_rand(-1400, 1400) / 1000 * $wide, mt_rand(-1400, 1400) / 1000 * $wide,
            mt_rand(-1400, 1400) / 1000 * $high,
        ];
        $there = $whole->outside(...[...$place, 1e4]);
        $found = $divided->outside(...[...$place, INF]);
        $inside += $there[0] < 0.0 ? 1 : 0;
        expect($found[0])->toEqualWithDelta($there[0], 1e-6);
        // Both lead to a place of the surface, though it may be another one that is as near.
        foreach ([1, 2, 3] as $k) {
            $place[$k - 1] -= $found[0] * $found[$k];
        }
        expect($whole->outside(...[...$place, 1e4])[0])->toEqualWithDelta(0.0, 1e-4);
    }
    expect($inside)->toBeGreaterThan(15);
})->with([
    'a box' => [Triangles::box([300, 300, 180], 24), 150.0, 90.0],
    'a ball' => [Triangles::ball(80.0, 64), 80.0, 80.0],
    'a torus' => [torus(120, 60), 260.0, 60.0],
    'one inside out' => [torus(90, 40, true), 260.0, 60.0],
]);

it('is off both sides of a sheet, and not told farther than asked', function (): void {
    $triangles = [];
    for ($i = 0; $i < 60; $i++) {
        for ($j = 0; $j < 60; $j++) {
            [$x, $y] = [10.0 * $i, 10.0 * $j];
            $triangles[] = [[$x, $y, 0.0], [$x + 10.0, $y, 0.0], [$x + 10.0, $y + 10.0, 0.0]];
            $triangles[] = [[$x, $y, 0.0], [$x + 10.0, $y + 10.0, 0.0], [$x, $y + 10.0, 0.0]];
        }
    }
    $sheet = DividedSurface::of(Triangles::pack($triangles), new Vector(0, 0, 0), new Vector(600, 600, 0));

    expect($sheet->outside(303, 77, 45, 100.0))->toEqualWithDelta([45, 0, 0, 1], 1e-9)
        ->and($sheet->outside(303, 77, -45, 100.0))->toEqualWithDelta([45, 0, 0, -1], 1e-9)
        ->and($sheet->outside(630, 77, 40, INF))->toEqualWithDelta([50, 0.6, 0, 0.8], 1e-6)
        ->and($sheet->outside(303, 77, 45, 40.0)[0])->toBe(INF);
});

it('counts triangles that lie out of what was told to hold them', function (): void {
    $box = DividedSurface::of(Triangles::box([100, 100, 100], 8), new Vector(-20, -20, -20), new Vector(20, 20, 20));

    expect($box->outside(0, 0, 45, INF)[0])->toEqualWithDelta(-5.0, 1e-6);
});

it('is far from a surface of no triangles', function (): void {
    expect(DividedSurface::of('', new Vector(0, 0, 0), new Vector(1, 1, 1))->outside(0, 0, 0, INF)[0])->toBe(INF);
});

it('is the same read from a file', function (): void {
    $corner = new Vector(260, 260, 60);
    $divided = DividedSurface::of(torus(60, 30), $corner->times(-1.0), $corner);
    $file = fopen('php://memory', 'w+') ?: throw new LogicException;
    fwrite($file, $divided->packed());
    rewind($file);
    $read = DividedSurface::open($file) ?? throw new LogicException;
    mt_srand(9);
    for ($i = 0; $i < 100; $i++) {
        $place = [mt_rand(-300, 300), mt_rand(-300, 300), mt_rand(-90, 90)];
        expect($read->outside(...[...$place, INF]))->toBe($divided->outside(...[...$place, INF]));
    }
});

it('is no file that has been cut off in its head, and says when triangles are missing', function (): void {
    $corner = new Vector(50, 50, 50);
    $divided = DividedSurface::of(Triangles::box([100, 100, 100], 9), $corner->times(-1.0), $corner);
    $cut = static function (int $bytes) use ($divided): ?DividedSurface {
        $file = fopen('php://memory', 'w+') ?: throw new LogicException;
        fwrite($file, substr($divided->packed(), 0, $bytes));
        rewind($file);

        return DividedSurface::open($file);
    };
    expect($cut(0))->toBeNull()->and($cut(40))->toBeNull()->and($cut(70))->toBeNull()
        ->and(fn () => $cut(intdiv(strlen($divided->packed()), 4))?->outside(0, 0, 49, INF))
        ->toThrow(RuntimeException::class, 'cut off');
});
