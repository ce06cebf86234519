<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\End\Reducer;

/** Puts a concentric reducer on an end of the run. */
final readonly class ReduceEnd implements RunChange
{
    /** Lengths are rounded up to whole multiples of this, mm. */
    private const STEP = 5.0;

    /**
     * @param  'from'|'to'  $end
     * @param  float  $od  outside diameter at the end, mm
     */
    public function __construct(
        private string $end,
        private float $od,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $tube = $draft->laid->run->stock->section->outsideDiameter;
        $draft->end($this->end)->end = (new Reducer(
            $this->od, null, self::lengthBetween($tube, $this->od), false,
        ))->toFile();
    }

    /** Returns the length of a reducer: as long as its larger end is wide, about that of ASME B16.9 and EN 10253. */
    public static function lengthBetween(float $one, float $other): float
    {
        return ceil(max($one, $other) / self::STEP) * self::STEP;
    }
}
