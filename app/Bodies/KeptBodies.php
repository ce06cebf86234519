<?php

declare(strict_types=1);

namespace App\Bodies;

use App\Models\BodyWork;
use App\Models\Job;
use App\Queue\Tasks;
use Bowline\Body\Boundary\Solid;
use Bowline\Body\Mesh;
use Bowline\Exchange\ExactPart;
use Bowline\Exchange\FoundPart;
use Bowline\Exchange\Part;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Illuminate\Support\Facades\Cache;
use LogicException;

/**
 * Answers about bodies of several runs, and blocks with channels, kept while nothing that they follow from has changed.
 * What takes long is worked on the queue (`FindBody`).
 */
final readonly class KeptBodies
{
    /** How long they are kept, s. */
    private const KEPT = 86_400;

    /**
     * @param  string  $id  of a body that is there
     * @param  float  $chord  farthest that a facet stands off the surface, mm
     *
     * @throws BodyPending while it is found on the queue
     * @throws JobError where it cannot be made
     */
    public function mesh(Job $job, CoreJob $core, string $id, float $chord): Mesh
    {
        $mesh = $this->answer($job, $core, new BodyQuestion(BodyAnswer::Mesh, $id, $chord));

        return $mesh instanceof Mesh ? $mesh : throw new LogicException('no triangles');
    }

    /**
     * Returns a part of a file, with its triangles where its surface is found.
     *
     * @param  string  $id  of its body
     * @param  bool  $onSplines  whether it is wanted on splines where there are some
     *
     * @throws BodyPending while it is found on the queue
     * @throws JobError where it cannot be made
     */
    public function part(
        Job $job,
        CoreJob $core,
        string $id,
        Part $part,
        float $chord,
        bool $onSplines = false,
    ): Part {
        if (! $part instanceof FoundPart) {
            return $part;
        }
        if (! $onSplines) {
            return $part->found($this->mesh($job, $core, $id, $chord));
        }
        $found = $this->answer($job, $core, new BodyQuestion(BodyAnswer::OnSplines, $id, $chord));
        $solid = is_string($found) ? unserialize((string) gzuncompress($found)) : null;

        return match (true) {
            $solid instanceof Solid => new ExactPart($part->id, $part->name, $solid, $part->colour),
            $found instanceof Mesh => $part->found($found),
            default => throw new LogicException('no surfaces and no triangles'),
        };
    }

    /**
     * @return mixed of the type that the question asks for (`BodyAnswer`)
     *
     * @throws BodyPending while it is worked on the queue, and where that was stopped or has failed
     * @throws JobError where the body cannot be made
     */
    public function answer(Job $job, CoreJob $core, BodyQuestion $question): mixed
    {
        $key = $question->key($core);
        $answer = self::find($key);
        if ($answer !== null) {
            return $answer;
        }
        if ($question->isQuick($core)) {
            return $this->keep($question, $core, $question->work($core));
        }
        $work = $this->queued($job, $question, $key)->fresh();
        if ($work?->state === 'refused') {
            throw JobError::at($work->pointer ?? '', $work->reason ?? '');
        }
        $answer = self::find($key);

        return $answer ?? throw new BodyPending($work ?? throw new LogicException('an answer that is not kept'));
    }

    public function keep(BodyQuestion $question, CoreJob $core, mixed $answer): mixed
    {
        Cache::put(self::keyOf($question->key($core)), $answer, self::KEPT);

        return $answer;
    }

    private static function find(string $key): mixed
    {
        return Cache::get(self::keyOf($key));
    }

    private static function keyOf(string $key): string
    {
        return 'body '.$key;
    }

    /** Queues a question, once; an older one after the same is not wanted any more. */
    private function queued(Job $job, BodyQuestion $question, string $key): BodyWork
    {
        $asked = ['answer' => $question->answer, 'body' => $question->body, 'chord' => $question->chord];
        // Several windows may ask at once: the one whose row is created dispatches the work.
        $work = BodyWork::query()->createOrFirst(['job_id' => $job->id, 'key' => $key], $asked);
        if ($work->wasRecentlyCreated) {
            BodyWork::query()->where('job_id', $job->id)->where($asked)->where('key', '!=', $key)->delete();
            Tasks::put(new FindBody($work->id));
        }

        return $work;
    }
}
