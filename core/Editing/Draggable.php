<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Bowline\Routing\LaidRun;

/** An edit with one number that can be dragged. */
interface Draggable
{
    /**
     * @param  Node  $change  the body of the edit
     * @param  LaidRun  $laid  the run before it
     * @return DragParameter|null null when there is no such number in it
     *
     * @throws JobError
     */
    public static function drag(Node $change, LaidRun $laid, Values $values): ?DragParameter;
}
