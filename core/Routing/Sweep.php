<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\GoldenSection;
use Bowline\Geometry\Path;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/**
 * A flexible run over the whole movement of what holds it. It starts at the placed position and goes from position to
 * position, each shape following from the last. Steps are halved where the shape changes much, so that it stays on its
 * branch while that is stable. Every extreme (tightest, tautest, nearest, most twisted) is bracketed by more positions
 * until its neighbours agree.
 */
final class Sweep
{
    /** Positions at which the distance of the ends is sampled, which is cheap, to find its least and greatest. */
    private const SCANNED_POSITIONS = 400;

    /** Most positions that are laid. */
    private const MAX_POSITIONS = 140;

    /**
     * An extreme is found when its neighbours differ from it by less than this share, or are nearer in the movement
     * than MovementRefinement::FINEST.
     */
    private const EXTREME_ACCURACY = 1e-3;

    /** Twists nearer than this are equal, radians. */
    private const SAME_TWIST = 0.0005;

    /**
     * A shape that turns by more than this between two positions, beyond the turn of its ends, may be on another
     * branch, radians.
     */
    private const SAME_SHAPE = 0.35;

    /** Steps are halved down to this share of the movement before a change of shape counts as a jump. */
    private const FINEST_STEP = 1 / 2048;

    /** Of two extremes that differ by less than this share the first counts, so that rounding does not decide. */
    private const EQUAL = 1e-9;

    /** Surroundings farther away than this are not reported as near, mm. */
    private const NEAR_DISTANCE = 500.0;

    /** @param  non-empty-list<MovedPosition>  $positions  in order of the movement */
    private function __construct(public readonly array $positions)
    {
    }

    /** Returns null when the run does not move or is rigid. This is slow: `LaidRun::sweep` caches it. */
    public static function of(LaidRun $laid): ?self
    {
        $steps = $laid->run->isMoving() ? $laid->run->route->sweepSteps() : null;

        return $steps === null ? null : new self(self::positions($laid, $steps));
    }

    public function tightest(): MovedPosition
    {
        return $this->least(self::radius(...));
    }

    public function tautest(): MovedPosition
    {
        return $this->least(self::slackness(...));
    }

    public function nearest(): MovedPosition
    {
        return $this->least(self::distance(...));
    }

    public function mostTwisted(): MovedPosition
    {
        return $this->least(self::untwist(...));
    }

    /** @return list<MovedPosition> positions at which it has jumped to another shape */
    public function jumps(): array
    {
        return array_values(array_filter($this->positions, static fn (MovedPosition $one): bool => $one->jumped));
    }

    private static function radius(MovedPosition $one): float
    {
        return $one->leastRadius();
    }

    private static function slackness(MovedPosition $one): float
    {
        return -($one->taut ?? 0.0);
    }

    private static function distance(MovedPosition $one): float
    {
        return $one->nearest[0] ?? INF;
    }

    private static function untwist(MovedPosition $one): float
    {
        return -abs($one->twist ?? 0.0);
    }

    /** @param  callable(MovedPosition): float  $of */
    private function least(callable $of): MovedPosition
    {
        $least = $this->positions[0];
        foreach ($this->positions as $one) {
            $least = $of($one) < $of($least) - self::EQUAL * (1.0 + min(1e9, abs($of($least)))) ? $one : $least;
        }

        return $least;
    }

