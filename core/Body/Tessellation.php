<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Patch;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Motion\Motion;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Words;

/**
 * Triangles of a solid that stand off its surface by no more than a chord tolerance. Edges are divided first and faces
 * between them, so that neighbours meet without a gap; straights are not divided.
 */
final class Tessellation
{
    /** Most vertices of a body: with their triangles they take about 200 MB of memory. */
    private const MOST_VERTICES = 400_000;

    /** @var list<Vector> */
    private array $vertices = [];

    /** @var list<array{int, int, int}> */
    private array $triangles = [];

    /** @var array<int, int> number of each vertex of the boundary */
    private array $corners = [];

    /** @var array<int, list<int>> numbers of the points of each edge, ends included */
    private array $edges = [];

    /** @var array<int, list<float>> parameters at which each motion is divided, from 0 to 1 */
    private array $divisions = [];

    private readonly Chord $acrossTolerance;

    /** @var array<int, int> pieces of the edges across motions */
    private readonly array $pieces;

    private function __construct(private readonly Solid $solid, float $chord)
    {
        // A facet of what is round across and along stands off by the sum of both chords.
        $isRoundAlong = false;
        foreach ($solid->motions() as $id => [$motion, $hull]) {
            $isRoundAlong = $isRoundAlong || ! $motion->isStraight();
            $this->divisions[$id] = $motion->divisions(new Chord($chord / 2), $hull);
        }
        $this->acrossTolerance = new Chord($isRoundAlong ? $chord / 2 : $chord);
        $this->pieces = $solid->piecesAcross($this->acrossTolerance);
    }

    /**
     * @param  float  $chord  mm
     *
     * @throws JobError where that asks for more triangles than are allowed, or a flat face has none that cover it
     */
    public static function of(Solid $solid, float $chord): Mesh
    {
        $made = new self($solid, $chord);
        $made->refuseTooMany($chord);
        foreach ($solid->sweptFirst() as $face) {
            $face->patch === null ? $made->addFlat($face) : $made->addPatch($face->patch);
        }

        return new Mesh($made->vertices, $made->triangles);
    }

    /** @throws JobError */
    private function refuseTooMany(float $chord): void
    {
        $count = 0.0;
        foreach ($this->solid->faces() as $face) {
            if ($face->patch !== null) {
                $count += (count($this->divisions[spl_object_id($face->patch->motion)]) - 1.0)
                    * $this->pieces[spl_object_id($face->patch->from->edge)];
            }
        }
        if ($count > self::MOST_VERTICES) {
            throw JobError::at('', sprintf(
                'the body of %s would have about %s triangles, and %s are allowed: ask for a coarser chord than %s mm',
                $this->solid->name,
                number_format(2.0 * $count),
                number_format(2.0 * self::MOST_VERTICES),
                Words::number($chord, 4),
            ));
        }
    }

    private function addPatch(Patch $patch): void
    {
        $left = $this->alongRail($patch->left, $patch->motion);
        $right = $this->alongRail($patch->right, $patch->motion);
        $from = $this->across($patch->from);
        $to = $patch->closesInPoint() ? [$this->corner($patch->to->start())] : $this->across($patch->to);
        $last = count($from) - 1;
        $curve = $patch->from->edge->curve;
        $profile = [];
        for ($i = 1; $i < $last; $i++) {
            $profile[$i] = $curve->pointAt($patch->from->isForward ? $i / $last : 1.0 - $i / $last);
        }
        $divisions = $this->divisions[spl_object_id($patch->motion)];
        $row = $from;
        foreach ($divisions as $k => $t) {
            if ($k === 0) {
                continue;
            }
            if ($k === count($divisions) - 1) {
                $next = $patch->closesInPoint() ? array_fill(0, $last + 1, $to[0]) : $to;
            } else {
                $place = $patch->motion->placeAt($t);
                $next = [$left[$k]];
                for ($i = 1; $i < $last; $i++) {
                    $next[] = $this->add($place->point($profile[$i]));
                }
                $next[] = $right[$k];
            }
            for ($i = 0; $i < $last; $i++) {
                $this->triangles[] = [$row[$i], $row[$i + 1], $next[$i + 1]];
                // At the pole of a dome the row has shrunk to a point.
                if ($next[$i] !== $next[$i + 1]) {
                    $this->triangles[] = [$row[$i], $next[$i + 1], $next[$i]];
                }
            }
            $row = $next;
        }
    }

    /** @throws JobError */
    private function addFlat(Face $face): void
    {
        $at = $face->loops[0][0]->start()->at;
        $frame = Frame::of($at, $face->normalAt($at), Vector::zero());
        $numbers = [];
        $loops = [];
        foreach ($face->loops as $loop) {
            $flat = [];
            foreach ($loop as $edge) {
                foreach (array_slice($this->across($edge), 0, -1) as $number) {
                    $way = $this->vertices[$number]->minus($at);
                    $numbers[] = $number;
                    $flat[] = [$way->dot($frame->first), $way->dot($frame->second)];
                }
            }
            $loops[] = $flat;
        }
        $triangles = FlatTriangulation::of($loops);
        // A loop of n corners has n − 2 triangles, and n + 2 more where it is a hole.
        if (count($triangles) !== count($numbers) + 2 * count($loops) - 4) {
            throw JobError::at('', sprintf('an end of the body of %s does not close', $this->solid->name));
        }
        foreach ($triangles as [$a, $b, $c]) {
            $this->triangles[] = [$numbers[$a], $numbers[$b], $numbers[$c]];
        }
    }

    /** @return list<int> points of an edge across a motion, in the direction in which it is gone along */
    private function across(OrientedEdge $edge): array
    {
        $id = spl_object_id($edge->edge);
        if (! isset($this->edges[$id])) {
            $pieces = $this->pieces[$id] ?? $edge->edge->curve->pieces($this->acrossTolerance);
            $this->edges[$id] = $this->divided(
                $edge->edge, array_map(static fn (int $i): float => $i / $pieces, range(0, $pieces)),
            );
        }

        return $edge->isForward ? $this->edges[$id] : array_reverse($this->edges[$id]);
    }

    /** @return list<int> points of an edge along a motion */
    private function alongRail(OrientedEdge $rail, Motion $motion): array
    {
        return $this->edges[spl_object_id($rail->edge)] ??= $this->divided(
            $rail->edge, $this->divisions[spl_object_id($motion)],
        );
    }

    /**
     * @param  list<float>  $parameters  from 0 to 1
     * @return list<int>
     */
    private function divided(Edge $edge, array $parameters): array
    {
        $points = [$this->corner($edge->start)];
        foreach (array_slice($parameters, 1, -1) as $t) {
            $points[] = $this->add($edge->curve->pointAt($t));
        }
        $points[] = $this->corner($edge->end);

        return $points;
    }

    private function corner(Vertex $vertex): int
    {
        return $this->corners[spl_object_id($vertex)] ??= $this->add($vertex->at);
    }

    private function add(Vector $at): int
    {
        $this->vertices[] = $at;

        return count($this->vertices) - 1;
    }
}
