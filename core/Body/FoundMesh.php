<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Space\Progress;

/** The triangles of a body, which were found before. */
final readonly class FoundMesh implements FoundBody
{
    public function __construct(private Mesh $mesh)
    {
    }

    public function mesh(float $chord, Progress $progress = new Progress): Mesh
    {
        return $this->mesh;
    }

    public function onSplines(float $within, Progress $progress = new Progress): null
    {
        return null;
    }
}