    /** @return non-empty-list<MovedPosition> */
    private static function positions(LaidRun $laid, int $steps): array
    {
        $movement = $laid->run->from->movement ?? $laid->run->to->movement;
        $cut = $laid->run->withRoute($laid->run->route->asCut($laid->run));
        $at = static function (float $part, MovedPosition $from) use ($cut, $laid, $movement): MovedPosition {
            [$moved, $jumped] = self::followed($cut, $part, $from->part, $from->laid);
            $twist = self::twist($laid, $moved, $part);
            // Beyond half a turn the twist continues from the position before.
            $turns = $twist === null ? 0.0 : round((($from->twist ?? 0.0) - $twist) / (2 * M_PI));

            return new MovedPosition(
                $part,
                $movement?->angle($part),
                $moved,
                self::taut($moved),
                $twist === null ? null : $twist + 2 * M_PI * $turns,
                self::near($moved),
                $jumped,
            );
        };
        $placed = $movement?->placedPart() ?? 0.0;
        $rest = max(0.0, min(1.0, $placed));
        $parts = self::parts($cut, $steps);
        $first = $at($rest, new MovedPosition($placed, null, $laid, null, 0.0, null));
        [$before, $after] = [[], []];
        $isBefore = static fn (float $part): bool => $part < $rest - MovementRefinement::FINEST;
        $isBehind = static fn (float $part): bool => $part > $rest + MovementRefinement::FINEST;
        $last = $first;
        foreach (array_reverse(array_filter($parts, $isBefore)) as $part) {
            array_unshift($before, $last = $at($part, $last));
        }
        $last = $first;
        foreach (array_filter($parts, $isBehind) as $part) {
            $after[] = $last = $at($part, $last);
        }

        return self::closer([...$before, $first, ...$after], $rest, $at);
    }

