<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Editing\RunChange;
use Bowline\Editing\RunDraft;
use stdClass;

/** Changes the finish of an end of the run. */
final readonly class ChangeEnd implements RunChange
{
    /**
     * @param  'from'|'to'  $end
     * @param  callable(stdClass): void  $change  of the "end" object
     */
    public function __construct(
        private string $end,
        private mixed $change,
    ) {
    }

    public function apply(RunDraft $draft): void
    {
        $finish = $draft->end($this->end)->end ?? null;
        if ($finish instanceof stdClass) {
            ($this->change)($finish);
        }
    }
}
