<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\JointLegs;
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
        $end = $this->end === 'from' ? $draft->laid->run->from : $draft->laid->run->to;
        $draft->end($this->end)->lead = FileValue::roundForFile($this->lead);
        if ($end->lead === null && $end->axis !== null) {
            $corners = JointLegs::corners($draft);
            $corner = $end->at->plus($end->axis->times($this->lead));
            array_splice($corners, $this->end === 'from' ? 1 : count($corners) - 1, 0, [$corner]);
            JointLegs::renumber($draft, $corners);
        }
    }
}