    /**
     * Returns the first positions in order: even steps, and where the ends are nearest and farthest from each other.
     *
     * @return list<float> in order
     */
    private static function parts(Run $cut, int $steps): array
    {
        $parts = array_map(static fn (int $i): float => $i / $steps, range(0, $steps));
        $up = $cut->route->gravity();
        foreach ([$up, null] as $across) {
            $distance = static function (float $part) use ($cut, $across): float {
                $way = $cut->to->moved($part)->at->minus($cut->from->moved($part)->at);

                return ($across === null ? $way : $way->minus($across->times($across->dot($way))))->length();
            };
            array_push($parts, ...GoldenSection::extremes($distance, self::SCANNED_POSITIONS));
        }
        sort($parts);

        return array_values(
            array_filter(
                $parts,
                static fn (float $part, int $i): bool => $i === 0 || $part - $parts[$i - 1] > Tolerance::COINCIDENT,
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /**
     * Lays the run at a position, its shape following from that at another position.
     *
     * @return array{LaidRun, bool} the run, and whether it jumped to another branch on the way
     */
    private static function followed(Run $cut, float $part, float $fromPart, LaidRun $from): array
    {
        $run = $cut->moved($part);
        if (! ($run->route instanceof FollowsShape)) {
            return [$run->route->lay($run), false];
        }
        $laid = $run->route->layAfter($run, $from);
        if (! $laid->jumped && self::isSameShape($from, $laid)) {
            return [$laid, false];
        }
        if (abs($part - $fromPart) < self::FINEST_STEP) {
            return [$laid, self::taut($from) < 1.0 && self::taut($laid) < 1.0];
        }
        $middle = ($part + $fromPart) / 2;
        [$half, $jumped] = self::followed($cut, $middle, $fromPart, $from);
        [$laid, $jumpedOn] = self::followed($cut, $part, $middle, $half);

        return [$laid, $jumped || $jumpedOn];
    }

    /** Whether a shape has turned little more than its ends have. */
    private static function isSameShape(LaidRun $one, LaidRun $other): bool
    {
        $turns = array_map(
            static fn (int $i): float => $one->path
                ->directionAt(($one->length() * $i) / 12)
                ->angleTo($other->path->directionAt(($other->length() * $i) / 12)),
            range(0, 12),
        );

        return max($turns) < self::SAME_SHAPE + 1.5 * max($turns[0], $turns[12]);
    }

    /**
     * Adds positions around every extreme.
     *
     * @param  non-empty-list<MovedPosition>  $positions
     * @param  float  $rest  position from which the shapes follow
     * @param  callable(float, MovedPosition): MovedPosition  $at
     * @return non-empty-list<MovedPosition>
     */
    private static function closer(array $positions, float $rest, callable $at): array
    {
        $start = count($positions);
        while (count($positions) < max(self::MAX_POSITIONS, $start + 20)) {
            [$left, $width] = self::interval(array_values($positions), $rest) ?? [null, 0.0];
            if ($left === null) {
                break;
            }
            $middle = $positions[$left]->part + $width / 2;
            $next = $at($middle, $positions[$middle > $rest ? $left : $left + 1]);
            array_splice($positions, $left + 1, 0, [$next]);
            $beyond = $middle > $rest ? $left + 2 : $left;
            if ($positions[$beyond]->jumped) {
                // The jump is on this side of the new position or on the other.
                $positions[$beyond] = $positions[$beyond]->withJump(
                    ! self::isSameShape($next->laid, $positions[$beyond]->laid),
                );
            }
        }

        return array_values($positions);
    }

    /**
     * Returns the interval between positions in which another one is needed: where the shape jumps, otherwise the
     * widest beside an extreme that is not known yet.
     *
     * @param  non-empty-list<MovedPosition>  $positions
     * @return array{int, float}|null number of the interval and its width
     */
    private static function interval(array $positions, float $rest): ?array
    {
        $refinement = new MovementRefinement(
            array_map(static fn (MovedPosition $one): float => $one->part, $positions),
        );
        $jump = $refinement->atJump(
            array_map(static fn (MovedPosition $one): bool => $one->jumped, $positions), $rest,
        );
        if ($jump !== null) {
            return $jump;
        }
        $half = $positions[0]->laid->run->stock->section->outsideDiameter / 2;
        $widest = null;
        foreach ([self::radius(...), self::slackness(...), self::distance(...), self::untwist(...)] as $number => $of) {
            $values = array_map($of, $positions);
            $best = min($values);
            if (
                ! is_finite($best) ||
                ($number === 0 && $best < $half) ||
                ($number === 3 && $best > -self::SAME_TWIST)
            ) {
                // A kinked shape cannot get worse, and one without twist has no most twisted position.
                continue;
            }
            $found = $refinement->besideMinimum(
                $values,
                $number === 3
                    ? self::SAME_TWIST
                    : self::EXTREME_ACCURACY * (abs($best) + ($number === 2 ? 10.0 : 0.0)),
            );
            $widest = ($found[1] ?? 0.0) > ($widest[1] ?? 0.0) ? $found : $widest;
        }

        return $widest;
    }

    private static function taut(LaidRun $laid): ?float
    {
        $span = $laid->run->route->span($laid->run);

        return $span === null ? null : $span[0] / max(Tolerance::NOTHING, $span[1]);
    }

    /**
     * Returns how far the two ends, tightened at the placed position, are turned against each other at another
     * position. A direction fixed to the first end is carried along the run by parallel transport and compared, at the
     * second end, with what it was as placed. It is 0 while everything moves in one plane.
     */
    private static function twist(LaidRun $rest, LaidRun $moved, float $part): ?float
    {
        if (! $rest->run->route->carriesTwist()) {
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

    /** Carries a direction perpendicular to the start of a path along it by parallel transport. */
    private static function carried(Vector $side, Path $path): Vector
    {
        $last = null;
        foreach (self::travel($path) as $travel) {
            $side = $last === null ? $side : $side->transported($last, $travel);
            $last = $travel;
        }

        return $side;
    }

    /** @return non-empty-list<Vector> directions of travel, from start to end */
    private static function travel(Path $path): array
    {
        $travel = [];
        foreach ($path->segments as $segment) {
            array_push($travel, ...array_map($segment->directionAt(...), $segment->knots()));
        }

        return $travel === [] ? [new Vector(1.0, 0.0, 0.0)] : $travel;
    }

    /**
     * Returns the nearest of the surroundings to the outside of the run, away from its ends.
     *
     * @return array{float, string, Vector}|null
     */
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
            $looks = max(2, Tolerance::pieces($segment->length() / max($half, 2.0)));
            for ($i = 0; $i <= $looks; $i++) {
                $along = ($segment->length() * $i) / $looks;
                // Fittings stand on things, so near its ends the run is as near to them as the fittings are.
                if (min($at + $along, $laid->length() - $at - $along) < 3 * $half) {
                    continue;
                }
                $point = $segment->pointAt($along);
                $near = $bodies->nearest(
                    $point->x,
                    $point->y,
                    $point->z,
                    ($nearest === null ? self::NEAR_DISTANCE : $nearest[0] - Tolerance::COINCIDENT) + $half,
                );
                if ($near !== null) {
                    $nearest = [$near[0] - $half, $near[4], $point];
                }
            }
            $at += $segment->length();
        }

        return $nearest;
    }
}
