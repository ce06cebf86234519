<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Vector;

/** Receives the progress of a line that settles, and may stop it. */
interface Watch
{
    /**
     * @param  float  $part  how much of it is done, 0 to 1
     * @param  callable(): list<Vector>  $points  how it lies now, worked out when it is asked for
     *
     * @throws SettlingStopped to stop it
     */
    public function settles(float $part, callable $points): void;
}
