<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;
use Closure;

/**
 * Lays a list of runs one after another, the shortest first. Where one finds no way, those that are in it are taken out
 * and laid again behind it; what still finds none is laid before all others the next time, a few times over. The best
 * of these is improved by taking out a run and laying it again beside the others, as long as something gets better.
 */
final class BatchLayer
{
    private const MOST_ORDERS = 5;

    /** Most runs that are laid again to get better: a short list is gone through several times. */
    private const MOST_AGAIN = 24;

    /** Most runs that are taken out to make room for one. */
    private const MOST_TAKEN_OUT = 4;

    /** Without the runs that are laid again. */
    private readonly Scene $scene;

    /** @var list<array{string, string}> ids and names of the runs */
    private readonly array $names;

    /** @var array<int, Closure(): string> why there was no way, by the errand */
    private array $reasons = [];

    /** @var array<int, list<string>> keys of what was in the way, by the errand */
    private array $inTheWay = [];

    /**
     * @param  list<Errand>  $errands
     * @param  list<string>  $taken  ids of the runs of the job
     */
    public function __construct(
        Scene $scene,
        private readonly array $errands,
        array $taken,
    ) {
        foreach ($errands as $errand) {
            $scene = $errand->again === null ? $scene : $scene->withoutRun($errand->again->run->id);
        }
        $this->scene = $scene;
        $names = [];
        foreach ($errands as $errand) {
            $names[] = $own = WayItem::names($errand, $scene, $taken);
            $taken[] = $own[0];
        }
        $this->names = $names;
    }

    /**
     * @param  callable(): bool  $isOver  whether it was stopped, or time is over; the best so far is returned then
     * @param  callable(array<int, Way>, int): void  $report  told what is laid so far after each run, and of how many
     */
    public function lay(callable $isOver, callable $report): Batch
    {
        $order = array_keys($this->errands);
        usort($order, fn (int $one, int $other): int => $this->distance($one) <=> $this->distance($other));
        $best = [];
        for ($round = 0; $round < self::MOST_ORDERS && ! ($round > 0 && $isOver()); $round++) {
            $laid = $this->inOrder($order, $isOver, $best, $report);
            $best = $round === 0 || $this->isBetter($laid, $best) ? $laid : $best;
            $failed = array_values(array_diff($order, array_keys($laid)));
            if ($failed === []) {
                break;
            }
            $order = [...$failed, ...array_values(array_diff($order, $failed))];
        }
        $rounds = intdiv(self::MOST_AGAIN, max(1, count($this->errands)));
        for ($round = 0; $round < $rounds && ! $isOver(); $round++) {
            $better = $this->improved($best, $isOver, $report);
            $isBetter = $this->isBetter($better, $best);
            $best = $isBetter ? $better : $best;
            if (! $isBetter) {
                break;
            }
        }
        $isStopped = $isOver();

        return new Batch($best, $this->reasons($best, $isStopped), ! $isStopped);
    }

    private function distance(int $number): float
    {
        return $this->errands[$number]->from->at->distanceTo($this->errands[$number]->to->at);
    }

    /**
     * @param  list<int>  $order
     * @param  callable(): bool  $isOver
     * @param  array<int, Way>  $best  of the orders before
     * @param  callable(array<int, Way>, int): void  $report
     * @return array<int, Way>
     */
    private function inOrder(array $order, callable $isOver, array $best, callable $report): array
    {
        $laid = [];
        foreach ($order as $number) {
            if ($isOver()) {
                break;
            }
            $way = $this->way($number, $laid);
            $laid = $way !== null ? $laid + [$number => $way] : $this->withRoomFor($number, $laid, $isOver) ?? $laid;
            $report($this->isBetter($laid, $best) ? $laid : $best, count($this->errands));
        }

        return $laid;
    }

    /**
     * @param  array<int, Way>  $laid
     * @param  callable(): bool  $isOver
     * @param  callable(array<int, Way>, int): void  $report
     * @return array<int, Way>
     */
    private function improved(array $laid, callable $isOver, callable $report): array
    {
        foreach (array_keys($this->errands) as $number) {
            if ($isOver()) {
                break;
            }
            $others = array_diff_key($laid, [$number => true]);
            $way = $this->way($number, $others, ($laid[$number] ?? null)?->line);
            if ($way !== null && (! isset($laid[$number]) || $this->cost($way) < $this->cost($laid[$number]))) {
                $laid = $others + [$number => $way];
                ksort($laid);
                $report($laid, count($this->errands));
            }
        }

        return $laid;
    }

