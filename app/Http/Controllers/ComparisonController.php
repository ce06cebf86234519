<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Http\RequestBody;
use App\Models\Job;
use App\Revisions\Side;
use Bowline\Comparison\Change;
use Bowline\Comparison\JobComparison;
use Bowline\Comparison\RunComparison;
use Bowline\Drawing\ChangeSheet;
use Bowline\Exchange\ComparisonWriter;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Geometry\Path;
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use stdClass;

/** What has changed between two states of a job, to be stepped through, taken over and printed. */
final readonly class ComparisonController
{
    /** Places along a run as it was. */
    private const PLACES = 240;

    public function __construct(private JobFiles $files)
    {
    }

    public function show(Request $request, Job $job): JsonResponse
    {
        return self::compared(...$this->sides($request, $job));
    }

    /** Compares a job file with the job as it is; it is not stored. */
    public function file(Request $request, Job $job): JsonResponse
    {
        $body = RequestBody::of($request, 'comparedFile');
        $file = JobFile::decode(json_encode($body->get('file')->value, JSON_THROW_ON_ERROR));

        return self::compared(
            Side::ofFile($file, $body->get('name')->text()), Side::read($job, 'working', $this->files),
        );
    }

    private static function compared(Side $before, Side $after): JsonResponse
    {
        $comparison = JobComparison::of($before->core, $before->runs, $after->core, $after->runs);
        $runs = array_map(static fn (RunComparison $run, array $written): array => [
            ...$written,
            'ghost' => $run->before === null || $run->change === Change::Same ? null : [
                'points' => self::points($run->before->laid->path),
                'od' => $run->before->laid->run->stock->section->outsideDiameter,
            ],
            'take' => $run->before === null || $run->change === Change::Same
                ? []
                : self::take($run->before->laid->run->source, $before, $after),
        ], $comparison->runs, ComparisonWriter::write($comparison)['runs']);

        return response()->json(['before' => $before->name, 'after' => $after->name, 'runs' => $runs]);
    }

    /** Returns the change sheet as PDF. */
    public function sheet(Request $request, Job $job): Response
    {
        [$before, $after] = $this->sides($request, $job);
        $date = ($after->job ?? $job)->updated_at->format('Y-m-d');
        $pages = ChangeSheet::pages(
            $after->core, JobComparison::of($before->core, $before->runs, $after->core, $after->runs), $before->name,
            $after->name, $date,
        );

        return Attachment::of(
            PlanPdf::pages($pages, $date), 'application/pdf', Attachment::name('changes '.$job->name, 'pdf'),
        );
    }

    /** @return array{Side, Side} */
    private function sides(Request $request, Job $job): array
    {
        return [
            Side::read($job, $request->query->getString('before', 'working'), $this->files),
            Side::read($job, $request->query->getString('after', 'working'), $this->files),
        ];
    }

    /** @return list<list<float>> places evenly along a path, for the view */
    private static function points(Path $path): array
    {
        return array_map(
            static fn (int $i): array => $path->pointAt($path->length * $i / self::PLACES)->withoutNegativeZeros(),
            range(0, self::PLACES),
        );
    }

    /**
     * Returns the edits that put a run into the other state as it is in this one, with its stock where that is missing.
     *
     * @return list<array{list: string, id: string, item: stdClass}>
     */
    private static function take(stdClass $run, Side $from, Side $into): array
    {
        $node = new Node($run);
        $stock = $node->get('stock')->text();
        $edits = [];
        $isThere = isset($into->core->site->stock[$stock]);
        foreach ($isThere ? [] : (new Node($from->core->source))->list('stock') as $one) {
            if ($one->get('id')->text() === $stock) {
                $edits[] = ['list' => 'stock', 'id' => $stock, 'item' => $one->object()];
            }
        }
        $edits[] = ['list' => 'runs', 'id' => $node->get('id')->text(), 'item' => $run];

        return $edits;
    }
}
