<?php

declare(strict_types=1);

namespace App\Revisions;

use App\Editing\JobFiles;
use App\Harness\RememberedPackings;
use App\Harness\SolvedHarnesses;
use App\Http\TemporaryFile;
use App\Machines\JobCopy;
use App\Machines\LongQuestion;
use App\Machines\Report;
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
use Bowline\Job\JobFile;
use Bowline\Job\Node;
use Bowline\Solving\SolvedRun;
use Generator;
use Illuminate\Support\Str;

/**
 * The files of a revision that is issued: the job and its solution, all drawings and lists, tables for each run, and
 * what has changed since the revision before.
 */
final readonly class RevisionQuestion implements LongQuestion
{
    private const CSV = 'text/csv';

    private const PDF = 'application/pdf';

    /**
     * @param  string  $jobName  of its job
     * @param  string  $name  "B"
     * @param  string  $date  that stands on the drawings
     * @param  string  $solution  as it was kept when it was issued (schema/solution.json)
     * @param  JobCopy|null  $before  the revision before it
     */
    private function __construct(
        private JobCopy $job,
        private string $jobName,
        private string $name,
        private string $date,
        private string $solution,
        private ?JobCopy $before,
        private string $nameBefore,
    ) {
    }

    public static function of(Revision $revision, JobFiles $files): self
    {
        $frozen = $revision->frozen;
        $before = Revision::query()->where('job_id', $revision->job_id)->where('state', 'issued')
            ->where('number', '<', $revision->number)->orderByDesc('number')->first();

        return new self(
            JobCopy::of($frozen, $files), $frozen->name, $revision->name, $revision->asked_at->format('Y-m-d'),
            self::solution($frozen), $before === null ? null : JobCopy::of($before->frozen, $files),
            $before->name ?? '',
        );
    }

    public static function kind(): string
    {
        return 'revision';
    }

    public static function read(Node $written): self
    {
        $text = static fn (string $key): string => $written->get($key)->text();
        $before = $written->find('before');

        return new self(
            JobCopy::read($written->get('job')), $text('job_name'), $text('name'), $text('date'), $text('solution'),
            $before === null ? null : JobCopy::read($before), $text('name_before'),
        );
    }

    public function written(): array
    {
        return [
            'job' => $this->job->written(), 'job_name' => $this->jobName, 'name' => $this->name,
            'date' => $this->date, 'solution' => $this->solution, 'name_before' => $this->nameBefore,
            ...$this->before === null ? [] : ['before' => $this->before->written()],
        ];
    }

    /** @return list<array{string, string, string}> name, media type and content of each file */
    public function answer(Report $report): array
    {
        $files = [];
        foreach ($this->files() as [$part, $name, $type, $content]) {
            $files[] = [$name, $type, $content];
            $report->tell(['part' => $part]);
        }

        return $files;
    }

    /** @return Generator<array{float, string, string, string}> how far that is, 0 to 1; name, media type and content */
    private function files(): Generator
    {
        $core = $this->job->core();
        $runs = SettledRuns::solved($this->job, $core);
        $documents = new JobDocuments(
            $core, $runs, SolvedHarnesses::of($this->job, $core, app(RememberedPackings::class)), $this->date,
        );
        $papers = $documents->of(JobDocuments::KINDS);
        $spools = array_merge(...array_map(JobDocuments::spools(...), $documents->made()), ...[[]]);
        $steps = 4 + count($papers) + count($spools);
        $name = Str::slug($this->jobName) === '' ? 'job' : Str::slug($this->jobName);
        $file = $this->job->file;
        $job = isset($file->meshes)
            ? [$name.'.bowline', 'application/zip', TemporaryFile::of(
                static fn (string $path) => JobArchive::write($file, $path),
            )]
            : [$name.'.bowline.json', 'application/json', JobFile::encode($file)];
        yield [1 / $steps, ...$job];
        yield [2 / $steps, 'solution.json', 'application/json', $this->solution];
        foreach ($papers as $i => $document) {
            $part = (3 + $i) / $steps;
            yield [$part, $document->name.'.pdf', self::PDF, PlanPdf::pages(($document->pages)(), $this->date)];
            if ($document->table !== null) {
                yield [$part, $document->name.'.csv', self::CSV, $document->table->csv()];
            }
        }
        foreach ($spools as $i => $spool) {
            yield from self::tables($spool, (3 + count($papers) + $i) / $steps);
        }
        $laid = array_map(static fn (SolvedRun $run) => $run->laid, $runs);
        yield [1 - 1 / $steps, 'centrelines.dxf', 'image/vnd.dxf', DxfWriter::write($laid)];
        if ($this->before !== null) {
            $old = $this->before->core();
            $comparison = JobComparison::of($old, SettledRuns::solved($this->before, $old), $core, $runs);
            yield [1.0, Str::slug('changes from '.$this->nameBefore).'.pdf', self::PDF, PlanPdf::pages(
                ChangeSheet::pages(
                    $core, $comparison, 'revision '.$this->nameBefore, 'revision '.$this->name, $this->date,
                ), $this->date,
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

    private static function solution(Job $frozen): string
    {
        $runs = array_filter(
            $frozen->runs()->whereNotNull('solution')->orderBy('position')->pluck('solution')->all(), is_string(...),
        );

        return '{"format":"bowline-solution","version":1,"runs":['.implode(',', $runs)."]}\n";
    }
}
