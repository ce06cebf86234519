<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Frame;
use Bowline\Body\Stretch;

/**
 * Divides the way round a run into columns: where the hole of a branch on it is widest, and where the ring of a branch
 * has to be divided for the holes in that.
 */
final class RingDivision
{
    /** Angles closer than this are one, radians. */
    private const SAME = 1e-7;

    /** Least angle of a column, radians. */
    private const LEAST = 1e-3;

    /**
     * @param  non-empty-list<Stretch>  $stretches  of the run
     * @param  list<BranchTube>  $branches  on it
     * @param  bool  $isBore  whether of its bore
     * @return non-empty-list<Column>|null rising, a whole turn together; null where they cannot be told apart
     */
    public static function columns(array $stretches, array $branches, bool $isBore): ?array
    {
        $angles = array_map(
            static fn (float $angle): float => fmod(fmod($angle, 2 * M_PI) + 2 * M_PI + self::SAME, 2 * M_PI),
            self::angles($stretches, $branches, $isBore),
        );
        if (array_filter($angles, is_nan(...)) !== []) {
            return null;
        }
        sort($angles);
        $distinct = [];
        foreach ($angles as $angle) {
            $gap = $distinct === [] ? INF : $angle - $distinct[count($distinct) - 1];
            if ($gap > 2 * self::SAME && $gap < self::LEAST) {
                return null;
            }
            if ($gap > 2 * self::SAME) {
                $distinct[] = $angle;
            }
        }
        if ($distinct === []) {
            return [Column::plain(0.0, 2 * M_PI)];
        }
        $feet = array_map(static fn (BranchTube $branch): array => [
            $branch->foot($isBore), $branch->foot($isBore)->overOn(self::hostFrame($stretches, $branch)),
        ], $branches);
        $columns = [];
        foreach ($distinct as $i => $from) {
            $to = $distinct[$i + 1] ?? $distinct[0] + 2 * M_PI;
            if ($to - $from < self::LEAST) {
                return null;
            }
            $columns[] = self::column($from - self::SAME, $to - self::SAME, $feet);
        }

        return $columns;
    }

    /**
     * Whether the holes of two branches on a straight lie beside each other round it, on its outside and its bore;
     * those of a cross of equal pipes meet where both are widest.
     */
    public static function areApart(Stretch $straight, BranchTube $one, BranchTube $other): bool
    {
        foreach ([false, true] as $isBore) {
            [$first, $second] = [$one->foot($isBore), $other->foot($isBore)];
            $angle = $first->overOn($straight->start) - $second->overOn($straight->start);
            $angle -= 2 * M_PI * round($angle / (2 * M_PI));
            $gap = abs($angle) - $first->saddle->halfAngle() - $second->saddle->halfAngle();
            $isCross = abs($gap) < self::SAME && $first->widest()->distanceTo($second->widest()) < self::SAME;
            if ($gap < self::LEAST && ! $isCross) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<array{PlacedSaddle, float}>  $feet  each with its angle round the run */
    private static function column(float $from, float $to, array $feet): Column
    {
        $plain = Column::plain($from, $to);
        $over = array_values(array_filter($feet, static fn (array $foot): bool => $plain->isOver(...$foot)));
        if ($over === []) {
            return $plain;
        }
        foreach ($over as [$foot, $angle]) {
            if (abs($to - $from - 2 * $foot->saddle->halfAngle()) < self::LEAST) {
                return Column::overHole($foot, $angle + 2 * M_PI * round((($from + $to) / 2 - $angle) / (2 * M_PI)));
            }
        }

        return Column::throughHoles($from, $to);
    }

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @param  list<BranchTube>  $branches
     * @return list<float> at which the ring of a run has to be divided, radians in the frames of its section
     */
    private static function angles(array $stretches, array $branches, bool $isBore): array
    {
        $angles = [];
        foreach ($branches as $branch) {
            $foot = $branch->foot($isBore);
            $frame = self::hostFrame($stretches, $branch);
            $half = $foot->saddle->halfAngle();
            array_push($angles, $foot->overOn($frame) - $half, $foot->overOn($frame) + $half);
            foreach (self::angles($branch->stretches, $branch->branches, $isBore) as $angle) {
                $angles[] = $foot->onHost($frame, $branch->stretches[0]->start, $angle);
            }
        }

        return $angles;
    }

    /** @param  non-empty-list<Stretch>  $stretches */
    private static function hostFrame(array $stretches, BranchTube $branch): Frame
    {
        foreach ($stretches as $stretch) {
            if (HostWall::placeOn($stretch, $branch->outside) !== null) {
                return $stretch->start;
            }
        }

        return $stretches[0]->start;
    }
}
