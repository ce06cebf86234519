<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

use Bowline\Geometry\Tolerance;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Cuts pieces from bars with the least length of bars: the cutting-stock problem. Its linear relaxation is solved by
 * column generation (Gilmore and Gomory, Operations Research 9, 1961); its prices give a bound at each step, also where
 * the search is cut short (Farley, Operations Research 38, 1990). Whole patterns of that solution are taken, and the
 * rest is filled bar by bar with as little offcut as can be (a knapsack by branch and bound). Several ways of rounding
 * are tried, until one is as good as the bound.
 */
final class Nesting
{
    /** Parts of the bound by which a plan may be longer: in the first tries, and after so many. */
    private const GOOD = 1e-9;

    private const ENOUGH = 0.01;

    private const EARLY = 8;

    /** Most patterns that are generated, and most branches of a knapsack. */
    private const PATTERNS = 400;

    private const BRANCHES = 20_000;

    /** Ways of rounding that are tried. */
    private const TRIES = 40;

    /** A pattern has to be worth this much more than its bar is long, mm, to be taken in: less is rounding. */
    private const SLACK = 1e-6;

    /** By how much rounding may miss a whole number of patterns, or of measures that all bars have in common. */
    private const ROUNDING = 1e-7;

    /** The simplex does not divide by an element that is smaller. */
    private const PIVOT = 1e-9;

    /** Patterns whose worth differs by no more are worth the same, mm of bar. */
    private const SAME_WORTH = 1e-9;

    /** @var list<float> different lengths of pieces with their cut, descending, mm */
    private array $widths = [];

    /** @var list<int> how many of each are wanted */
    private array $wanted = [];

    private readonly Randomizer $random;

    /**
     * @param  list<float>  $bars  lengths of bars with one cut more, ascending, mm
     */
    private function __construct(private readonly array $bars, private readonly float $kerf)
    {
        $this->random = new Randomizer(new Mt19937(1));
    }

    /**
     * @param  list<Piece>  $pieces
     * @param  non-empty-list<float>  $lengths  in which bars are sold, mm
     * @param  float  $kerf  width of a cut, mm
     */
    public static function of(array $pieces, array $lengths, float $kerf): CuttingPlan
    {
        sort($lengths);
        $longest = max($lengths);
        $tooLong = array_values(array_filter($pieces, static fn (Piece $one): bool => $one->length > $longest));
        $pieces = array_values(array_filter($pieces, static fn (Piece $one): bool => $one->length <= $longest));
        if ($pieces === []) {
            return new CuttingPlan([], 0.0, $tooLong);
        }
        // The last piece of a bar may end at its end: each takes a cut, and a bar has room for one more.
        $nesting = new self(array_map(static fn (float $one): float => $one + $kerf, $lengths), $kerf);
        usort($pieces, static fn (Piece $a, Piece $b): int => $b->length <=> $a->length);
        /** @var list<list<Piece>> $byWidth */
        $byWidth = [];
        foreach ($pieces as $piece) {
            $width = $piece->length + $kerf;
            $last = count($byWidth) - 1;
            if ($last >= 0 && abs($nesting->widths[$last] - $width) < self::SLACK) {
                $byWidth[$last][] = $piece;
            } else {
                $byWidth[] = [$piece];
                $nesting->widths[] = $width;
            }
        }

        $nesting->wanted = array_map(count(...), $byWidth);

        return $nesting->plan($byWidth, $tooLong);
    }

