<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Tie\Tie;

/**
 * Finds the point nearest to where a corner was given that satisfies its ties, leaving out those that cannot be
 * satisfied, and the directions in which the corner may still move.
 */
final class TieSolver
{
    /** A direction whose part outside the bound ones is shorter than this is dependent. */
    private const SAYS_NOTHING = 1e-9;

    /**
     * @param  list<Tie>  $ties  those said first are kept first
     * @param  Vector  $told  where the corner would be without its ties, mm
     * @param  Vector  $last  the corner before it, mm
     */
    public static function solve(array $ties, Vector $told, Vector $last): TieSolution
    {
        $kept = $ties;
        $broken = [];
        $at = $ties === [] ? $told : TieIntersection::nearest($ties, $told, $last);
        if ($at === null) {
            // Not all ties can be satisfied: they are added one by one, and those that contradict earlier ones are left
            // out.
            [$kept, $at] = [[], $told];
            foreach ($ties as $index => $tie) {
                $found = TieIntersection::nearest([...$kept, $tie], $told, $last);
                if ($found === null) {
                    $broken[] = $index;
                } else {
                    $kept[] = $tie;
                    $at = $found;
                }
            }
        }
        $missed = array_map(static fn (Tie $tie): float => TieIntersection::missed($tie, $at, $last), $ties);

        return new TieSolution($at, $broken, array_map(
            static fn (int $index): float => in_array($index, $broken, true) ? $missed[$index] : 0.0, array_keys($ties),
        ), self::free($kept, $at, $last));
    }

    /**
     * @param  list<Tie>  $ties
     * @return list<Vector>
     */
    private static function free(array $ties, Vector $at, Vector $last): array
    {
        $bound = [];
        foreach ($ties as $tie) {
            foreach (TieIntersection::equations($tie, $at, $last) as [, $slope]) {
                $along = $slope->minus(TieSolution::allowed($slope, $bound));
                if ($along->length() > self::SAYS_NOTHING) {
                    $bound[] = $along->unit();
                }
            }
        }
        $free = [];
        foreach (['+x', '+y', '+z'] as $name) {
            $axis = Vector::axis($name) ?? Vector::zero();
            $rest = $axis->minus(TieSolution::allowed($axis, [...$bound, ...$free]));
            if ($rest->length() > Tolerance::NO_SIDE && count($bound) + count($free) < 3) {
                $free[] = $rest->unit();
            }
        }

        return $free;
    }
}
