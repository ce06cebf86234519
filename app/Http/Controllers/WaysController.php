<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Machines\JobCopy;
use App\Machines\Report;
use App\Models\Job;
use App\Models\LayWork;
use App\Queue\Tasks;
use App\Support\WorkBrokenOff;
use App\Support\WorkTime;
use App\Ways\LayRuns;
use App\Ways\WaysQuestion;
use Bowline\Exchange\PairRows;
use Bowline\Job as CoreJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Runs that lay themselves: found at once where that takes no longer than a second, else on the queue; not stored. */
final readonly class WaysController
{
    private const AT_ONCE = 1.0;

    public function __construct(private JobFiles $files)
    {
    }

    public function lay(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'errands');
        $question = WaysQuestion::of(JobCopy::of($job, $this->files), $body);
        LayWork::forget($job);
        // What cannot be interrupted is not begun here.
        if (count($question->errands) === 1 && WorkTime::hasAlarm()) {
            try {
                $answer = WorkTime::limit(self::AT_ONCE, static fn (WorkTime $time): array => $time->run(
                    static fn (): array => $question->answer(Report::toNobody()),
                ));

                return response()->json(['id' => null, 'state' => 'done', 'problem' => null, ...$answer]);
            } catch (WorkBrokenOff $brokenOff) {
                if ($brokenOff->isClientGone) {
                    throw $brokenOff;
                }
                // It goes on the queue.
            }
        }
        $work = LayWork::query()->create([
            'job_id' => $job->id, 'question' => json_encode($body->value, JSON_THROW_ON_ERROR),
            'asked_at' => now(),
        ]);
        Tasks::put(new LayRuns($work->id));

        return response()->json($work->forApi(), 202);
    }

    public function show(Job $job, int $work): JsonResponse
    {
        return response()->json($this->work($job, $work)->forApi());
    }

    /** Stops it; what was found so far stays. */
    public function stop(Job $job, int $work): JsonResponse
    {
        $found = $this->work($job, $work);
        if ($found->state === 'waiting') {
            $found->update(['state' => 'done', 'answer' => json_encode(
                [...WaysQuestion::nothing(count($found->body()->list('errands'))), 'whole' => false],
                JSON_THROW_ON_ERROR,
            )]);
        } elseif ($found->state === 'working') {
            $found->update(['state' => 'stopping']);
        }

        return response()->json($found->forApi());
    }

    /** Reads pairs of ports that were pasted; refused rows are returned with their reasons. */
    public function pasted(Request $request, Job $job): JsonResponse
    {
        $core = CoreJob::readOnly($this->files->file($job), static fn (): bool => false);
        $body = RequestBody::of($request, 'pairText');
        $rows = PairRows::read($body->get('text')->text(), $core, $body->find('stock')?->text());

        return response()->json(['errands' => $rows->said, 'refused' => $rows->refused]);
    }

    private function work(Job $job, int $work): LayWork
    {
        return LayWork::query()->where('job_id', $job->id)->findOrFail($work);
    }
}
