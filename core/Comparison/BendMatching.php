<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Bending\BendRow;
use Bowline\Routing\Bend;
use Bowline\Solving\SolvedRun;

/**
 * Which bend of one table is which of another: the matching in order with the least sum of costs (the edit distance of
 * Wagner and Fischer, 1974). A bend that is added or taken out costs 1, so one that differs in nearly everything is
 * told as taken out and another added.
 */
final class BendMatching
{
    private const ADDED = 1.0;

    /** Costs of what may differ. Angle and radius tell a bend better than what lies before it. */
    private const ANGLE = 0.6;

    private const RADIUS = 0.4;

    private const STRAIGHT = 0.3;

    private const ROTATION = 0.3;

    /** Of one that turns from or to another direction in space. */
    private const DIRECTION = 0.4;

    /** Costs at most, and half of it, of corners that lie apart by so much, mm: it decides where all else is alike. */
    private const PLACE = 0.2;

    private const HALF_AT = 100.0;

    /**
     * @param  list<BendRow>  $old  bend table before
     * @param  list<BendRow>  $new  bend table now
     * @param  list<Bend>  $bends  of these rows
     * @param  list<Bend>  $newBends  likewise
     */
    private function __construct(
        private readonly array $old,
        private readonly array $new,
        private readonly array $bends,
        private readonly array $newBends,
    ) {
    }

    /** @return list<BendChange> in the order along the run; bends that are the same are left out */
    public static function changes(SolvedRun $before, SolvedRun $after): array
    {
        return (new self(
            $before->bendTable->rows, $after->bendTable->rows, $before->laid->bends, $after->laid->bends,
        ))->matched();
    }

    /** @return list<BendChange> */
    private function matched(): array
    {
        [$old, $new] = [$this->old, $this->new];
        $least = $this->costs();
        $changes = [];
        [$i, $j] = [count($old), count($new)];
        while ($i > 0 || $j > 0) {
            if ($i > 0 && $j > 0 && $least[$i][$j] === $least[$i - 1][$j - 1] + $this->cost($i - 1, $j - 1)) {
                [$i, $j] = [$i - 1, $j - 1];
                if (! self::isSame($old[$i], $new[$j], $i === 0 || $j === 0)) {
                    $changes[] = new BendChange($i, $j, $old[$i], $new[$j]);
                }
            } elseif ($i > 0 && $least[$i][$j] === $least[$i - 1][$j] + self::ADDED) {
                $i--;
                $changes[] = new BendChange($i, null, $old[$i], null);
            } else {
                $j--;
                $changes[] = new BendChange(null, $j, null, $new[$j]);
            }
        }

        return array_reverse($changes);
    }

    /**
     * Whether two bends have the same figures.
     *
     * @param  bool  $isFirst  of its run, which has no rotation
     */
    public static function isSame(BendRow $one, BendRow $other, bool $isFirst): bool
    {
        return Alike::lengths($one->straight, $other->straight) && Alike::angles($one->angle, $other->angle)
            && Alike::lengths($one->radius, $other->radius)
            && ($isFirst || Alike::angles($one->rotation, $other->rotation));
    }

    /** @return array<int, array<int, float>> least cost of matching the first of both, by how many */
    private function costs(): array
    {
        $least = [array_map(static fn (int $j): float => $j * self::ADDED, range(0, count($this->new)))];
        foreach (array_keys($this->old) as $i) {
            $least[$i + 1] = [($i + 1) * self::ADDED];
            foreach (array_keys($this->new) as $j) {
                $least[$i + 1][$j + 1] = min(
                    $least[$i][$j] + $this->cost($i, $j),
                    $least[$i][$j + 1] + self::ADDED,
                    $least[$i + 1][$j] + self::ADDED,
                );
            }
        }

        return $least;
    }

    private function cost(int $i, int $j): float
    {
        [$one, $other] = [$this->old[$i], $this->new[$j]];
        [$bend, $newBend] = [$this->bends[$i], $this->newBends[$j]];
        $off = $bend->corner->distanceTo($newBend->corner);
        $turn = max($bend->in->angleTo($newBend->in), $bend->out->angleTo($newBend->out));

        return (Alike::angles($one->angle, $other->angle) ? 0.0 : self::ANGLE)
            + (Alike::lengths($one->radius, $other->radius) ? 0.0 : self::RADIUS)
            + (Alike::lengths($one->straight, $other->straight) ? 0.0 : self::STRAIGHT)
            + ($i === 0 || $j === 0 || Alike::angles($one->rotation, $other->rotation) ? 0.0 : self::ROTATION)
            + ($turn <= Alike::ANGLE ? 0.0 : self::DIRECTION)
            + self::PLACE * $off / ($off + self::HALF_AT);
    }
}
