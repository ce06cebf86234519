<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Mesh;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Space\SurfaceNet;

/** The triangles of a surface that was looked at a little beyond some rings, cut off at these. */
final readonly class ClippedNet
{
    /** @param  list<list<Vector>>  $rings  vertices on each, in no order */
    private function __construct(
        public Mesh $mesh,
        public array $rings,
    ) {
    }

    /**
     * @param  list<ExactEnd>  $mouths
     * @param  list<float>  $radii  of their rings, mm
     * @param  list<float>  $sizes  of cubes at each, mm
     */
    public static function of(SurfaceNet $net, array $mouths, array $radii, array $sizes): self
    {
        $vertices = array_map(static fn (array $at): Vector => new Vector(...$at), $net->vertices);
        // How far beyond which ring each lies; nothing is looked at far beyond one.
        $beyond = array_map(static function (Vector $at) use ($mouths, $radii, $sizes): array {
            foreach ($mouths as $number => $mouth) {
                $over = $at->minus($mouth->centre)->dot($mouth->out);
                if (abs($over) < 6 * $sizes[$number] && $mouth->holds($at, $radii[$number] + $sizes[$number])) {
                    // What lies exactly on the ring counts as inside.
                    return [$over === 0.0 ? -Tolerance::SAFEGUARD : $over, $number];
                }
            }

            return [-INF, 0];
        }, $vertices);
        $triangles = [];
        $made = [];
        $rings = array_fill(0, count($mouths), []);
        $on = static function (int $in, int $out) use (&$vertices, &$made, &$rings, $beyond, $mouths, $radii): int {
            return $made[$in.' '.$out] ??= (static function () use (
                $in, $out, &$vertices, &$rings, $beyond, $mouths, $radii,
            ): int {
                [$over, $number] = $beyond[$out];
                $before = is_infinite($beyond[$in][0]) ? -$over : $beyond[$in][0];
                $at = $vertices[$in]->plus($vertices[$out]->minus($vertices[$in])->times($before / ($before - $over)));
                $centre = $mouths[$number]->centre;
                $vertices[] = $rings[$number][] = $centre->plus(
                    $at->minus($centre)->squareTo($mouths[$number]->out)->times($radii[$number]),
                );

                return count($vertices) - 1;
            })();
        };
        foreach ($net->triangles as $triangle) {
            $polygon = [];
            foreach ([0, 1, 2] as $i) {
                [$from, $to] = [$triangle[$i], $triangle[($i + 1) % 3]];
                [$isIn, $isNextIn] = [$beyond[$from][0] < 0.0, $beyond[$to][0] < 0.0];
                if ($isIn) {
                    $polygon[] = $from;
                }
                if ($isIn !== $isNextIn) {
                    $polygon[] = $isIn ? $on($from, $to) : $on($to, $from);
                }
            }
            for ($i = 2; $i < count($polygon); $i++) {
                $triangles[] = [$polygon[0], $polygon[$i - 1], $polygon[$i]];
            }
        }

        return new self(new Mesh($vertices, $triangles), $rings);
    }
}
