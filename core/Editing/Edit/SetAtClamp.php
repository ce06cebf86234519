<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Editing\StopList;

/** Sets one number of a clamp stop or of a flange, as the file calls it. */
final readonly class SetAtClamp implements RunChange
{
    /**
     * @param  'before'|'after'  $key
     */
    public function __construct(
        private int $stop,
        private string $key,
        private float $distance,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $draft->stops->at($this->stop)->{$this->key} = StopList::tidy($this->distance);
    }
}
