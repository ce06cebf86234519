<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\SheetSettings;
use Bowline\Routing\LaidRun;
use Bowline\Solving\SolvedRun;

/** What is to be drawn, and how. */
final readonly class DrawingQuestion
{
    /**
     * @param  list<SolvedRun>  $runs  that it is of: one run or spool, or all that are shown
     * @param  string|null  $paper  "a4", "letter" …; null as the job says
     * @param  string  $date  as it shall stand on it; empty for none
     * @param  string|null  $view  only that of an arrangement: above, front, right or angle
     * @param  float|null  $cut  coordinate at which that is cut, in the direction in which it is looked at, mm; null
     *     for a view of all
     * @param  bool  $hasTape  whether a tape at full size follows a bend sheet
     */
    public function __construct(
        public Job $job,
        public array $runs,
        public ?string $paper,
        public string $date,
        public bool $hasTape = false,
        public ?string $view = null,
        public ?float $cut = null,
    ) {
    }

    /**
     * Returns the run that a drawing of one run is of.
     *
     * @param  string  $what  that is: "a bend sheet"
     *
     * @throws JobError where none is told, or it has no length
     */
    public function run(string $what): SolvedRun
    {
        $solved = $this->runs[0] ?? throw JobError::at('/runs', $what.' is of one run');
        if ($solved->laid->path->segments === []) {
            throw JobError::at('/runs', $solved->laid->run->name.' has no length: there is nothing of it to draw');
        }

        return $solved;
    }

    /** @return list<LaidRun> the runs that have a length */
    public function laid(): array
    {
        return array_values(array_filter(
            array_map(static fn (SolvedRun $solved): LaidRun => $solved->laid, $this->runs),
            static fn (LaidRun $laid): bool => $laid->path->segments !== [],
        ));
    }

    /**
     * Returns what stands on it, on the paper that is asked for, else on that of the job.
     *
     * @param  bool  $isLarge  whether it is on A3, or B, where the job has smaller paper
     */
    public function settings(bool $isLarge = false): SheetSettings
    {
        $settings = $this->job->sheets;
        $usual = $isLarge ? ['a4' => 'a3', 'letter' => 'b'][$settings->paper] ?? $settings->paper : $settings->paper;

        return $settings->on($this->paper ?? $usual);
    }
}
