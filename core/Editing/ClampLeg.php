<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\FileValue;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Vertex;
use stdClass;

/**
 * Puts a leg on the axis of a clamp. Its corners lie where the adjacent legs meet the axis, when those have room for
 * their bends outside the clamp; otherwise they move out as far as the bends need.
 */
final class ClampLeg
{
    /** Iterations of the room: each moves the corner farther out and makes the turn milder. */
    private const ROUNDS = 60;

    /** Continues from the open end of a run. */
    public static function from(LaidRun $laid, Clamp $clamp, Vector $last): stdClass
    {
        $reverse = $clamp->at->minus($last)->dot($clamp->axis) < 0.0;
        $travel = $reverse ? $clamp->axis->times(-1.0) : $clamp->axis;
        $radius = $laid->run->stock->bend->radius;

        return self::stop(
            $clamp,
            self::room($last, $clamp->at, $travel, $clamp->width / 2, $radius),
            $clamp->width / 2 + ceil($radius),
            $reverse,
        );
    }

    /**
     * @param  int  $vertex  the corner at the end of the leg
     * @param  list<mixed>  $stops  of the run, in the shape of the file
     * @return array{int, int, stdClass} which stop it comes in place of, how many of them, and the stop
     *
     * @throws EditError where the run is held otherwise
     */
    public static function onto(LaidRun $laid, Clamp $clamp, int $vertex, array $stops): array
    {
        $start = $laid->vertices[$vertex - 1] ?? throw new EditError('This run has no such leg.');
        $end = $laid->vertices[$vertex];
        if ($start->stop !== null && $start->stop === $end->stop) {
            throw new EditError('This leg goes through a clamp already.');
        }
        $leg = $end->at->minus($start->at);
        $reverse = $leg->dot($clamp->axis) < 0.0;
        $travel = $reverse ? $clamp->axis->times(-1.0) : $clamp->axis;
        $takesStart = self::isPlain($start, $stops);
        $takesEnd = self::isPlain($end, $stops);
        $first = $takesStart ? (int) $start->stop : ($end->stop ?? count($stops));
        $stop = self::stop(
            $clamp,
            self::reach(
                $laid,
                $clamp,
                $travel->times(-1.0),
                $takesStart ? $vertex - 1 : null,
                $takesStart ? $vertex - 2 : $vertex - 1,
            ),
            self::reach($laid, $clamp, $travel, $takesEnd ? $vertex : null, $takesEnd ? $vertex + 1 : $vertex),
            $reverse,
        );
        $corner = self::sharedCorner(
            $takesStart ? $stops[$first] ?? null : null,
            $takesEnd ? $stops[(int) $end->stop] ?? null : null,
        );
        if ($corner !== null) {
            $stop->corner = $corner;
        }

        return [$first, ($takesStart ? 1 : 0) + ($takesEnd ? 1 : 0), $stop];
    }

    /**
     * Returns the distance from the centre of the clamp to the corner on one side of it, mm.
     *
     * @param  Vector  $out  unit direction from the clamp to that side
     * @param  int|null  $corner  the corner that is moved onto the axis; null when a new one is made
     * @param  int  $beyond  the vertex behind it
     */
    private static function reach(LaidRun $laid, Clamp $clamp, Vector $out, ?int $corner, int $beyond): float
    {
        $beside = $laid->vertices[$beyond]->at;
        $radius = $corner === null ? $laid->run->stock->bend->radius : $laid->vertices[$corner]->radius;
        $half = $clamp->width / 2;
        if ($corner === null) {
            $along = $beside->minus($clamp->at);
            $distance = $along->dot($out);
            if ($along->minus($out->times($distance))->length() < Tolerance::COINCIDENT && $distance > $half) {
                // The leg passes the clamp as it is: nothing bends and nothing moves.
                return ($half + $distance) / 2;
            }

            return self::room($beside, $clamp->at, $out->times(-1.0), $half, $radius);
        }
        $present = $laid->vertices[$corner]->at;
        $side = $present->minus($beside)->unit();
        $meets = self::meeting($beside, $side, $clamp->at, $out) ?? $present->minus($clamp->at)->dot($out);
        $place = $clamp->at->plus($out->times($meets));
        $turn = $place->minus($beside)->angleTo($out->times(-1.0));

        return $meets >=
            $half + ($turn < Tolerance::NO_TURN ? 0.0 : $radius * tan(min($turn, 3.0) / 2)) - Tolerance::COINCIDENT
            ? $meets
            : self::room($beside, $clamp->at, $out->times(-1.0), $half, $radius);
    }

    /** Returns the least distance before the centre at which a bend from a point ends before the clamp, mm. */
    private static function room(Vector $from, Vector $centre, Vector $travel, float $half, float $radius): float
    {
        $distance = $half;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $turn = min($centre->minus($travel->times($distance))->minus($from)->angleTo($travel), 3.0);
            $needed = $half + ($turn < Tolerance::NO_TURN ? 0.0 : $radius * tan($turn / 2));
            if (abs($needed - $distance) < Tolerance::COINCIDENT) {
                break;
            }
            $distance = $needed;
        }

        return ceil($distance - Tolerance::COINCIDENT);
    }

    /**
     * Returns the distance along the axis at which the adjacent leg comes nearest to it; null when they are parallel.
     */
    private static function meeting(Vector $point, Vector $side, Vector $centre, Vector $out): ?float
    {
        $across = 1.0 - $side->dot($out) ** 2;
        if ($across < Tolerance::NOTHING) {
            return null;
        }
        $between = $point->minus($centre);

        return ($between->dot($out) - $between->dot($side) * $side->dot($out)) / $across;
    }

    /** @param  list<mixed>  $stops */
    private static function isPlain(Vertex $vertex, array $stops): bool
    {
        $stop = $vertex->stop === null ? null : $stops[$vertex->stop] ?? null;

        return $stop instanceof stdClass && ! isset($stop->clamp) && ! isset($stop->ties);
    }

    private static function sharedCorner(mixed $first, mixed $second): mixed
    {
        $one = $first instanceof stdClass ? $first->corner ?? null : null;
        $other = $second instanceof stdClass ? $second->corner ?? null : null;

        return $one ?? $other;
    }

    private static function stop(Clamp $clamp, float $before, float $after, bool $reverse): stdClass
    {
        $stop = (object) [
            'clamp' => $clamp->id,
            'before' => FileValue::roundForFile($before),
            'after' => FileValue::roundForFile($after),
        ];
        if ($reverse) {
            $stop->reverse = true;
        }

        return $stop;
    }
}