    /**
     * @param  list<list<Piece>>  $byWidth
     * @param  list<Piece>  $tooLong
     */
    private function plan(array $byWidth, array $tooLong): CuttingPlan
    {
        // What is bought are whole bars, whose lengths have a common measure.
        $measure = $this->commonMeasure();
        $whole = static fn (float $length): float => ceil($length / $measure - self::ROUNDING) * $measure;
        // The patterns take long to find, and often bars that are filled one by one are as few as their material is.
        $bound = $whole($this->material());
        $best = $this->tried(self::EARLY, [], $bound);
        if ($best[0] > $bound + self::SLACK) {
            [$relaxed, $patterns] = $this->relaxed();
            $bound = max($bound, $whole($relaxed));
            $other = $this->tried(self::TRIES, $patterns, $bound);
            $best = $other[0] < $best[0] - self::SLACK ? $other : $best;
        }
        if ($best[0] > $bound + self::SLACK && array_sum($this->wanted) <= ExactNesting::MOST) {
            [$cuts, $isSure] = $this->exact($best[0]);
            $best = $cuts === null ? $best : [$this->lengthOf($cuts), $cuts];
            $bound = $isSure ? $best[0] : $bound;
        }
        $bars = [];
        foreach ($best[1] as [$bar, $counts]) {
            $taken = [];
            foreach ($counts as $i => $count) {
                array_push($taken, ...array_splice($byWidth[$i], 0, $count));
            }
            if ($taken !== []) {
                $used = array_sum(array_map(fn (Piece $one): float => $one->length + $this->kerf, $taken));
                $bars[] = new Bar($this->bought($bar), $taken, max(0.0, $this->bought($bar) - $used));
            }
        }
        usort($bars, static fn (Bar $a, Bar $b): int => $a->offcut <=> $b->offcut);

        return new CuttingPlan($bars, $bound, $tooLong);
    }

    /** Returns the least length of bars that holds so much material, however it is cut. */
    private function material(): float
    {
        $material = array_sum(array_map(static fn (float $a, int $b): float => $a * $b, $this->widths, $this->wanted));

        $least = INF;
        foreach ($this->bars as $bar => $room) {
            $least = min($least, $this->bought($bar) / $room);
        }

        return $material * $least;
    }

    /** @param  list<array{int, array<int, int>}>  $cuts */
    private function lengthOf(array $cuts): float
    {
        return array_sum(array_map(fn (array $cut): float => $this->bought($cut[0]), $cuts));
    }

    /**
     * Returns the best of some ways of rounding, and its length: each until one is as good as a bound.
     *
     * @param  list<array{int, array<int, int>, float}>  $patterns
     * @return array{float, list<array{int, array<int, int>}>}
     */
    private function tried(int $tries, array $patterns, float $bound): array
    {
        $best = [INF, []];
        for ($try = 0; $try < $tries; $try++) {
            $cuts = $this->rounded($patterns, $try);
            $length = $this->lengthOf($cuts);
            $best = $length < $best[0] - self::SLACK ? [$length, $cuts] : $best;
            if ($best[0] <= $bound * (1.0 + ($try < self::EARLY ? self::GOOD : self::ENOUGH))) {
                break;
            }
        }

        return $best;
    }

    /**
     * Returns a better plan than a known one for few pieces, and whether there is surely none better still.
     *
     * @return array{list<array{int, array<int, int>}>|null, bool}
     */
    private function exact(float $known): array
    {
        $widths = $of = [];
        foreach ($this->widths as $i => $width) {
            for ($n = 0; $n < $this->wanted[$i]; $n++) {
                [$widths[], $of[]] = [$width, $i];
            }
        }
        $costs = array_map($this->bought(...), array_keys($this->bars));
        [$plan, $isSure] = ExactNesting::better($widths, $this->bars, $costs, $known);

        return [$plan === null ? null : array_map(function (array $bar) use ($of): array {
            $counts = array_fill(0, count($this->widths), 0);
            foreach ($bar[1] as $piece) {
                $counts[$of[$piece]]++;
            }

            return [$bar[0], $counts];
        }, $plan), $isSure];
    }

    /** Returns the greatest length of which all bars are multiples, to a tenth of a millimetre. */
    private function commonMeasure(): float
    {
        $common = 0;
        foreach (array_keys($this->bars) as $bar) {
            [$one, $other] = [$common, (int) floor($this->bought($bar) * 10.0 + self::ROUNDING)];
            while ($other !== 0) {
                [$one, $other] = [$other, $one % $other];
            }
            $common = $one;
        }

        return max(1, $common) / 10.0;
    }

    private function bought(int $bar): float
    {
        return $this->bars[$bar] - $this->kerf;
    }

