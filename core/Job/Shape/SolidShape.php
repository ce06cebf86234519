<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** The answers of a shape without triangles. */
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

    public function rounds(): array
    {
        return [];
    }

    public function triangles(): null
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
