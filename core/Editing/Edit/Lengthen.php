<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use Bowline\Job\FileValue;

/** Sets a greater length of a hanging or sprung run; one given by its slack is given by its length then. */
final readonly class Lengthen implements RunChange
{
    public function __construct(
        private float $by,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $route = $draft->routeObject();
        unset($route->slack);
        $route->length = FileValue::increased($route->length ?? null, $this->by)
            ?? FileValue::roundForFile($draft->laid->length() + $this->by);
    }
}