    /**
     * Solves the linear relaxation by the revised simplex method: how often each pattern is cut, in parts of it too.
     *
     * @return array{float, list<array{int, array<int, int>, float}>} a length of bars that no plan is shorter than;
     *     patterns: bar, pieces by width, how often
     */
    private function relaxed(): array
    {
        $count = count($this->widths);
        $columns = [];
        $inverse = [];
        $often = [];
        // It begins with patterns of one width each, from the longest bar.
        $longest = count($this->bars) - 1;
        foreach ($this->widths as $i => $width) {
            $fit = max(1, (int) floor($this->bars[$longest] / $width + Tolerance::COUNT));
            $counts = array_fill(0, $count, 0);
            $counts[$i] = $fit;
            $columns[] = [$longest, $counts];
            $row = array_fill(0, $count, 0.0);
            $row[$i] = 1.0 / $fit;
            $inverse[] = $row;
            $often[] = $this->wanted[$i] / $fit;
        }
        $bound = 0.0;
        for ($round = 0; $round < self::PATTERNS; $round++) {
            $prices = [];
            for ($i = 0; $i < $count; $i++) {
                $price = 0.0;
                foreach ($columns as $k => [$bar]) {
                    $price += $this->bought($bar) * $inverse[$k][$i];
                }
                $prices[] = $price;
            }
            [$entering, $ratio] = $this->bestPattern($prices);
            // Prices by which no pattern is worth more than its bar count what must be bought at least.
            $worth = array_sum(array_map(static fn (float $a, int $b): float => $a * $b, $prices, $this->wanted));
            $bound = max($bound, $worth / max(1.0, $ratio));
            if ($entering === null) {
                break;
            }
            $direction = array_map(static fn (array $row): float => array_sum(array_map(
                static fn (float $a, int $b): float => $a * $b, $row, $entering[1],
            )), $inverse);
            $leaving = null;
            foreach ($direction as $k => $d) {
                $isLeast = $d > self::PIVOT
                    && ($leaving === null || $often[$k] / $d < $often[$leaving] / $direction[$leaving]);
                if ($isLeast) {
                    $leaving = $k;
                }
            }
            if ($leaving === null) {
                break;
            }
            $step = $often[$leaving] / $direction[$leaving];
            foreach ($direction as $k => $d) {
                $often[$k] = $k === $leaving ? $step : max(0.0, $often[$k] - $step * $d);
            }
            $pivot = array_map(static fn (float $one): float => $one / $direction[$leaving], $inverse[$leaving]);
            foreach ($inverse as $k => $row) {
                $inverse[$k] = $k === $leaving ? $pivot : array_map(
                    static fn (float $one, float $other): float => $one - $direction[$k] * $other, $row, $pivot,
                );
            }
            $columns[$leaving] = $entering;
        }

        return [$bound, array_map(
            static fn (array $column, float $times): array => [$column[0], $column[1], $times], $columns, $often,
        )];
    }

    /**
     * Returns the pattern that is worth the most over the price of its bar, null where none is worth more; and a ratio
     * of worth to the price of the bar that no pattern exceeds.
     *
     * @param  list<float>  $prices  of a piece of each width
     * @return array{array{int, array<int, int>}|null, float}
     */
    private function bestPattern(array $prices): array
    {
        $best = null;
        $ratio = 0.0;
        $unsure = [];
        foreach ($this->bars as $bar => $room) {
            [$worth, $counts, $most] = $this->knapsack($room, $prices, $this->wanted);
            $ratio = max($ratio, $most / $this->bought($bar));
            $gain = $worth - $this->bought($bar);
            if ($gain > self::SLACK && ($best === null || $gain > $best[0])) {
                $best = [$gain, $bar, $counts];
            }
            if ($most > $worth + self::SLACK) {
                $unsure[] = $bar;
            }
        }
        if ($best !== null || $unsure === []) {
            return [$best === null ? null : [$best[1], $best[2]], $ratio];
        }
        $ratio = 1.0;
        foreach ($unsure as $bar) {
            [$most, $counts] = GridKnapsack::best($this->bars[$bar], $this->widths, $prices, $this->wanted);
            $ratio = max($ratio, $most / $this->bought($bar));
            $used = array_sum(array_map(
                static fn (float $width, int $n): float => $width * $n, $this->widths, $counts,
            ));
            $gain = $most - $this->bought($bar);
            $fits = $used <= $this->bars[$bar] + Tolerance::NOTHING;
            if ($fits && $gain > self::SLACK && ($best === null || $gain > $best[0])) {
                $best = [$gain, $bar, $counts];
            }
        }

        return [$best === null ? null : [$best[1], $best[2]], $ratio];
    }

