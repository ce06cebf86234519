<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\End\Reducer;

/** Puts a concentric reducer on an end of the run. */
final readonly class ReduceEnd implements RunChange
{
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
        $tube = $draft->laid->stockAtEnd($this->end)->section->outsideDiameter;
        $draft->end($this->end)->end = (new Reducer(
            $this->od, null, Reducer::usualLength($tube, $this->od), false,
        ))->toFile();
    }
}
