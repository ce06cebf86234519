<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

use Bowline\Geometry\Tolerance;

/**
 * The best plan for few pieces, by trying every bar for each: the longest piece first, into each bar that is begun, or
 * a new one, as long as that can still be less than the best so far (branch and bound).
 */
final class ExactNesting
{
    /** Most pieces, and most places that are tried. */
    public const MOST = 14;

    private const TRIES = 200_000;

    /** A plan is better when it takes this much less of bar, mm. */
    private const LESS = 1e-6;

    /** @var list<array{int, list<int>}>|null bar, and numbers of the pieces */
    private ?array $best = null;

    private float $least;

    private int $tries = 0;

    /** The least that a millimetre of room costs. */
    private float $cheapest;

    /** @var list<float> length of all pieces from a number on, mm */
    private array $rest = [];

    /**
     * @param  list<float>  $widths  of the pieces with their cut, descending, mm
     * @param  list<float>  $rooms  of bars with one cut more, mm
     * @param  list<float>  $costs  of these bars
     * @param  float  $known  length of bars of a plan that is known
     */
    private function __construct(
        private readonly array $widths,
        private readonly array $rooms,
        private readonly array $costs,
        float $known,
    ) {
        $this->least = $known - self::LESS;
        $this->cheapest = min([INF, ...array_map(static fn (float $a, float $b): float => $a / $b, $costs, $rooms)]);
        $sum = 0.0;
        foreach (array_reverse($widths) as $width) {
            $sum += $width;
            array_unshift($this->rest, $sum);
        }
        $this->rest[] = 0.0;
    }

    /**
     * Returns a plan that is better than a known one.
     *
     * @param  list<float>  $widths
     * @param  list<float>  $rooms
     * @param  list<float>  $costs
     * @return array{list<array{int, list<int>}>|null, bool} the plan, null where there is none that is better; whether
     *     all was tried
     */
    public static function better(array $widths, array $rooms, array $costs, float $known): array
    {
        $search = new self($widths, $rooms, $costs, $known);
        $search->put(0, [], 0.0);

        return [$search->best, $search->tries < self::TRIES];
    }

    /** @param  list<array{int, list<int>, float}>  $bars  begun: bar, numbers of the pieces, and what is free */
    private function put(int $piece, array $bars, float $cost): void
    {
        if ($this->tries++ >= self::TRIES) {
            return;
        }
        if (! isset($this->widths[$piece])) {
            $this->least = $cost - self::LESS;
            $this->best = array_map(static fn (array $bar): array => [$bar[0], $bar[1]], $bars);

            return;
        }
        // What is free in bars that are begun takes something of the rest; bars for what is left cost its length.
        $free = array_sum(array_column($bars, 2));
        if ($cost + max(0.0, $this->rest[$piece] - $free) * $this->cheapest >= $this->least) {
            return;
        }
        $seen = [];
        foreach ($bars as $i => [$bar, $pieces, $left]) {
            $key = $bar.' '.round($left, 6);
            if ($left >= $this->widths[$piece] - Tolerance::NOTHING && ! isset($seen[$key])) {
                $seen[$key] = true;
                $next = $bars;
                $next[$i] = [$bar, [...$pieces, $piece], $left - $this->widths[$piece]];
                $this->put($piece + 1, $next, $cost);
            }
        }
        foreach ($this->rooms as $bar => $room) {
            if ($room >= $this->widths[$piece] - Tolerance::NOTHING && $cost + $this->costs[$bar] < $this->least) {
                $this->put(
                    $piece + 1, [...$bars, [$bar, [$piece], $room - $this->widths[$piece]]], $cost + $this->costs[$bar],
                );
            }
        }
    }
}
