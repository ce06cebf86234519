<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;
use Bowline\Job\Tie\Tie;

/** `at`: through a point. */
final readonly class PointStop implements Stop
{
    use NoClamp;

    /** @param  list<Tie>  $ties */
    public function __construct(
        private Vector $at,
        private ?CornerRadius $corner,
        private array $ties,
    ) {
    }

    public function vertices(Vector $last): array
    {
        return [$this->at];
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
