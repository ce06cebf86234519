<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Profile;
use Bowline\Geometry\CoonsPatch;
use Bowline\Geometry\Vector;
use Bowline\Space\Progress;
use Bowline\Space\UnionDistance;

/**
 * A smooth surface between rings as bicubic patches: each triangle of a net of it in three, from a corner over the
 * middles of two sides to its own middle, all of which lie on the surface. Edges are cubics that leave along the
 * surface at both ends, with the handles of a circular arc between those directions; the inner control points of a
 * patch are those of Coons.
 */
final class PatchedBody
{
    /** How exactly corners of patches lie on the surface, mm. */
    private const ACCURACY = 1e-6;

    /** An edge that turns less than this counts as turning so much, radians: at 0 its handles would be 0 by 0. */
    private const LEAST_TURN = 1e-6;

    /** How far above a patch it is looked how far it is off, mm. */
    private const ABOVE = 0.05;

    /** Places of a patch at which it is looked how far it is off. */
    private const LOOKED_AT = [[0.25, 0.25], [0.75, 0.75], [0.25, 0.75], [0.75, 0.25]];

    /** Triangles between which it is told how far it has come. */
    private const TOLD = 50;

    /** @var list<Vertex> of the net and, behind them, of the middles */
    private array $vertices = [];

    /** @var list<Vector> unit normals of the surface at the vertices */
    private array $normals = [];

    /** @var array<string, array{Edge, Edge, int}> both halves of each side, and the number of its middle */
    private array $sides = [];

    /** @var list<Face> */
    private array $faces = [];

    /** @var list<array<int, OrientedEdge>> edges on each ring, by the number of the vertex at which they begin */
    private array $onRings;

    /**
     * @param  list<ExactEnd>  $mouths
     * @param  list<float>  $radii  of the rings, mm
     * @param  bool  $isBore  whether the material is outside of the surface
     */
    private function __construct(
        private readonly ClippedNet $net,
        private readonly UnionDistance $union,
        private readonly array $mouths,
        private readonly array $radii,
        private readonly bool $isBore,
        private readonly float $within,
        private readonly Progress $progress,
    ) {
        $this->onRings = array_fill(0, count($mouths), []);
    }

    /**
     * @param  list<ExactEnd>  $mouths
     * @param  list<float>  $radii  of the rings, mm
     * @param  float  $within  how far patches may be off the surface, mm
     * @return array{list<Face>, list<Profile>}|null the faces, and their loop at each ring; null where a patch is
     *     farther off, or folds
     */
    public static function faces(
        ClippedNet $net,
        UnionDistance $union,
        array $mouths,
        array $radii,
        bool $isBore,
        float $within,
        Progress $progress,
    ): ?array {
        return (new self($net, $union, $mouths, $radii, $isBore, $within, $progress))->patch();
    }

    /** @return array{list<Face>, list<Profile>}|null */
    private function patch(): ?array
    {
        foreach ($this->net->mesh->vertices as $at) {
            $this->vertices[] = new Vertex($at);
            $this->normals[] = $this->normalAt($at);
        }
        $open = $this->openSides();
        $count = count($this->net->mesh->triangles);
        foreach ($this->net->mesh->triangles as $number => $triangle) {
            if ($number % self::TOLD === 0) {
                $this->progress->tell($number / $count);
            }
            if (! $this->triangle($triangle, $open)) {
                return null;
            }
        }
        $loops = [];
        foreach ($this->onRings as $edges) {
            $loop = $this->loop($edges);
            if ($loop === null) {
                return null;
            }
            $loops[] = $loop;
        }

        return [$this->faces, $loops];
    }

    /** @return array<string, int> number of the ring that each side lies on that one triangle has only */
    private function openSides(): array
    {
        $count = [];
        foreach ($this->net->mesh->triangles as $triangle) {
            foreach ([0, 1, 2] as $i) {
                $key = self::key($triangle[$i], $triangle[($i + 1) % 3]);
                $count[$key] = ($count[$key] ?? 0) + 1;
            }
        }
        $open = [];
        foreach (array_keys($count, 1, true) as $key) {
            [$one, $other] = array_map(intval(...), explode(' ', $key));
            $middle = $this->vertices[$one]->at->plus($this->vertices[$other]->at)->times(0.5);
            foreach ($this->mouths as $number => $mouth) {
                if (abs($middle->minus($mouth->centre)->dot($mouth->out)) < self::ACCURACY
                    && $mouth->holds($middle, 2 * $this->radii[$number])) {
                    $open[$key] = $number;
                }
            }
        }

        return $open;
    }

    private static function key(int $one, int $other): string
    {
        return $one < $other ? "$one $other" : "$other $one";
    }

    /**
     * @param  array{int, int, int}  $triangle
     * @param  array<string, int>  $open
     */
    private function triangle(array $triangle, array $open): bool
    {
        $middle = Vector::zero();
        foreach ($triangle as $corner) {
            $middle = $middle->plus($this->vertices[$corner]->at->times(1 / 3));
        }
        $centre = $this->added($this->projected($middle));
        $halves = $spokes = [];
        foreach ([0, 1, 2] as $i) {
            [$one, $other] = [$triangle[$i], $triangle[($i + 1) % 3]];
            $half = $this->side($one, $other, $open[self::key($one, $other)] ?? null);
            $halves[] = $half;
            $spokes[] = $this->edge($half[2], $centre);
        }
        // From a corner along its side, in to the centre, out to the side before it, and back.
        $before = [$halves[2], $spokes[2]];
        foreach ($halves as $i => $half) {
            $loop = [
                $half[0], new OrientedEdge($spokes[$i], true), new OrientedEdge($before[1], false), $before[0][1],
            ];
            if (! $this->add($loop)) {
                return false;
            }
            $before = [$half, $spokes[$i]];
        }

        return true;
    }

