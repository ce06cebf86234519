<?php

declare(strict_types=1);

use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Saddle;
use Bowline\Geometry\Vector;
use Bowline\Space\ImplicitSurface;
use Bowline\Space\Progress;
use Bowline\Space\RoundedUnion;
use Bowline\Space\SurfaceNet;
use Bowline\Space\TubeDistance;
use Tests\Triangles;

/** A straight of 100 along x, a quarter of R 40 towards y, and 60 on. */
function bentPath(): Path
{
    $corner = Arc::rounding(
        new Vector(140.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0),
        40.0, 40.0, M_PI / 2,
    );

    return new Path([
        new Line(new Vector(0.0, 0.0, 0.0), new Vector(100.0, 0.0, 0.0)), $corner,
        new Line(new Vector(140.0, 40.0, 0.0), new Vector(140.0, 100.0, 0.0)),
    ]);
}

function pipeAlongX(float $radius): TubeDistance
{
    return TubeDistance::along(
        new Path([new Line(new Vector(-1.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0))]), $radius, true, true,
    );
}

it('tells how far off a tube is, and where along it', function (): void {
    mt_srand(7);
    $path = bentPath();
    $tube = TubeDistance::along($path, 12.0, false, false);
    for ($i = 0; $i < 500; $i++) {
        $at = new Vector(mt_rand(-500, 2000) / 10, mt_rand(-500, 1500) / 10, mt_rand(-400, 400) / 10);
        $along = $path->closestTo($at);
        $nearest = $path->pointAt($along);
        [$distance, $x, $y, $z, $told] = $tube->at($at->x, $at->y, $at->z);
        expect($distance)->toEqualWithDelta($at->distanceTo($nearest) - 12, 1e-9)
            // Where two places are as near, either will do.
            ->and($path->pointAt($told)->distanceTo($at))->toEqualWithDelta($at->distanceTo($nearest), 1e-9)
            ->and((new Vector($x, $y, $z))->dot($at->minus($path->pointAt($told))))
            ->toEqualWithDelta($at->distanceTo($nearest), 1e-9);
    }
});

it('goes straight on beyond its ends where it is told to', function (): void {
    $tube = TubeDistance::along(bentPath(), 12.0, true, true);

    expect($tube->at(-50, 0, 20)[0])->toEqualWithDelta(8, 1e-12)
        ->and($tube->at(-50, 0, 20)[4])->toEqualWithDelta(-50, 1e-12)
        ->and($tube->at(140, 300, 20)[0])->toEqualWithDelta(8, 1e-12)
        ->and($tube->at(140, 300, 20)[4])->toEqualWithDelta(100 + 20 * M_PI + 60 + 200, 1e-9);
});

