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

/** Whether what is dragged comes nearer to something than it may, which it is not where it rests. */
final class NearLimit
{
    private readonly Clearances $rest;

    /** @var array<string, true>|null pairs that are too near already, once that is asked for; they hold nothing */
    private ?array $near = null;

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
        // In the order of the job, so that both things of a pair keep theirs.
        $now = [];
        foreach ([...$this->laid, ...$runs] as $one) {
            $now[$one->run->id] = $one;
        }
        $solids = array_merge(...array_map(
            static fn (ItemRef $one): array => SolidThing::of($one, $site), $this->moved,
        ));
        $clearances = new Clearances($this->job, array_values($now), [], $this->rest, $solids);
        foreach ($clearances->ofAnyAtRest($this->moved) as $short) {
            if ($short->waiver === null && ! isset($this->near()[$short->key()])) {
                return $short;
            }
        }

        return null;
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
