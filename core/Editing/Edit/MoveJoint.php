<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\JointPlace;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use stdClass;

/** Puts a joint of the run to another place on a straight. */
final readonly class MoveJoint implements RunChange
{
    /** @param  float  $along  developed length, mm */
    public function __construct(
        private int $index,
        private float $along,
    ) {
    }

    /** @throws EditError when there is no such joint */
    public function apply(RunDraft $draft): void
    {
        $place = JointPlace::at($draft->laid, $this->along);
        $draft->apply(new ChangeJoint($this->index, static function (stdClass $joint) use ($place): void {
            $joint->at = $place;
        }));
    }
}
