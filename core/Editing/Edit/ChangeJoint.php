<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use stdClass;

/** Changes a joint of the run. */
final readonly class ChangeJoint implements RunChange
{
    /** @param  callable(stdClass): void  $change  of the joint as it stands in the file */
    public function __construct(
        private int $index,
        private mixed $change,
    ) {
    }

    /** @throws EditError when there is no such joint */
    public function apply(RunDraft $draft): void
    {
        $joint = $draft->joints()[$this->index] ?? null;
        if (! $joint instanceof stdClass) {
            throw new EditError(sprintf('There is no joint %d.', $this->index + 1));
        }
        ($this->change)($joint);
    }
}
