<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Curve;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use WeakMap;

/**
 * A flexible run over the whole movement of what it hangs on. It starts where all stands as placed and goes from
 * position to position, each shape following from the last; where it gets tightest, or nearest to something, it is
 * looked at more closely, until another position would say nothing new.
 */
final class Sweep
{
    /** Positions along the movement to begin with, less one. */
    private const STEPS = 8;

    private const MOST = 33;

    /** A limit is found when the position beside it differs by less than this part, or is nearer than this part of the movement. */
    private const ENOUGH = 5e-3;

    private const FINEST = 1 / 500;

    /** What is farther off than this is not near, mm. */
    private const NEAR = 500.0;

    /** @var WeakMap<LaidRun, self>|null what has been worked out: several rules ask for the same */
    private static ?WeakMap $known = null;

    /** @param  non-empty-list<MovedPosition>  $positions  in order of the movement */
    private function __construct(public readonly array $positions)
    {
    }

    /** Null when the run does not move, or is rigid. */
    public static function of(LaidRun $laid): ?self
    {
        self::$known ??= new WeakMap;
        if (! $laid->run->isMoving() || ! $laid->run->route instanceof FlexibleRoute) {
            return null;
        }

        return self::$known[$laid] ??= new self(self::positions($laid, $laid->run->route));
    }

    public function tightest(): MovedPosition
    {
        return $this->least(static fn (MovedPosition $one): float => $one->leastRadius());
    }

    public function tautest(): MovedPosition
    {
        return $this->least(static fn (MovedPosition $one): float => -($one->taut ?? 0.0));
    }

    public function nearest(): MovedPosition
    {
        return $this->least(static fn (MovedPosition $one): float => $one->nearest[0] ?? INF);
    }

    public function mostTwisted(): MovedPosition
    {
        return $this->least(static fn (MovedPosition $one): float => -abs($one->twist ?? 0.0));
    }

    /** @param  callable(MovedPosition): float  $of */
    private function least(callable $of): MovedPosition
    {
        $least = $this->positions[0];
        foreach ($this->positions as $one) {
            $least = $of($one) < $of($least) ? $one : $least;
        }

        return $least;
    }

    /** @return non-empty-list<MovedPosition> */
    private static function positions(LaidRun $laid, FlexibleRoute $route): array
    {
        $movement = $laid->run->from->movement ?? $laid->run->to->movement;
        $rest = $movement?->restPart() ?? 0.0;
        $cut = $laid->run->withRoute($route->asCut($laid->run));
        $at = static function (float $part, ?LaidRun $before) use ($cut, $laid, $movement): MovedPosition {
            $run = $cut->moved($part);
            $moved = $before !== null && $run->route instanceof FollowsShape ? $run->route->layAfter($run, $before) : $run->route->lay($run);

            return new MovedPosition(
                $part, $movement?->angle($part), $moved, self::taut($moved), self::twist($laid, $moved, $part), self::near($moved),
            );
        };
        $first = $at($rest, $laid);
        [$before, $after] = [[], []];
        $last = $first;
        for ($step = (int) floor($rest * self::STEPS - 1e-9); $step >= 0; $step--) {
            array_unshift($before, $last = $at($step / self::STEPS, $last->laid));
        }
        $last = $first;
        for ($step = (int) ceil($rest * self::STEPS + 1e-9); $step <= self::STEPS; $step++) {
            $after[] = $last = $at($step / self::STEPS, $last->laid);
        }

        return self::closer([...$before, $first, ...$after], $at);
    }

