<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Body\Mesh;
use Bowline\Exchange\Step\StepShapes;
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

    /** @return array{string, string} kind of representation in STEP, and reference of its item, which is written */
    abstract public function step(StepShapes $shapes): array;
}
