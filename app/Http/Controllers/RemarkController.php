<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\Models\Remark;
use App\People\People;
use App\People\Trail;
use App\People\TrailKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Remarks of somebody who checks a job: made, answered, settled. */
final readonly class RemarkController
{
    public function index(Job $job): JsonResponse
    {
        return response()->json([
            'remarks' => Remark::query()->where('job_id', $job->id)->orderBy('id')->get()->map(
                static fn (Remark $remark): array => $remark->forApi(),
            )->all(),
        ]);
    }

    public function store(Request $request, Job $job): JsonResponse
    {
        $job->refuseIfFrozen();
        $body = RequestBody::of($request, 'newRemark');
        $remark = Remark::query()->create([
            'job_id' => $job->id, 'list' => $body->get('list')->text(), 'key' => $body->get('item')->text(),
            'part' => $body->find('part')?->text(), 'at' => $body->find('at')?->value,
            'words' => trim($body->get('words')->text()), 'made_at' => now(),
            'made_by' => People::name($body->get('by')->text()),
        ]);
        Trail::note(TrailKind::Remark, 'Remark: '.$remark->words, $job, ['remark' => $remark->id]);

        return response()->json($remark->forApi(), 201);
    }

    /** Answers a remark, settles it, or opens it again. */
    public function change(Request $request, Job $job, int $remark): JsonResponse
    {
        $job->refuseIfFrozen();
        $found = Remark::query()->where('job_id', $job->id)->find($remark) ?? throw new NotFoundHttpException;
        $body = RequestBody::of($request, 'remarkChange');
        $by = People::name($body->get('by')->text());
        $answer = $body->find('answer')?->text();
        if ($answer !== null) {
            $found->fill(['answer' => trim($answer), 'answered_by' => $by]);
        }
        $isResolved = $body->find('resolved')?->value;
        if ($isResolved !== null) {
            $found->fill($isResolved === true
                ? ['resolved_at' => now(), 'resolved_by' => $by]
                : ['resolved_at' => null, 'resolved_by' => null]);
        }
        $found->save();
        Trail::note(TrailKind::Remark, 'Remark answered or settled: '.$found->words, $job, [
            'remark' => $found->id, 'answer' => $answer, 'settled' => $isResolved,
        ]);

        return response()->json($found->forApi());
    }
}
