<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Likeness;

/** The vertex of a symmetric run that is the mirror image of a stop and moves with it. */
final readonly class Mirrored
{
    public function __construct(
        public int $stop,
        private Likeness $likeness,
    ) {
    }

    public function direction(Vector $direction): Vector
    {
        return $this->likeness->direction($direction);
    }
}
