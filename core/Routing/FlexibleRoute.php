<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\RunEnd;

/** A route that is a curve: it has no corners, bends or legs. */
interface FlexibleRoute extends Route
{
    /**
     * The ends of a run that says none of its own.
     *
     * @return array{RunEnd, RunEnd}|null null when it must say them
     */
    public function ownEnds(): ?array;

    /**
     * How far apart its ends are, when the run is too short to reach.
     *
     * @return array{float, float}|null what there is and what is spanned, mm; null when it reaches
     */
    public function shortage(LaidRun $laid): ?array;
}
