<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Vector;

/** Collects the vertices and triangles of a mesh. Rings are lists of vertex numbers in order about an axis. */
final class MeshBuilder
{
    /** @var list<Vector> */
    private array $vertices = [];

    /** @var list<array{int, int, int}> */
    private array $triangles = [];

    public function mesh(): Mesh
    {
        return new Mesh($this->vertices, $this->triangles);
    }

    public function vertex(Vector $at): int
    {
        $this->vertices[] = $at;

        return count($this->vertices) - 1;
    }

    public function at(int $vertex): Vector
    {
        return $this->vertices[$vertex];
    }

    public function triangle(int $a, int $b, int $c): void
    {
        $this->triangles[] = [$a, $b, $c];
    }

    /**
     * Adds a ring of vertices, counter-clockwise about the axis of the frame.
     *
     * @return list<int>
     */
    public function ring(Frame $frame, float $radius, int $count, float $phase = 0.0): array
    {
        $ring = [];
        for ($i = 0; $i < $count; $i++) {
            $ring[] = $this->vertex($frame->polar($radius, $phase + 2 * M_PI * $i / $count));
        }

        return $ring;
    }

    /**
     * Adds the wall from one ring to the next along the axis, seen from outside; with the rings exchanged it is seen
     * from inside.
     *
     * @param  list<int>  $from
     * @param  list<int>  $to  with as many vertices
     */
    public function wall(array $from, array $to): void
    {
        $count = count($from);
        for ($i = 0; $i < $count; $i++) {
            $j = ($i + 1) % $count;
            $this->triangle($from[$i], $from[$j], $to[$j]);
            $this->triangle($from[$i], $to[$j], $to[$i]);
        }
    }

    /**
     * Adds a flat disc that faces along the axis of its ring.
     *
     * @param  list<int>  $ring
     */
    public function disc(array $ring, Vector $centre): void
    {
        $middle = $this->vertex($centre);
        foreach ($ring as $i => $vertex) {
            $this->triangle($middle, $vertex, $ring[($i + 1) % count($ring)]);
        }
    }
}
