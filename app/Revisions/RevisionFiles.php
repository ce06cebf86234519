<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\JobFiles;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Http\TemporaryFile;
use App\Models\Job;
use App\Models\Revision;
use App\Settling\SettledRuns;
use Bowline\Comparison\JobComparison;
use Bowline\Drawing\ChangeSheet;
use Bowline\Exchange\CsvTables;
use Bowline\Exchange\CutListWriter;
use Bowline\Exchange\Dxf\DxfWriter;
use Bowline\Exchange\JobArchive;
use Bowline\Exchange\Pack\JobDocuments;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Job as CoreJob;
use Bowline\Job\JobFile;
use Bowline\Solving\SolvedRun;
use Generator;
use Illuminate\Support\Str;

/** The files of a revision: the job and its solution, all drawings and lists, and tables for each run. */
final readonly class RevisionFiles
{
    private const CSV = 'text/csv';

    private const PDF = 'application/pdf';

    public function __construct(
        private JobFiles $files,
        private RememberedPackings $packings,
    ) {
    }

    /** @return Generator<array{float, string, string, string}> how far that is, 0 to 1; name, media type and content */
    public function of(Revision $revision): Generator
    {
        $frozen = $revision->frozen;
        $file = $this->files->file($frozen);
        $core = CoreJob::read($file);
        $date = $revision->asked_at->format('Y-m-d');
        $runs = SettledRuns::solved($frozen, $core);
        $documents = new JobDocuments(
            $core, $runs, SolvedHarnesses::of($frozen, $core, $this->packings), $date,
        );
        $papers = $documents->of(JobDocuments::KINDS);
        $spools = array_merge(...array_map(JobDocuments::spools(...), $documents->made()), ...[[]]);
        $steps = 4 + count($papers) + count($spools);
        $name = Str::slug($frozen->name) === '' ? 'job' : Str::slug($frozen->name);
        $job = isset($file->meshes)
            ? [$name.'.bowline', 'application/zip', TemporaryFile::of(
                static fn (string $path) => JobArchive::write($file, $path),
            )]
            : [$name.'.bowline.json', 'application/json', JobFile::encode($file)];
        yield [1 / $steps, ...$job];
        yield [2 / $steps, 'solution.json', 'application/json', self::solution($frozen)];
        foreach ($papers as $i => $document) {
            yield [(3 + $i) / $steps, $document->name.'.pdf', self::PDF, PlanPdf::pages(($document->pages)(), $date)];
            if ($document->table !== null) {
                yield [(3 + $i) / $steps, $document->name.'.csv', self::CSV, $document->table->csv()];
            }
        }
        foreach ($spools as $i => $spool) {
            yield from self::tables($spool, (3 + count($papers) + $i) / $steps);
        }
        $laid = array_map(static fn (SolvedRun $run) => $run->laid, $runs);
        yield [1 - 1 / $steps, 'centrelines.dxf', 'image/vnd.dxf', DxfWriter::write($laid)];
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

    /** @return Generator<array{float, string, string, string}> the tables by which a run or a spool is made */
    private static function tables(SolvedRun $one, float $part): Generator
    {
        $id = $one->laid->run->id;
        $cuts = CutListWriter::csv($one->laid);
        yield $cuts === null
            ? [$part, $id.'-bends.csv', self::CSV, CsvTables::bends($one)]
            : [$part, $id.'-cuts.csv', self::CSV, $cuts];
        yield [$part, $id.'-vertices.csv', self::CSV, CsvTables::vertices($one)];
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
