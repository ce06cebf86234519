<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Stock;
use Bowline\Routing\Flexible\Gate;

/** A run laid along its route, before its rules are checked. */
final class LaidRun
{
    private ?Sweep $sweep = null;

    private bool $isSwept = false;

    private ?MovedShapes $shapes = null;

    private bool $hasShapes = false;

    /**
     * @param  list<Vertex>  $vertices
     * @param  list<Bend>  $bends
     * @param  list<Leg>  $legs
     * @param  array<int, TiedCorner>  $tied  corners with ties, by vertex
     * @param  float  $adjustedBy  distance by which stops moved to bring the run to its fixed length, mm
     * @param  list<array{Gate, float, float}>  $gates  clamps that a flexible run passes, with the start and end of the
     *     passage along the run, mm
     * @param  float|null  $nearestLength  nearest length that the run can reach where its fixed length is out of reach,
     *     mm
     * @param  bool  $jumped  whether the branch that it followed has stopped being stable
     * @param  RunPart|null  $part  where it is a spool, the run that it is of
     */
    public function __construct(
        public readonly Run $run,
        public readonly array $vertices,
        public readonly Path $path,
        public readonly array $bends,
        public readonly array $legs,
        public readonly array $tied,
        public readonly float $adjustedBy = 0.0,
        public readonly ?float $nearestLength = null,
        public readonly array $gates = [],
        public readonly bool $jumped = false,
        public readonly ?RunPart $part = null,
    ) {
    }

    /**
     * Returns the run over the whole movement of what holds it, computed once; null when nothing moves or the run is
     * rigid.
     */
    public function sweep(): ?Sweep
    {
        if (! $this->isSwept) {
            $this->sweep = Sweep::of($this);
            $this->isSwept = true;
        }

        return $this->sweep;
    }

    /**
     * Returns its centre line over the whole movement of what holds it, computed once; null when nothing moves, the run
     * is rigid, or it is not known yet.
     */
    public function shapes(): ?MovedShapes
    {
        if (! $this->hasShapes) {
            $this->shapes = MovedShapes::of($this);
            $this->hasShapes = true;
        }

        return $this->shapes;
    }

    /** Returns a copy of which the shapes over the movement are known, or are known to be unknown yet. */
    public function withShapes(?MovedShapes $shapes): self
    {
        $copy = clone $this;
        [$copy->shapes, $copy->hasShapes] = [$shapes, true];

        return $copy;
    }

    /**
     * Returns the vertex that comes next behind a place on a straight, which may go through several; null in a bend, or
     * where it has no corners.
     *
     * @param  float  $along  developed length, mm
     */
    public function vertexBehind(float $along): ?int
    {
        $point = $this->path->pointAt($along);
        foreach ($this->legs as $leg) {
            if ($along < $leg->start || $along > $leg->start + $leg->straight) {
                continue;
            }
            for ($vertex = $leg->fromVertex + 1; $vertex < $leg->toVertex; $vertex++) {
                if ($this->vertices[$vertex]->at->minus($point)->dot($leg->direction) > 0.0) {
                    return $vertex;
                }
            }

            return $leg->toVertex;
        }

        return null;
    }

    /** Returns a copy that is marked as having jumped to another branch. */
    public function afterJump(): self
    {
        return new self(
            $this->run,
            $this->vertices,
            $this->path,
            $this->bends,
            $this->legs,
            $this->tied,
            $this->adjustedBy,
            $this->nearestLength,
            $this->gates,
            true,
        );
    }

    /**
     * Returns a run that is a curve, without corners.
     *
     * @param  list<array{Gate, float, float}>  $gates
     */
    public static function curve(
        Run $run,
        Path $path,
        array $gates = [],
        float $adjustedBy = 0.0,
        ?float $nearestLength = null,
    ): self {
        return new self($run, [], $path, [], [], [], $adjustedBy, $nearestLength, $gates);
    }

    /** @return list<Vector> unit directions, square to each other, in which a vertex may move as it is told now */
    public function free(int $index): array
    {
        $vertex = $this->vertices[$index];
        $end = match ($vertex->place) {
            VertexPlace::FromLead => $this->run->from,
            VertexPlace::ToLead => $this->run->to,
            default => null,
        };
        if ($end !== null) {
            return $end->axis === null || ! $end->isOwn ? [] : [$end->axis];
        }
        if ($vertex->place !== VertexPlace::Stop) {
            return [];
        }
        $held = $this->run->route->corners()?->stops[$vertex->stop ?? 0]?->axis();

        return match (true) {
            isset($this->tied[$index]) => $this->tied[$index]->held->free,
            $held !== null => [$held],
            default => [new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0)],
        };
    }

    /** Returns the stock of the run at a developed length, mm. */
    public function stockAlong(float $along): Stock
    {
        $stock = $this->run->stock;
        foreach (count($this->run->stocks()) === 1 ? [] : LaidJoint::all($this) as $joint) {
            if ($joint->joint->stock !== null && ($joint->at ?? $joint->told) <= $along) {
                $stock = $joint->joint->stock;
            }
        }

        return $stock;
    }

    /** @param  'from'|'to'  $end */
    public function stockAtEnd(string $end): Stock
    {
        return $end === 'from' ? $this->run->stock : $this->run->lastStock();
    }

    /** Returns the stock of the run at a joint, which is numbered as it is told. */
    public function stockAtJoint(int $index): Stock
    {
        foreach (LaidJoint::all($this) as $joint) {
            if ($joint->index === $index) {
                return $this->stockAlong($joint->at ?? $joint->told);
            }
        }

        return $this->run->stock;
    }

    /** Returns the point at a developed length in mm; of a run without a length, where it is. */
    public function pointAt(float $along): Vector
    {
        return $this->path->segments === [] ? $this->run->from->at : $this->path->pointAt($along);
    }

    /** Returns the length from end face to end face along the centreline, mm. */
    public function length(): float
    {
        return $this->path->length;
    }
}
