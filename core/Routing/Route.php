<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\RunEnd;
use Bowline\Job\Site;

/** A way of getting from port to port. A route is read from the "route" of a run and lays the run. */
interface Route
{
    /** @throws JobError */
    public static function read(Node $node, Site $site): self;

    /** Returns the number of stops in the file; a fixed length refers to them by index. */
    public function stopCount(): int;

    /**
     * Returns the points that were given, in order and without the ends, before anything is solved.
     *
     * @param  Vector  $from  end of the lead at the start, from which steps are counted
     * @return list<Vector>
     */
    public function saidPoints(Vector $from): array;

    public function lay(Run $run): LaidRun;

    /**
     * Returns the ends of a run that gives none of its own.
     *
     * @return array{RunEnd, RunEnd}|null null when the run must give them
     */
    public function ownEnds(): ?array;

    /**
     * Returns the distance of the ends and the length available between them.
     *
     * @return array{float, float}|null mm; null when the length follows the shape
     */
    public function span(Run $run): ?array;

    /** Returns by how much a run is too short; null when it reaches. */
    public function shortage(LaidRun $laid): ?Shortage;

    /** Returns the same route with its present length fixed, wherever its ends go. */
    public function asCut(Run $run): self;

    /** Returns the same route without surroundings that the run cannot touch as it lies. */
    public function inReach(Run $run): self;

    /**
     * Returns the number of even steps in which a movement is first sampled: fewer where laying takes longer.
     *
     * @return int|null null when the run is rigid and cannot follow a movement
     */
    public function sweepSteps(): ?int;

    /** Whether the run takes no bending moment, so that its direction at a clamp is not that of the axis. */
    public function isLimp(): bool;

    /** Whether its ends are turned against each other when what holds them moves. */
    public function carriesTwist(): bool;

    /** Whether it may be led through clamps. */
    public function goesThroughClamps(): bool;

    /** Returns how many runs it is wound on, one on another. */
    public function windingDepth(): int;

    /**
     * Returns the direction along and across which a movement of its ends is sampled, besides their distance.
     *
     * @return Vector|null unit
     */
    public function gravity(): ?Vector;

    /**
     * Returns facts about the shape of the run besides its path.
     *
     * @param  bool  $isFull  whether to include facts that take long to find; false during a drag
     */
    public function facts(Run $run, bool $isFull): ?RouteFacts;

    /**
     * Returns the shortest and longest length in a drag, where the run is given by its length.
     *
     * @return array{float, float}|null mm
     */
    public function lengthRange(Run $run): ?array;

    /** Returns itself where it is rigid and has corners, else null. */
    public function corners(): ?CornersRoute;

    /** Returns itself where it is a smooth curve through points, else null. */
    public function smooth(): ?FlowRoute;

    /** Returns itself where it is an elastic hose of a given length, else null. */
    public function sprung(): ?SpringRoute;

    /** Returns itself where it settles onto what it meets, else null. */
    public function settling(): ?SettlingRoute;
}
