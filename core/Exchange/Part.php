<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\Mesh;
use Bowline\Body\Tessellation;
use Bowline\Job\JobError;

/** What is made as one piece, for a file of bodies. */
final readonly class Part
{
    /**
     * @param  string  $id  unique in the file
     * @param  array{float, float, float}  $colour  red, green and blue from 0 to 1 (sRGB)
     */
    public function __construct(
        public string $id,
        public string $name,
        public Solid $solid,
        public array $colour,
    ) {
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the true surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed
     */
    public function mesh(float $chord): Mesh
    {
        return Tessellation::of($this->solid, $chord);
    }
}
