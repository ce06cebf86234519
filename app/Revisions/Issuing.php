<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\Action;
use App\Editing\JobEdits;
use App\Editing\JobFiles;
use App\Models\Job;
use App\Models\Revision;
use App\Models\Run;
use App\Queue\Tasks;
use Bowline\Job\JobError;
use Bowline\Job\Node;

/** Issues revisions: the job as it is now is frozen at once, and its files are made on the queue. */
final readonly class Issuing
{
    /** Columns of a run that hold its solution. */
    private const SOLUTION = [
        'solved_from', 'solution', 'length', 'shapes', 'low_x', 'low_y', 'low_z', 'high_x', 'high_y', 'high_z',
    ];

    public function __construct(
        private JobFiles $files,
        private JobEdits $edits,
        private OpenPoints $points,
    ) {
    }

    /**
     * @param  string  $name  "A"
     * @param  string  $by  who issues it
     *
     * @throws RevisionRefused when something of the job is still open, or one is being issued
     * @throws JobError when the name is taken
     * @throws JobIsFrozen when it is a revision itself
     */
    public function issue(Job $job, string $name, string $by, string $note): Revision
    {
        $open = $this->points->of($job);
        if ($open !== []) {
            throw new RevisionRefused(sprintf(
                'It cannot be issued yet: %s%s. Cure it, or waive it with a reason.', $open[0]['words'],
                count($open) === 1 ? '' : sprintf(', and %d more', count($open) - 1),
            ), $open);
        }
        $looked = $job->revision;
        $revision = $job->alone(function () use ($job, $looked, $name, $by, $note): Revision {
            if ($job->revision !== $looked) {
                throw new RevisionRefused('The job has changed since. Look at it again, then issue it.');
            }

            return $this->freeze($job, $name, $by, $note);
        });
        Tasks::put(new IssueRevision($revision->id));
        // The work goes on as the next revision.
        $next = self::after($name);
        if ($next !== null) {
            $this->edits->apply($job, Action::read(new Node((object) [
                'edits' => [], 'header' => (object) ['revision' => $next],
                'name' => sprintf('Revision %s issued, %s begun', $name, $next),
            ]), true));
        }

        return $revision;
    }

    /** Returns the name that follows another: "B" after "A", "4" after "3"; null where none does. */
    public static function after(string $name): ?string
    {
        return preg_match('/^([A-Y]|[0-9]{1,3})$/', $name) === 1
            ? (ctype_digit($name) ? (string) ((int) $name + 1) : chr(ord($name) + 1))
            : null;
    }

    private function freeze(Job $job, string $name, string $by, string $note): Revision
    {
        $others = $job->revisions()->where('state', '!=', 'failed')->get(['name', 'state']);
        if ($others->contains('name', $name)) {
            throw JobError::at('/name', sprintf('there is a revision %s already', $name));
        }
        if ($others->contains('state', 'issuing')) {
            throw new RevisionRefused('A revision is being issued already. Wait until its files are made.');
        }
        $file = $this->files->file($job);
        $file->revision = $name;
        $frozen = $this->files->keep($file);
        $frozen->is_frozen = true;
        $frozen->save();
        foreach ($job->runs()->get(['key', ...self::SOLUTION]) as $run) {
            Run::query()->where('job_id', $frozen->id)->where('key', $run->key)->toBase()->update(
                array_intersect_key($run->getAttributes(), array_flip(self::SOLUTION)),
            );
        }

        return Revision::query()->create([
            'job_id' => $job->id, 'frozen_id' => $frozen->id,
            'number' => 1 + ($job->revisions()->orderByDesc('number')->first()->number ?? 0), 'name' => $name,
            'issued_by' => $by, 'note' => $note, 'state' => 'issuing', 'part' => 0.0, 'asked_at' => now(),
            'hash_before' => HashChain::last($job),
        ]);
    }
}
