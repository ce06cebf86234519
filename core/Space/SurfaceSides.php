<?php

declare(strict_types=1);

namespace Bowline\Space;

/** What the whole of a surface of triangles says of the sides of a part of it. */
final readonly class SurfaceSides
{
    /**
     * @param  bool  $isOpen  whether it encloses nothing
     * @param  bool  $isTurned  whether its normals point inwards
     */
    public function __construct(
        public bool $isOpen,
        public bool $isTurned,
    ) {
    }
}
