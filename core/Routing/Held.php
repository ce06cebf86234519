<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Tie\Tie;

/**
 * A corner with its ties: the place nearest to where it was told that keeps them all, what could not be kept,
 * and the directions in which it may still move.
 */
final readonly class Held
{
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
        $kept = $ties;
        $broken = [];
        $at = $ties === [] ? $told : TieSolver::nearest($ties, $told, $last);
        if ($at === null) {
            // Not all of them: one after another, those that cannot be kept beside the ones before left out.
            [$kept, $at] = [[], $told];
            foreach ($ties as $index => $tie) {
                $found = TieSolver::nearest([...$kept, $tie], $told, $last);
                if ($found === null) {
                    $broken[] = $index;
                } else {
                    $kept[] = $tie;
                    $at = $found;
                }
            }
        }
        $missed = array_map(static fn (Tie $tie): float => TieSolver::missed($tie, $at, $last), $ties);

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
        return array_reduce(
            $free,
            static fn (Vector $sum, Vector $one): Vector => $sum->plus($one->times($one->dot($move))),
            Vector::zero(),
        );
    }

    /**
     * @param  list<Tie>  $ties
     * @return list<Vector>
     */
    private static function free(array $ties, Vector $at, Vector $last): array
    {
        $bound = [];
        foreach ($ties as $tie) {
            foreach (TieSolver::equations($tie, $at, $last) as [, $slope]) {
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
}
