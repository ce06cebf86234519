<?php

declare(strict_types=1);

namespace Bowline\Editing;

/** A change of the description of a run. */
interface RunChange
{
    /** @throws EditError when it cannot be made, in words for the designer; the draft is of no use then */
    public function apply(RunDraft $draft): void;
}
