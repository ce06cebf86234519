<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;

/** `at`: through that point. */
final readonly class PointStop implements Stop
{
    public function __construct(
        private Vector $at,
        private ?CornerRadius $corner,
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
}
