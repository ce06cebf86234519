<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Models\Job;
use App\Settling\SettledRuns;
use Bowline\Exchange\Lists\JobLists;
use Bowline\Exchange\ListTable;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Job as CoreJob;
use Bowline\Job\JobError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Lists of a job: parts, cuts, welds, supports, valves, hoses. */
final readonly class ListController
{
    public function __construct(private JobFiles $files)
    {
    }

    public function show(Request $request, Job $job, string $list): JsonResponse
    {
        $table = $this->table($request, $job, $list);

        return response()->json(['headings' => $table->headings, 'rows' => $table->rows]);
    }

    public function csv(Request $request, Job $job, string $list): Response
    {
        return self::download($this->table($request, $job, $list)->csv(), 'text/csv', $job, $list, 'csv');
    }

    public function pdf(Request $request, Job $job, string $list): Response
    {
        $core = CoreJob::read($this->files->file($job));
        $date = $job->updated_at->format('Y-m-d');
        $pages = JobDocuments::sheets(
            $core, JobLists::TITLES[$list] ?? $list, self::of($request, $job, $core, $list), $date,
        );

        return self::download(PlanPdf::pages($pages, $date), 'application/pdf', $job, $list, 'pdf');
    }

    private function table(Request $request, Job $job, string $list): ListTable
    {
        return self::of($request, $job, CoreJob::read($this->files->file($job)), $list);
    }

    /** Returns a list of all runs, or of the set that the query names; `kerf` is the width of a saw cut, mm. */
    private static function of(Request $request, Job $job, CoreJob $core, string $list): ListTable
    {
        $kerf = $request->query->getString('kerf', (string) JobLists::KERF);
        if (! is_numeric($kerf) || (float) $kerf < 0.0 || (float) $kerf > 100.0) {
            throw JobError::at('/kerf', 'the width of a cut is a number from 0 to 100 mm');
        }
        $set = $request->query->getString('set');
        $runs = null;
        if ($set !== '') {
            $one = $core->site->sets[$set] ?? throw JobError::at('/set', sprintf('there is no set “%s”', $set));
            $runs = array_values(array_intersect_key($core->runs, array_flip($one->runs)));
        }

        return (new JobLists($core, SettledRuns::solved($job, $core, $runs), (float) $kerf))->of($list)
            ?? throw new NotFoundHttpException;
    }

    private static function download(string $content, string $type, Job $job, string $list, string $ending): Response
    {
        return Attachment::of($content, $type, Attachment::name($job->name.' '.$list, $ending));
    }
}
