<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Geometry\Tolerance;

/** The face at which a body is cut, in the projection: the segments round it, in no order. Millimetres. */
final class SectionFace
{
    /** Height of a row of segments as a share of that of the face. */
    private const ROWS = 200;

    private float $bottom = INF;

    private float $height = 1.0;

    /** @var array<int, list<int>> numbers of segments by row */
    private array $rows = [];

    /**
     * @param  string  $of  what it is of: the id of a run, or of an item of the site
     * @param  list<array{array{float, float}, array{float, float}}>  $segments
     * @param  bool  $isSolid  whether the segments are round material, so that it hides what is behind it
     */
    public function __construct(
        public readonly string $of,
        public readonly array $segments,
        public readonly bool $isRun,
        public readonly bool $isSolid,
    ) {
        $top = -INF;
        foreach ($segments as [$from, $to]) {
            $this->bottom = min($this->bottom, $from[1], $to[1]);
            $top = max($top, $from[1], $to[1]);
        }
        $this->height = max(Tolerance::NOTHING, ($top - $this->bottom) / self::ROWS);
        foreach ($segments as $number => [$from, $to]) {
            for ($row = $this->row(min($from[1], $to[1])); $row <= $this->row(max($from[1], $to[1])); $row++) {
                $this->rows[$row][] = $number;
            }
        }
    }

    /** Whether a place is in the material that is cut. */
    public function holds(float $x, float $y): bool
    {
        if (! $this->isSolid) {
            return false;
        }
        $isIn = false;
        foreach ($this->rows[$this->row($y)] ?? [] as $number) {
            [[$ax, $ay], [$bx, $by]] = $this->segments[$number];
            if (($ay > $y) !== ($by > $y) && $x < $ax + ($y - $ay) / ($by - $ay) * ($bx - $ax)) {
                $isIn = ! $isIn;
            }
        }

        return $isIn;
    }

    /**
     * Returns the lines by which it is hatched, at 45°.
     *
     * @param  float  $apart  from one to the next, mm
     * @param  bool  $isRising  to the right, else falling
     * @return list<array{array{float, float}, array{float, float}}>
     */
    public function hatched(float $apart, bool $isRising): array
    {
        // Along a line u = (x ± y)/√2 is the same; where it crosses segments it goes into the material or out of it.
        $sign = $isRising ? -1.0 : 1.0;
        $along = static fn (float $x, float $y): float => ($x + $sign * $y) / M_SQRT2;
        $across = static fn (float $x, float $y): float => ($y - $sign * $x) / M_SQRT2;
        $crossings = [];
        foreach ($this->isSolid ? $this->segments : [] as [$from, $to]) {
            [$au, $av] = [$along(...$from), $across(...$from)];
            [$bu, $bv] = [$along(...$to), $across(...$to)];
            $last = (int) floor(max($au, $bu) / $apart);
            for ($k = (int) floor(min($au, $bu) / $apart) + 1; $k <= $last; $k++) {
                $crossings[$k][] = $av + ($k * $apart - $au) / ($bu - $au) * ($bv - $av);
            }
        }
        $lines = [];
        foreach ($crossings as $k => $places) {
            sort($places);
            $u = $k * $apart;
            $back = static fn (float $v): array => [($u - $sign * $v) / M_SQRT2, ($v + $sign * $u) / M_SQRT2];
            for ($i = 1, $count = count($places); $i < $count; $i += 2) {
                $lines[] = [$back($places[$i - 1]), $back($places[$i])];
            }
        }

        return $lines;
    }

    private function row(float $y): int
    {
        return (int) floor(($y - $this->bottom) / $this->height);
    }
}
