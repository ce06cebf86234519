<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;

/** One way of getting from port to port. A route is read from a run's "route" and lays the run along it. */
interface Route
{
    /** @throws JobError */
    public static function read(Node $node, Site $site): self;

    /** How many stops the designer gave; a fixed length names them by number. */
    public function stopCount(): int;

    /**
     * The points it was told to go through, in order, without its ends and as they were said: nothing is solved for
     * them.
     *
     * @param  Vector  $from  the end of the lead at the start, from which steps are counted
     * @return list<Vector>
     */
    public function saidPoints(Vector $from): array;

    public function lay(Run $run): LaidRun;

    /**
     * The ends of a run that says none of its own.
     *
     * @return array{RunEnd, RunEnd}|null null when it must say them
     */
    public function ownEnds(): ?array;

    /**
     * How far apart its ends are, and how much of it there is between them.
     *
     * @return array{float, float}|null mm; null when its length follows its shape
     */
    public function span(Run $run): ?array;

    /**
     * How far apart its ends are, when the run is too short to reach.
     *
     * @return array{float, float}|null what there is and what is spanned, mm; null when it reaches
     */
    public function shortage(LaidRun $laid): ?array;

    /** The same, as long as it is now wherever its ends go. */
    public function asCut(Run $run): self;

    /** The same, without what stands around and cannot be met by the run as it lies. */
    public function inReach(Run $run): self;

    /**
     * Even steps in which a movement of its ends is looked at to begin with: fewer where laying takes longer.
     *
     * @return int|null null when it is rigid and cannot follow a movement
     */
    public function sweepSteps(): ?int;

    /** Whether it takes no bending moment: at a clamp its direction is not that of the axis. */
    public function isLimp(): bool;

    /** Whether its ends are turned against each other when what holds them moves. */
    public function carriesTwist(): bool;

    /** Whether it may be led through clamps. */
    public function goesThroughClamps(): bool;

    /** How many runs it is wound on, one on another. */
    public function windingDepth(): int;

    /**
     * The direction that a movement of its ends is looked at along and across, besides their distance.
     *
     * @return Vector|null unit
     */
    public function gravity(): ?Vector;

    /**
     * What a designer wants to know of its shape besides its path.
     *
     * @param  bool  $isFull  with what takes long to find; not while a hand drags
     */
    public function facts(Run $run, bool $isFull): ?RouteFacts;

    /**
     * Between which lengths a hand may draw it out, where it is told by its length.
     *
     * @return array{float, float}|null mm
     */
    public function lengthRange(Run $run): ?array;

    /** Itself where it is rigid and has corners. */
    public function corners(): ?CornersRoute;

    /** Itself where it is a smooth curve through points. */
    public function smooth(): ?FlowRoute;

    /** Itself where it is an elastic hose made up to a length. */
    public function sprung(): ?SpringRoute;

    /** Itself where it comes to lie on what it meets. */
    public function settling(): ?SettlingRoute;
}
