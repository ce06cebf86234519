<?php

declare(strict_types=1);

namespace Bowline\Job\Stop;

use Bowline\Geometry\Vector;
use Bowline\Job\CornerRadius;
use Bowline\Job\Tie\Tie;

/** One thing a designer says about where a rigid run goes next. */
interface Stop
{
    /**
     * The vertices it stands for.
     *
     * @param  Vector  $last  the vertex before it
     * @return non-empty-list<Vector>
     */
    public function vertices(Vector $last): array;

    /** The radius asked for at its vertices, null when the run's or the stock's holds. */
    public function corner(): ?CornerRadius;

    /** @return list<Tie> what its one vertex is tied to; a clamp binds its two by itself */
    public function ties(): array;

    /** The axis that its vertices stay on, unit; null when nothing but ties holds them. */
    public function axis(): ?Vector;

    /** The passage of the run through a clamp, where that is what it stands for. */
    public function passage(): ?ClampStop;
}
