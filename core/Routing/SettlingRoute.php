<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\Watch;

/** A route that comes to lie step by step, which may take long. */
interface SettlingRoute extends FlexibleRoute
{
    /** Whether it takes so long to settle that nobody wants to wait for it. */
    public function takesLong(Run $run): bool;

    /** As it hangs before it settles: what there is to see until it has. */
    public function unsettled(): self;

    /**
     * As it has come to lie before.
     *
     * @param  list<Vector>  $points  that its shape goes through, from one end to the other
     */
    public function lying(array $points): self;

    public function watchedBy(Watch $watch): self;
}
