<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** A simple body in its own frame. */
interface Shape
{
    /** Half of its extent along its own three axes, mm. */
    public function halfExtent(): Vector;

    /** Where the middle of that extent is, in its own frame. */
    public function middle(): Vector;

    /**
     * A flat face by its name.
     *
     * @return array{Vector, Vector}|null a point on it and its unit normal, in its own frame
     */
    public function face(string $name): ?array;

    /**
     * How far outside of its surface a point in its own frame is, and the way out. In plain numbers: what is laid
     * over it asks a million times.
     *
     * @param  float  $within  mm; what is farther off than this may be told as INF
     * @return array{float, float, float, float} mm, less than 0 within; unit, away from the nearest of its surface
     */
    public function outside(float $x, float $y, float $z, float $within): array;

    /** Its word for whoever draws it: "box", "cylinder" or "mesh". A panel is drawn as a box. */
    public function drawnAs(): string;

    /** The name of its triangles, null where it has none. */
    public function mesh(): ?string;

    /** Whether its triangles are not at hand, so that nothing can lie on it. */
    public function isUnknown(): bool;

    /**
     * The same for questions from within a ball alone: a large mesh then takes up only what can be met from there.
     *
     * @param  Vector  $middle  in its own frame, mm
     */
    public function about(Vector $middle, float $radius): self;

    /** What to call a face behind the name of the thing; nothing for its one main face. */
    public function faceWords(string $name): string;
}
