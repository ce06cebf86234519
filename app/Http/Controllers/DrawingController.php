<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Editing\JobFiles;
use App\Http\Attachment;
use App\Models\Job;
use App\Settling\SettledRuns;
use Bowline\Drawing\DrawingKind;
use Bowline\Drawing\DrawingKinds;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\Plan\Pages;
use Bowline\Exchange\Plan\PlanFormats;
use Bowline\Job as CoreJob;
use Bowline\Job\Entry;
use Bowline\Job\JobError;
use Bowline\Routing\Run;
use Bowline\Solving\SolvedRun;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Drawings of a job as it is now: looked at page by page, and taken away. */
final readonly class DrawingController
{
    public function __construct(private JobFiles $files)
    {
    }

    /** Returns how many pages a drawing has. */
    public function show(Request $request, Job $job, string $kind): JsonResponse
    {
        $drawing = self::kind($kind);

        return response()->json(['pages' => count($drawing::pages($this->question($request, $job, $drawing)))]);
    }

    /** Returns a drawing as a file; as SVG the one page that the query names, from 0. */
    public function file(Request $request, Job $job, string $kind, string $format): Response
    {
        $drawing = self::kind($kind);
        $question = $this->question($request, $job, $drawing);
        $of = $drawing::isOfRun() ? $question->runs[0]->laid->run->name : $job->name;
        $page = (int) $request->query->getString('page', '0');

        return Attachment::of(
            PlanFormats::write($drawing::pages($question), $format, $question->date, $page),
            PlanFormats::MEDIA_TYPES[$format] ?? throw new NotFoundHttpException,
            Attachment::name($of.' '.$drawing::titleOf($question), $format),
        );
    }

    /** @return class-string<DrawingKind> */
    private static function kind(string $word): string
    {
        return DrawingKinds::find($word) ?? throw new NotFoundHttpException;
    }

    /** @param  class-string<DrawingKind>  $kind */
    private function question(Request $request, Job $job, string $kind): DrawingQuestion
    {
        $run = $request->query->has('run') ? $request->query->getString('run') : null;
        if ($kind::isOfRun() && $run === null) {
            throw JobError::at('/run', sprintf('a %s is of one run: name it', lcfirst($kind::title())));
        }
        $core = CoreJob::read(
            $kind::isOfRun() && $run !== null ? $this->files->around($job, [$run]) : $this->files->file($job),
        );
        $runs = SettledRuns::solved($job, $core, $kind::isOfRun()
            ? [$core->runs[$run] ?? throw new NotFoundHttpException]
            : self::chosen($request, $core));
        $runs = $kind::isOfRun() ? [self::spool($request, $runs[0])] : $runs;
        $date = $job->updated_at->format('Y-m-d');
        $paper = $request->query->has('paper') ? $request->query->getString('paper') : null;
        $view = $request->query->has('view') ? $request->query->getString('view') : null;

        $cut = $request->query->has('cut') ? $request->query->getString('cut') : null;

        return new DrawingQuestion(
            $core, $runs, $paper, $date, $request->query->getString('tape') === 'yes', $view,
            $cut === null ? null : self::coordinate($cut, $core),
        );
    }

    /**
     * Returns a coordinate as it was typed, in the units of the job or its own, in mm.
     *
     * @throws JobError
     */
    private static function coordinate(string $typed, CoreJob $core): float
    {
        try {
            return Entry::read($typed, $core->site->values, $core->site->units)->value;
        } catch (JobError $error) {
            throw JobError::at('/cut', 'where it is cut is no coordinate: '.$error->getMessage());
        }
    }

    /** @return list<Run> the runs that the query names, with slashes between their ids; all where it names none */
    private static function chosen(Request $request, CoreJob $core): array
    {
        if (! $request->query->has('runs')) {
            return array_values($core->runs);
        }

        return array_map(
            static fn (string $id): Run => $core->runs[$id]
                ?? throw JobError::at('/runs', sprintf('there is no run “%s”', $id)),
            explode('/', $request->query->getString('runs')),
        );
    }

    /** Returns the spool that the query names by its mark, as a run by itself; the run where it names none. */
    private static function spool(Request $request, SolvedRun $solved): SolvedRun
    {
        return $request->query->getString('spool') === ''
            ? $solved
            : $solved->spool($request->query->getString('spool')) ?? throw new NotFoundHttpException;
    }
}
