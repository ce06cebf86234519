<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** Lets the level legs of a way fall, by what its upright legs get shorter; or by the height between its ends. */
final readonly class Fall
{
    /** By how much more than asked for level legs fall, as a share: what is rounded for the file still falls enough. */
    private const MORE = 1e-4;

    /** Most that the first and the last leg fall where ports look level, mm for each mm: 0.49 degrees. */
    private const AT_PORTS = 0.00855;

    /**
     * @param  Vector  $up  unit
     * @param  float  $rate  least fall, mm for each mm to the side
     */
    public function __construct(
        private Vector $up,
        private float $rate,
    ) {
    }

    /** Returns whether a way between two places drains from the first to the second. */
    public function isDown(Vector $from, Vector $to): bool
    {
        return $from->dot($this->up) >= $to->dot($this->up);
    }

    /**
     * Returns a way whose level legs fall: upright legs at the end of each such stretch get shorter by it. Where there
     * is none, all level legs share the height between the ends.
     *
     * @param  Vector  $end  where the way has to end, straight below or above where the line does
     * @return CornerLine|null null where it has not the height
     */
    public function of(CornerLine $line, Vector $end): ?CornerLine
    {
        $isDown = $this->isDown($line->vertices[0], $end);
        $vertices = $isDown ? $line->vertices : array_reverse($line->vertices);
        $low = $isDown ? $end : $line->vertices[0];
        if (! $isDown) {
            // Its first place is where it ends, and the line is as high as that.
            $by = $this->up->times($end->minus($vertices[0])->dot($this->up));
            $vertices = array_map(static fn (Vector $one): Vector => $one->plus($by), $vertices);
        }
        $fallen = $this->fallen($vertices, $low);
        if ($fallen === null || $fallen === []) {
            return null;
        }

        return new CornerLine($isDown ? $fallen : array_reverse($fallen), $line->radius);
    }

    /**
     * @param  list<Vector>  $vertices  from the higher end
     * @return list<Vector>|null
     */
    private function fallen(array $vertices, Vector $low): ?array
    {
        [$levels, $drops] = [[], []];
        for ($i = 1; $i < count($vertices); $i++) {
            $way = $vertices[$i]->minus($vertices[$i - 1]);
            $drop = -$way->dot($this->up);
            $level = $way->plus($this->up->times($drop))->length();
            if ($drop < -Tolerance::COINCIDENT) {
                return null;
            }
            $isUpright = $level < Tolerance::COINCIDENT;
            [$levels[$i], $drops[$i]] = [$isUpright ? 0.0 : $level, $isUpright ? $drop : 0.0];
        }
        $height = $vertices[0]->minus($low)->dot($this->up);
        $all = array_sum($drops);
        $falls = $all < Tolerance::COINCIDENT ? $this->shared($levels, $height) : array_map(
            fn (float $level): float => $level * $this->rate * (1.0 + self::MORE), $levels,
        );
        $spare = $falls === null ? -1.0 : $height - array_sum($falls);
        if ($falls === null || $spare < -Tolerance::COINCIDENT) {
            return null;
        }
        $high = $vertices[0]->dot($this->up);
        $lowered = [$vertices[0]];
        for ($i = 1; $i < count($vertices); $i++) {
            $high -= $falls[$i] + ($all > 0.0 ? $spare * $drops[$i] / $all : 0.0);
            $lowered[] = $vertices[$i]->plus($this->up->times($high - $vertices[$i]->dot($this->up)));
        }

        return $lowered;
    }

    /**
     * Shares the height among level legs: evenly, but for no more at both ends than ports take that look level.
     *
     * @param  array<int, float>  $levels  lengths of the legs
     * @return array<int, float>|null how far each falls, null where that is less than asked for
     */
    private function shared(array $levels, float $height): ?array
    {
        $rate = $height / array_sum($levels);
        $ends = [1 => true, count($levels) => true];
        $outer = min($rate, max($this->rate * (1.0 + self::MORE), self::AT_PORTS));
        $between = array_sum(array_diff_key($levels, $ends));
        $inner = $between > 0.0 ? ($height - $outer * (array_sum($levels) - $between)) / $between : $rate;
        $falls = [];
        foreach ($levels as $i => $level) {
            $falls[$i] = $level * (isset($ends[$i]) && $between > 0.0 ? $outer : $inner);
        }

        return min($outer, $inner) < $this->rate - Tolerance::SAFEGUARD ? null : $falls;
    }
}