it('rolls a ball along where two tubes meet', function (float $host, float $radius, float $degrees, float $ball): void {
    $angle = deg2rad($degrees);
    $axis = new Vector(cos($angle), 0.0, sin($angle));
    $union = new RoundedUnion([
        pipeAlongX($host),
        TubeDistance::along(new Path([new Line(Vector::zero(), $axis)]), $radius, false, true),
    ], $ball);
    // Its middle goes along the saddle of both cylinders widened by it.
    $saddle = new Saddle($host + $ball, $radius + $ball, $angle);
    $middles = [];
    foreach ([false, true] as $isAhead) {
        for ($i = 0; $i <= 4000; $i++) {
            $middles[] = $saddle->pointAt(M_PI * ($i / 4000 - 0.5), $isAhead);
        }
    }
    mt_srand(3);
    $tried = 0;
    while ($tried < 80) {
        // Near where both meet, between there and where their axes do: within what the ball keeps out of.
        $part = mt_rand(30, 100) / 100;
        [$x, $z, $y] = array_map(
            static fn (float $one): float => $part * $one,
            $saddle->pointAt(mt_rand(-150, 150) / 100, mt_rand(0, 1) === 1),
        );
        [$x, $y, $z] = array_map(
            static fn (float $one): float => $one + $part * mt_rand(-90, 90) / 100 * $ball, [$x, $y, $z],
        );
        $at = new Vector($x, $y, $z);
        $nearest = min(array_map(static fn ($tube): float => $tube->at($at->x, $at->y, $at->z)[0], $union->tubes));
        if ($nearest <= 0.0 || $nearest >= $ball) {
            continue;
        }
        $tried++;
        $least = INF;
        foreach ($middles as [$along, $over, $beside]) {
            $square = ($along - $x) ** 2 + ($beside - $y) ** 2 + ($over - $z) ** 2;
            $least = $square < $least ? $square : $least;
        }
        // The nearest place a radius off both tubes: on that curve, or straight off one tube.
        expect($union->at($x, $y, $z, 1e-9)[0])
            ->toBeGreaterThan($ball - sqrt($least) - 1e-3)
            ->toBeLessThan($nearest + 1e-9);
        [$qx, $qy, $qz] = $union->onSurface($x, $y, $z, 1e-7);
        expect(abs($union->at($qx, $qy, $qz, 1e-9)[0]))->toBeLessThan(1e-6);
    }
})->with([[30, 20, 90, 10], [30, 20, 55, 10], [30, 30, 90, 5], [30, 12, 120, 15], [3, 2, 90, 8], [2.1, 2, 70, 7]]);

it('has a fillet of its radius in the plane of both axes', function (): void {
    $union = new RoundedUnion([
        pipeAlongX(30.0),
        TubeDistance::along(new Path([new Line(Vector::zero(), new Vector(0.0, 0.0, 1.0))]), 20.0, false, true),
    ], 10.0);
    foreach ([10, 30, 45, 60, 80] as $degrees) {
        // Round (30, 40), from straight above the pipe to straight beside the branch.
        [$x, $z] = [30 - 9 * cos(deg2rad($degrees)), 40 - 9 * sin(deg2rad($degrees))];
        expect($union->at($x, 0.0, $z, 1e-9)[0])->toEqualWithDelta(1.0, 1e-8);
    }
});

it('has none without a radius', function (): void {
    $union = new RoundedUnion([
        pipeAlongX(30.0),
        TubeDistance::along(new Path([new Line(Vector::zero(), new Vector(0.0, 0.0, 1.0))]), 20.0, false, true),
    ], 0.0);

    // Within the wedge in the corner, its edge is nearest: at x = 20, z = 30 in the plane of both.
    expect($union->at(19.0, 0.0, 29.0, 1e-9)[0])->toEqualWithDelta(-M_SQRT2, 1e-8)
        ->and($union->at(20.0, 0.0, 33.0, 1e-9)[0])->toEqualWithDelta(0.0, 1e-8);
});

/** Balls about their middles, of 10 or as told behind these; cubes that reach above 6 are halved down to a size. */
function ballSurface(array $middles = [[0.0, 0.0, 0.0]], float $fine = INF): ImplicitSurface
{
    return new class($middles, $fine) implements ImplicitSurface
    {
        public function __construct(private readonly array $middles, private readonly float $fine)
        {
        }

        private function away(float $x, float $y, float $z): array
        {
            $aways = array_map(static fn (array $middle): array => [
                sqrt(($x - $middle[0]) ** 2 + ($y - $middle[1]) ** 2 + ($z - $middle[2]) ** 2) - ($middle[3] ?? 10.0),
                $middle,
            ], $this->middles);

            return min($aways);
        }

        public function distance(float $x, float $y, float $z): float
        {
            return $this->away($x, $y, $z)[0];
        }

        public function isWanted(float $x, float $y, float $z): bool
        {
            return true;
        }

        public function cubeAt(float $x, float $y, float $z, float $half): float
        {
            return $z + $half > 6 ? $this->fine : INF;
        }

        public function onSurface(float $x, float $y, float $z): array
        {
            [$distance, $middle] = $this->away($x, $y, $z);
            [$mx, $my, $mz] = $middle;
            $of = $middle[3] ?? null;
            $radius = $of ?? 10.0;
            $scale = $radius / ($distance + $radius);

            return [$mx + ($x - $mx) * $scale, $my + ($y - $my) * $scale, $mz + ($z - $mz) * $scale];
        }
    };
}

