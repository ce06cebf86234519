<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Geometry\GreatestDistance;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Solving\SolvedRun;

/** What has become of one run from one state of a job to another. Lengths in mm. */
final readonly class RunComparison
{
    /**
     * @param  float|null  $moved  greatest distance of both centre lines from each other; null where one is missing
     * @param  Vector|null  $at  on one of them, from where that is measured
     * @param  list<BendChange>  $bends  that are not the same
     * @param  list<SpoolChange>  $spools  of the run as it is now
     */
    private function __construct(
        public string $id,
        public Change $change,
        public ?SolvedRun $before,
        public ?SolvedRun $after,
        public ?float $moved,
        public ?Vector $at,
        public array $bends,
        public array $spools,
    ) {
    }

    /**
     * @param  list<Opening>  $openingsBefore
     * @param  list<Opening>  $openingsAfter
     */
    public static function of(
        SolvedRun $before,
        SolvedRun $after,
        array $openingsBefore,
        array $openingsAfter,
    ): self {
        [$spoolsBefore, $spoolsAfter] = [Spool::all($before->laid), Spool::all($after->laid)];
        $spools = SpoolChange::all($spoolsBefore, $spoolsAfter, $openingsBefore, $openingsAfter);
        [$old, $new] = [new MadePart($before->laid, $openingsBefore), new MadePart($after->laid, $openingsAfter)];
        $greatest = GreatestDistance::between(self::path($before->laid), self::path($after->laid));
        $isSameMake = $old->isSame($new) && $old->hasSameShape($new)
            && ! self::isAnyRemade($spools)
            && count($spoolsBefore) === count($spools)
            && Alike::values($before->laid->run->repeats, $after->laid->run->repeats);
        $isThere = $greatest->distance <= Alike::LENGTH && self::beginsThere($before, $after);

        return new self(
            $after->laid->run->id,
            match (true) {
                ! $isSameMake => Change::Changed,
                $isThere => Change::Same,
                default => Change::Moved,
            },
            $before, $after, $greatest->distance, $greatest->at,
            BendMatching::changes($before, $after), $spools,
        );
    }

    /** Returns a run that is new. */
    public static function added(SolvedRun $after): self
    {
        return new self(
            $after->laid->run->id, Change::New, null, $after, null, null, [],
            SpoolChange::all([], Spool::all($after->laid), [], []),
        );
    }

    /** Returns a run that is there no more. */
    public static function gone(SolvedRun $before): self
    {
        return new self($before->laid->run->id, Change::Gone, $before, null, null, null, [], []);
    }

    /** Whether anything of it has to be made anew. */
    public function isRemade(): bool
    {
        return self::isAnyRemade($this->spools);
    }

    /** @param  list<SpoolChange>  $spools */
    private static function isAnyRemade(array $spools): bool
    {
        $isKept = static fn (SpoolChange $one): bool => $one->work === SpoolWork::Keep;

        return array_filter($spools, $isKept) !== $spools;
    }

    /** Returns the name of the run as it is now, or as it was. */
    public function name(): string
    {
        return ($this->after ?? $this->before)->laid->run->name ?? $this->id;
    }

    /** Returns the path of a run; of one without a length a straight of none, where it is. */
    private static function path(LaidRun $laid): Path
    {
        $at = $laid->pointAt(0.0);

        return $laid->path->segments === [] ? new Path([new Line($at, $at)]) : $laid->path;
    }

    private static function beginsThere(SolvedRun $before, SolvedRun $after): bool
    {
        return $before->laid->pointAt(0.0)->distanceTo($after->laid->pointAt(0.0)) <= Alike::LENGTH;
    }
}
