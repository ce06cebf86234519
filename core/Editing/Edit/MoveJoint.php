<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\Draggable;
use Bowline\Editing\DragParameter;
use Bowline\Editing\EditError;
use Bowline\Editing\JointPlace;
use Bowline\Editing\RunDraft;
use Bowline\Editing\RunEdit;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;
use stdClass;

/** Puts a joint of the run to another place along it; on a straight it is told on its leg. */
final readonly class MoveJoint implements Draggable, RunEdit
{
    /** @param  float  $along  developed length, mm */
    public function __construct(
        private int $index,
        private float $along,
    ) {
    }

    public static function word(): string
    {
        return 'move-joint';
    }

    public static function label(): string
    {
        return 'Move a joint of %s';
    }

    public static function read(Node $body, RunDraft $draft, Site $site): self
    {
        return new self(
            $site->values->count($body->get('joint'), 'the joint'), $site->values->number($body->get('along')),
        );
    }

    public static function drag(Node $change, LaidRun $laid, Values $values): ?DragParameter
    {
        return DragParameter::joint($change, $laid, $values);
    }

    /** @throws EditError when there is no such joint, or the stock changes at it and it would be on no straight */
    public function apply(RunDraft $draft): void
    {
        $place = JointPlace::at($draft->laid, $this->along);
        $draft->apply(new ChangeJoint($this->index, static function (stdClass $joint) use ($place): void {
            if (isset($joint->stock) && ! isset($place->leg)) {
                throw new EditError('The run goes on in another stock there: the joint stays on a straight.');
            }
            $joint->at = $place;
        }));
    }
}
