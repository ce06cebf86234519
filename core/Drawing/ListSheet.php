<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Table;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Job;
use Bowline\Job\JobError;

/** A list on sheets with the title block of the job. Columns are as wide as what is in them. */
final class ListSheet
{
    private const GAP = 4.0;

    /** Height of text by which columns are measured, and room beside it, mm. */
    private const TEXT = 1.9;

    private const ROOM = 3.5;

    /**
     * @param  string  $title  "Weld list"
     * @param  list<string>  $headings
     * @param  list<list<string>>  $rows
     * @param  list<int>  $left  columns of words
     * @param  string  $date  empty for none
     * @return non-empty-list<Plan>
     *
     * @throws JobError when there is no paper as the job says
     */
    public static function pages(
        Job $job,
        string $title,
        array $headings,
        array $rows,
        array $left,
        string $date,
    ): array {
        $settings = $job->sheets;
        $metrics = new TextMetrics;
        $widths = array_map(static fn (string $text): float => $metrics->width($text, self::TEXT, true), $headings);
        foreach ($rows as $row) {
            foreach ($row as $i => $text) {
                $widths[$i] = max($widths[$i], $metrics->width($text, self::TEXT));
            }
        }
        $widths = array_values(array_map(static fn (float $width): float => $width + self::ROOM, $widths));
        $total = array_sum($widths);
        $upright = Paper::usual($settings->paper);
        $within = $upright->width - 2 * TitleBlock::MARGIN - 6.0;
        $paper = $total > $within ? Paper::across($settings->paper) : $upright;
        $block = new TitleBlock(
            $settings, $title, $job->name, count($rows).(count($rows) === 1 ? ' row' : ' rows'), $job->name, $date,
            $job->site->units, '',
        );
        [$from, $bottom, $to, $top] = $block->inside($paper);
        // What has no words is drawn, too: an empty table says that there is nothing.
        $rows = $rows === [] ? [array_fill(0, count($headings), '–')] : $rows;
        $table = new Table($title, $headings, $rows, $widths, $left);
        $pages = Table::divided([$table], $top - $bottom - 2 * self::GAP, self::GAP);
        $wide = min($to - $from - 6.0, 1.4 * $total);

        return array_map(static function (array $tables, int $i) use (
            $paper, $metrics, $block, $pages, $from, $top, $wide, $title,
        ): Plan {
            $canvas = new Canvas($paper, $metrics);
            $block->draw($canvas, 'none', $i + 1, count($pages));
            Table::drawAll($tables, $canvas, $from + 3.0, $top - self::GAP, $wide, self::GAP);

            return $canvas->plan($title);
        }, $pages === [] ? [[]] : $pages, array_keys($pages === [] ? [[]] : $pages));
    }
}
