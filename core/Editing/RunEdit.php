<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/**
 * A change of a run that can be asked for from outside (schema/laying.json). A new one is a class in Edit/, a line in
 * `RunEdits`, and its body in the schema, named as its word without hyphens: `move-corner` is `moveCorner` there.
 */
interface RunEdit extends RunChange
{
    /** Returns the value of `do` in its body. */
    public static function word(): string;

    /** Returns the name of the step in the undo list, with %s for the name of the run. */
    public static function label(): string;

    /**
     * @param  Node  $body  its shape has been checked
     *
     * @throws JobError when it is wrong
     * @throws EditError when the run has nothing that it could change
     */
    public static function read(Node $body, RunDraft $draft, Site $site): self;
}
