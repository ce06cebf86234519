<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;

/** Sets the distance from the middle of a clamp to the corner before or behind it. */
final readonly class SetAtClamp implements RunChange
{
    /**
     * @param  int  $stop  of the clamp, 0-based
     * @param  'before'|'after'  $key  as the file calls it
     * @param  float  $distance  mm
     */
    public function __construct(
        private int $stop,
        private string $key,
        private float $distance,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $draft->stops->at($this->stop)->{$this->key} = FileValue::roundForFile($this->distance);
    }
}
