<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\BodySize;
use App\Http\JobResponse;
use App\Http\Live;
use App\Http\RequestBody;
use App\Http\TemporaryFile;
use App\Models\Job;
use App\Models\JobMember;
use App\Models\Revision;
use App\People\Ability;
use App\People\JobPolicy;
use App\People\People;
use App\People\Trail;
use App\People\TrailKind;
use App\Settling\SettledShape;
use Bowline\Drawing\JobPicture;
use Bowline\Exchange\JobArchive;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use stdClass;

final readonly class JobController
{
    public function __construct(private JobFiles $files)
    {
    }

    /** Lists all jobs, the one last opened or changed first; where people sign in, those with which they have to do. */
    public function index(): JsonResponse
    {
        $user = People::user();
        $jobs = Job::query()->where('is_frozen', false)->withCount('runs');
        if (People::areOn()) {
            $jobs->where(static fn (Builder $query) => $query->where('team_id', People::team())->orWhereIn(
                'id', JobMember::query()->where('user_id', $user?->id)->select('job_id'),
            ));
        }
        $jobs = $jobs->get();
        $roles = $user === null ? [] : JobPolicy::rolesIn($user, $jobs);
        $issued = Revision::query()->whereIn('job_id', $jobs->modelKeys())->where('state', 'issued')
            ->orderBy('number')->pluck('frozen_id', 'job_id');

        return response()->json(
            $jobs->sortByDesc(static fn (Job $job): array => [
                max($job->updated_at, $job->opened_at ?? $job->updated_at), $job->id,
            ])->values()->map(static fn (Job $job): array => [
                'id' => $job->id,
                'name' => $job->name,
                'runs' => (int) $job->runs_count,
                'revision' => $job->revision,
                'saved_at' => $job->updated_at->toIso8601String(),
                'issued' => $issued[$job->id] ?? null,
                'may_see' => $user === null || ($roles[$job->id] ?? null)?->can(Ability::See) === true,
            ]),
        );
    }

    /** Answers with the job, or only with what is new in it since a revision (`?since=`), where that can be told. */
    public function show(Request $request, Job $job, JobResponse $response): JsonResponse
    {
        $since = $request->query('since');
        if ($since !== null && (! is_string($since) || preg_match('/^\d{1,9}$/', $since) !== 1)) {
            throw JobError::at('/since', 'a revision is a whole number');
        }

        return $response->since($job, $since === null ? null : (int) $since);
    }

    /** Records that the job was opened. */
    public function opened(Job $job): Response
    {
        Job::query()->whereKey($job->id)->toBase()->update(['opened_at' => now()]);

        return response()->noContent();
    }

    /** Returns the revision of the job, which windows poll for changes of others. */
    public function revision(Job $job): JsonResponse
    {
        Live::refresh($job->id);

        return response()->json([
            'revision' => $job->revision, 'step' => $job->step, 'live' => Live::query($job),
        ]);
    }

    public function copy(Job $job, JobResponse $response): JsonResponse
    {
        $file = $this->files->file($job);
        $file->name = mb_substr($job->name, 0, 190).', copy';

        return $response->of($this->keep($file), 201);
    }

    public function picture(Job $job): Response
    {
        $core = CoreJob::read($this->files->file($job));
        $laid = array_map(
            static fn (Run $run): LaidRun => $run->route->lay($run),
            array_map(static fn (Run $run): Run => SettledShape::shown($job, $run), array_values($core->runs)),
        );

        return new Response(JobPicture::write($core->site, $laid), 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => 'max-age=31536000, immutable',
        ]);
    }

    public function store(Request $request, JobResponse $response): JsonResponse
    {
        $name = RequestBody::of($request, 'newJob')->get('name')->text();

        return $response->of(
            $this->keep((object) ['format' => JobFile::FORMAT, 'version' => JobFile::VERSION, 'name' => $name]),
            201,
        );
    }

    /** Opens a job file, or an archive with meshes, as a new job. */
    public function open(Request $request, JobResponse $response): JsonResponse
    {
        $content = $request->getContent(true);
        $isArchive = JobArchive::isOne((string) fread($content, 4));
        rewind($content);
        if (! $isArchive && BodySize::isTooLarge($request)) {
            throw new PostTooLargeException;
        }
        $file = $isArchive
            ? TemporaryFile::holding($content, JobArchive::open(...))
            : JobFile::decode((string) stream_get_contents($content));

        return $response->of($this->keep($file), 201);
    }

    /** Deletes a job; it can be restored. */
    public function destroy(Job $job): Response
    {
        $job->refuseIfFrozen();
        $job->delete();
        Trail::note(TrailKind::Job, 'Deleted the job', $job);

        return response()->noContent();
    }

    public function restore(int $job): Response
    {
        $found = Job::onlyTrashed()->findOrFail($job);
        $found->restore();
        Trail::note(TrailKind::Job, 'Brought the job back', $found);

        return response()->noContent();
    }

    /**
     * Keeps a job of the team. Whoever began it has the role in it that they have in the team: a designer does not
     * issue what is their own.
     */
    private function keep(stdClass $file): Job
    {
        $job = $this->files->keep($file);
        Trail::note(TrailKind::Job, 'Began the job', $job);

        return $job;
    }
}
