<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Body;
use App\Http\JobResponse;
use App\Jobs\JobFiles;
use App\Models\Job;
use Bowline\Job\Job as CoreJob;
use Bowline\Job\JobFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class JobController
{
    /** All jobs, the one last worked on first. */
    public function index(): JsonResponse
    {
        return response()->json(Job::query()->withCount('runs')->get()
            ->sortByDesc(static fn (Job $job): array => [$job->updated_at, $job->id])->values()
            ->map(static fn (Job $job): array => [
                'id' => $job->id,
                'name' => $job->name,
                'runs' => (int) $job->runs_count,
                'saved_at' => $job->updated_at->toIso8601String(),
            ]));
    }

    public function show(Job $job, JobResponse $response): Response
    {
        return $response->of($job);
    }

    public function store(Request $request, JobFiles $files, JobResponse $response): Response
    {
        $name = Body::of($request, 'newJob')->get('name')->text();

        return $response->of($files->keep((object) ['format' => CoreJob::FORMAT, 'version' => CoreJob::VERSION, 'name' => $name]), 201);
    }

    /** Opens a job file as a new job. */
    public function open(Request $request, JobFiles $files, JobResponse $response): Response
    {
        return $response->of($files->keep(JobFile::decode($request->getContent())), 201);
    }

    public function destroy(Job $job): Response
    {
        // The database does not delete a stock that a run is made of; the runs go first.
        $job->getConnection()->transaction(static function () use ($job): void {
            $job->runs()->delete();
            $job->delete();
        });

        return response()->noContent();
    }
}
