<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Closure;

/**
 * Makes a way longer, to just a length, where there is room: a leg between two opposite ones is moved outwards, else a
 * straight leg gets a loop of four square bends, else, where that would be too much, a flat one of three. Of those that
 * are clear the one with the fewest bends that costs least is taken.
 */
final readonly class LengthDetour
{
    /** Where along a leg a loop is tried to begin, as a share of what is left of it. */
    private const PLACES = [0.5, 0.0, 1.0, 0.25, 0.75];

    /** The steepest flat loop, radians. */
    private const STEEPEST = 1.2;

    private const STEPS = 60;

    /** @param  (Closure(CornerLine): bool)|null  $isAllowed  what a way has to keep besides */
    public function __construct(
        private Passage $passage,
        private Costs $costs,
        private float $leastStraight,
        private ?Closure $isAllowed = null,
    ) {
    }

    /** Returns the way with that length, null where it is longer already or there is no room. */
    public function of(CornerLine $line, float $length): ?CornerLine
    {
        $more = $length - $line->length();
        if (abs($more) < Tolerance::COINCIDENT) {
            return $line;
        }
        foreach ($more < 0.0 ? [] : [$this->moved($line, $more), $this->looped($line, $more), $this->flat(
            $line, $more,
        )] as $tried) {
            $best = null;
            foreach ($tried as $one) {
                $cost = $one->cost($this->costs);
                if (($best === null || $cost < $best[1] - Tolerance::COINCIDENT) && $this->isGood($one)) {
                    $best = [$one, $cost];
                }
            }
            if ($best !== null) {
                return $best[0];
            }
        }

        return null;
    }

    private function isGood(CornerLine $line): bool
    {
        return $line->hasRoom($this->leastStraight, $this->passage->from->straight, $this->passage->to->straight)
            && $this->passage->body($line) === null
            && ($this->isAllowed === null || ($this->isAllowed)($line));
    }

    /**
     * @return iterable<CornerLine> with a leg moved outwards between two opposite ones
     */
    private function moved(CornerLine $line, float $more): iterable
    {
        $legs = $line->legs();
        for ($i = 1; $i < count($legs) - 1; $i++) {
            if ($legs[$i - 1][1]->plus($legs[$i + 1][1])->length() < Tolerance::SAME_DIRECTION) {
                $by = $legs[$i - 1][1]->times($more / 2);
                $vertices = $line->vertices;
                [$vertices[$i], $vertices[$i + 1]] = [$vertices[$i]->plus($by), $vertices[$i + 1]->plus($by)];
                yield new CornerLine(array_values($vertices), $line->radius);
            }
        }
    }

    /** @return iterable<CornerLine> with a loop of four square bends on a leg */
    private function looped(CornerLine $line, float $more): iterable
    {
        $radius = $line->radius;
        $least = 2 * $radius + $this->leastStraight;
        $height = $more / 2 + $radius * (4.0 - M_PI);
        if ($height < $least - Tolerance::COINCIDENT) {
            return;
        }
        foreach ($this->rooms($line) as [$leg, $from, $unit, $start, $end]) {
            foreach ($end - $start < $least ? [] : self::PLACES as $place) {
                $at = $start + $place * ($end - $start - $least);
                foreach (self::sides($unit) as $side) {
                    [$one, $other] = [$from->plus($unit->times($at)), $from->plus($unit->times($at + $least))];
                    $up = $side->times($height);
                    yield self::with($line, $leg, [$one, $one->plus($up), $other->plus($up), $other]);
                }
            }
        }
    }

    /** @return iterable<CornerLine> with a flat loop of three bends as long as there is room on a leg */
    private function flat(CornerLine $line, float $more): iterable
    {
        foreach ($this->rooms($line) as [$leg, $from, $unit, $start, $end]) {
            foreach (self::sides($unit) as $side) {
                foreach ([1.0, 0.7, 0.5, 0.35] as $share) {
                    $half = $share * ($end - $start) / 2;
                    $middle = ($start + $end) / 2;
                    $made = static fn (float $angle): CornerLine => self::with($line, $leg, [
                        $from->plus($unit->times($middle - $half)),
                        $from->plus($unit->times($middle))->plus($side->times($half * tan($angle))),
                        $from->plus($unit->times($middle + $half)),
                    ]);
                    [$low, $high] = [0.0, self::STEEPEST];
                    $wanted = $line->length() + $more;
                    if ($half < Tolerance::COINCIDENT || $made($high)->length() < $wanted) {
                        continue;
                    }
                    for ($step = 0; $step < self::STEPS; $step++) {
                        $angle = ($low + $high) / 2;
                        [$low, $high] = $made($angle)->length() < $wanted ? [$angle, $high] : [$low, $angle];
                    }
                    yield $made($high);
                }
            }
        }
    }

    /**
     * Returns the stretch of each leg on which bends may begin and end beside those at its ends.
     *
     * @return iterable<array{int, Vector, Vector, float, float}> number, start and direction of the leg; from, to
     */
    private function rooms(CornerLine $line): iterable
    {
        $legs = $line->legs();
        $turns = $line->turns();
        foreach ($legs as $i => [$from, $unit, $length]) {
            $room = fn (int $corner, float $atMouth): float => $line->radius + (isset($turns[$corner])
                ? $line->radius * tan($turns[$corner] / 2) + $this->leastStraight
                : $atMouth);
            $start = $room($i, $this->passage->from->straight);
            $end = $length - $room($i + 1, $this->passage->to->straight);
            if ($end > $start) {
                yield [$i, $from, $unit, $start, $end];
            }
        }
    }

    /** @return list<Vector> four directions square to a leg: along the axes of the job where it is along one */
    private static function sides(Vector $unit): array
    {
        if ($unit->axisName() === null) {
            $one = $unit->anySquare();

            return [$one, $one->times(-1.0), $unit->cross($one), $unit->cross($one)->times(-1.0)];
        }

        return array_values(array_filter(
            Vector::axes(), static fn (Vector $one): bool => abs($one->dot($unit)) < Tolerance::NO_SIDE,
        ));
    }

    /** @param  list<Vector>  $corners */
    private static function with(CornerLine $line, int $leg, array $corners): CornerLine
    {
        $vertices = $line->vertices;
        array_splice($vertices, $leg + 1, 0, $corners);

        return new CornerLine($vertices, $line->radius);
    }
}
