<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\OwnUndo;
use App\Editing\Steps;
use App\Http\JobResponse;
use App\Models\Job;
use App\People\People;
use Illuminate\Http\JsonResponse;

/** Undo: the last step of whoever asks, where people sign in; else the last step. */
final class UndoController
{
    public function __invoke(Job $job, OwnUndo $own, Steps $steps, JobResponse $response): JsonResponse
    {
        $user = People::user();
        if ($user === null) {
            $steps->goTo($job, max(0, $job->step - 1));
        } else {
            $own->undo($job, $user);
        }

        return $response->after($job->refresh());
    }
}
