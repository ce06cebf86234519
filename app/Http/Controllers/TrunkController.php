<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Job as CoreJob;
use Bowline\Proposals\Division\TrunkBreak;
use Bowline\Proposals\Division\TrunkJoin;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Trunks of harnesses broken in two and joined: with what they can be, and the edits of the job, not stored. */
final readonly class TrunkController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function break(Request $request, Job $job, string $run): JsonResponse
    {
        $body = RequestBody::of($request, 'trunkBreak');
        $core = CoreJob::read($this->files->file($job));
        $values = $core->site->values;
        [$length, $vertex] = [$body->find('length'), $body->find('vertex')];

        return response()->json(TrunkBreak::of(
            $core, $core->runs[$run] ?? throw new NotFoundHttpException,
            $length === null ? null : $values->notNegative($length, 'the length'),
            $vertex === null ? null : $values->count($vertex, 'the leg', 1),
        ));
    }

    /** Returns the trunks with which one can be joined. */
    public function partners(Job $job, string $run): JsonResponse
    {
        $core = CoreJob::read($this->files->file($job));

        return response()->json(TrunkJoin::partners($core, $core->runs[$run] ?? throw new NotFoundHttpException));
    }

    public function join(Request $request, Job $job, string $run): JsonResponse
    {
        $with = RequestBody::of($request, 'trunkJoin')->get('with');
        $core = CoreJob::read($this->files->file($job));

        return response()->json(TrunkJoin::of(
            $core, $core->runs[$run] ?? throw new NotFoundHttpException,
            $core->runs[$with->text()] ?? throw $with->error(sprintf('there is no run “%s”', $with->text())),
        ));
    }
}
