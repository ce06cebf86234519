<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Rules\Finding;
use Bowline\Rules\Severity;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\WorkBudgetSpent;

/**
 * Dragging that holds at the limit: finds how far from rest towards the wish a value may go before a dependent run
 * breaks a rule that it did not break before.
 */
final readonly class Hold
{
    /** Number of samples between rest and wish, so that a limit that is passed and left again is not missed. */
    private const SAMPLES = 12;

    /** Smallest step in which a limit may be found, mm or degrees. */
    public const FINEST = 1e-3;

    public const COARSEST = 1e3;

    /** Said when the work budget ended the search: the value is held at the farthest point that is known to be good. */
    private const STOPPED = 'so much hangs on it that the limit is not found more closely';

    /** Most bisections of one search. */
    private const MOST_HALVINGS = 60;

    /**
     * @param  list<SolvedRun>  $solved  the runs as they follow from where it stopped
     * @param  string|null  $heldBy  what would have come, had it gone on, or why it was looked no farther
     */
    private function __construct(
        public float $amount,
        public array $solved,
        public ?string $heldBy,
    ) {
    }

    /**
     * @param  callable(float): list<SolvedRun>  $solve  the runs that follow, for an amount; always the same runs
     * @param  list<SolvedRun>  $before  the same runs as they are kept now
     * @param  float  $rest  the amount at which nothing has changed
     * @param  float  $step  how finely the limit is found, in the unit of the amount
     * @param  (callable(list<SolvedRun>, float): (string|null))|null  $nearer  what comes nearer than it may, for runs
     *     as they follow from an amount
     */
    public static function towards(
        callable $solve,
        array $before,
        float $rest,
        float $wish,
        float $step,
        ?callable $nearer = null,
    ): self {
        $tally = self::tally($before);
        $solved = $solve($wish);
        $worse = self::judged($solved, $wish, $tally, $nearer);
        if ($worse === null) {
            return new self($wish, $solved, null);
        }
        $good = $rest;
        $bad = $wish;
        $best = $before;
        try {
            for ($look = 1; $look < self::SAMPLES; $look++) {
                $at = $rest + ($wish - $rest) * $look / self::SAMPLES;
                $tried = $solve($at);
                $found = self::judged($tried, $at, $tally, $nearer);
                if ($found !== null) {
                    [$bad, $worse] = [$at, $found];
                    break;
                }
                [$good, $best] = [$at, $tried];
            }
            for ($halving = 0; $halving < self::MOST_HALVINGS && abs($bad - $good) > $step / 2; $halving++) {
                $at = ($good + $bad) / 2;
                $tried = $solve($at);
                $found = self::judged($tried, $at, $tally, $nearer);
                if ($found === null) {
                    [$good, $best] = [$at, $tried];
                } else {
                    [$bad, $worse] = [$at, $found];
                }
            }

            return self::onStep($solve, $tally, $nearer, $good, $best, $rest, $step, $worse);
        } catch (WorkBudgetSpent) {
            return new self($good, $best, self::STOPPED);
        }
    }

    /**
     * Holds a value at its least from above. Nothing is held when even a plentiful value cures nothing.
     *
     * @param  callable(float): list<SolvedRun>  $solve
     * @param  list<SolvedRun>  $before
     * @param  float  $plenty  a value that is certainly large enough
     */
    public static function atLeast(callable $solve, array $before, float $plenty, float $wish, float $step): self
    {
        $enough = $solve($plenty);

        return self::worse($enough, self::tally($before)) === null
            ? self::towards($solve, $enough, $plenty, $wish, $step)
            : self::free($wish, $solve($wish));
    }

    /** @param  list<SolvedRun>  $solved */
    public static function free(float $amount, array $solved): self
    {
        return new self($amount, $solved, null);
    }

    /**
     * Returns the limit in whole steps from rest, where the whole step is still good, so that values are such as people
     * type.
     *
     * @param  callable(float): list<SolvedRun>  $solve
     * @param  array<string, int>  $tally
     * @param  (callable(list<SolvedRun>, float): (string|null))|null  $nearer
     * @param  list<SolvedRun>  $best
     */
    private static function onStep(
        callable $solve,
        array $tally,
        ?callable $nearer,
        float $good,
        array $best,
        float $rest,
        float $step,
        string $heldBy,
    ): self {
        // The search may have stopped up to half a step short of a limit that is a whole number.
        foreach (
            [
                round(($good - $rest) / $step),
                $good > $rest ? floor(($good - $rest) / $step) : ceil(($good - $rest) / $step),
            ] as $steps
        ) {
            $whole = $rest + $steps * $step;
            $tried = $solve($whole);
            if (self::judged($tried, $whole, $tally, $nearer) === null) {
                return new self($whole, $tried, $heldBy);
            }
        }

        return new self($good, $best, $heldBy);
    }

    /**
     * Returns what is worse than before, in words; null where nothing is.
     *
     * @param  list<SolvedRun>  $solved
     * @param  array<string, int>  $tally
     * @param  (callable(list<SolvedRun>, float): (string|null))|null  $nearer
     */
    private static function judged(array $solved, float $at, array $tally, ?callable $nearer): ?string
    {
        $finding = self::worse($solved, $tally);

        return $finding !== null ? $finding->title : ($nearer === null ? null : $nearer($solved, $at));
    }

    /**
     * Returns the first violation of a rule that a run breaks more often than before.
     *
     * @param  list<SolvedRun>  $solved
     * @param  array<string, int>  $before
     */
    private static function worse(array $solved, array $before): ?Finding
    {
        $now = self::tally($solved);
        foreach ($solved as $run) {
            foreach ($run->findings as $finding) {
                $key = self::key($run, $finding);
                if ($finding->severity === Severity::Violation && $now[$key] > ($before[$key] ?? 0)) {
                    return $finding;
                }
            }
        }

        return null;
    }

    /**
     * @param  list<SolvedRun>  $solved
     * @return array<string, int>
     */
    private static function tally(array $solved): array
    {
        $tally = [];
        foreach ($solved as $run) {
            foreach ($run->findings as $finding) {
                $key = self::key($run, $finding);
                $tally[$key] = ($tally[$key] ?? 0) + 1;
            }
        }

        return $tally;
    }

    private static function key(SolvedRun $run, Finding $finding): string
    {
        return $run->laid->run->id.' '.$finding->rule;
    }
}
