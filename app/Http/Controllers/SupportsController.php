<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Proposals\Supports;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Tells where clamps go on a run that is supported too seldom, and the edits that put them there; stores nothing. */
final readonly class SupportsController
{
    public function __construct(private JobFiles $files)
    {
    }

    /** Of the length that begins at `from`, mm along the run; of all that are too long without it. */
    public function __invoke(Request $request, Job $job, string $run): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));
        $from = $request->query('from');
        if ($from !== null && ! is_numeric($from)) {
            throw JobError::at('/from', 'where a length begins is a number of millimetres along the run');
        }
        $supports = Supports::of(
            $core, $core->runs[$run] ?? throw new NotFoundHttpException, $from === null ? null : (float) $from,
        );

        return response()->json(['places' => $supports->words, 'edits' => $supports->edits()]);
    }
}
