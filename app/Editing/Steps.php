<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\Step;
use App\People\EditRights;
use App\People\People;
use App\People\Trail;
use App\People\TrailKind;
use Bowline\Job\Node;

/** The steps of a job in order, for undo and redo. */
final readonly class Steps
{
    /** Most steps that are stored. */
    private const MAX_STEPS = 300;

    public function __construct(private JobFiles $files)
    {
    }

    /** Whether an action with this token has been done already. */
    public function isDone(Job $job, ?string $token): bool
    {
        return $token !== null && Step::query()->where('job_id', $job->id)->where('token', $token)->exists();
    }

    /**
     * Adds a step behind the present one, for the revision that comes next; undone steps are deleted.
     *
     * @param  list<Change>  $changes
     * @param  int|null  $undoes  number of the step that it takes back
     */
    public function record(Job $job, string $name, array $changes, ?string $token, ?int $undoes = null): void
    {
        $user = People::user();
        Step::query()->where('job_id', $job->id)->where('number', '>', $job->step)->delete();
        Step::query()->where('job_id', $job->id)->where('number', '<=', $job->step - self::MAX_STEPS)->delete();
        $job->step++;
        Step::query()->create([
            'job_id' => $job->id, 'number' => $job->step, 'revision' => $job->revision + 1,
            'name' => mb_substr($name, 0, 200), 'changes' => $changes, 'token' => $token, 'undoes' => $undoes,
            'made_at' => now(), 'user_id' => $user?->id, 'made_by' => $user?->name,
        ]);
        Trail::note(TrailKind::Edit, $name, $job, ['step' => $job->step, 'changes' => array_map(
            static fn (Change $change): array => [
                'list' => $change->list, 'id' => $change->id, 'before' => $change->before, 'after' => $change->after,
            ], $changes,
        )]);
    }

    /** Undoes or redoes until the step with that number is the last one done. */
    public function goTo(Job $job, int $number): void
    {
        $job->alone(function () use ($job, $number): void {
            $back = $number < $job->step;
            $steps = Step::query()->where('job_id', $job->id)
                ->where('number', '>', min($number, $job->step))->where('number', '<=', max($number, $job->step))->get()
                ->sortBy(static fn (Step $step): int => $back ? -$step->number : $step->number);
            foreach ($steps as $step) {
                $changes = array_map(Change::read(...), $step->changes);
                EditRights::require($job, $back ? array_map(
                    static fn (Change $one): Change => new Change(
                        $one->list, $one->id, $one->after, $one->before, $one->position,
                    ), $changes,
                ) : $changes);
                $this->put($job, $changes, $back);
                $words = ($back ? 'Undo: ' : 'Redo: ').$step->name;
                Trail::note(TrailKind::Edit, $words, $job, ['step' => $step->number]);
                $job->step = $back ? $step->number - 1 : $step->number;
            }
            if ($steps->isNotEmpty()) {
                $job->revision++;
                Step::query()->whereKey($steps->modelKeys())->update(['revision' => $job->revision]);
                $job->touch();
                $job->save();
            }
        });
    }

    /**
     * @param  list<Change>  $changes
     * @param  bool  $back  to how each was before, or forth to how it was after
     */
    private function put(Job $job, array $changes, bool $back): void
    {
        // A run refers to its stock: stock is inserted first and deleted last.
        $order = array_flip(array_keys(Job::LISTS));
        usort($changes, static fn (Change $a, Change $b): int => ($order[$a->list] ?? -1) <=> ($order[$b->list] ?? -1));
        foreach (array_reverse($changes) as $change) {
            if (($back ? $change->before : $change->after) === null) {
                $this->files->remove($job, $change->list, $change->id);
            }
        }
        foreach ($changes as $change) {
            $value = $back ? $change->before : $change->after;
            if ($value !== null && $change->list === '') {
                $this->files->putHeader($job, new Node($value));
            } elseif ($value !== null) {
                $this->files->put($job, $change->list, $change->id, $value, $change->position);
            }
        }
    }
}
