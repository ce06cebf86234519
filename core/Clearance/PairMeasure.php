<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Job;

/** How near two things of a job are to each other, and how far apart they have to be. */
final readonly class PairMeasure
{
    public function __construct(
        private Job $job,
        private Contacts $contacts,
    ) {
    }

    /**
     * Returns how far two things have to be apart, mm, and why; the room beside a fitting is only not stood in.
     *
     * @return array{float, string|null}
     */
    public function needed(Thing $one, Thing $other): array
    {
        return $one->room() === null ? $this->neededBy($one->carries(), $other) : [0.0, null];
    }

    /**
     * Returns how far off a thing something has to be, by the class of what it carries, mm, and why.
     *
     * @return array{float, string|null}
     */
    public function neededBy(?string $carries, Thing $thing): array
    {
        return $thing->room() === null
            ? $this->job->clearances->between($carries, $thing->carries())
            : [0.0, null];
    }

    /**
     * Returns how near two things are; null where that is meant, or farther than is asked about.
     *
     * @param  float  $more  how much more than needed it is still told, where they are not meant to touch, mm
     */
    public function between(Thing $one, Thing $other, float $more = 0.0): ?Shortfall
    {
        return match (true) {
            $one instanceof RunThing => $this->ofRun($one, $other, $more),
            $other instanceof RunThing => $this->ofRun($other, $one, $more),
            $one instanceof SolidThing && $other instanceof SolidThing => $this->ofSolids($one, $other, $more),
            default => null,
        };
    }

    /** What stands on another thing is not too near to it. */
    private function ofSolids(SolidThing $one, SolidThing $other, float $more): ?Shortfall
    {
        $needed = $this->needed($one, $other);
        $within = $needed[0] + $more;
        // Surroundings are what is there: beams on frames, posts in floors.
        $isGiven = $one->ref()->list === 'surroundings' && $other->ref()->list === 'surroundings';
        if ($isGiven || $one->ref()->key() === $other->ref()->key() || $one->room() !== null && $other->room() !== null
            || $one->bounds()->distanceToBox($other->bounds()) > $within
            || $this->contacts->standTogether($one->ref(), $other->ref())) {
            return null;
        }
        $gap = SolidGap::between($one, $other, $within);

        return $gap === null || abs($gap->distance) < SolidGap::STANDS ? null : $this->short($gap, $needed);
    }

    private function ofRun(RunThing $run, Thing $other, float $more): ?Shortfall
    {
        $needed = $this->needed($run, $other);
        $more = $other->room() === null ? $more : 0.0;
        if ($run->bounds()->distanceToBox($other->bounds()) > $needed[0] + $more
            || $this->contacts->areTogether($run->ref(), $other->ref())) {
            return null;
        }
        $touching = $this->contacts->ends($run->ref(), $other->ref());
        $touched = $other instanceof RunThing ? $this->contacts->ends($other->ref(), $run->ref()) : [];
        $within = $needed[0] + ($touching === [] && $touched === [] ? $more : 0.0);
        // From the one that ends at the other, the near end of which is left out.
        $gap = $other instanceof RunThing && $touching === [] && $touched !== []
            ? GapFinder::between($other, $run, $within, $touched, [])
            : GapFinder::between($run, $other, $within, $touching, $touched);

        return $gap === null ? null : $this->short($gap, $needed);
    }

    /** @param  array{float, string|null}  $needed */
    private function short(Gap $gap, array $needed): Shortfall
    {
        return new Shortfall(
            $gap, ...$needed,
            waiver: $this->job->clearances->waived($gap->one->ref(), $gap->other->ref(), $gap->distance),
        );
    }
}
