<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** Answers of a shape that is known by its measures, without triangles. */
trait SolidShape
{
    public function drawnAs(): string
    {
        return 'box';
    }

    public function mesh(): ?string
    {
        return null;
    }

    public function isUnknown(): bool
    {
        return false;
    }

    public function about(Vector $middle, float $radius): self
    {
        return $this;
    }

    public function faceWords(string $name): string
    {
        return str_replace('-', '−', $name).' face';
    }
}
