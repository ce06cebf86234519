<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Bench\BenchQuestion;
use App\Bench\BendPart;
use App\Bench\KnownSpringback;
use App\Editing\JobFiles;
use App\Http\RequestBody;
use App\Models\BentPart;
use App\Models\Job;
use App\Queue\Tasks;
use Bowline\Bending\Bender;
use Bowline\Exchange\BenchWriter;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Shop\MachineSpace;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** A run on the bench: how it is bent, parts that are bent and measured, and what is known of springback. */
final readonly class BenchController
{
    /** Most parts that are returned, the newest. */
    private const SHOWN = 20;

    public function __construct(
        private JobFiles $files,
        private KnownSpringback $known,
    ) {
    }

    public function show(Request $request, Job $job, string $run): JsonResponse
    {
        $query = $request->query;
        $question = BenchQuestion::of(
            $this->files, $job, $run, $query->getString('spool'),
            $query->has('bender') ? $query->getString('bender') : null,
        );
        $isReversed = $query->getString('from') === 'end';
        [$bender, $stock] = [$question->bender->name ?? '', $question->laid->run->stock->name];
        $benders = config('bowline.benders');
        $space = new MachineSpace;
        $program = $this->known->corrected($question->program($isReversed), $bender, $stock);

        return response()->json([
            ...BenchWriter::write($program, $space, $question->bender),
            'spool' => $question->spool, 'bender' => $question->bender?->id, 'stock' => $stock,
            'tolerances' => $question->tolerances->words($question->laid->run->units),
            'benders' => array_map(
                static fn (Bender $one): array => ['id' => $one->id, 'name' => $one->name], $question->able,
            ),
            'other_end_free' => BenchWriter::hits(
                $question->program(! $isReversed), $space, $question->bender,
            ) === [],
            'known' => $bender === '' ? [] : $this->known->all($bender, $stock),
            'bender_at' => is_array($benders) ? $benders[$question->bender->id ?? ''] ?? null : null,
            'arm_at' => config('bowline.arm'),
            'parts' => BentPart::query()->where('job_id', $job->id)->where('run', $run)
                ->where('spool', $question->spool)->orderByDesc('id')->limit(self::SHOWN)->get()
                ->map(static fn (BentPart $part): array => $part->forApi())->all(),
        ]);
    }

    /** Begins to bend a part. */
    public function bend(Request $request, Job $job, string $run): JsonResponse
    {
        $body = RequestBody::of($request, 'newPart');
        $question = BenchQuestion::of(
            $this->files, $job, $run, $body->find('spool')?->text() ?? '', $body->get('bender')->text(),
        );
        $isReversed = $body->get('from')->text() === 'end';
        $hits = BenchWriter::hits($question->program($isReversed), new MachineSpace, $question->bender);
        if ($hits !== []) {
            throw JobError::at('/from', lcfirst(rtrim($hits[0]['words'], '.')));
        }
        if (BentPart::query()->where('job_id', $job->id)->whereIn('state', BentPart::UNDER_WAY)->exists()) {
            throw JobError::at('', 'a part is being bent already; wait until it is measured');
        }
        $part = BentPart::query()->create([
            'job_id' => $job->id, 'run' => $run, 'spool' => $question->spool, 'bender' => $body->get('bender')->text(),
            'is_reversed' => $isReversed, 'bender_at' => self::address($body->get('bender_at')),
            'arm_at' => self::address($body->get('arm_at')), 'asked_at' => now(),
            'limits' => [
                'place' => $question->tolerances->place, 'straight' => $question->tolerances->straight,
                'angle' => rad2deg($question->tolerances->angle),
            ],
        ]);
        Tasks::put(new BendPart($part->id));

        return response()->json($part->refresh()->forApi(), 202);
    }

    public function part(Job $job, int $part): JsonResponse
    {
        return response()->json(self::find($job, $part)->forApi());
    }

    /** Stops a part before its next bend; what is in the bender is thrown away. */
    public function stop(Job $job, int $part): JsonResponse
    {
        $found = self::find($job, $part);
        BentPart::query()->whereKey($found->id)->whereIn('state', ['waiting', 'bending'])
            ->update(['state' => 'stopped']);

        return response()->json($found->refresh()->forApi());
    }

    public function known(): JsonResponse
    {
        return response()->json(['known' => $this->known->all()]);
    }

    public function forget(Request $request): Response
    {
        $body = RequestBody::of($request, 'forgetSpringback');
        $this->known->forget($body->get('bender')->text(), $body->get('stock')->text());

        return response()->noContent();
    }

    /** Returns the address of a device on this machine. */
    private static function address(Node $node): string
    {
        return preg_match('/^(127\.0\.0\.1|localhost):([0-9]{1,5})$/', $node->text()) === 1
            ? $node->text()
            : throw $node->error('a device is on this machine: write 127.0.0.1, a colon and its port');
    }

    private static function find(Job $job, int $part): BentPart
    {
        return BentPart::query()->where('job_id', $job->id)->find($part) ?? throw new NotFoundHttpException;
    }
}
