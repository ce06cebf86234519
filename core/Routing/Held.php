<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Tie\Tie;
use Bowline\Job\Tie\TieKind;

/**
 * A corner with its ties: the place nearest to where it was told that keeps them all, what could not be kept,
 * and the directions in which it may still move.
 *
 * The ties are equations g(v) = 0; each step solves them as they are near v and goes as near to the told place
 * as that leaves open (Gauss–Newton of least distance). Level, stand-off, axis and parallel are straight
 * equations and are met in one step; distances and angles take a few.
 */
final readonly class Held
{
    private const STEPS = 60;

    /** A tie missed by less than this holds, mm. */
    private const HOLDS = 1e-7;

    /** Directions nearer than this to what is bound already say nothing new. */
    private const SAYS_NOTHING = 1e-9;

    /**
     * @param  list<int>  $broken  which of the ties could not be kept, 0-based
     * @param  list<float>  $missed  by how much each tie is off, mm; 0 for one that holds
     * @param  list<Vector>  $free  unit directions, square to each other, in which it may move: none to three
     */
    private function __construct(
        public Vector $at,
        public array $broken,
        public array $missed,
        public array $free,
    ) {
    }

    /**
     * @param  list<Tie>  $ties  those said first are kept first
     * @param  Vector  $told  where the corner would be without them
     * @param  Vector  $last  the corner before it
     */
    public static function by(array $ties, Vector $told, Vector $last): self
    {
        $kept = $broken = [];
        $at = $told;
        foreach ($ties as $index => $tie) {
            $found = self::solve([...$kept, $tie], $told, $at, $last);
            if ($found === null) {
                $broken[] = $index;
            } else {
                $kept[] = $tie;
                $at = $found;
            }
        }
        $missed = array_map(static fn (Tie $tie): float => self::missed($tie, $at, $last), $ties);

        return new self($at, $broken, array_map(
            static fn (int $index): float => in_array($index, $broken, true) ? $missed[$index] : 0.0, array_keys($ties),
        ), self::free($kept, $at, $last));
    }

    /**
     * The part of a move that leaves the ties of a corner alone.
     *
     * @param  list<Vector>  $free
     */
    public static function allowed(Vector $move, array $free): Vector
    {
        return array_reduce($free, static fn (Vector $sum, Vector $one): Vector => $sum->plus($one->times($one->dot($move))), Vector::zero());
    }

    /** @param  non-empty-list<Tie>  $ties */
    private static function solve(array $ties, Vector $told, Vector $start, Vector $last): ?Vector
    {
        // The ties kept so far hold at $start; where the new one pulls from the told place there may be no way there.
        foreach ([$told, $start] as $at) {
            for ($step = 0; $step < self::STEPS; $step++) {
                $move = self::step($ties, $told, $at, $last);
                $at = $at->plus($move);
                if ($move->length() < 1e-11 * max(1.0, $at->length())) {
                    break;
                }
            }
            if (max(array_map(static fn (Tie $tie): float => self::missed($tie, $at, $last), $ties)) < self::HOLDS) {
                return $at;
            }
        }

        return null;
    }

    /** @param  list<Tie>  $ties */
    private static function step(array $ties, Vector $told, Vector $at, Vector $last): Vector
    {
        $bound = [];
        $move = Vector::zero();
        foreach ($ties as $tie) {
            foreach (self::equations($tie, $at, $last) as [$off, $slope]) {
                $along = $slope->minus(self::allowed($slope, $bound));
                if ($along->length() > self::SAYS_NOTHING) {
                    $unit = $along->unit();
                    $move = $move->plus($unit->times((-$off - $slope->dot($move)) / $along->length()));
                    $bound[] = $unit;
                }
            }
        }
        $back = $told->minus($at);

        return $move->plus($back->minus(self::allowed($back, $bound)));
    }

    /**
     * @param  list<Tie>  $ties
     * @return list<Vector>
     */
    private static function free(array $ties, Vector $at, Vector $last): array
    {
        $bound = [];
        foreach ($ties as $tie) {
            foreach (self::equations($tie, $at, $last) as [, $slope]) {
                $along = $slope->minus(self::allowed($slope, $bound));
                if ($along->length() > self::SAYS_NOTHING) {
                    $bound[] = $along->unit();
                }
            }
        }
        $free = [];
        foreach (['+x', '+y', '+z'] as $name) {
            $axis = Vector::axis($name) ?? Vector::zero();
            $rest = $axis->minus(self::allowed($axis, [...$bound, ...$free]));
            if ($rest->length() > 1e-6 && count($bound) + count($free) < 3) {
                $free[] = $rest->unit();
            }
        }

        return $free;
    }

    private static function missed(Tie $tie, Vector $at, Vector $last): float
    {
        return sqrt(array_sum(array_map(static fn (array $equation): float => $equation[0] ** 2, self::equations($tie, $at, $last))));
    }

    /** @return list<array{float, Vector}> by how much each is off (mm), and how that changes with the corner */
    private static function equations(Tie $tie, Vector $at, Vector $last): array
    {
        $anchor = $tie->anchor;
        $direction = $anchor->direction ?? $tie->along ?? new Vector(0.0, 0.0, 1.0);
        $from = $at->minus($anchor->at);
        $leg = $at->minus($last);
        $alongFace = $anchor->isFace;

        return match ($tie->kind) {
            TieKind::Level => [[$from->dot($tie->along ?? $direction) - $tie->amount, $tie->along ?? $direction]],
            TieKind::Away => $alongFace
                ? [[$from->dot($direction) - $tie->amount, $direction]]
                : [self::distance($anchor->direction === null ? $from : $from->minus($direction->times($from->dot($direction))), $tie->amount, $direction)],
            TieKind::OnAxis => self::across($from, $direction),
            TieKind::Parallel => $alongFace ? [[$leg->dot($direction), $direction]] : self::across($leg, $direction),
            TieKind::Square => $alongFace ? self::across($leg, $direction) : [[$leg->dot($direction), $direction]],
            TieKind::Angle => [self::slant($leg, $direction, $alongFace ? sin($tie->amount) : cos($tie->amount))],
        };
    }

    /** @return list<array{float, Vector}> */
    private static function across(Vector $offset, Vector $axis): array
    {
        $first = $axis->anySquare();
        $second = $axis->cross($first);

        return [[$offset->dot($first), $first], [$offset->dot($second), $second]];
    }

    /** @return array{float, Vector} */
    private static function distance(Vector $offset, float $amount, Vector $axis): array
    {
        $length = $offset->length();

        return [$length - $amount, $length > 1e-12 ? $offset->unit() : $axis->anySquare()];
    }

    /** @return array{float, Vector} a leg whose cosine with the direction is given; either way along it */
    private static function slant(Vector $leg, Vector $direction, float $cosine): array
    {
        $length = $leg->length();
        if ($length < 1e-6) {
            // Without a leg there is no angle; what shrinks it to nothing does not keep the tie.
            return [1.0, Vector::zero()];
        }
        $towards = $leg->dot($direction) < 0.0 ? $direction->times(-1.0) : $direction;
        $aside = $leg->minus($towards->times($leg->dot($towards)))->length();
        if ($aside < 1e-9 * $length && $cosine < 1.0 - 1e-12 && $cosine > 1e-12) {
            // Straight along it, any side is as near as any other.
            return [$length * (1.0 - $cosine), $direction->anySquare()->times(-(1.0 - $cosine) * $cosine / sqrt(1.0 - $cosine ** 2))];
        }

        return [$leg->dot($towards) - $cosine * $length, $towards->minus($leg->times($cosine / $length))];
    }
}
