<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;

/** A simple body in its own frame. */
interface Shape
{
    /** Returns half of its extent along its own axes, mm. */
    public function halfExtent(): Vector;

    /** Returns the centre of that extent in its own frame. */
    public function middle(): Vector;

    /**
     * Returns a flat face by its name.
     *
     * @return array{Vector, Vector}|null a point on it and its unit normal, in its own frame
     */
    public function face(string $name): ?array;

    /**
     * Returns the signed distance from its surface and the outward normal. Plain floats: a draped run asks a million
     * times.
     *
     * @param  float  $within  mm; beyond this distance INF may be returned
     * @return array{float, float, float, float} mm, negative inside; unit outward normal
     */
    public function outside(float $x, float $y, float $z, float $within): array;

    /** Returns "box", "cylinder" or "mesh", for drawing. A panel is drawn as a box. */
    public function drawnAs(): string;

    /** Returns the name of its triangles; null where it has none. */
    public function mesh(): ?string;

    /**
     * Returns what it is where it is a prism about its own z: its outline in x and y, counter-clockwise, the height at
     * which it begins and how high it is, mm. Null otherwise.
     *
     * @return array{Outline, float, float}|null
     */
    public function prism(): ?array;

    /** @return list<RoundEnd> of its holes and spigots, where they are known; in its own frame */
    public function rounds(): array;

    /** Returns its triangles in its own frame; null where it has none, or they are not at hand. */
    public function triangles(): ?Triangles;

    /** Whether its triangles are missing, so that nothing can lie on it. */
    public function isUnknown(): bool;

    /**
     * Returns a copy for questions from within a ball; of a large mesh it holds only the triangles that can be touched
     * from there.
     *
     * @param  Vector  $middle  in its own frame, mm
     */
    public function about(Vector $middle, float $radius): self;

    /** Returns the words for a face behind the name of the thing; empty for its only main face. */
    public function faceWords(string $name): string;
}
