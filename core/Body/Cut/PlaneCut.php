<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Body\Boundary\ConeSurface;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Patch;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Boundary\SphereSurface;
use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\Boundary\SurfaceVisitor;
use Bowline\Body\Boundary\TorusSurface;
use Bowline\Geometry\Chord;
use Bowline\Geometry\FalsePosition;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * Cuts a solid by a plane, on its exact boundary. Each face is divided into small triangles of its two parameters;
 * where the plane goes through one of their sides, the place on the face is found to rounding. What lies on one surface
 * is then told as the line, circle or ellipse that it is, or by points so close that their chords are within 1e-3 mm.
 *
 * @implements SurfaceVisitor<CutPiece|null>
 */
final class PlaneCut implements SurfaceVisitor
{
    /** Chord tolerance of the division in which the plane is looked for, mm. */
    public const CHORD = 0.05;

    /** Farthest that a chord of points stands off the cut, mm. */
    public const POINTS = 2e-4;

    /** A place that is this near to the plane is on it, mm. */
    private const ON_PLANE = 1e-12;

    /** Parameters between 0 and 1 that differ by less than this are the same number but for its last digits. */
    private const SAME_PARAMETER = 1e-15;

    /**
     * Step of a parameter between 0 and 1 for a difference quotient: far more than the root of a double's accuracy, far
     * less than a patch is curved in.
     */
    private const DIFFERENCE = 1e-5;

    /** Halvings of a way between two places, to bring chords within tolerance. */
    private const DEPTH = 6;

    /** @var array<int, list<array{float, Vector, float}>> parameter, point and height over the plane along each edge */
    private array $edges = [];

    /** @var array<string, CutNode> */
    private array $nodes = [];

    /** @var non-empty-list<Vector> points of the piece that is being told */
    private array $points;

    /** @var array<int, list<float>> parameters at which each motion is divided */
    private array $divisions = [];

    /** @var array<int, int> pieces of the edges across motions */
    private readonly array $pieces;

    private function __construct(
        Solid $solid,
        private readonly Vector $at,
        private readonly Vector $normal,
        private readonly Chord $division,
        private readonly float $off,
    ) {
        $this->points = [$at];
        foreach ($solid->motions() as $id => [$motion, $hull]) {
            $this->divisions[$id] = $motion->divisions($division, $hull);
        }
        $this->pieces = $solid->piecesAcross($division);
    }

    /**
     * @param  Vector  $normal  unit
     * @param  float  $division  chord tolerance of the division in which the plane is looked for, mm
     * @param  float  $off  farthest that a chord of points stands off the cut, mm
     * @return list<CutLoop>
     */
    public static function of(
        Solid $solid,
        Vector $at,
        Vector $normal,
        float $division = self::CHORD,
        float $off = self::POINTS,
    ): array {
        $cut = new self($solid, $at, $normal, new Chord($division), $off);
        $segments = [];
        foreach ($solid->sweptFirst() as $face) {
            foreach ($face->patch === null ? $cut->flat($face) : $cut->swept($face, $face->patch) as [$from, $to]) {
                $segments[] = new CutSegment($face, $from, $to);
            }
        }

        return $cut->loops($segments);
    }

    private function height(Vector $point): float
    {
        return $point->minus($this->at)->dot($this->normal);
    }

    /**
     * Returns how much of a segment has the material to its left: along n × o, o being the outward normal of its face.
     */
    private function leftward(CutSegment $segment): float
    {
        [$face, $patch, $from] = [$segment->face, $segment->face->patch, $segment->from];
        $outward = $patch !== null && $face->surface instanceof SplineSurface
            ? $patch->areaAt(...$this->parametersOf($patch, $from))->unit()
            : $face->normalAt($from->at);

        return $segment->to->at->minus($from->at)->dot($this->normal->cross($outward));
    }

    /** @var array<string, array{float, float}> by patch and node, the parameters of the node on the patch */
    private array $parameters = [];

    /** @return array{float, float} parameters of a node of a patch */
    private function parametersOf(Patch $patch, CutNode $node): array
    {
        return $this->parameters[spl_object_id($patch).' '.$node->key] ?? [0.5, 0.5];
    }

