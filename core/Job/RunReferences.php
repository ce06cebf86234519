<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** Where the stops, ends and lengths of runs are, for what is read of a job and refers to them. */
interface RunReferences
{
    /** The same, for reading one run as it stands now. */
    public function reading(string $id, Node $run): self;

    /**
     * The vertices of one stop of a run.
     *
     * @return non-empty-list<Vector>
     *
     * @throws JobError when there is no such run or stop, or when it refers to itself
     */
    public function stop(Site $site, string $id, int $index, Node $asking): array;

    /**
     * An end of a run.
     *
     * @param  'from'|'to'  $end
     *
     * @throws JobError
     */
    public function end(Site $site, string $id, string $end, Node $asking): RunEnd;

    /**
     * How long the longest of the runs is that are to be of one length, each as long as it is by itself.
     *
     * @return float|null mm; null when no run is
     *
     * @throws JobError
     */
    public function longest(Site $site, string $set, Node $asking): ?float;

    /** "corner 2 of Feed", counted as everybody sees them. */
    public function words(string $id, int $stop): string;
}
