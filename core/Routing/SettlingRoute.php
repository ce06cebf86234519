<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\Watch;

/** A route that comes to lie step by step, which may take long. */
interface SettlingRoute extends Route
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

    /** @return list<Vector> points of the shape it has been kept in; none when it lies as it falls */
    public function kept(): array;

    /** Whether its far end lies where it falls. */
    public function endsFree(): bool;

    /** Whether it is so long for its thickness that it is drawn as it would hang. */
    public function isTooLong(Run $run): bool;

    /** @return list<string> names of bodies that it is laid through, as their triangles are not at hand */
    public function unknown(): array;

    /**
     * Where it has come to lie in something all the same, deeper than it may.
     *
     * @return array{float, float, Vector, string}|null how deep, mm; developed length and place there; name of what it
     *     is in
     */
    public function deepest(LaidRun $laid): ?array;
}
