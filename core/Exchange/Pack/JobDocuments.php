<?php

declare(strict_types=1);

namespace Bowline\Exchange\Pack;

use Bowline\Drawing\Arrangement;
use Bowline\Drawing\BendSheet;
use Bowline\Drawing\DrawingKind;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\ListSheet;
use Bowline\Drawing\PipeIsometric;
use Bowline\Drawing\Plan\Plan;
use Bowline\Exchange\HarnessTables;
use Bowline\Exchange\Lists\JobLists;
use Bowline\Exchange\ListTable;
use Bowline\Exchange\Plan\Boards;
use Bowline\Job;
use Bowline\Job\StockKind;
use Bowline\Solving\SolvedHarness;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\SolvedSpool;

/** The drawings and lists that can be made of a job, in the order in which they are bound. */
final readonly class JobDocuments
{
    /** Kinds of documents: the words of drawings, boards of harnesses with their lists, and lists of the job. */
    public const KINDS = ['arrangement', 'isometric', 'bend-sheet', 'harness', 'lists'];

    /**
     * @param  list<SolvedRun>  $runs  that the documents are of
     * @param  list<SolvedHarness>  $harnesses  of the job; those are taken whose trunks are all among the runs
     * @param  string  $date  that stands on them; empty for none
     */
    public function __construct(
        private Job $job,
        private array $runs,
        private array $harnesses,
        private string $date,
    ) {
    }

    /**
     * Returns the documents of some kinds. A list that has no rows is left out, and so is an isometric of a curve.
     *
     * @param  list<string>  $kinds
     * @return list<Document>
     */
    public function of(array $kinds): array
    {
        $all = [];
        $is = static fn (string $kind): bool => in_array($kind, $kinds, true);
        if ($is('arrangement') && $this->runs !== []) {
            $all[] = $this->drawing(Arrangement::class, $this->job->name, '', $this->runs);
        }
        foreach ($this->made() as $run) {
            $said = $run->laid->run;
            if ($is('isometric') && $run->laid->legs !== []
                && in_array($said->stock->kind, [StockKind::Tube, StockKind::Pipe], true)) {
                $all[] = $this->drawing(PipeIsometric::class, $said->name, $said->id, [$run]);
            }
            foreach ($is('bend-sheet') ? self::spools($run) : [] as $spool) {
                $one = $spool->laid->run;
                $all[] = $this->drawing(BendSheet::class, $one->name, $one->id, [$spool]);
            }
        }

        return [...$all, ...$is('harness') ? $this->harnesses() : [], ...$is('lists') ? $this->lists() : []];
    }

    /** @return list<Document> the board of each harness, and its lists that have rows */
    private function harnesses(): array
    {
        $runs = array_map(static fn (SolvedRun $run): string => $run->laid->run->id, $this->runs);
        $units = $this->job->site->units;
        $all = [];
        foreach ($this->harnesses as $solved) {
            $harness = $solved->laid->harness;
            if (array_diff($harness->trunks, $runs) !== []) {
                continue;
            }
            $all[] = new Document(
                'harness', $harness->id.'-board', 'Board: '.$harness->name,
                static fn (): array => [Boards::plan($solved, $units)],
            );
            foreach (HarnessTables::all($solved, $units) as $word => $table) {
                if ($table->rows !== []) {
                    $title = sprintf('%s: %s', $harness->name, $word);
                    $all[] = new Document(
                        'harness', $harness->id.'-'.$word, $title,
                        fn (): array => self::sheets($this->job, $title, $table, $this->date), $table,
                    );
                }
            }
        }

        return $all;
    }

    /**
     * @return list<SolvedRun> runs that are made by themselves: no trunks of a harness, no channels in a block, and
     *     none without a length
     */
    public function made(): array
    {
        return array_values(array_filter(
            $this->runs, static fn (SolvedRun $run): bool => $run->laid->run->stock->kind !== StockKind::Bundle
                && $run->laid->run->channel === null && $run->laid->path->segments !== [],
        ));
    }

    /** @return non-empty-list<SolvedRun> the spools of a run, or the run itself where it is one piece */
    public static function spools(SolvedRun $run): array
    {
        $spools = $run->spools();

        return count($spools) <= 1
            ? [$run]
            : array_map(static fn (SolvedSpool $spool): SolvedRun => $spool->solved, $spools);
    }

    /**
     * @param  class-string<DrawingKind>  $kind
     * @param  string  $id  of the run or spool that it is of; empty for the whole job
     * @param  list<SolvedRun>  $runs
     */
    private function drawing(string $kind, string $of, string $id, array $runs): Document
    {
        $question = new DrawingQuestion($this->job, $runs, null, $this->date);
        $title = $kind::titleOf($question);

        return new Document(
            $kind::word(), ltrim($id.'-'.str_replace(' ', '-', strtolower($title)), '-'), $title.': '.$of,
            static fn (): array => $kind::pages($question)->all(),
        );
    }

    /** @return list<Document> */
    private function lists(): array
    {
        $lists = new JobLists($this->job, $this->runs);
        $all = [];
        foreach (JobLists::TITLES as $word => $title) {
            $table = $lists->of($word);
            if ($table !== null && $table->rows !== []) {
                $all[] = new Document(
                    'lists', $word, $title, fn (): array => self::sheets($this->job, $title, $table, $this->date),
                    $table,
                );
            }
        }

        return $all;
    }

    /** @return non-empty-list<Plan> a list on sheets */
    public static function sheets(Job $job, string $title, ListTable $table, string $date): array
    {
        return ListSheet::pages(
            $job, $title, array_map(ListTable::headingWords(...), $table->headings), $table->texts(),
            $table->wordColumns(), $date,
        );
    }
}
