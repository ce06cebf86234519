<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\JobFiles;
use App\Http\TemporaryFile;
use App\Models\Job;
use App\Models\Revision;
use App\Settling\SettledRuns;
use Bowline\Comparison\JobComparison;
use Bowline\Drawing\Arrangement;
use Bowline\Drawing\BendSheet;
use Bowline\Drawing\ChangeSheet;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\CutListWriter;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Job as CoreJob;
use Bowline\Job\JobFile;
use Bowline\Job\StockKind;
use Bowline\Solving\SolvedRun;
use Generator;
use Illuminate\Support\Str;

/** The files of a revision: the job and its solution, a bend sheet and tables for each run, drawings of the whole. */
final readonly class RevisionFiles
{
    private const CSV = 'text/csv';

    private const PDF = 'application/pdf';

    public function __construct(private JobFiles $files)
    {
    }

    /** @return Generator<array{float, string, string, string}> how far that is, 0 to 1; name, media type and content */
    public function of(Revision $revision): Generator
    {
        $frozen = $revision->frozen;
        $file = $this->files->file($frozen);
        $core = CoreJob::read($file);
        $date = $revision->asked_at->format('Y-m-d');
        $runs = SettledRuns::solved($frozen, $core);
        $made = array_values(array_filter(
            $runs, static fn (SolvedRun $run): bool => $run->laid->run->stock->kind !== StockKind::Bundle
                && $run->laid->run->channel === null,
        ));
        $steps = 5 + count($made);
        $name = Str::slug($frozen->name) === '' ? 'job' : Str::slug($frozen->name);
        $job = isset($file->meshes)
            ? [$name.'.bowline', 'application/zip', TemporaryFile::of(
                static fn (string $path) => JobArchive::write($file, $path),
            )]
            : [$name.'.bowline.json', 'application/json', JobFile::encode($file)];
        yield [1 / $steps, ...$job];
        yield [2 / $steps, 'solution.json', 'application/json', self::solution($frozen)];
        foreach ($made as $number => $run) {
            yield from self::ofRun($core, $run, $date, (3 + $number) / $steps);
        }
        $laid = array_map(static fn (SolvedRun $run) => $run->laid, $runs);
        yield [1 - 2 / $steps, 'centrelines.dxf', 'image/vnd.dxf', DxfWriter::write($laid)];
        yield [1 - 1 / $steps, 'arrangement.pdf', self::PDF, PlanPdf::pages(
            Arrangement::draw(new DrawingQuestion($core, $runs, null, $date)), $date,
        )];
        $before = Revision::query()->where('job_id', $revision->job_id)->where('state', 'issued')
            ->where('number', '<', $revision->number)->orderByDesc('number')->first();
        if ($before !== null) {
            $old = CoreJob::read($this->files->file($before->frozen));
            $comparison = JobComparison::of($old, SettledRuns::solved($before->frozen, $old), $core, $runs);
            yield [1.0, Str::slug('changes from '.$before->name).'.pdf', self::PDF, PlanPdf::pages(
                ChangeSheet::pages($core, $comparison, 'revision '.$before->name, 'revision '.$revision->name, $date),
                $date,
            )];
        }
    }

    /** @return Generator<array{float, string, string, string}> */
    private static function ofRun(CoreJob $core, SolvedRun $run, string $date, float $part): Generator
    {
        $parts = count($run->spools()) === 1
            ? [$run]
            : array_map(static fn ($spool): SolvedRun => $spool->solved, $run->spools());
        foreach ($parts as $one) {
            $id = $one->laid->run->id;
            yield [$part, $id.'-bend-sheet.pdf', self::PDF, PlanPdf::pages(
                BendSheet::draw(new DrawingQuestion($core, [$one], null, $date)), $date,
            )];
            $cuts = CutListWriter::csv($one->laid);
            yield $cuts === null
                ? [$part, $id.'-bends.csv', self::CSV, CsvTables::bends($one)]
                : [$part, $id.'-cuts.csv', self::CSV, $cuts];
            yield [$part, $id.'-vertices.csv', self::CSV, CsvTables::vertices($one)];
        }
    }

    /** Returns the solution as it was kept when it was issued (schema/solution.json). */
    private static function solution(Job $frozen): string
    {
        $runs = array_filter(
            $frozen->runs()->whereNotNull('solution')->orderBy('position')->pluck('solution')->all(), is_string(...),
        );

        return '{"format":"bowline-solution","version":1,"runs":['.implode(',', $runs)."]}\n";
    }
}