it('covers a ball with triangles that close', function (float $cube, int $halvings): void {
    $net = new SurfaceNet(ballSurface(fine: $cube / 2 ** $halvings), [-13.1, -13.2, -13.3], 27.0, $cube, $halvings);
    $mesh = new Bowline\Body\Mesh(
        array_map(static fn (array $at): Vector => new Vector(...$at), $net->vertices), $net->triangles,
    );
    $ball = 4 / 3 * M_PI * 10 ** 3;
    expect($mesh->isClosed())->toBeTrue()
        ->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(2)
        // Vertices on the ball: facets of half a diagonal stand s²/4r off it.
        ->and($mesh->volume())->toBeLessThan($ball)->toBeGreaterThan($ball - 4 * M_PI * 100 * $cube ** 2 / 40)
        ->and($mesh->centre()->length())->toBeLessThan(0.2);
})->with([[2.5, 0], [1.0, 0], [0.5, 0], [2.5, 1], [2.5, 3], [1.0, 2]]);

it('is fine only where it is wanted so', function (): void {
    $count = static fn (int $halvings): int => count(
        (new SurfaceNet(ballSurface(fine: 2 / 2 ** $halvings), [-13.1, -13.2, -13.3], 27.0, 2.0, $halvings))->triangles,
    );
    // Above 6 of a ball of 10 lies a fifth of its surface (Archimedes), above 4, from where cubes may reach there, 0.3.
    expect($count(3) / $count(0))->toBeGreaterThan(0.8 + 0.2 * 64 * 0.8)->toBeLessThan(0.7 + 0.3 * 64 * 1.2);
});

it('closes where two sheets go through one cube', function (): void {
    mt_srand(11);
    $apart = 0;
    for ($i = 0; $i < 60; $i++) {
        // Two balls with a gap of a part of a cube between them, in any direction.
        $way = (new Vector(mt_rand(-99, 99), mt_rand(-99, 99), mt_rand(-99, 99) + 0.5))->unit();
        $half = 10 + mt_rand(0, 100) / 100;
        $told = 0.0;
        $net = new SurfaceNet(
            ballSurface([$way->times($half)->toArray(), $way->times(-$half)->toArray()]), [-23.1, -23.2, -23.3], 47.0,
            2.0, 0, new Progress(static function (float $part) use (&$told): void {
                expect($part)->toBeGreaterThanOrEqual($told)->toBeLessThanOrEqual(1.0);
                $told = $part;
            }),
        );
        $mesh = new Bowline\Body\Mesh(
            array_map(static fn (array $at): Vector => new Vector(...$at), $net->vertices), $net->triangles,
        );
        $apart += count($mesh->vertices) - count($mesh->triangles) / 2 === 4 ? 1 : 0;
        expect($mesh->isClosed())->toBeTrue()->and($told)->toBeGreaterThan(0.5);
    }
    // Some have a gap so narrow that no corner of a cube lies in it.
    expect($apart)->toBeGreaterThan(30);
});

it('leaves out what is smaller than its cubes', function (float $radius, int $bodies): void {
    // At a corner of a cube: within 0.9 of it there is no other.
    $net = new SurfaceNet(ballSurface([[0.0, 0.0, 0.0], [12.9, 0.8, 0.7, $radius]]), [-13.1, -13.2, -13.3], 30.0, 1.0);
    $mesh = new Bowline\Body\Mesh(
        array_map(static fn (array $at): Vector => new Vector(...$at), $net->vertices), $net->triangles,
    );
    expect(Triangles::shells($mesh))->toBe($bodies)->and($mesh->isClosed())->toBeTrue();
})->with([[0.4, 1], [1.6, 2]]);
