<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Cut\MeshCut;
use Bowline\Body\Mesh;
use Bowline\Exchange\Step\StepShapes;
use Bowline\Geometry\Vector;

/** A thing that came as triangles and is handed on as these, however fine they are. */
final readonly class MeshPart extends Part
{
    /** @param  array{float, float, float}  $colour */
    public function __construct(
        string $id,
        string $name,
        private Mesh $mesh,
        array $colour,
    ) {
        parent::__construct($id, $name, $colour);
    }

    public function mesh(float $chord): Mesh
    {
        return $this->mesh;
    }

    /** It may be an open sheet: nothing says that its triangles enclose anything. */
    public function isSolid(): bool
    {
        return false;
    }

    public function cut(Vector $at, Vector $normal, ?float $division = null, ?float $off = null): array
    {
        return MeshCut::of($this->mesh, $at, $normal);
    }

    public function step(StepShapes $shapes): array
    {
        return ['TESSELLATED_SHAPE_REPRESENTATION', $shapes->triangles($this->name, $this->mesh)];
    }
}
