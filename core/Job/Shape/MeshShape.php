<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A body brought in as triangles from a file kept beside the job; here only its extent is known. */
final readonly class MeshShape implements Shape
{
    /**
     * @param  string  $mesh  names the kept triangles: the hash of the file they came from
     * @param  Vector  $least  lowest corner of its extent, in its own frame, mm
     * @param  Vector  $most  highest corner
     */
    public function __construct(
        public string $mesh,
        public Vector $least,
        public Vector $most,
    ) {
    }

    public function halfExtent(): Vector
    {
        return $this->most->minus($this->least)->times(0.5);
    }

    public function middle(): Vector
    {
        return $this->most->plus($this->least)->times(0.5);
    }

    public function face(string $name): ?array
    {
        return null;
    }

    /** Its triangles are not in the job: nothing lies on it. */
    public function outside(float $x, float $y, float $z): array
    {
        return [INF, 0.0, 0.0, 1.0];
    }
}