    /**
     * Returns pieces that fit into a room and are worth the most together, by branch and bound, and what none can be
     * worth more than: the same, or more where the search was cut short.
     *
     * @param  list<float>  $worths  of a piece of each width
     * @param  array<int, int>  $most  of each width
     * @return array{float, array<int, int>, float}
     */
    private function knapsack(float $room, array $worths, array $most): array
    {
        $order = array_values(array_filter(
            array_keys($this->widths), static fn (int $i): bool => $most[$i] > 0 && $worths[$i] > 0.0,
        ));
        usort($order, fn (int $a, int $b): int => $worths[$b] / $this->widths[$b] <=> $worths[$a] / $this->widths[$a]);
        $counts = $bestCounts = array_fill(0, count($this->widths), 0);
        $best = 0.0;
        $branches = 0;
        $branch = function (int $at, float $free, float $worth) use (
            &$branch, &$counts, &$bestCounts, &$best, &$branches, $order, $worths, $most,
        ): void {
            if ($worth > $best + self::SAME_WORTH) {
                [$best, $bestCounts] = [$worth, $counts];
            }
            if (! isset($order[$at]) || $branches++ > self::BRANCHES) {
                return;
            }
            $i = $order[$at];
            // No more than if all that is free were filled with what is worth the most for its width.
            if ($worth + $free * $worths[$i] / $this->widths[$i] <= $best + self::SAME_WORTH) {
                return;
            }
            for ($n = min($most[$i], (int) floor($free / $this->widths[$i] + Tolerance::COUNT)); $n >= 0; $n--) {
                $counts[$i] = $n;
                $branch($at + 1, $free - $n * $this->widths[$i], $worth + $n * $worths[$i]);
            }
            $counts[$i] = 0;
        };
        $branch(0, $room, 0.0);

        return [$best, $bestCounts, $branches > self::BRANCHES
            ? $room * $worths[$order[0]] / $this->widths[$order[0]]
            : $best];
    }

    /**
     * Returns whole bars that cut all pieces: patterns of the relaxed solution as often as they are whole, then bars
     * that are filled as well as can be.
     *
     * @param  list<array{int, array<int, int>, float}>  $patterns
     * @return list<array{int, array<int, int>}> bar, and pieces by width
     */
    private function rounded(array $patterns, int $try): array
    {
        $left = $this->wanted;
        $cuts = [];
        // The first try rounds down, the second takes no pattern at all, the others drop some at random.
        foreach ($try === 1 ? [] : $patterns as [$bar, $counts, $often]) {
            $times = (int) floor($often + self::ROUNDING) - ($try > 1 && $this->random->getInt(0, 2) === 0 ? 1 : 0);
            for ($i = 0; $i < $times; $i++) {
                $cut = array_map(static fn (int $a, int $b): int => min($a, $b), $counts, $left);
                if (array_sum($cut) > 0) {
                    $cuts[] = [$bar, $cut];
                    $left = array_map(static fn (int $a, int $b): int => $a - $b, $left, $cut);
                }
            }
        }
        while (array_sum($left) > 0) {
            $cut = $this->filled($left, $try);
            $cuts[] = $cut;
            $left = array_map(static fn (int $a, int $b): int => $a - $b, $left, $cut[1]);
        }

        return $cuts;
    }

    /**
     * Returns the bar that is filled best by pieces that are left, and these; long ones count a little more.
     *
     * @param  array<int, int>  $left  of each width
     * @return array{int, array<int, int>}
     */
    private function filled(array $left, int $try): array
    {
        $rest = array_sum(array_map(static fn (float $width, int $n): float => $width * $n, $this->widths, $left));
        $best = null;
        foreach ($this->bars as $bar => $room) {
            $worths = array_map(
                fn (float $width): float => $width * (1.0 + 0.05 * $width / $room
                    + ($try > 1 ? $this->random->getInt(0, 100) / 2000 : 0.0)),
                $this->widths,
            );
            $counts = $this->knapsack($room, $worths, $left)[1];
            $used = array_sum(array_map(
                static fn (float $width, int $n): float => $width * $n, $this->widths, $counts,
            ));
            // Of several bars the one of which the least part is left; the shortest that takes all that is left.
            $waste = $used >= $rest - self::SLACK ? -1.0 / $room : 1.0 - $used / $room;
            if ($used > 0.0 && ($best === null || $waste < $best[0])) {
                $best = [$waste, $bar, $counts];
            }
        }

        return [$best[1] ?? 0, $best[2] ?? $left];
    }
}
