<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;
use Bowline\Job\Tie\Tie;

/** One element of the description of where a rigid run goes. */
interface Stop
{
    /**
     * Returns its vertices.
     *
     * @param  Vector  $last  the previous vertex
     * @return non-empty-list<Vector>
     */
    public function vertices(Vector $last): array;

    /** Returns the radius given for its vertices; null when that of the run or the stock applies. */
    public function corner(): ?CornerRadius;

    /** @return list<Tie> what its one vertex is tied to; a clamp binds its two by itself */
    public function ties(): array;

    /** Returns the unit axis on which its vertices stay; null when only ties hold them. */
    public function axis(): ?Vector;

    /** Returns the passage through a clamp, where it is one. */
    public function passage(): ?ClampStop;
}
