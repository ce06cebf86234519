<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** Finds the stops, ends and lengths of runs for items of a job that refer to them. */
interface RunReferences
{
    /** Returns a copy for reading one run in its present state. */
    public function reading(string $id, Node $run): self;

    /**
     * Returns the vertices of one stop of a run.
     *
     * @return non-empty-list<Vector>
     *
     * @throws JobError when there is no such run or stop, or when it refers to itself
     */
    public function stop(Site $site, string $id, int $index, Node $asking): array;

    /**
     * Returns an end of a run.
     *
     * @param  'from'|'to'  $end
     *
     * @throws JobError
     */
    public function end(Site $site, string $id, string $end, Node $asking): RunEnd;

    /**
     * Returns the place on another run that is told as `on`, by a `run` and a `length` along it.
     *
     * @throws JobError when there is no such run, or it has no length
     */
    public function branch(Site $site, Node $on): Branch;

    /**
     * Returns where runs leave another by bought tees, in order along it.
     *
     * @return list<TeePlace>
     *
     * @throws JobError
     */
    public function teesOn(Site $site, string $host): array;

    /**
     * Returns the flanges of other runs at the fittings at which a run has one itself.
     *
     * @return list<FlangeBeside>
     *
     * @throws JobError
     */
    public function flangesBeside(Site $site, string $id): array;

    /**
     * Returns the stock of a run.
     *
     * @throws JobError
     */
    public function stockOf(Site $site, string $id, Node $asking): Stock;

    /**
     * Returns the length of the longest run of a set of equal lengths, each as long as it is by itself.
     *
     * @return float|null mm; null when the set has no run
     *
     * @throws JobError
     */
    public function longest(Site $site, string $set, Node $asking): ?float;

    /** Returns "corner 2 of Feed", counted as on the screen. */
    public function words(string $id, int $stop): string;
}
