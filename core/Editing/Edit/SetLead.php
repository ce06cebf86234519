<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;

/** Sets the straight length out of, or into, a port. */
final readonly class SetLead implements RunChange
{
    /**
     * @param  'from'|'to'  $end
     */
    public function __construct(
        private string $end,
        private float $lead,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $draft->end($this->end)->lead = FileValue::roundForFile($this->lead);
    }
}
