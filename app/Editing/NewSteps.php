<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use Bowline\Job\Node;

/** The steps that were done, undone or redone since a revision of a job. */
final class NewSteps
{
    /** Most revisions that are told step by step; whoever has seen less reads the whole job. */
    private const MOST = 12;

    /**
     * Returns what has changed since a revision, as it is now, each item once. Null where that is not known, or not all
     * there is: where a revision came about otherwise, its steps are not there any more, something came or went, or
     * what was changed is not an item that stands by itself.
     *
     * @return non-empty-list<Change>|null
     */
    public static function changes(Job $job, int $seen): ?array
    {
        $behind = $job->revision - $seen;
        if ($behind < 1 || $behind > self::MOST) {
            return null;
        }
        $steps = $job->steps()->where('revision', '>', $seen)->orderBy('number')->get();
        if ($steps->unique('revision')->count() !== $behind) {
            return null;
        }
        $isWired = $job->harnesses()->exists();
        $changes = [];
        foreach ($steps as $step) {
            $isDone = $step->number <= $job->step;
            foreach (array_map(Change::read(...), $step->changes) as $one) {
                if (
                    in_array($one->list, ['', 'stock'], true) || $one->before === null || $one->after === null
                    || $isWired && ! JobEdits::leavesWires($one->list, new Node($one->after), $one->before)
                ) {
                    return null;
                }
                // Of steps that are done the last tells how it is now; of those that are undone the first.
                $key = $one->list.' '.$one->id;
                if ($isDone || ! isset($changes[$key])) {
                    $changes[$key] = $isDone ? $one : new Change(
                        $one->list, $one->id, $one->after, $one->before, $one->position,
                    );
                }
            }
        }

        return $changes === [] ? null : array_values($changes);
    }
}
