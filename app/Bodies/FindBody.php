<?php

declare(strict_types=1);

namespace App\Bodies;

use App\Editing\JobFiles;
use App\Machines\Answered;
use App\Machines\BodyCalculation;
use App\Machines\Machines;
use App\Machines\MachinesAway;
use App\Machines\Report;
use App\Machines\Task;
use App\Models\BodyWork;
use App\Models\Job;
use App\Queue\Failure;
use Bowline\Exchange\JobBodies;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Space\Progress;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use stdClass;
use Throwable;

/** Works on a question about a body on the queue, and keeps the answer. */
final class FindBody implements ShouldQueue
{
    use Queueable;

    /** Least time between two writes of how far it has come, s. */
    private const PAUSE = 0.15;

    /** A worker that was ended meanwhile takes it up again when it is restarted. */
    public int $tries = 5;

    /** What takes too long is not tried again: it would take as long while others wait. */
    public bool $failOnTimeout = true;

    public int $timeout = 300;

    public function __construct(private readonly int $work)
    {
    }

    public function handle(JobFiles $files, KeptBodies $kept, Machines $machines): void
    {
        $work = BodyWork::query()->find($this->work);
        $job = $work === null ? null : Job::query()->find($work->job_id);
        if ($work === null || $job === null || ! in_array($work->state, ['waiting', 'working'], true)) {
            return;
        }
        $file = $files->file($job);
        $core = CoreJob::read($file);
        $question = $work->question();
        if (! isset(JobBodies::all($core)[$work->body]) || $question->key($core) !== $work->key) {
            // The body has changed meanwhile and is asked for anew.
            $work->delete();

            return;
        }
        try {
            $kept->keep($question, $core, $this->answer($machines, $file, $core, $question, self::watched($work)));
            $work->delete();
        } catch (BodyWorkStopped) {
            return;
        } catch (JobError $error) {
            $work->update(['state' => 'refused', 'pointer' => $error->pointer, 'reason' => $error->getMessage()]);
        }
    }

    /** @throws JobError where it cannot be made */
    private function answer(
        Machines $machines,
        stdClass $file,
        CoreJob $core,
        BodyQuestion $question,
        Progress $progress,
    ): mixed {
        try {
            $answer = $machines->answer(
                static fn (): Task => BodyCalculation::task($file, $question),
                new Report(static fn (array $told) => $progress->tell(
                    is_numeric($told['part'] ?? null) ? (float) $told['part'] : 0.0,
                )),
            );

            return Answered::taken($answer);
        } catch (MachinesAway) {
            return $question->work($core, $progress);
        }
    }

    /** Marks the work as failed, so that it does not appear to go on. */
    public function failed(?Throwable $error = null): void
    {
        BodyWork::query()->whereKey($this->work)
            ->update(['state' => 'failed', 'reason' => Failure::words($error, $this->timeout)]);
    }

    /** Writes down how far it has come, and breaks it off when it has been stopped or is not wanted any more. */
    private static function watched(BodyWork $work): Progress
    {
        $told = 0.0;

        return new Progress(static function (float $part) use ($work, &$told): void {
            if (microtime(true) - $told < self::PAUSE) {
                return;
            }
            $told = microtime(true);
            $rows = BodyWork::query()
                ->whereKey($work->id)
                ->whereIn('state', ['waiting', 'working'])
                ->update(['state' => 'working', 'part' => $part]);
            if ($rows === 0) {
                throw new BodyWorkStopped;
            }
        });
    }
}
