<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Harness\SolvedHarnesses;
use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\Job;
use Bowline\Exchange\BoardWriter;
use Bowline\Exchange\Plan\Boards;
use Bowline\Exchange\Plan\PlanDxf;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Job\Harness\Harness;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The board of a harness: to be looked at and turned by hand, and to be taken away. */
final readonly class BoardController
{
    public function __construct(private SolvedHarnesses $harnesses)
    {
    }

    public function show(Request $request, Job $job, string $harness): JsonResponse
    {
        [$core, $solved] = $this->harnesses->one($job, $harness);

        return response()->json(BoardWriter::write(
            $solved, Boards::laid($solved), $core->site->units, self::marked($request),
        ));
    }

    /** Returns the board with something of it turned, without storing that. */
    public function turned(Request $request, Job $job, string $harness): JsonResponse
    {
        $turn = RequestBody::of($request, 'boardTurn');
        [$core, $solved] = $this->harnesses->one($job, $harness);
        $angle = $core->site->values->number($turn->get('angle'));
        $run = $turn->get('run')->text();
        $towards = $turn->find('towards')?->text();
        // Without a direction it is turned whatever is told of one.
        $keys = array_map(
            static fn (?string $one): string => Harness::angleKey($run, $one),
            $towards === null ? [null, 'start', 'end'] : [$towards],
        );

        return response()->json(BoardWriter::write(
            $solved, Boards::laid($solved, null, array_fill_keys($keys, $angle)), $core->site->units, [],
        ));
    }

    /** Downloads the board, as PDF on the paper that the query names. */
    public function file(Request $request, Job $job, string $harness, string $format): Response
    {
        [$core, $solved] = $this->harnesses->one($job, $harness);
        $plan = Boards::plan($solved, $core->site->units, null, self::marked($request));
        [$type, $text] = match ($format) {
            'svg' => ['image/svg+xml', PlanSvg::write($plan)],
            'dxf' => ['image/vnd.dxf', PlanDxf::write($plan)],
            default => ['application/pdf', PlanPdf::write($plan, $request->string('paper', 'a4')->toString())],
        };

        return Attachment::of($text, $type, Attachment::name($harness, 'board.'.$format));
    }

    /** @return list<string> connectors that are ringed */
    private static function marked(Request $request): array
    {
        return explode(',', $request->string('marked')->toString());
    }
}
