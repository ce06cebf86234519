<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Drawing\Isometric\Line;
use Bowline\Drawing\Isometric\Pen;
use Bowline\Drawing\Plan\Pages;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Table;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\Sheet\TitleBlock;
use Bowline\Job\JobError;
use Bowline\Job\Units;
use Bowline\Materials\BoughtParts;
use Bowline\Materials\PartCount;
use Bowline\Solving\SolvedRun;

/**
 * The isometric drawing of a line (ISO 6412-2): a single line along true isometric axes, not to scale, with dimensions,
 * welds, flanges, supports, flow and fall, spool marks, and its material. A long line goes over several sheets.
 */
final class PipeIsometric implements DrawingKind
{
    /** Most legs on a sheet. */
    private const LEGS = 12;

    private const ROOM = 24.0;

    private const GAP = 4.0;

    private readonly Units $units;

    private readonly TextMetrics $metrics;

    private function __construct(private readonly DrawingQuestion $question, private readonly SolvedRun $solved)
    {
        $this->units = $solved->laid->run->units;
        $this->metrics = new TextMetrics;
    }

    public static function word(): string
    {
        return 'isometric';
    }

    public static function title(): string
    {
        return 'Isometric';
    }

    public static function titleOf(DrawingQuestion $question): string
    {
        return self::title();
    }

    public static function isOfRun(): bool
    {
        return true;
    }

    public static function pages(DrawingQuestion $question): Pages
    {
        $solved = $question->run('an isometric drawing');
        if ($solved->laid->legs === []) {
            throw JobError::at('/runs', sprintf(
                '%s is a curve: an isometric drawing is of runs with corners', $solved->laid->run->name,
            ));
        }

        return Pages::drawn((new self($question, $solved))->all());
    }

    /** @return non-empty-list<Plan> */
    private function all(): array
    {
        $settings = $this->question->settings(isLarge: true);
        $paper = Paper::across($settings->paper);
        $run = $this->solved->laid->run;
        $block = new TitleBlock(
            $settings, self::title(), $run->name, $run->stock->name.($run->service === null
                ? ''
                : ', '.$run->service->name),
            $this->question->job->name, $this->question->date, $this->units, implode(' / ', [
                'BOWLINE', $run->id, ...$settings->revision === '' ? [] : ['revision '.$settings->revision],
                $this->question->job->name,
            ]),
        );
        $material = $this->material();
        $line = Line::of($this->solved, $this->question->job);
        // Fewer legs to a sheet until each label has room.
        for ($legs = self::LEGS; ; $legs = intdiv($legs, 2)) {
            $parts = $line->divided($legs);
            $pages = [];
            $hasRoom = true;
            foreach ($parts as $number => $part) {
                $canvas = new Canvas($paper, $this->metrics);
                $within = $block->draw($canvas, 'not to scale', $number + 1, count($parts));
                $isWhole = $this->page($canvas, $within, $part, $settings->north, $number === 0 ? $material : null);
                $hasRoom = $hasRoom && $isWhole;
                $pages[] = $canvas->plan('Isometric '.$run->name);
            }
            if ($hasRoom || $legs === 1) {
                return $pages;
            }
        }
    }

    /**
     * @param  array{float, float, float, float}  $within
     * @return bool whether there was room for each label
     */
    private function page(Canvas $canvas, array $within, Line $line, string $north, ?Table $material): bool
    {
        [$left, $bottom, $right, $top] = $within;
        if ($material !== null) {
            $wide = 96.0;
            $material->draw($canvas, $right - $wide - 3.0, $top - 2.0, $wide);
            $right -= $wide + self::GAP;
        }
        $pen = new Pen(
            $canvas, $this->question->job->site->up, $this->units,
            [$left + 2 * self::ROOM, $bottom + self::ROOM, $right - self::ROOM, $top - self::ROOM],
            [$left + 1.0, $bottom + 1.0, $right - 1.0, $top - 1.0],
        );
        $pen->axes($north);

        return $pen->line($line);
    }

    private function material(): Table
    {
        $counts = PartCount::all(BoughtParts::of($this->solved));

        return new Table('Material', ['No.', 'What', 'How much'], array_map(
            fn (PartCount $one, int $i): array => [
                (string) ($i + 1), $one->part->words,
                $one->part->length === null ? (string) $one->count : $this->units->say($one->length),
            ],
            $counts, array_keys($counts),
        ), [8.0, 68.0, 20.0], [1]);
    }
}
