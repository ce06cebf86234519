<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Vector;

/**
 * Decides on which side of a surface a point is, by the normal of the nearest feature: a face, an edge or a corner
 * (Bærentzen and Aanæs, Signed distance computation using the angle weighted pseudonormal, IEEE Trans. Vis. Comput.
 * Graph. 11, 2005). An open surface is a sheet: every point is outside of it.
 */
final readonly class PseudoNormals
{
    /** Bits for a corner in the number of an edge. */
    private const CORNER_BITS = 28;

    /** A point nearer to the surface than this is on it, mm, and has no direction to it. */
    private const ON_SURFACE = 1e-9;

    /**
     * @param  array<int, array{float, float, float}>  $edges  by the numbers of their corners; not of one at a rim
     * @param  array<int, array{float, float, float}>  $corners  by number; not of one at a rim
     * @param  array<int, true>  $sheets  triangles whose two sides are both outside, though the surface is closed
     */
    private function __construct(
        private TriangleSurface $surface,
        private array $edges,
        private array $corners,
        private array $sheets,
    ) {
    }

    public static function of(TriangleSurface $surface): self
    {
        $same = $sides = $sheets = $edges = $corners = [];
        if ($surface->isOpen) {
            return new self($surface, $edges, $corners, $sheets);
        }
        foreach ($surface->triangles as $number => [, , , , , , , , , $a, $b, $c]) {
            $three = [$a, $b, $c];
            sort($three);
            $same[implode(' ', $three)][] = $number;
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $sides[self::edge($from, $to)][] = $number;
            }
        }
        foreach ($same as $numbers) {
            // The same triangle seen from both sides.
            foreach (count($numbers) > 1 ? $numbers : [] as $number) {
                $sheets[$number] = true;
            }
        }
        $rim = [];
        foreach ($sides as $edge => $numbers) {
            if (count($numbers) < 2) {
                $rim[$edge >> self::CORNER_BITS] = $rim[$edge & ((1 << self::CORNER_BITS) - 1)] = true;

                continue;
            }
            $sum = [0.0, 0.0, 0.0];
            foreach ($numbers as $number) {
                foreach ($surface->normals[$number] as $axis => $part) {
                    $sum[$axis] += $part;
                }
            }
            $edges[$edge] = $sum;
        }
        foreach ($surface->triangles as $number => [, , , $ux, $uy, $uz, $vx, $vy, $vz, $a, $b, $c]) {
            [$u, $v] = [new Vector($ux, $uy, $uz), new Vector($vx, $vy, $vz)];
            $first = $u->angleTo($v);
            $second = $u->times(-1.0)->angleTo($v->minus($u));
            foreach ([[$a, $first], [$b, $second], [$c, M_PI - $first - $second]] as [$corner, $angle]) {
                if (isset($rim[$corner])) {
                    continue;
                }
                $sum = $corners[$corner] ?? [0.0, 0.0, 0.0];
                foreach ($surface->normals[$number] as $axis => $part) {
                    $sum[$axis] += $angle * $part;
                }
                $corners[$corner] = $sum;
            }
        }

        return new self($surface, $edges, $corners, $sheets);
    }

    /**
     * @param  array{int, array{float, float, float, float, int}}  $nearest  triangle and place (ClosestPoint)
     * @return array{float, float, float, float} distance, less than 0 within, and the unit direction outwards
     */
    public function signed(float $x, float $y, float $z, array $nearest): array
    {
        [$number, [$square, $px, $py, $pz, $part]] = $nearest;
        [$wx, $wy, $wz] = [$x - $px, $y - $py, $z - $pz];
        [$nx, $ny, $nz] = $this->surface->normals[$number];
        $off = sqrt($square);
        [, , , , , , , , , $a, $b, $c] = $this->surface->triangles[$number];
        $normal = match ($part) {
            0 => [$nx, $ny, $nz],
            1 => $this->edges[self::edge($a, $b)] ?? null,
            2 => $this->edges[self::edge($b, $c)] ?? null,
            3 => $this->edges[self::edge($c, $a)] ?? null,
            4 => $this->corners[$a] ?? null,
            5 => $this->corners[$b] ?? null,
            default => $this->corners[$c] ?? null,
        };
        $side =
            $normal === null || $this->surface->isOpen || isset($this->sheets[$number])
                ? 1.0
                : ($wx * $normal[0] + $wy * $normal[1] + $wz * $normal[2] < 0.0
                    ? -1.0
                    : 1.0);
        if ($off < self::ON_SURFACE) {
            return [0.0, $nx, $ny, $nz];
        }

        return [$side * $off, $side * $wx / $off, $side * $wy / $off, $side * $wz / $off];
    }

    private static function edge(int $a, int $b): int
    {
        return (min($a, $b) << self::CORNER_BITS) + max($a, $b);
    }
}
