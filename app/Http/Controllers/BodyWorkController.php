<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bodies\FindBody;
use App\Http\RequestBody;
use App\Models\BodyWork;
use App\Models\Job;
use App\Queue\Tasks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** How far a question about a body has come that is worked on the queue; stopping it and starting it again. */
final class BodyWorkController
{
    public function show(Job $job, int $work): JsonResponse
    {
        $found = $this->of($job, $work);

        return response()->json(
            $found?->forApi() ?? ['id' => $work, 'body' => '', 'state' => 'done', 'part' => 1, 'problem' => null],
        );
    }

    public function change(Request $request, Job $job, int $work): JsonResponse
    {
        $again = RequestBody::of($request, 'bodyWorkChange')->get('again')->value === true;
        $found = $this->of($job, $work);
        if ($found !== null && $again === in_array($found->state, ['stopped', 'failed'], true)) {
            $found->update(['state' => $again ? 'waiting' : 'stopped', 'part' => 0]);
            if ($again) {
                Tasks::put(new FindBody($found->id));
            }
        }

        return $this->show($job, $work);
    }

    private function of(Job $job, int $work): ?BodyWork
    {
        return BodyWork::query()->where('job_id', $job->id)->find($work);
    }
}
