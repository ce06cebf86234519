<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Solid;
use Closure;

/** What stands on an end of a tube, for whoever draws the tube in another way. */
final readonly class Finish
{
    /**
     * @param  string  $key  the same for finishes of one run that differ only in where they stand
     * @param  Frame  $at  where it stands, its first direction upright
     * @param  Closure(): Solid  $solid  builds it there
     */
    public function __construct(
        public string $key,
        public Frame $at,
        private Closure $solid,
    ) {
    }

    /**
     * Returns its triangles, its points along the three directions of its frame, mm.
     *
     * @param  float  $chord  mm
     */
    public function localMesh(float $chord): Mesh
    {
        $mesh = Tessellation::of(($this->solid)(), $chord);

        return new Mesh(array_map($this->at->coordinatesOf(...), $mesh->vertices), $mesh->triangles);
    }
}
