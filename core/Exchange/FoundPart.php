<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Cut\MeshCut;
use Bowline\Body\FoundBody;
use Bowline\Body\FoundMesh;
use Bowline\Body\Mesh;
use Bowline\Exchange\Step\StepShapes;
use Bowline\Geometry\Vector;
use Bowline\Space\Progress;

/** A body whose surface is found, as fine as is asked for: in STEP on splines where it is smooth, else in triangles. */
final readonly class FoundPart extends Part
{
    /** How far splines may be off the surface, mm. */
    private const WITHIN = 0.02;

    /**
     * @param  float  $chord  of its triangles in STEP and of its cuts, mm
     * @param  array{float, float, float}  $colour
     */
    public function __construct(
        string $id,
        string $name,
        private FoundBody $body,
        private float $chord,
        array $colour,
    ) {
        parent::__construct($id, $name, $colour);
    }

    public function mesh(float $chord, Progress $progress = new Progress): Mesh
    {
        return $this->body->mesh($chord, $progress);
    }

    /** Returns its solid on splines; null where it is written in triangles. */
    public function onSplines(Progress $progress = new Progress): ?Solid
    {
        return $this->body->onSplines(self::WITHIN, $progress);
    }

    /** Returns the same part with triangles that have been found before, whatever it is asked for. */
    public function found(Mesh $mesh): self
    {
        return new self($this->id, $this->name, new FoundMesh($mesh), $this->chord, $this->colour);
    }

    public function isSolid(): bool
    {
        return true;
    }

    public function step(StepShapes $shapes): array
    {
        $solid = $this->onSplines();

        return $solid !== null
            ? ['ADVANCED_BREP_SHAPE_REPRESENTATION', $shapes->solid($solid)]
            : ['TESSELLATED_SHAPE_REPRESENTATION', $shapes->triangles($this->name, $this->mesh($this->chord))];
    }

    public function cut(Vector $at, Vector $normal, ?float $division = null, ?float $off = null): array
    {
        return MeshCut::of($this->mesh($this->chord), $at, $normal);
    }
}
