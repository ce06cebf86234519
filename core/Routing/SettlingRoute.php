<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Routing\Flexible\Watch;

/** A route whose shape is found by a simulation, which may take long. */
interface SettlingRoute extends Route
{
    /** Whether settling takes so long that it goes on the queue. */
    public function takesLong(Run $run): bool;

    /** Returns the route as it hangs before it settles, shown until it has. */
    public function unsettled(): self;

    /**
     * Returns the route in a shape in which it has settled before.
     *
     * @param  list<Vector>  $points  that its shape passes, from one end to the other
     */
    public function lying(array $points): self;

    public function watchedBy(Watch $watch): self;

    /** @return list<Vector> points of the shape it has been kept in; none when it lies as it falls */
    public function kept(): array;

    /** Whether its far end is free. */
    public function endsFree(): bool;

    /** Whether it is too long for its diameter to settle, so that it is drawn hanging. */
    public function isTooLong(Run $run): bool;

    /** @return list<string> names of bodies that it is laid through, as their triangles are not at hand */
    public function unknown(): array;

    /**
     * Returns where the settled run is still inside a body, deeper than the tolerance.
     *
     * @return array{float, float, Vector, string}|null depth in mm, developed length and point there, and name of the
     *     body
     */
    public function deepest(LaidRun $laid): ?array;
}
