<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Patch;
use Bowline\Body\Boundary\Solid;
use Bowline\Geometry\Vector;

/**
 * Volume, surface and centre of gravity of a solid of one density, from its boundary by the divergence theorem:
 * V = ⅓∮P·dA and ∫x dV = ½∮x² dAₓ. Curved faces are integrated by Gauss quadrature over their two parameters, flat ones
 * along their edges (Green). Both are exact to rounding for lines, circles, cylinders, cones and tori.
 */
final readonly class MassProperties
{
    /**
     * @param  float  $volume  mm³
     * @param  float  $surface  mm², of outside, bore and ends
     * @param  Vector  $centre  of gravity, mm
     */
    private function __construct(
        public float $volume,
        public float $surface,
        public Vector $centre,
    ) {
    }

    public static function of(Solid $solid): self
    {
        // Moments about a point of the body, so that those of a body far from the origin lose no digits.
        $origin = $solid->faces()[0]->loops[0][0]->start()->at;
        $volume = $surface = 0.0;
        $moment = Vector::zero();
        foreach ($solid->faces() as $face) {
            [$part, $area, $own] = $face->patch === null
                ? self::flat($face, $origin)
                : self::swept($face->patch, $origin);
            $volume += $part;
            $surface += $area;
            $moment = $moment->plus($own);
        }

        return new self($volume, $surface, $origin->plus($moment->times(1.0 / $volume)));
    }

    /** @param  non-empty-list<self>  $parts */
    public static function sum(array $parts): self
    {
        $volume = array_sum(array_map(static fn (self $one): float => $one->volume, $parts));
        $centre = Vector::zero();
        foreach ($parts as $part) {
            $centre = $centre->plus($part->centre->times($part->volume / $volume));
        }

        return new self(
            $volume, array_sum(array_map(static fn (self $one): float => $one->surface, $parts)), $centre,
        );
    }

    public static function ofMesh(Mesh $mesh): self
    {
        return new self($mesh->smoothVolume(), $mesh->area(), $mesh->centre());
    }

    /**
     * Returns what two meshes of one body come to, the second of half the chord: what is missing of both falls with the
     * chord, so that twice the finer less the coarser is what is left without (Richardson's extrapolation).
     */
    public static function between(self $coarse, self $fine): self
    {
        return new self(
            2 * $fine->volume - $coarse->volume, 2 * $fine->surface - $coarse->surface,
            $fine->centre->times(2.0)->minus($coarse->centre),
        );
    }

    /** @return array{float, float, Vector} ⅓∮P·dA, area, and ½∮(x² dAₓ, y² dAᵧ, z² dA_z) */
    private static function swept(Patch $patch, Vector $origin): array
    {
        $volume = $surface = 0.0;
        $moment = Vector::zero();
        foreach ($patch->quadrature() as [$at, $area]) {
            $at = $at->minus($origin);
            $volume += $at->dot($area) / 3;
            $surface += $area->length();
            $moment = $moment->plus(new Vector(
                $at->x * $at->x * $area->x / 2, $at->y * $at->y * $area->y / 2, $at->z * $at->z * $area->z / 2,
            ));
        }

        return [$volume, $surface, $moment];
    }

    /** @return array{float, float, Vector} as for a swept face */
    private static function flat(Face $face, Vector $origin): array
    {
        $at = $face->loops[0][0]->start()->at;
        $normal = $face->normalAt($at);
        $frame = Frame::of($at, $normal, Vector::zero());
        // Area and its moments: 1, a, b, a², ab, b² over the face, a and b along the two directions of the frame.
        $sums = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
        foreach (array_merge(...$face->loops) as $edge) {
            foreach (self::alongEdge($edge, $frame) as [$a, $b, $db]) {
                $sums[0] += $a * $db;
                $sums[1] += $a ** 2 / 2 * $db;
                $sums[2] += $a * $b * $db;
                $sums[3] += $a ** 3 / 3 * $db;
                $sums[4] += $a ** 2 / 2 * $b * $db;
                $sums[5] += $a * $b ** 2 * $db;
            }
        }
        $from = $at->minus($origin);
        $square = static fn (float $x, float $e, float $f): float => $x ** 2 * $sums[0]
            + 2 * $x * ($e * $sums[1] + $f * $sums[2])
            + $e ** 2 * $sums[3] + 2 * $e * $f * $sums[4] + $f ** 2 * $sums[5];

        return [
            $from->dot($normal) * $sums[0] / 3,
            $sums[0],
            new Vector(
                $square($from->x, $frame->first->x, $frame->second->x) * $normal->x / 2,
                $square($from->y, $frame->first->y, $frame->second->y) * $normal->y / 2,
                $square($from->z, $frame->first->z, $frame->second->z) * $normal->z / 2,
            ),
        ];
    }

    /** @return list<array{float, float, float}> coordinates of points of an edge, and their weight in ∮ db */
    private static function alongEdge(OrientedEdge $edge, Frame $frame): array
    {
        $curve = $edge->edge->curve;

        return array_map(static function (array $node) use ($curve, $edge, $frame): array {
            $way = $curve->pointAt($node[0])->minus($frame->at);
            $db = $curve->derivativeAt($node[0])->dot($frame->second) * $node[1];

            return [$way->dot($frame->first), $way->dot($frame->second), $edge->isForward ? $db : -$db];
        }, $curve->quadrature());
    }
}
