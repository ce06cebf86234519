<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\Mesh;
use Bowline\Body\Tessellation;
use Bowline\Exchange\Step\StepShapes;
use Bowline\Geometry\Vector;

/** What is made as one piece, with its exact boundary. */
final readonly class ExactPart extends Part
{
    /** @param  array{float, float, float}  $colour */
    public function __construct(
        string $id,
        string $name,
        public Solid $solid,
        array $colour,
    ) {
        parent::__construct($id, $name, $colour);
    }

    public function mesh(float $chord): Mesh
    {
        return Tessellation::of($this->solid, $chord);
    }

    public function isSolid(): bool
    {
        return true;
    }

    public function cut(Vector $at, Vector $normal, ?float $division = null, ?float $off = null): array
    {
        return PlaneCut::of(
            $this->solid, $at, $normal, $division ?? PlaneCut::CHORD, $off ?? PlaneCut::POINTS,
        );
    }

    public function step(StepShapes $shapes): array
    {
        return ['ADVANCED_BREP_SHAPE_REPRESENTATION', $shapes->solid($this->solid)];
    }
}
