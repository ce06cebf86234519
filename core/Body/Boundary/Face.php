<?php

declare(strict_types=1);

namespace Bowline\Body\Boundary;

use Bowline\Geometry\Vector;

/** A face of a boundary: a part of a surface within loops of edges, the outer one first. */
final readonly class Face
{
    /**
     * @param  non-empty-list<non-empty-list<OrientedEdge>>  $loops  counter-clockwise about the outward normal; holes
     *     clockwise
     * @param  bool  $isAlongNormal  whether the outward normal of the face is the normal of its surface
     * @param  Patch|null  $patch  its points where it is a curved or swept face; null where it is flat within its loops
     */
    private function __construct(
        public Surface $surface,
        public array $loops,
        public bool $isAlongNormal,
        public ?Patch $patch,
    ) {
    }

    /**
     * @param  PlaneSurface  $plane  whose normal is the outward one
     * @param  non-empty-list<non-empty-list<OrientedEdge>>  $loops
     */
    public static function flat(PlaneSurface $plane, array $loops): self
    {
        return new self($plane, $loops, true, null);
    }

    /**
     * A face of which nothing is known but its surface and its edges: it is written, and never measured or divided.
     *
     * @param  non-empty-list<non-empty-list<OrientedEdge>>  $loops
     */
    public static function within(Surface $surface, array $loops, bool $isAlongNormal): self
    {
        return new self($surface, $loops, $isAlongNormal, null);
    }

    /** A face with four sides that a profile covers when it is moved. */
    public static function swept(Surface $surface, Patch $patch): self
    {
        $middle = $patch->pointAt(0.5, 0.5);

        return new self(
            $surface, [$patch->loop()], $surface->normalAt($middle)->dot($patch->areaAt(0.5, 0.5)) > 0.0, $patch,
        );
    }

    /** Returns the unit outward normal of a flat face. */
    public function normalAt(Vector $point): Vector
    {
        return $this->surface->normalAt($point)->times($this->isAlongNormal ? 1.0 : -1.0);
    }
}
