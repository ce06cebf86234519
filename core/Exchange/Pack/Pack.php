<?php

declare(strict_types=1);

namespace Bowline\Exchange\Pack;

use Bowline\Drawing\ListSheet;
use Bowline\Drawing\Plan\Plan;
use Bowline\Exchange\Plan\PlanPdf;
use Bowline\Job;
use Bowline\Job\JobError;
use Closure;
use ZipArchive;

/** Documents of a job bound together: as one PDF, or as files in a ZIP, with a table of contents at the front. */
final class Pack
{
    public const FORMATS = ['pdf' => 'application/pdf', 'zip' => 'application/zip'];

    /** Moment that files in a ZIP are said to be from where there is no date: the beginning of 2026. */
    private const NO_DATE = 1767225600;

    /**
     * Returns one PDF of all documents. The same documents are the same bytes.
     *
     * @param  non-empty-list<Document>  $documents
     * @param  Closure(int): void  $report  called with how many documents are done; may throw to stop it
     */
    public static function pdf(Job $job, array $documents, string $date, Closure $report): string
    {
        $drawn = self::drawn($documents, $report);
        $counts = array_map(count(...), $drawn);
        // The contents come first: how many sheets they take does not depend on the numbers in them.
        $before = count(self::contents($job, $documents, $counts, 0, $date));

        return PlanPdf::pages(
            array_merge(self::contents($job, $documents, $counts, $before, $date), ...$drawn), $date,
        );
    }

    /**
     * Writes a ZIP of a PDF for each document, of a CSV for each list, and of the contents. The same documents are the
     * same bytes.
     *
     * @param  non-empty-list<Document>  $documents
     * @param  string  $path  where it is written
     * @param  Closure(int): void  $report  called with how many documents are done; may throw to stop it
     *
     * @throws JobError when it cannot be written
     */
    public static function zip(Job $job, array $documents, string $date, string $path, Closure $report): void
    {
        $drawn = self::drawn($documents, $report);
        $files = ['00-contents.pdf' => PlanPdf::pages(
            self::contents($job, $documents, array_map(count(...), $drawn), null, $date), $date,
        )];
        foreach ($documents as $i => $document) {
            $name = sprintf('%02d-%s', $i + 1, $document->name);
            $files[$name.'.pdf'] = PlanPdf::pages($drawn[$i], $date);
            if ($document->table !== null) {
                $files[$name.'.csv'] = $document->table->csv();
            }
        }
        $zip = new ZipArchive;
        $isWritten = $zip->open($path, ZipArchive::CREATE | ZipArchive::OVERWRITE) === true;
        $moment = $date === '' ? false : strtotime($date.' 00:00:00 UTC');
        foreach ($files as $name => $content) {
            $isWritten = $isWritten && $zip->addFromString($name, $content)
                && $zip->setMtimeName($name, $moment === false ? self::NO_DATE : $moment);
        }
        if (! $isWritten || ! $zip->close()) {
            throw JobError::at('', 'the pack cannot be written; is the disk full?');
        }
    }

    /**
     * @param  non-empty-list<Document>  $documents
     * @param  Closure(int): void  $report
     * @return non-empty-list<non-empty-list<Plan>> pages by document
     */
    private static function drawn(array $documents, Closure $report): array
    {
        $drawn = [];
        foreach ($documents as $i => $document) {
            $report($i);
            $drawn[] = ($document->pages)();
        }
        $report(count($documents));

        return $drawn;
    }

    /**
     * @param  non-empty-list<Document>  $documents
     * @param  non-empty-list<int>  $counts  sheets of each
     * @param  int|null  $before  sheets before the first; null where each begins with sheet 1 of its own file
     * @return non-empty-list<Plan>
     */
    private static function contents(Job $job, array $documents, array $counts, ?int $before, string $date): array
    {
        $rows = [];
        $next = $before ?? 0;
        foreach ($documents as $i => $document) {
            $last = $next + $counts[$i];
            $rows[] = [
                (string) ($i + 1), $document->title, $counts[$i] === 1 ? '1 sheet' : $counts[$i].' sheets',
                $before === null ? sprintf('%02d-%s.pdf', $i + 1, $document->name) : self::range($next + 1, $last),
            ];
            $next = $last;
        }

        return ListSheet::pages(
            $job, 'Contents', ['No.', 'What', 'Sheets', $before === null ? 'File' : 'Pages'], $rows,
            $before === null ? [1, 3] : [1], $date,
        );
    }

    private static function range(int $from, int $to): string
    {
        return $from === $to ? (string) $from : $from.'–'.$to;
    }
}
