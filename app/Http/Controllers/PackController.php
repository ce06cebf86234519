<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\Job;
use App\Models\Pack;
use App\Packs\MakePack;
use App\Queue\Tasks;
use Bowline\Exchange\Pack\Pack as Documents;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Drawings and lists of a job, bound together on the queue. */
final readonly class PackController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function store(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'newPack');
        Pack::forget($job);
        $pack = Pack::query()->create([
            'job_id' => $job->id, 'format' => $body->get('format')->text(), 'runs' => $this->runs($body, $job),
            'kinds' => array_map(static fn (Node $kind): string => $kind->text(), $body->list('kinds')),
            'asked_at' => now(),
        ]);
        Tasks::put(new MakePack($pack->id));

        return response()->json($pack->forApi(), 202);
    }

    public function show(Job $job, int $pack): JsonResponse
    {
        return response()->json(self::find($job, $pack)->forApi());
    }

    /** Stops it; what was drawn so far is thrown away. */
    public function stop(Job $job, int $pack): JsonResponse
    {
        $found = self::find($job, $pack);
        Pack::query()->whereKey($found->id)->whereIn('state', ['waiting', 'working'])->update(['state' => 'stopped']);

        return response()->json($found->refresh()->forApi());
    }

    public function file(Job $job, int $pack): Response
    {
        $found = self::find($job, $pack);

        return Attachment::of(
            $found->content ?? throw new NotFoundHttpException, Documents::FORMATS[$found->format],
            Attachment::name($job->name.' pack', $found->format),
        );
    }

    /** @return list<string>|null ids of the runs of the set that is named; null for all runs */
    private function runs(Node $body, Job $job): ?array
    {
        $set = $body->find('set')?->text();
        if ($set === null) {
            return null;
        }
        $sets = CoreJob::read($this->files->file($job))->site->sets;

        return ($sets[$set] ?? throw JobError::at('/set', sprintf('there is no set “%s”', $set)))->runs;
    }

    private static function find(Job $job, int $pack): Pack
    {
        return Pack::query()->where('job_id', $job->id)->find($pack) ?? throw new NotFoundHttpException;
    }
}
