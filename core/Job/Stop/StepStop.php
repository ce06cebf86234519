<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;
use Bowline\Job\Tie\Tie;

/** `by`, or `along` with `length`: the previous vertex moved by a vector. */
final readonly class StepStop implements Stop
{
    use NoClamp;

    /** @param  list<Tie>  $ties */
    public function __construct(
        private Vector $by,
        private ?CornerRadius $corner,
        private array $ties,
    ) {
    }

    public function vertices(Vector $last): array
    {
        return [$last->plus($this->by)];
    }

    public function corner(): ?CornerRadius
    {
        return $this->corner;
    }

    public function ties(): array
    {
        return $this->ties;
    }
}
