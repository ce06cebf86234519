<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\Models\Settling;
use App\Queue\Tasks;
use App\Settling\SettleRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A draped run that is settling: its progress and present shape; stopping and restarting it. */
final class SettlingController
{
    public function show(Job $job, string $run): JsonResponse
    {
        return response()->json($this->of($job, $run)?->forApi()
            ?? ['state' => 'settled', 'part' => 1, 'points' => [], 'problem' => null]);
    }

    public function change(Request $request, Job $job, string $run): JsonResponse
    {
        $again = RequestBody::of($request, 'settle')->get('settle')->value === true;
        $settling = $this->of($job, $run);
        if ($settling !== null && $again === in_array($settling->state, ['stopped', 'failed'], true)) {
            $settling->update(['state' => $again ? 'waiting' : 'stopped', 'part' => 0]);
            if ($again) {
                Tasks::put(new SettleRun($settling->id));
            }
        }

        return $this->show($job, $run);
    }

    private function of(Job $job, string $run): ?Settling
    {
        return Settling::query()->where('job_id', $job->id)->where('key', $run)->first();
    }
}
