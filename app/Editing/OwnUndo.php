<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Job;
use App\Models\Step;
use App\Models\User;
use App\People\People;
use Bowline\Job\JobError;
use Bowline\Job\Node;

/**
 * Undo where several people work on a job: each takes back the last step of their own. What others have done since
 * stays; where it is about the same things, the step stays too.
 */
final readonly class OwnUndo
{
    public function __construct(
        private JobEdits $edits,
        private Steps $steps,
    ) {
    }

    /** Returns the last step of somebody that is in force; null where there is none. */
    public static function last(Job $job, User $user): ?Step
    {
        $inForce = Step::query()->where('job_id', $job->id)->where('number', '<=', $job->step);
        $takenBack = (clone $inForce)->whereNotNull('undoes')->pluck('undoes');

        return $inForce->where('user_id', $user->id)->whereNull('undoes')->whereNotIn('number', $takenBack)
            ->orderByDesc('number')->first();
    }

    /** Returns the number of the step that undo takes back for whoever asks; null where there is none. */
    public static function next(Job $job): ?int
    {
        $user = People::user();

        return $user !== null
            ? self::last($job, $user)?->number
            : Step::query()->where('job_id', $job->id)->where('number', $job->step)->first(['number'])?->number;
    }

    /** @throws JobError when nothing of it can be taken back */
    public function undo(Job $job, User $user): void
    {
        $step = self::last($job, $user) ?? throw JobError::at('', 'none of the steps that can be undone is yours');
        if ($step->number === $job->step) {
            $this->steps->goTo($job, $step->number - 1);

            return;
        }
        $edits = [];
        $header = $headerWas = null;
        foreach (array_map(Change::read(...), $step->changes) as $change) {
            if ($change->list === '') {
                [$header, $headerWas] = [new Node($change->before), new Node($change->after)];
            } else {
                $edits[] = new Node((object) [
                    'list' => $change->list, 'id' => $change->id, 'item' => $change->before, 'was' => $change->after,
                ]);
            }
        }
        try {
            $this->edits->apply($job, new Action(
                $edits, $header, 'Take back “'.$step->name.'”', null, null, $headerWas, $step->number,
            ));
        } catch (EditClash) {
            throw JobError::at('', sprintf(
                '“%s” cannot be taken back by itself: somebody has changed the same since', $step->name,
            ));
        }
    }
}