    /**
     * Takes out runs of the list that were in the way of another, lays that, and lays them again beside it: each alone,
     * then the first few together.
     *
     * @param  array<int, Way>  $laid
     * @param  callable(): bool  $isOver
     * @return array<int, Way>|null null where one of them would be lost
     */
    private function withRoomFor(int $number, array $laid, callable $isOver): ?array
    {
        $near = [];
        foreach ($this->inTheWay[$number] ?? [] as $key) {
            foreach ($laid as $other => $way) {
                if ($key === 'runs/'.$way->solved->laid->run->id) {
                    $near[] = $other;
                }
            }
        }
        $near = array_slice($near, 0, self::MOST_TAKEN_OUT);
        foreach ([...array_map(static fn (int $one): array => [$one], $near), $near] as $out) {
            $tried = $isOver() || $out === [] ? null : $this->exchanged($number, $laid, $out);
            if ($tried !== null) {
                return $tried;
            }
        }

        return null;
    }

    /**
     * @param  array<int, Way>  $laid
     * @param  list<int>  $out  those that are taken out, and laid again
     * @return array<int, Way>|null
     */
    private function exchanged(int $number, array $laid, array $out): ?array
    {
        $laid = array_diff_key($laid, array_flip($out));
        foreach ([$number, ...$out] as $one) {
            $way = $this->way($one, $laid);
            if ($way === null) {
                return null;
            }
            $laid[$one] = $way;
        }

        return $laid;
    }

    /**
     * @param  array<int, Way>  $laid
     * @param  CornerLine|null  $worse  than which it has to be better
     */
    private function way(int $number, array $laid, ?CornerLine $worse = null): ?Way
    {
        $runs = array_values(array_map(static fn (Way $one): LaidRun => $one->solved->laid, $laid));
        $awaiting = array_values(array_diff_key($this->errands, $laid, [$number => true]));
        // Where the mouths of others leave no way, it is laid across these.
        foreach ($awaiting === [] ? [[]] : [$awaiting, []] as $kept) {
            $finder = new WayFinder(
                $this->scene->withAll($runs)->awaiting($kept), $this->errands[$number], [], $runs,
            );
            $ways = $finder->ways(1, $this->names[$number], static fn (): bool => false, $worse, true);
            if ($ways !== []) {
                return $ways[0];
            }
            if ($worse === null) {
                $this->reasons[$number] = $finder->reason(...);
                $this->inTheWay[$number] = array_map(strval(...), array_keys($finder->inTheWay()));
            }
        }

        return null;
    }

    /** Returns what a way costs by its bends and its length. */
    private function cost(Way $way): float
    {
        return $way->length() + $way->bends() * $this->errands[0]->weights->bends;
    }

    /**
     * @param  array<int, Way>  $one
     * @param  array<int, Way>  $other
     */
    private function isBetter(array $one, array $other): bool
    {
        [$all, $others] = [$this->costOf($one), $this->costOf($other)];

        return count($one) > count($other)
            || (count($one) === count($other) && $all < $others - Tolerance::COINCIDENT);
    }

    /** @param  array<int, Way>  $ways */
    private function costOf(array $ways): float
    {
        $cost = 0.0;
        foreach ($ways as $way) {
            $cost += $this->cost($way);
        }

        return $cost;
    }

    /**
     * @param  array<int, Way>  $laid
     * @return array<int, string> why the others are not laid
     */
    private function reasons(array $laid, bool $isStopped): array
    {
        $reasons = [];
        foreach (array_keys(array_diff_key($this->errands, $laid)) as $number) {
            $reasons[$number] = match (true) {
                isset($this->reasons[$number]) => ($this->reasons[$number])(),
                $isStopped => 'It was stopped before this was laid.',
                default => 'There is no room for it beside the others.',
            };
        }

        return $reasons;
    }
}
