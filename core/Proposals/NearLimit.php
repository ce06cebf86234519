<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Clearance\SolidThing;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Site;
use Bowline\Routing\LaidRun;

/**
 * Whether what is dragged comes nearer to something than it may, which it is not where it rests, and what is nearest to
 * it.
 */
final class NearLimit
{
    private readonly Clearances $rest;

    /** @var array<string, true>|null pairs that are too near already, once that is asked for; they hold nothing */
    private ?array $near = null;

    /** @var array{list<LaidRun>, Site, Clearances}|null what was looked at last */
    private ?array $last = null;

    /**
     * @param  Job  $job  as it rests, of all that is within reach of the drag
     * @param  list<LaidRun>  $laid  its runs
     * @param  list<ItemRef>  $moved  what is dragged, and all that hangs on it
     */
    public function __construct(
        private readonly Job $job,
        private readonly array $laid,
        private readonly array $moved,
    ) {
        $this->rest = new Clearances($job, $laid);
    }

    /**
     * Returns the first pair that is nearer than it may be and was not; null where there is none.
     *
     * @param  list<LaidRun>  $runs  as they lie now, of those that move
     * @param  Site  $site  what else moves, as it stands now
     */
    public function passed(array $runs, Site $site): ?Shortfall
    {
        foreach ($this->at($runs, $site)->ofAnyAtRest($this->moved) as $short) {
            if ($short->waiver === null && ! isset($this->near()[$short->key()])) {
                return $short;
            }
        }

        return null;
    }

    /**
     * Returns what comes nearest, or lacks most of what is needed, to what is dragged.
     *
     * @param  list<LaidRun>  $runs  likewise
     * @param  float  $reach  how far off it is still looked for, mm
     */
    public function nearest(array $runs, Site $site, float $reach): ?Shortfall
    {
        return $this->at($runs, $site)->nearest($this->moved, $reach);
    }

    /** @param  list<LaidRun>  $runs */
    private function at(array $runs, Site $site): Clearances
    {
        if ($this->last !== null && [$runs, $site] === [$this->last[0], $this->last[1]]) {
            return $this->last[2];
        }
        // In the order of the job, so that both things of a pair keep theirs.
        $now = [];
        foreach ([...$this->laid, ...$runs] as $one) {
            $now[$one->run->id] = $one;
        }
        $solids = array_merge(...array_map(
            static fn (ItemRef $one): array => SolidThing::of($one, $site), $this->moved,
        ));
        $clearances = new Clearances($this->job, array_values($now), [], $this->rest, $solids);
        $this->last = [$runs, $site, $clearances];

        return $clearances;
    }

    /** @return array<string, true> by key */
    private function near(): array
    {
        if ($this->near === null) {
            $this->near = [];
            foreach ($this->rest->ofAnyAtRest($this->moved) as $short) {
                if ($short->waiver === null) {
                    $this->near[$short->key()] = true;
                }
            }
        }

        return $this->near;
    }
}
