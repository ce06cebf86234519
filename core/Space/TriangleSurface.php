<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Vector;

/**
 * A surface of triangles with numbered corners and outward normals, read from packed floats.
 *
 * @phpstan-type Triangle array{float, float, float, float, float, float, float, float, float, int, int, int}
 */
final readonly class TriangleSurface
{
    /** Triangles read at a time, and floats of each. */
    private const CHUNK = 4000;

    private const FLOATS = 9;

    /** Twice the area of a triangle, mm², below which it has no normal and is left out. */
    private const NO_AREA = 1e-9;

    /** Of a surface with more triangles than this only those near the region of interest are kept. */
    private const LOCAL_ABOVE = 100_000;

    /**
     * @param  list<Triangle>  $triangles  a corner, the ways from there to the two others, and the numbers of all three
     * @param  list<array{float, float, float}>  $normals  of each triangle, unit
     * @param  bool  $isOpen  whether it encloses nothing
     * @param  bool  $isWhole  whether no triangle was left out
     */
    private function __construct(
        public array $triangles,
        public array $normals,
        public bool $isOpen,
        public bool $isWhole,
    ) {
    }

    /**
     * @param  string  $packed  nine 32-bit little-endian floats a triangle, mm
     * @param  Vector  $least  lowest corner of where it will be asked about
     * @param  Vector  $most  highest corner
     */
    public static function read(string $packed, Vector $least, Vector $most): self
    {
        return self::of($packed, $least, $most, null);
    }

    /** @param  string  $packed  a part of a surface, likewise */
    public static function part(string $packed, SurfaceSides $sides): self
    {
        return self::of($packed, new Vector(-INF, -INF, -INF), new Vector(INF, INF, INF), $sides);
    }

    private static function of(string $packed, Vector $least, Vector $most, ?SurfaceSides $sides): self
    {
        /** @var array<string, int> $numbers by the packed coordinates of a corner */
        $numbers = [];
        [$sumX, $sumY, $sumZ, $area, $volume] = [0.0, 0.0, 0.0, 0.0, 0.0];
        $bytes = self::FLOATS * 4 * self::CHUNK;
        $isWhole = strlen($packed) <= self::FLOATS * 4 * self::LOCAL_ABOVE;
        $triangles = $normals = [];
        for ($at = 0, $all = strlen($packed); $at < $all; $at += $bytes) {
            /** @var list<float> $f */
            $f = array_values((array) unpack('g*', substr($packed, $at, $bytes)));
            for ($n = 0, $count = count($f) - self::FLOATS; $n <= $count; $n += self::FLOATS) {
                [$ax, $ay, $az, $bx, $by, $bz, $cx, $cy, $cz] = [
                    $f[$n],
                    $f[$n + 1],
                    $f[$n + 2],
                    $f[$n + 3],
                    $f[$n + 4],
                    $f[$n + 5],
                    $f[$n + 6],
                    $f[$n + 7],
                    $f[$n + 8],
                ];
                [$ux, $uy, $uz, $vx, $vy, $vz] = [$bx - $ax, $by - $ay, $bz - $az, $cx - $ax, $cy - $ay, $cz - $az];
                [$nx, $ny, $nz] = [$uy * $vz - $uz * $vy, $uz * $vx - $ux * $vz, $ux * $vy - $uy * $vx];
                $size = sqrt($nx * $nx + $ny * $ny + $nz * $nz);
                if ($size < self::NO_AREA) {
                    continue;
                }
                $sumX += $nx;
                $sumY += $ny;
                $sumZ += $nz;
                $area += $size;
                $volume += $ax * $nx + $ay * $ny + $az * $nz;
                if (
                    ! $isWhole &&
                    (min($ax, $bx, $cx) > $most->x ||
                        max($ax, $bx, $cx) < $least->x ||
                        min($ay, $by, $cy) > $most->y ||
                        max($ay, $by, $cy) < $least->y ||
                        min($az, $bz, $cz) > $most->z ||
                        max($az, $bz, $cz) < $least->z)
                ) {
                    continue;
                }
                // An open surface has no inside, so its vertices need no numbers.
                $corners = $sides?->isOpen === true ? [0, 0, 0] : [
                    self::number($numbers, $ax, $ay, $az),
                    self::number($numbers, $bx, $by, $bz),
                    self::number($numbers, $cx, $cy, $cz),
                ];
                $triangles[] = [
                    $ax,
                    $ay,
                    $az,
                    $ux,
                    $uy,
                    $uz,
                    $vx,
                    $vy,
                    $vz,
                    $corners[0],
                    $corners[1],
                    $corners[2],
                ];
                $normals[] = [$nx / $size, $ny / $size, $nz / $size];
            }
        }
        $sides ??= SurfaceSides::ofSums($sumX, $sumY, $sumZ, $area, $volume);
        if (! $sides->isOpen && $sides->isTurned) {
            // The surface is inside out.
            $normals = array_map(
                static fn (array $normal): array => [-$normal[0], -$normal[1], -$normal[2]],
                $normals,
            );
        }

        return new self($triangles, $normals, $sides->isOpen, $isWhole);
    }

    /**
     * Returns the surface with its triangles in another order.
     *
     * @param  list<int>  $order  numbers of the triangles
     */
    public function ordered(array $order): self
    {
        return new self(
            array_map(fn (int $number): array => $this->triangles[$number], $order),
            array_map(fn (int $number): array => $this->normals[$number], $order),
            $this->isOpen,
            $this->isWhole,
        );
    }

    /**
     * Returns the number of a corner; corners at one point share a number.
     *
     * @param  array<string, int>  $numbers  by the packed coordinates of a corner
     */
    private static function number(array &$numbers, float $x, float $y, float $z): int
    {
        // 0 and −0 are equal.
        $key = pack('g3', PositiveZero::of($x), PositiveZero::of($y), PositiveZero::of($z));

        return $numbers[$key] ??= count($numbers);
    }

    /** Returns the width of a square of the average area of its triangles, mm; 0 without triangles. */
    public function averageWidth(): float
    {
        $count = count($this->triangles);

        return $count === 0 ? 0.0 : array_sum(array_map(self::width(...), $this->triangles)) / $count;
    }

    /** @param  Triangle  $triangle */
    private static function width(array $triangle): float
    {
        [, , , $ux, $uy, $uz, $vx, $vy, $vz] = $triangle;

        return sqrt(sqrt(($uy * $vz - $uz * $vy) ** 2 + ($uz * $vx - $ux * $vz) ** 2 + ($ux * $vy - $uy * $vx) ** 2));
    }
}
