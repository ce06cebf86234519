<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Surrounding;
use Bowline\Routing\LaidRun;

/**
 * Where clamps go between two supports of a run: as few as keep every length within what is allowed, on what they can
 * stand on where there is such a place, and evenly spaced. Found by dynamic programming over places on its straights.
 */
final class SupportPlaces
{
    /** Between two places that are looked at, mm. */
    private const STEP = 10.0;

    /** Most places that are looked at. */
    private const MOST = 600;

    private const MOST_CLAMPS = 100;

    /** By how many more than the least it is tried, where bends leave no room for even lengths. */
    private const MORE = 3;

    /** How far off a face a clamp still stands on it, mm. */
    private const REACH = 300.0;

    /** A clamp stands upright on a face where the run goes along that within this, as a sine. */
    private const ALONG = 0.1;

    /** A foot is on a body where it is no farther off it, mm. */
    private const ON = 0.5;

    /**
     * What a clamp that stands on nothing costs; a length that is off the even one costs the square of that, as a share
     * of the allowed length.
     */
    private const FREE = 10.0;

    /**
     * @param  array<string, Surrounding>  $surroundings
     * @param  float  $width  of a clamp, mm
     */
    public function __construct(
        private readonly LaidRun $laid,
        private readonly array $surroundings,
        private readonly float $width,
    ) {
    }

    /**
     * @param  float  $allowed  most between two supports, mm
     * @return list<array{float, array{Surrounding, string, float}|null}> developed lengths, and what each stands on:
     *     the thing, its face and how far off that; none where no places keep within what is allowed
     */
    public function between(float $from, float $to, float $allowed): array
    {
        $places = [[$from, null]];
        foreach ($this->lookedAt($from, $to) as $along) {
            $places[] = [
                $along, $this->host($this->laid->path->pointAt($along), $this->laid->path->directionAt($along)),
            ];
        }
        $places[] = [$to, null];
        $last = count($places) - 1;
        $least = max(1, (int) ceil(($to - $from - Tolerance::COINCIDENT) / $allowed) - 1);
        for ($count = $least; $count <= min(self::MOST_CLAMPS, $least + self::MORE); $count++) {
            $chosen = $this->chosen($places, $last, $count, $allowed);
            if ($chosen !== null) {
                return array_map(static fn (int $index): array => $places[$index], $chosen);
            }
        }

        return [];
    }

    /** @return list<float> developed lengths at which a clamp has room on a straight, or anywhere on a curve */
    private function lookedAt(float $from, float $to): array
    {
        $path = $this->laid->path;
        $straights = $this->laid->run->route->corners() === null ? [[0.0, $path->length]] : $path->straights();
        $step = self::STEP * ceil(($to - $from) / self::STEP / self::MOST);
        $places = [];
        foreach ($straights as [$start, $end]) {
            [$first, $last] = [max($from, $start) + $this->width, min($to, $end) - $this->width];
            // At whole steps from the start of the run, so that a clamp is where a rule is laid along it.
            for ($along = ceil($first / $step) * $step; $along <= $last; $along += $step) {
                $places[] = $along;
            }
        }

        return $places;
    }

    /** @return array{Surrounding, string, float}|null the nearest face on which a clamp can stand there */
    private function host(Vector $at, Vector $direction): ?array
    {
        $best = null;
        foreach ($this->surroundings as $one) {
            if ($one->hinge !== null) {
                continue;
            }
            foreach ($one->faces() as $name => [$point, $normal]) {
                if (abs($normal->dot($direction)) > self::ALONG) {
                    continue;
                }
                $off = $at->minus($point)->dot($normal);
                $foot = $one->pose->ownPoint($at->minus($normal->times($off)));
                if ($off > $this->laid->run->stock->section->outsideDiameter / 2 && $off < ($best[2] ?? self::REACH)
                    && abs($one->shape->outside($foot->x, $foot->y, $foot->z, INF)[0]) < self::ON) {
                    $best = [$one, $name, $off];
                }
            }
        }

        return $best;
    }

    /**
     * Returns so many places of the least cost, each within the allowed length of the one before.
     *
     * @param  list<array{float, array{Surrounding, string, float}|null}>  $places  the first and the last are supports
     * @return list<int>|null
     */
    private function chosen(array $places, int $last, int $count, float $allowed): ?array
    {
        $even = ($places[$last][0] - $places[0][0]) / ($count + 1);
        $costs = [0 => 0.0];
        $before = [];
        for ($number = 1; $number <= $count + 1; $number++) {
            $next = [];
            foreach ($number > $count ? [$last] : array_slice(array_keys($places), 1, -1) as $end) {
                foreach ($costs as $start => $cost) {
                    $gap = $places[$end][0] - $places[$start][0];
                    if ($gap <= 0.0 || $gap > $allowed + Tolerance::COINCIDENT) {
                        continue;
                    }
                    $now = $cost + (($gap - $even) / $allowed) ** 2
                        + ($end !== $last && $places[$end][1] === null ? self::FREE : 0.0);
                    if ($now < ($next[$end] ?? INF)) {
                        [$next[$end], $before[$number][$end]] = [$now, $start];
                    }
                }
            }
            $costs = $next;
        }
        if (! isset($costs[$last])) {
            return null;
        }
        $chosen = [];
        for ([$number, $at] = [$count + 1, $last]; $number > 1; $number--) {
            $at = $before[$number][$at] ?? 0;
            array_unshift($chosen, $at);
        }

        return $chosen;
    }
}