    /**
     * With more positions where it is tightest and where it is nearest to something.
     *
     * @param  non-empty-list<MovedPosition>  $positions
     * @param  callable(float, LaidRun): MovedPosition  $at
     * @return non-empty-list<MovedPosition>
     */
    private static function closer(array $positions, callable $at): array
    {
        while (count($positions) < self::MOST) {
            $gap = null;
            $half = $positions[0]->laid->run->stock->section->halfHeight();
            foreach ([static fn (MovedPosition $one): float => $one->leastRadius(), static fn (MovedPosition $one): float => $one->nearest[0] ?? INF] as $number => $of) {
                $values = array_map($of, $positions);
                $index = (int) array_search(min($values), $values, true);
                if ($index === 0 || $index === count($positions) - 1 || ! is_finite($values[$index]) || ($number === 0 && $values[$index] < $half)) {
                    // At an end of the movement there is nothing beyond, and what is kinked is as bad as can be.
                    continue;
                }
                foreach ([$index - 1, $index] as $left) {
                    $right = $left + 1;
                    $wide = $positions[$right]->part - $positions[$left]->part;
                    if ($wide > self::FINEST && $wide > ($gap[1] ?? 0.0) && abs($values[$left] - $values[$right]) > self::ENOUGH * (abs($values[$index]) + 1.0)) {
                        $gap = [$left, $wide];
                    }
                }
            }
            if ($gap === null) {
                break;
            }
            $left = $positions[$gap[0]];
            array_splice($positions, $gap[0] + 1, 0, [$at($left->part + $gap[1] / 2, $left->laid)]);
        }

        return $positions;
    }

    private static function taut(LaidRun $laid): ?float
    {
        $span = $laid->run->route instanceof FlexibleRoute ? $laid->run->route->span($laid->run) : null;

        return $span === null ? null : $span[0] / max(1e-9, $span[1]);
    }

    /**
     * How far its two ends, screwed up where all stands as placed, are turned against each other at a part of the
     * movement: a direction fixed to the one end is carried along the run without turning about it, and compared
     * with what it came to as placed, fixed to the other end. It stays nought while all moves in one plane.
     */
    private static function twist(LaidRun $rest, LaidRun $moved, float $part): ?float
    {
        if ($rest->run->route instanceof HangRoute || $rest->run->route instanceof DrapeRoute) {
            return null;
        }
        [$from, $to] = [$rest->run->from->movement, $rest->run->to->movement];
        $side = self::travel($rest->path)[0]->anySquare();
        $arrived = self::carried($side, $rest->path);
        $there = self::carried($from?->direction($side, $part) ?? $side, $moved->path);
        $fixed = $to?->direction($arrived, $part) ?? $arrived;
        $travel = self::travel($moved->path);
        $end = $travel[count($travel) - 1];

        return atan2($end->dot($there->cross($fixed)), $there->dot($fixed));
    }

    /** A direction square to the start of a path, taken along it with no turn about it (parallel transport). */
    private static function carried(Vector $side, Path $path): Vector
    {
        $last = null;
        foreach (self::travel($path) as $travel) {
            if ($last !== null) {
                $side = $side->minus($last->plus($travel)->times($travel->dot($side) / max(1e-12, 1.0 + $last->dot($travel))));
            }
            $last = $travel;
        }

        return $side;
    }

    /** @return non-empty-list<Vector> directions of travel, from start to end */
    private static function travel(Path $path): array
    {
        $travel = [];
        foreach ($path->segments as $segment) {
            array_push($travel, ...($segment instanceof Curve ? $segment->directions : [$segment->directionAt(0.0), $segment->directionAt($segment->length())]));
        }

        return $travel === [] ? [new Vector(1.0, 0.0, 0.0)] : $travel;
    }

    /** @return array{float, string, Vector}|null what of the surroundings the outside of it is nearest to, clear of its ends */
    private static function near(LaidRun $laid): ?array
    {
        $bodies = $laid->run->around;
        if ($bodies->isEmpty()) {
            return null;
        }
        $half = $laid->run->stock->section->outsideDiameter / 2;
        $nearest = null;
        $at = 0.0;
        foreach ($laid->path->segments as $segment) {
            $looks = max(2, (int) ceil($segment->length() / max($half, 2.0)));
            for ($i = 0; $i <= $looks; $i++) {
                $along = $segment->length() * $i / $looks;
                // Fittings stand on things: by its ends it is as near to them as they are.
                if (min($at + $along, $laid->length() - $at - $along) < 3 * $half) {
                    continue;
                }
                $point = $segment->pointAt($along);
                $near = $bodies->nearest($point->x, $point->y, $point->z, ($nearest[0] ?? self::NEAR) + $half);
                if ($near !== null) {
                    $nearest = [$near[0] - $half, $near[4], $point];
                }
            }
            $at += $segment->length();
        }

        return $nearest;
    }
}
