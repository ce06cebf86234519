<?php

declare(strict_types=1);

namespace Bowline\Space;

/**
 * The point of a triangle that is closest to another point (Ericson, Real-Time Collision Detection, 5.1.5).
 *
 * @phpstan-import-type Triangle from TriangleSurface
 */
final class ClosestPoint
{
    /**
     * @param  Triangle  $triangle
     * @return array{float, float, float, float, int} squared distance, the point, and the feature of the triangle it
     *     lies on: 0 the face, 1 to 3 an edge, 4 to 6 a corner
     */
    public static function onTriangle(array $triangle, float $x, float $y, float $z): array
    {
        [$ax, $ay, $az, $ux, $uy, $uz, $vx, $vy, $vz] = $triangle;
        [$px, $py, $pz] = [$x - $ax, $y - $ay, $z - $az];
        $d1 = $ux * $px + $uy * $py + $uz * $pz;
        $d2 = $vx * $px + $vy * $py + $vz * $pz;
        $uu = $ux * $ux + $uy * $uy + $uz * $uz;
        $uv = $ux * $vx + $uy * $vy + $uz * $vz;
        $vv = $vx * $vx + $vy * $vy + $vz * $vz;
        // The same relative to the second and the third corner.
        [$d3, $d4, $d5, $d6] = [$d1 - $uu, $d2 - $uv, $d1 - $uv, $d2 - $vv];
        $onC = $d1 * $d4 - $d3 * $d2;
        $onB = $d5 * $d2 - $d1 * $d6;
        $onA = $d3 * $d6 - $d5 * $d4;
        [$s, $t, $part] = match (true) {
            $d1 <= 0.0 && $d2 <= 0.0 => [0.0, 0.0, 4],
            $d3 >= 0.0 && $d4 <= $d3 => [1.0, 0.0, 5],
            $onC <= 0.0 && $d1 >= 0.0 && $d3 <= 0.0 => [$d1 / ($d1 - $d3), 0.0, 1],
            $d6 >= 0.0 && $d5 <= $d6 => [0.0, 1.0, 6],
            $onB <= 0.0 && $d2 >= 0.0 && $d6 <= 0.0 => [0.0, $d2 / ($d2 - $d6), 3],
            $onA <= 0.0 && $d4 >= $d3 && $d5 >= $d6 => [
                1.0 - ($d4 - $d3) / ($d4 - $d3 + $d5 - $d6),
                ($d4 - $d3) / ($d4 - $d3 + $d5 - $d6),
                2,
            ],
            default => [$onB / ($onA + $onB + $onC), $onC / ($onA + $onB + $onC), 0],
        };
        [$qx, $qy, $qz] = [$ax + $s * $ux + $t * $vx, $ay + $s * $uy + $t * $vy, $az + $s * $uz + $t * $vz];

        return [($x - $qx) ** 2 + ($y - $qy) ** 2 + ($z - $qz) ** 2, $qx, $qy, $qz, $part];
    }
}
