<?php

declare(strict_types=1);

namespace App\Editing;

/** Where the solutions of the runs of a job are kept: the database, or a copy of it that goes to another machine. */
interface KeptRuns
{
    /**
     * @param  list<string>  $runs  ids
     * @return array<string, KeptRun> by id of the run; without those that are not kept
     */
    public function keptRuns(array $runs): array;
}
