<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Vector;

/** A closed surface of triangles, counter-clockwise seen from outside. Millimetres. */
final readonly class Mesh
{
    /**
     * @param  list<Vector>  $vertices
     * @param  list<array{int, int, int}>  $triangles  indices into the vertices
     */
    public function __construct(
        public array $vertices,
        public array $triangles,
    ) {
    }

    /** Returns the enclosed volume in mm³, by the divergence theorem; negative when the mesh is inside out. */
    public function volume(): float
    {
        $sum = 0.0;
        foreach ($this->triangles as [$a, $b, $c]) {
            $sum += $this->vertices[$a]->dot($this->vertices[$b]->cross($this->vertices[$c]));
        }

        return $sum / 6;
    }
}
