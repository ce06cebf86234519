<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Drawing\BendSheet;
use Bowline\Drawing\DrawingQuestion;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Job;
use Bowline\Solving\Solver;

/** Drawings to test, and what is read back of them. */
final class Sheets
{
    /** @return non-empty-list<Plan> the pages of the bend sheet of a run */
    public static function bend(Job $job, string $run = 'run', bool $hasTape = false): array
    {
        $solved = (new Solver($job))->preview($job->runs[$run]);

        return BendSheet::pages(new DrawingQuestion($job, [$solved], null, '2026-11-27', $hasTape))->all();
    }

    /**
     * Returns the text of drawings as PDF, as poppler reads it.
     *
     * @param  non-empty-list<Plan>  $pages
     */
    public static function printed(array $pages): string
    {
        $path = Cases::written(PlanPdf::pages($pages, '2026-11-29'));

        return (string) shell_exec('pdftotext -layout '.escapeshellarg($path).' -');
    }

    /** @return list<PlanText> */
    public static function texts(Plan $page): array
    {
        return array_values(array_filter($page->shapes, static fn (object $one): bool => $one instanceof PlanText));
    }
}
