<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clearance\FindClearances;
use App\Clearance\KeptClearances;
use App\Editing\JobFiles;
use App\Editing\LaidRuns;
use App\Harness\KeptMovements;
use App\Harness\RememberedPackings;
use App\Http\RequestBody;
use App\Models\ClearanceWork;
use App\Models\Job;
use App\Queue\Tasks;
use Bowline\Clearance\Clearances;
use Bowline\Job as CoreJob;
use Bowline\Job\ItemRef;
use Bowline\Proposals\ClearanceCures;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Tells what in a job is too near to each other. */
final readonly class ClearancesController
{
    public function __construct(private JobFiles $files)
    {
    }

    /** Answers with what is too near; 202 and how far it has come while it is found on the queue. */
    public function index(Job $job, KeptClearances $kept): JsonResponse
    {
        $found = $kept->of($job);
        $work = $found instanceof ClearanceWork ? $found : null;

        return response()->json([
            'revision' => $job->revision, 'found' => $work === null ? $found : null, 'work' => $work?->forApi(),
        ], $work === null ? 200 : 202);
    }

    /** Stops finding it, or takes that up again. */
    public function work(Request $request, Job $job, KeptClearances $kept): JsonResponse
    {
        $again = RequestBody::of($request, 'clearanceWorkChange')->get('again')->value === true;
        $changed = ClearanceWork::query()->where('job_id', $job->id)
            ->whereIn('state', $again ? ['stopped', 'failed'] : ClearanceWork::UNDER_WAY)
            ->update(['state' => $again ? 'waiting' : 'stopped', 'part' => 0]);
        if ($again && $changed > 0) {
            Tasks::put(new FindClearances(ClearanceWork::query()->where('job_id', $job->id)->firstOrFail()->id));
        }

        return $this->index($job, $kept);
    }

    /** Returns cures of two things that are too near to each other, each tried; not stored. */
    public function cures(Request $request, Job $job, RememberedPackings $packings): JsonResponse
    {
        $body = RequestBody::of($request, 'nearPair');
        $core = CoreJob::read($this->files->file($job));
        $harnesses = (new HarnessSolver($core, $packings, new KeptMovements($job)))->all();
        $laid = LaidRuns::overMovement($job, $core->runs);
        $clearances = new Clearances($core, $laid, SolvedHarness::bundlesOf($harnesses));
        $pair = array_map(static fn (string $which): ItemRef => ItemRef::of(
            $body->get($which)->get('list')->text(), $body->get($which)->get('id')->text(),
        ), ['a', 'b']);
        foreach ($clearances->ofAny($pair) as $one) {
            $keys = [$one->gap->one->ref()->key(), $one->gap->other->ref()->key()];
            if (array_diff([$pair[0]->key(), $pair[1]->key()], $keys) === []) {
                return response()->json((new ClearanceCures($core, $laid, $clearances))->of($one));
            }
        }

        return response()->json([]);
    }
}
