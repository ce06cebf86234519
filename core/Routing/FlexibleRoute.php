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

    /** The same, as long as it is now wherever its ends go. */
    public function asCut(Run $run): self;

    /**
     * How far apart its ends are, and how much of it there is between them.
     *
     * @return array{float, float}|null mm; null when its length follows its shape
     */
    public function span(Run $run): ?array;

    /** Even steps in which a movement is looked at to begin with: fewer where laying takes longer. */
    public function sweepSteps(): int;
}
