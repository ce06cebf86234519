<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;

/** Cuts triangles by a plane: closed outlines of points, as far as the triangles are closed. */
final class MeshCut
{
    /** A vertex that lies on the plane is taken to lie beside it by this, mm. */
    private const BESIDE = 1e-9;

    /**
     * @param  Vector  $normal  unit
     * @return list<CutLoop>
     */
    public static function of(Mesh $mesh, Vector $at, Vector $normal): array
    {
        $heights = array_map(static function (Vector $vertex) use ($at, $normal): float {
            $height = $vertex->minus($at)->dot($normal);

            return abs($height) < self::BESIDE ? self::BESIDE : $height;
        }, $mesh->vertices);
        $points = $next = [];
        foreach ($mesh->triangles as $triangle) {
            $in = $out = null;
            foreach ([0, 1, 2] as $i) {
                [$from, $to] = [$triangle[$i], $triangle[($i + 1) % 3]];
                if (($heights[$from] > 0.0) === ($heights[$to] > 0.0)) {
                    continue;
                }
                $key = min($from, $to).' '.max($from, $to);
                [$start, $end] = [$mesh->vertices[$from], $mesh->vertices[$to]];
                $part = $heights[$from] / ($heights[$from] - $heights[$to]);
                $points[$key] ??= $start->plus($end->minus($start)->times($part));
                // Material lies to the left of the way as seen against the normal: it comes in where a side goes down.
                if ($heights[$from] > 0.0) {
                    $in = $key;
                } else {
                    $out = $key;
                }
            }
            if ($in !== null && $out !== null) {
                $next[$in] = $out;
            }
        }

        return self::loops($points, $next, $normal);
    }

    /**
     * @param  array<string, Vector>  $points
     * @param  array<string, string>  $next  where the outline goes on to
     * @return list<CutLoop> those that come back to where they begin
     */
    private static function loops(array $points, array $next, Vector $normal): array
    {
        $loops = [];
        while ($next !== []) {
            $first = $key = array_key_first($next);
            $loop = [$points[$first]];
            while (isset($next[$key])) {
                $to = $next[$key];
                unset($next[$key]);
                $loop[] = $points[$to];
                $key = $to;
            }
            if ($key === $first && count($loop) > 3) {
                $piece = CutPiece::points($loop);
                $loops[] = new CutLoop([$piece], $piece->area($loop[0], $normal));
            }
        }

        return $loops;
    }
}
