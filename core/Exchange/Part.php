<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Mesh;
use Bowline\Exchange\Step\StepShapes;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

/** One thing in a file of bodies. */
abstract readonly class Part
{
    /**
     * @param  string  $id  unique in the file
     * @param  array{float, float, float}  $colour  red, green and blue from 0 to 1 (sRGB)
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $colour,
    ) {
    }

    /**
     * @param  float  $chord  farthest that a facet stands off the true surface, mm
     *
     * @throws JobError where that asks for more triangles than are allowed
     */
    abstract public function mesh(float $chord): Mesh;

    /** Whether it encloses what it is made of. */
    abstract public function isSolid(): bool;

    /**
     * Returns the closed outlines in which a plane cuts it.
     *
     * @param  Vector  $normal  unit
     * @param  float|null  $division  chord tolerance of the division in which the plane is looked for, mm; the usual
     *     one when it is null, $off likewise
     * @param  float|null  $off  farthest that a chord of points stands off the cut, mm
     * @return list<CutLoop>
     */
    abstract public function cut(Vector $at, Vector $normal, ?float $division = null, ?float $off = null): array;

    /** @return array{string, string} kind of representation in STEP, and reference of its item, which is written */
    abstract public function step(StepShapes $shapes): array;
}
