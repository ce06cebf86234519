<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Tolerance;

/**
 * Finds the cheapest way through a passage. Tracks are grown: those of bodies come in when these were in the way of a
 * search along the tracks there were, until nothing new is in the way or it does not get better.
 */
final class PassageSearch
{
    private const MOST_ROUNDS = 12;

    /**
     * States that a search for a first way may expand, and one for a better way; the share of the cost by which that
     * has to be better.
     */
    private const FIRST = [40_000, 2_000, 0.03];

    private const OTHERS = [8_000, 1_000, 0.15];

    /** Most states that one round expands: along the tracks of other bodies a way may be found sooner. */
    private const MOST_A_ROUND = 12_000;

    /** Rounds without a better way after which the search ends. */
    private const PATIENCE = 1;

    /** Most bodies whose tracks come in at once: those nearest to the straight between the mouths. */
    private const AT_ONCE = 8;

    /** @var array<int, true> numbers of the bodies that blocked a leg, a bend or a mouth */
    public array $blocking = [];

    /**
     * @param  list<array{Bounds, float, float}>  $guides  what a way rather goes along (`Scene::guides`)
     * @param  int|null  $uphill  number of the direction that it does not take
     */
    public function __construct(
        private readonly Passage $passage,
        private readonly array $guides,
        private readonly float $radius,
        private readonly float $leastStraight,
        private readonly ?int $uphill = null,
    ) {
    }

    /**
     * Returns the best way, null where none is found.
     *
     * @param  bool  $isFirst  whether it is the first that is looked for; others need not be so good
     * @param  float  $below  what costs no less is not looked for
     */
    public function best(Costs $costs, bool $isFirst, float $below): ?CornerLine
    {
        [$most, $mostToBetter, $worth] = $isFirst ? self::FIRST : self::OTHERS;
        $active = [];
        $best = null;
        $spread = false;
        $waited = 0;
        $left = $most;
        for ($round = 0; $round < self::MOST_ROUNDS; $round++) {
            $search = new LegSearch(
                $this->passage, $this->tracks($active, $spread), $costs, $this->radius, $this->leastStraight,
                $best === null ? $below : $best[1] * (1.0 - $worth),
                $best === null ? min($left, self::MOST_A_ROUND) : $mostToBetter,
                $this->uphill,
            );
            $found = $search->way();
            $left -= $search->count;
            $this->blocking += $search->blocking;
            if ($found !== null && ($best === null || $found[1] < $best[1] - Tolerance::COINCIDENT)) {
                $best = $found;
                $waited = 0;
            } elseif ($best !== null && ++$waited > self::PATIENCE) {
                break;
            }
            $new = array_diff_key($search->blocking, $active);
            if (($new === [] && ($best !== null || $spread)) || ($best === null && $left <= 0)) {
                break;
            }
            $spread = $spread || $new === [];
            $active += $this->nearest($new);
        }

        if ($best === null) {
            $this->blocking += $this->passage->closing();
        }

        return $best === null ? null : (new CornerLine($best[0], $this->radius))->tidied();
    }

    /**
     * @param  array<int, true>  $active
     * @return array{list<float>, list<float>, list<float>}
     */
    private function tracks(array $active, bool $isSpread): array
    {
        $tracks = new Tracks($this->radius, $this->leastStraight);
        $tracks->mouth($this->passage->from);
        $tracks->mouth($this->passage->to);
        foreach (array_keys($active) as $number) {
            $body = $this->passage->obstacles->all[$number];
            $tracks->body($body->bounds, $body->keep);
        }
        foreach ($this->guides as [$bounds, $off]) {
            $tracks->along($bounds, $off);
        }
        if ($isSpread) {
            $tracks->spread();
        }

        return $tracks->all();
    }

    /**
     * @param  array<int, true>  $bodies
     * @return array<int, true>
     */
    private function nearest(array $bodies): array
    {
        $middle = $this->passage->from->at->plus($this->passage->to->at)->times(0.5);
        $off = [];
        foreach (array_keys($bodies) as $number) {
            $off[$number] = $this->passage->obstacles->all[$number]->bounds->distanceTo($middle);
        }
        asort($off);

        return array_fill_keys(array_slice(array_keys($off), 0, self::AT_ONCE), true);
    }
}
