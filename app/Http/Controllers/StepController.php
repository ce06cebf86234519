<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\Steps;
use App\Http\JobResponse;
use App\Http\RequestBody;
use App\Models\Job;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Undo and redo: the job as it stood after one of its steps. */
final class StepController
{
    public function __invoke(Request $request, Job $job, Steps $steps, JobResponse $response): JsonResponse
    {
        $number = RequestBody::of($request, 'goTo')->get('step')->value;
        $steps->goTo($job, is_int($number) ? $number : $job->step);

        return $response->after($job);
    }
}
