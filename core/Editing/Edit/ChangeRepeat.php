<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\EditError;
use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use stdClass;

/** Changes what repeats along the run. */
final readonly class ChangeRepeat implements RunChange
{
    /** @param  callable(stdClass): void  $change  of it as it stands in the file */
    public function __construct(
        private int $index,
        private mixed $change,
    ) {
    }

    /** @throws EditError when there is nothing of that number */
    public function apply(RunDraft $draft): void
    {
        $repeats = $draft->run()->repeats ?? [];
        $repeat = is_array($repeats) ? $repeats[$this->index] ?? null : null;
        if (! $repeat instanceof stdClass) {
            throw new EditError(sprintf('Nothing with the number %d repeats along the run.', $this->index + 1));
        }
        ($this->change)($repeat);
    }
}
