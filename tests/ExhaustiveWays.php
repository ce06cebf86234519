<?php

declare(strict_types=1);

namespace Tests;

/**
 * All ways along axes in a scene with corners on an even grid, by their number of bends: the shortest for each. It
 * knows nothing of the program: boxes are told by numbers, straights are looked at every few millimetres and bends at
 * nine places, and ways are put together bend by bend.
 */
final class ExhaustiveWays
{
    private const AXES = [[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]];

    /** @var list<array{array<int, float>, array<int, float>}> middles and half sizes of all that is kept off */
    private array $boxes = [];

    private readonly float $leg;

    /** @var array<string, bool> whether bends are free */
    private array $known = [];

    /** @var array<string, float> how far straights are free */
    private array $reaches = [];

    /**
     * @param  array<string, mixed>  $file  of `RandomScenes`
     * @param  float  $step  of the grid, mm; it goes through both ports only along their axes
     */
    public function __construct(
        private readonly array $file,
        private readonly float $step,
    ) {
        $this->leg = 2 * RandomScenes::RADIUS + RandomScenes::STRAIGHT;
        foreach ($file['surroundings'] as $one) {
            $this->boxes[] = [$one['pose']['at'], array_map(static fn (float $size): float => $size / 2, $one['size'])];
        }
        foreach ($file['fittings'] as $one) {
            $this->boxes[] = [$one['pose']['at'], [40.0, 40.0, 40.0]];
        }
    }

    /** @return array<int, float> the least length along the centre line, by the number of bends */
    public function shortest(int $mostBends): array
    {
        [$from, $to] = $this->file['fittings'];
        $start = $this->port($from);
        $end = $this->port($to);
        $lead = RandomScenes::OD + RandomScenes::RADIUS;
        $saved = (2 - M_PI / 2) * RandomScenes::RADIUS;
        // Coordinates: those of both ports, and an even grid over the room.
        $grid = [];
        foreach ([0, 1, 2] as $k) {
            $all = [$start[$k], $end[$k], $start[$k] + $lead * $start[$k + 3], $end[$k] + $lead * $end[$k + 3]];
            for ($at = -100.0; $at <= 500.0; $at += $this->step) {
                $all[] = $at;
            }
            sort($all);
            $grid[$k] = array_values(array_unique($all));
        }
        $layer = [];
        $axis = (int) array_search(array_slice($start, 3), self::AXES, false);
        foreach ($this->reached($start, $axis, $grid, $lead, 0.0) as [$point, $length]) {
            $layer[implode(' ', $point).' '.$axis] = [$point, $axis, $length];
        }
        $best = [];
        for ($bends = 1; $bends <= $mostBends; $bends++) {
            $next = [];
            foreach ($layer as [$point, $in, $length]) {
                $last = $this->last($point, $in, $end, $lead);
                if ($last !== null) {
                    $all = $length + $last - $bends * $saved;
                    $best[$bends] = min($best[$bends] ?? INF, $all);
                }
                foreach ($bends === $mostBends ? [] : array_keys(self::AXES) as $out) {
                    if (intdiv($out, 2) === intdiv($in, 2) || ! $this->isBendFree($point, $in, $out)) {
                        continue;
                    }
                    foreach ($this->reached($point, $out, $grid, $this->leg, RandomScenes::RADIUS) as [$there, $leg]) {
                        $key = implode(' ', $there).' '.$out;
                        if (! isset($next[$key]) || $next[$key][2] > $length + $leg) {
                            $next[$key] = [$there, $out, $length + $leg];
                        }
                    }
                }
            }
            $layer = $next;
        }

        return $best;
    }

    /**
     * @param  array<string, mixed>  $fitting
     * @return array<int, float> the place of its port and its axis
     */
    private function port(array $fitting): array
    {
        $port = $fitting['ports'][0];

        return array_values([
            ...array_map(static fn (float $at, float $own): float => $at + $own, $fitting['pose']['at'], $port['at']),
            ...array_map(floatval(...), $port['axis']),
        ]);
    }

    /**
     * @param  array<int, float>  $from
     * @param  array<int, list<float>>  $grid
     * @return iterable<array{array<int, float>, float}> corners that a leg can end at, and its length
     */
    private function reached(array $from, int $direction, array $grid, float $least, float $before): iterable
    {
        $axis = intdiv($direction, 2);
        $side = $direction % 2 === 0 ? 1 : -1;
        $key = implode(' ', array_slice($from, 0, 3)).' '.$direction;
        $reach = $this->reaches[$key] ??= $this->freeFrom($from, $axis, $side, $before);
        foreach ($grid[$axis] as $at) {
            $length = $side * ($at - $from[$axis]);
            if ($length >= $least - 1e-9 && $length - RandomScenes::RADIUS <= $reach) {
                $point = [$from[0], $from[1], $from[2]];
                $point[$axis] = $at;
                yield [$point, $length];
            }
        }
    }

    /** How far a straight is free from a place on, looked at every 4 mm; within its own fitting it does not count. */
    private function freeFrom(array $from, int $axis, int $side, float $before): float
    {
        $along = $before;
        for (; $along < 700.0; $along += 4.0) {
            $point = [$from[0], $from[1], $from[2]];
            $point[$axis] += $side * $along;
            if (($before > 0.0 || $along > 10.0) && $this->isInside($point)) {
                return $along - 4.0;
            }
        }

        return $along;
    }

    /** The length of the last leg, if the corner is on the axis of the port and it is free. */
    private function last(array $point, int $in, array $end, float $lead): ?float
    {
        $out = 0.0;
        $aside = 0.0;
        $axis = 0;
        foreach ([0, 1, 2] as $k) {
            $off = $point[$k] - $end[$k];
            if ($end[$k + 3] === 0.0) {
                $aside = max($aside, abs($off));
            } else {
                [$out, $axis] = [$off * $end[$k + 3], $k];
            }
        }
        if ($aside > 1e-9 || $out < $lead - 1e-9 || intdiv($in, 2) === $axis) {
            return null;
        }
        $into = 2 * $axis + ($end[$axis + 3] > 0 ? 1 : 0);
        $side = $end[$axis + 3] > 0 ? 1 : -1;

        return $this->isBendFree($point, $in, $into)
            && $this->freeFrom($end, $axis, $side, 0.0) >= $out - RandomScenes::RADIUS ? $out : null;
    }

    private function isBendFree(array $corner, int $in, int $out): bool
    {
        $key = implode(' ', $corner).' '.$in.' '.$out;
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        $free = true;
        for ($i = 0; $i <= 8 && $free; $i++) {
            $turn = M_PI_2 * $i / 8;
            $point = [];
            foreach ([0, 1, 2] as $k) {
                $point[] = $corner[$k] + RandomScenes::RADIUS * (
                    (sin($turn) - 1) * self::AXES[$in][$k] + (1 - cos($turn)) * self::AXES[$out][$k]
                );
            }
            $free = ! $this->isInside($point);
        }

        return $this->known[$key] = $free;
    }

    /** Whether a ball as thick as the tube at a place goes into a box. */
    private function isInside(array $point): bool
    {
        foreach ($this->boxes as [$middle, $half]) {
            $square = 0.0;
            foreach ([0, 1, 2] as $k) {
                $off = max(0.0, abs($point[$k] - $middle[$k]) - $half[$k]);
                $square += $off * $off;
            }
            if ($square < (RandomScenes::OD / 2 - 1e-6) ** 2) {
                return true;
            }
        }

        return false;
    }
}