    /**
     * Returns both halves of a side in the order in which they are gone along, and the number of its middle.
     *
     * @param  int|null  $ring  on which it lies
     * @return array{OrientedEdge, OrientedEdge, int}
     */
    private function side(int $one, int $other, ?int $ring): array
    {
        $key = self::key($one, $other);
        if (! isset($this->sides[$key])) {
            [$first, $last] = [min($one, $other), max($one, $other)];
            $middle = $this->vertices[$one]->at->plus($this->vertices[$other]->at)->times(0.5);
            $number = $this->added($ring === null ? $this->projected($middle) : $this->onRing($middle, $ring));
            $this->sides[$key] = [$this->edge($first, $number), $this->edge($number, $last), $number];
        }
        [$first, $second, $middle] = $this->sides[$key];
        $halves = $one < $other
            ? [new OrientedEdge($first, true), new OrientedEdge($second, true)]
            : [new OrientedEdge($second, false), new OrientedEdge($first, false)];
        if ($ring !== null) {
            $this->onRings[$ring][spl_object_id($halves[0]->start())] = $halves[0];
            $this->onRings[$ring][spl_object_id($halves[1]->start())] = $halves[1];
        }

        return [...$halves, $middle];
    }

    private function added(Vector $at): int
    {
        $this->vertices[] = new Vertex($at);
        $this->normals[] = $this->normalAt($at);

        return count($this->vertices) - 1;
    }

    private function edge(int $from, int $to): Edge
    {
        [$start, $end] = [$this->vertices[$from], $this->vertices[$to]];
        $way = $end->at->minus($start->at);
        [$out, $in] = [$way->squareTo($this->normals[$from]), $way->squareTo($this->normals[$to])];
        // Of an arc of the turn θ over the chord c: handles of 2c·tan(θ/4) / (3·sin(θ/2)).
        $turn = max(self::LEAST_TURN, $out->angleTo($in));
        $slope = 2 * $way->length() * tan($turn / 4) / sin($turn / 2);

        return new Edge($start, $end, new SplineCurve(new CubicChain(
            [0.0, 1.0], [$start->at, $end->at], [$out->times($slope), $in->times($slope)],
        )));
    }

    /**
     * Adds the patch within four edges, the first and the third of which are opposite.
     *
     * @param  array{OrientedEdge, OrientedEdge, OrientedEdge, OrientedEdge}  $loop  seen from outside of the surface
     */
    private function add(array $loop): bool
    {
        [$bottom, $right, $top, $left] = array_map(static function (OrientedEdge $edge): array {
            $points = $edge->edge->curve instanceof SplineCurve ? $edge->edge->curve->chain->controlPoints() : [];

            return $edge->isForward ? $points : array_reverse($points);
        }, $loop);
        $patch = CoonsPatch::within($bottom, $right, array_reverse($top), array_reverse($left));
        $patch = $patch->through($this->projected($patch->at(0.5, 0.5)[0]));
        foreach (self::LOOKED_AT as [$u, $v]) {
            [$at, $normal] = $patch->at($u, $v);
            // From a little above it, so that a patch that folds is seen, too.
            $above = $at->plus($normal->times(self::ABOVE));
            [$distance] = $this->union->at($above->x, $above->y, $above->z, self::ACCURACY);
            if (abs($distance - self::ABOVE) > $this->within) {
                return false;
            }
        }
        $loop = $this->isBore
            ? array_reverse(array_map(static fn (OrientedEdge $one): OrientedEdge => $one->reversed(), $loop))
            : $loop;
        $ones = [1.0, 1.0, 1.0, 1.0];
        [, $normal] = $patch->at(0.5, 0.5);
        $surface = new SplineSurface(3, [0.0, 1.0], $ones, [0.0, 1.0], $patch->points, $normal);
        $this->faces[] = Face::within($surface, [$loop], ! $this->isBore);

        return true;
    }

    private function normalAt(Vector $at): Vector
    {
        [, $x, $y, $z] = $this->union->at($at->x, $at->y, $at->z, self::ACCURACY);

        return new Vector($x, $y, $z);
    }

    private function projected(Vector $at): Vector
    {
        return new Vector(...$this->union->nearestGroup($at->x, $at->y, $at->z, self::ACCURACY)
            ->onSurface($at->x, $at->y, $at->z, self::ACCURACY));
    }

    private function onRing(Vector $at, int $ring): Vector
    {
        $centre = $this->mouths[$ring]->centre;

        return $centre->plus($at->minus($centre)->squareTo($this->mouths[$ring]->out)->times($this->radii[$ring]));
    }

    /**
     * Returns the edges of a ring as they are gone along by what lies beyond it; null where they do not close.
     *
     * @param  array<int, OrientedEdge>  $edges
     */
    private function loop(array $edges): ?Profile
    {
        $loop = [];
        $edge = reset($edges);
        while ($edge !== false && count($loop) < count($edges)) {
            $loop[] = $edge;
            $edge = $edges[spl_object_id($edge->end())] ?? false;
        }
        if ($edge === false || $loop === [] || $edge !== $loop[0]) {
            return null;
        }
        $profile = new Profile($loop);

        return $this->isBore ? $profile : $profile->reversed();
    }
}