    /** @return list<array{float, Vector, float}> of an edge along its curve */
    private function along(Edge $edge, ?Patch $railOf): array
    {
        return $this->edges[spl_object_id($edge)] ??= (function () use ($edge, $railOf): array {
            if ($railOf !== null) {
                $parameters = $this->divisions($railOf);
            } else {
                $pieces = $this->pieces[spl_object_id($edge)] ?? $edge->curve->pieces($this->division);
                $parameters = array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces));
            }

            return array_map(function (float $t) use ($edge): array {
                $point = match ($t) {
                    0.0 => $edge->start->at,
                    1.0 => $edge->end->at,
                    default => $edge->curve->pointAt($t),
                };

                return [$t, $point, $this->height($point)];
            }, $parameters);
        })();
    }

    /** @return list<float> */
    private function divisions(Patch $patch): array
    {
        return $this->divisions[spl_object_id($patch->motion)];
    }

    /** @return list<CutNode> places at which the plane goes through an edge */
    private function through(Edge $edge): array
    {
        $found = [];
        $points = $this->along($edge, null);
        for ($i = 1, $count = count($points); $i < $count; $i++) {
            if (($points[$i - 1][2] >= 0.0) !== ($points[$i][2] >= 0.0)) {
                $found[] = $this->onEdge($edge, $i);
            }
        }

        return $found;
    }

    /** Returns the place at which the plane goes through a piece of an edge, from point i − 1 to point i. */
    private function onEdge(Edge $edge, int $i): CutNode
    {
        $key = 'e'.spl_object_id($edge).' '.$i;

        return $this->nodes[$key] ??= (function () use ($edge, $i, $key): CutNode {
            [$from, $to] = [$this->edges[spl_object_id($edge)][$i - 1], $this->edges[spl_object_id($edge)][$i]];
            $t = $this->root(
                $from[0], $to[0], $from[2], $to[2], static fn (float $t): Vector => $edge->curve->pointAt($t),
            );

            return new CutNode($key, $edge->curve->pointAt($t));
        })();
    }

    /**
     * Returns the parameter at which the plane is met.
     *
     * @param  float  $below  height at the lower parameter
     * @param  float  $above  height at the higher one, of the other sign
     * @param  callable(float): Vector  $point
     */
    private function root(float $low, float $high, float $below, float $above, callable $point): float
    {
        [$one, $other] = FalsePosition::narrowed(
            fn (float $t): float => $this->height($point($t)),
            $low, $below, $high, $above, self::SAME_PARAMETER, self::ON_PLANE,
        );

        return ($one + $other) / 2;
    }

    /** @return list<array{CutNode, CutNode}> */
    private function flat(Face $face): array
    {
        $normal = $face->normalAt($face->loops[0][0]->start()->at);
        $way = $normal->cross($this->normal);
        if ($way->length() < Tolerance::PARALLEL) {
            return [];
        }
        $nodes = [];
        foreach (array_merge(...$face->loops) as $edge) {
            array_push($nodes, ...$this->through($edge->edge));
        }
        usort($nodes, static fn (CutNode $a, CutNode $b): int => $a->at->dot($way) <=> $b->at->dot($way));
        $segments = [];
        for ($i = 1, $count = count($nodes); $i < $count; $i += 2) {
            $segments[] = [$nodes[$i - 1], $nodes[$i]];
        }

        return $segments;
    }

    /** @return list<array{CutNode, CutNode}> */
    private function swept(Face $face, Patch $patch): array
    {
        $times = $this->divisions($patch);
        $from = $this->along($patch->from->edge, null);
        $this->along($patch->to->edge, null);
        $this->along($patch->left->edge, $patch);
        $this->along($patch->right->edge, $patch);
        $across = count($from) - 1;
        $heights = [];
        foreach ($times as $j => $t) {
            $place = $patch->motion->placeAt($t);
            for ($i = 0; $i <= $across; $i++) {
                $on = $this->edgeAt($patch, $i, $j, $across, count($times) - 1);
                $heights[$j][$i] = $on === null
                    ? $this->height($place->point($patch->profileAt($i / $across)))
                    : $this->edges[spl_object_id($on[0])][$on[1]][2];
            }
        }
        $segments = [];
        for ($j = 1; $j < count($times); $j++) {
            for ($i = 1; $i <= $across; $i++) {
                foreach ([
                    [[$i - 1, $j - 1], [$i, $j - 1], [$i, $j]], [[$i - 1, $j - 1], [$i, $j], [$i - 1, $j]],
                ] as $corners) {
                    $nodes = [];
                    foreach ([0, 1, 2] as $k) {
                        [$a, $b] = [$corners[$k], $corners[($k + 1) % 3]];
                        if (($heights[$a[1]][$a[0]] >= 0.0) !== ($heights[$b[1]][$b[0]] >= 0.0)) {
                            $nodes[] = $this->onSide(
                                $patch, $a, $b, $across, $times,
                                [$heights[$a[1]][$a[0]], $heights[$b[1]][$b[0]]],
                            );
                        }
                    }
                    if (count($nodes) === 2) {
                        $segments[] = [$nodes[0], $nodes[1]];
                    }
                }
            }
        }

        return $segments;
    }

    /**
     * Returns the edge that a place of the grid lies on, and the number of its point there.
     *
     * @return array{Edge, int}|null
     */
    private function edgeAt(Patch $patch, int $i, int $j, int $across, int $last): ?array
    {
        $number = static fn (OrientedEdge $edge, int $k, int $count): array => [
            $edge->edge, $edge->isForward ? $k : $count - $k,
        ];

        return match (true) {
            $j === 0 => $number($patch->from, $i, $across),
            $j === $last => $number($patch->to, $i, $across),
            $i === 0 => $number($patch->left, $j, $last),
            $i === $across => $number($patch->right, $j, $last),
            default => null,
        };
    }

    /**
     * Returns the place at which the plane goes through the side of a triangle of the grid.
     *
     * @param  array{int, int}  $a
     * @param  array{int, int}  $b
     * @param  list<float>  $times
     * @param  array{float, float}  $heights  over the plane at both
     */
    private function onSide(Patch $patch, array $a, array $b, int $across, array $times, array $heights): CutNode
    {
        $last = count($times) - 1;
        $isOnEdge = ($a[1] === $b[1] && ($a[1] === 0 || $a[1] === $last))
            || ($a[0] === $b[0] && ($a[0] === 0 || $a[0] === $across));
        $parameters = static fn (float $k): array => [
            ($a[0] + ($b[0] - $a[0]) * $k) / $across, $times[$a[1]] + ($times[$b[1]] - $times[$a[1]]) * $k,
        ];
        if ($isOnEdge) {
            [$edge, $one] = $a[1] === $b[1]
                ? $this->edgeAt($patch, $a[0], $a[1], $across, $last) ?? [$patch->from->edge, 0]
                : $this->railAt($patch, $a[0] === 0, $a[1], $last);
            [, $other] = $a[1] === $b[1]
                ? $this->edgeAt($patch, $b[0], $b[1], $across, $last) ?? [$patch->from->edge, 0]
                : $this->railAt($patch, $a[0] === 0, $b[1], $last);
            $node = $this->onEdge($edge, max($one, $other));
            [$from, $to] = [$this->edges[spl_object_id($edge)][$one][1], $this->edges[spl_object_id($edge)][$other][1]];
            $length = $from->distanceTo($to);
            $this->parameters[spl_object_id($patch).' '.$node->key] = $parameters(
                $length > 0.0 ? min(1.0, $from->distanceTo($node->at) / $length) : 0.0,
            );

            return $node;
        }
        [$low, $high] = $a < $b ? [$a, $b] : [$b, $a];
        $key = sprintf('p%d %d %d %d %d', spl_object_id($patch), $low[0], $low[1], $high[0], $high[1]);

        return $this->nodes[$key] ??= (function () use ($patch, $parameters, $heights, $key): CutNode {
            $k = $this->root(
                0.0, 1.0, $heights[0], $heights[1],
                static fn (float $k): Vector => $patch->pointAt(...$parameters($k)),
            );
            $at = $patch->pointAt(...$parameters($k));
            $this->parameters[spl_object_id($patch).' '.$key] = $parameters($k);

            return new CutNode($key, $at);
        })();
    }

    /** @return array{Edge, int} */
    private function railAt(Patch $patch, bool $isLeft, int $j, int $last): array
    {
        $rail = $isLeft ? $patch->left : $patch->right;

        return [$rail->edge, $rail->isForward ? $j : $last - $j];
    }

    /**
     * @param  list<CutSegment>  $segments
     * @return list<CutLoop>
     */
    private function loops(array $segments): array
    {
        $meeting = [];
        foreach ($segments as $i => $segment) {
            $meeting[$segment->from->key][] = $i;
            $meeting[$segment->to->key][] = $i;
        }
        $loops = [];
        $isUsed = [];
        foreach ($segments as $first => $segment) {
            if (isset($isUsed[$first])) {
                continue;
            }
            $isUsed[$first] = true;
            $loop = [$segment];
            while (($next = $this->nextOf($loop[count($loop) - 1]->to->key, $meeting, $isUsed)) !== null) {
                $isUsed[$next] = true;
                $loop[] = $segments[$next]->from->key === $loop[count($loop) - 1]->to->key
                    ? $segments[$next]
                    : $segments[$next]->reversed();
            }
            if (count($loop) > 1 && $loop[0]->from->key === $loop[count($loop) - 1]->to->key) {
                $loops[] = $this->loop($loop);
            }
        }

        return $loops;
    }

    /**
     * @param  array<string, list<int>>  $meeting  numbers of the segments at each node
     * @param  array<int, true>  $isUsed
     */
    private function nextOf(string $key, array $meeting, array $isUsed): ?int
    {
        foreach ($meeting[$key] as $number) {
            if (! isset($isUsed[$number])) {
                return $number;
            }
        }

        return null;
    }

    /** @param  non-empty-list<CutSegment>  $loop */
    private function loop(array $loop): CutLoop
    {
        if (array_sum(array_map($this->leftward(...), $loop)) < 0.0) {
            $loop = array_reverse(array_map(static fn (CutSegment $one): CutSegment => $one->reversed(), $loop));
        }
        $pieces = $this->pieces($loop);
        $area = array_sum(array_map(
            fn (CutPiece $piece): float => $piece->area($loop[0]->from->at, $this->normal), $pieces,
        ));

        return new CutLoop($pieces, $area);
    }

    /**
     * Joins the segments that lie on one face one after another into one piece.
     *
     * @param  non-empty-list<CutSegment>  $loop
     * @return non-empty-list<CutPiece>
     */
    private function pieces(array $loop): array
    {
        $count = count($loop);
        $start = 0;
        for ($i = 0; $i < $count; $i++) {
            if ($loop[$i]->face !== $loop[($i + $count - 1) % $count]->face) {
                $start = $i;
                break;
            }
        }
        $groups = [];
        for ($i = 0; $i < $count; $i++) {
            $segment = $loop[($start + $i) % $count];
            $last = count($groups) - 1;
            if ($last >= 0 && $groups[$last][0]->face === $segment->face) {
                $groups[$last][] = $segment;
            } else {
                $groups[] = [$segment];
            }
        }

        $pieces = array_values(array_filter(
            array_map($this->piece(...), $groups), static fn (CutPiece $piece): bool => ! $piece->isPoint(),
        ));

        return $pieces === [] ? [CutPiece::points([$loop[0]->from->at])] : $pieces;
    }

    /** @param  non-empty-list<CutSegment>  $group */
    private function piece(array $group): CutPiece
    {
        $this->points = [
            $group[0]->from->at, ...array_map(static fn (CutSegment $one): Vector => $one->to->at, $group),
        ];
        $known = $group[0]->face->surface->accept($this);
        if ($known !== null) {
            return $known;
        }
        $points = [$group[0]->from->at];
        foreach ($group as $segment) {
            $points = $this->refined($segment, $points);
        }

        return CutPiece::points($points);
    }

    /**
     * Adds the end of a segment, and places before it where its chord would stand off.
     *
     * @param  non-empty-list<Vector>  $points
     * @return non-empty-list<Vector>
     */
    private function refined(CutSegment $segment, array $points): array
    {
        $patch = $segment->face->patch;
        if ($patch !== null) {
            $points = $this->between(
                $patch, $this->parametersOf($patch, $segment->from), $this->parametersOf($patch, $segment->to),
                $segment->from->at, $segment->to->at, $points, self::DEPTH,
            );
        }

        return [...$points, $segment->to->at];
    }

    /**
     * @param  array{float, float}  $one  parameters
     * @param  array{float, float}  $two
     * @param  non-empty-list<Vector>  $points
     * @return non-empty-list<Vector>
     */
    private function between(
        Patch $patch,
        array $one,
        array $two,
        Vector $from,
        Vector $to,
        array $points,
        int $depth,
    ): array {
        if ($depth === 0) {
            return $points;
        }
        if (abs($one[0] - $two[0]) > 0.5 && $patch->left->edge === $patch->right->edge) {
            // Across the seam of a closed profile, whose start is its end.
            $isFirst = $one[0] === 0.0 || $one[0] === 1.0;
            $one[0] = $isFirst ? 1.0 - $one[0] : $one[0];
            $two[0] = $isFirst ? $two[0] : 1.0 - $two[0];
        }
        $middle = $this->onPlane($patch, ($one[0] + $two[0]) / 2, ($one[1] + $two[1]) / 2);
        $at = $patch->pointAt(...$middle);
        $off = $at->minus($from->plus($to)->times(0.5));
        if ($off->length() < $this->off) {
            return $points;
        }
        $points = $this->between($patch, $one, $middle, $from, $at, $points, $depth - 1);

        return $this->between($patch, $middle, $two, $at, $to, [...$points, $at], $depth - 1);
    }

    /** @return array{float, float} parameters near given ones at which a patch is on the plane, by Newton */
    private function onPlane(Patch $patch, float $s, float $t): array
    {
        for ($i = 0; $i < 4; $i++) {
            $height = $this->height($patch->pointAt($s, $t));
            $step = self::DIFFERENCE;
            $ds = ($this->height($patch->pointAt($s + $step, $t)) - $height) / $step;
            $dt = ($this->height($patch->pointAt($s, min(1.0, $t + $step))) - $height)
                / max(Tolerance::SAFEGUARD, min(1.0, $t + $step) - $t);
            $size = $ds ** 2 + $dt ** 2;
            if ($size < Tolerance::SAFEGUARD) {
                break;
            }
            $s -= $height * $ds / $size;
            $t = max(0.0, min(1.0, $t - $height * $dt / $size));
        }

        return [$s, $t];
    }

    public function plane(PlaneSurface $plane): CutPiece
    {
        return CutPiece::line($this->points[0], $this->points[count($this->points) - 1]);
    }

    public function cylinder(CylinderSurface $cylinder): CutPiece
    {
        $axis = $cylinder->frame->along;
        $cosine = $axis->dot($this->normal);
        if (abs($cosine) < Tolerance::PARALLEL) {
            return CutPiece::line($this->points[0], $this->points[count($this->points) - 1]);
        }
        // Where the axis meets the plane; the longer half axis lies where the axis does, seen along the normal.
        $centre = $cylinder->frame->at->minus($axis->times($this->height($cylinder->frame->at) / $cosine));
        $across = $axis->cross($this->normal);
        $minor = $across->length() < Tolerance::PARALLEL ? $cylinder->frame->first : $across->unit();
        $major = $this->normal->cross($minor);

        return CutPiece::ellipse(
            $this->points, $centre, $major->times($cylinder->radius / abs($cosine)), $minor->times($cylinder->radius),
        );
    }

    public function cone(ConeSurface $cone): ?CutPiece
    {
        return abs(abs($cone->frame->along->dot($this->normal)) - 1.0) > Tolerance::SAFEGUARD
            ? null
            : $this->round($cone->frame->at->plus($this->normal->times(-$this->height($cone->frame->at))));
    }

    public function torus(TorusSurface $torus): ?CutPiece
    {
        $axis = $torus->frame->along;
        if (abs(abs($axis->dot($this->normal)) - 1.0) < Tolerance::SAFEGUARD) {
            return $this->round($torus->frame->at->minus($this->normal->times($this->height($torus->frame->at))));
        }
        // Through the axis: a circle of the section.
        if (
            abs($axis->dot($this->normal)) < Tolerance::PARALLEL
            && abs($this->height($torus->frame->at)) < Tolerance::NOTHING
        ) {
            $out = $this->points[0]->minus($torus->frame->at)->squareTo($axis);

            return $this->round($torus->frame->at->plus($out->times($torus->majorRadius)));
        }

        return null;
    }

    public function sphere(SphereSurface $sphere): CutPiece
    {
        return $this->round($sphere->frame->at->minus($this->normal->times($this->height($sphere->frame->at))));
    }

    public function spline(SplineSurface $spline): null
    {
        return null;
    }

    private function round(Vector $centre): CutPiece
    {
        $out = $this->points[0]->minus($centre);

        return CutPiece::ellipse($this->points, $centre, $out, $this->normal->cross($out));
    }
}
