<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\CornerRadius;

/** `clamp`: through a clamp on its axis, with a vertex before and behind it. */
final readonly class ClampStop implements Stop
{
    public function __construct(
        public Clamp $clamp,
        private float $before,
        private float $after,
        private bool $reverse,
        private ?CornerRadius $corner,
    ) {
    }

    public function vertices(Vector $last): array
    {
        $travel = $this->travel();

        return [
            $this->clamp->at->minus($travel->times($this->before)),
            $this->clamp->at->plus($travel->times($this->after)),
        ];
    }

    /** Returns the unit direction in which the run passes the clamp. */
    public function travel(): Vector
    {
        return $this->reverse ? $this->clamp->axis->times(-1.0) : $this->clamp->axis;
    }

    public function corner(): ?CornerRadius
    {
        return $this->corner;
    }

    public function ties(): array
    {
        return [];
    }

    public function axis(): Vector
    {
        return $this->clamp->axis;
    }

    public function passage(): self
    {
        return $this;
    }
}
