<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;

/** The result of the edits of one action: the job, and which of its items have changed. */
final readonly class EditResult
{
    /**
     * @param  list<Change>  $changes
     * @param  list<string>|null  $runs  ids of the runs that may follow from them; null when any may
     */
    public function __construct(
        public Job $job,
        public array $changes,
        public ?array $runs,
    ) {
    }
}
