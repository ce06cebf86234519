<?php

declare(strict_types=1);

use Bowline\Drawing\ListSheet;
use Bowline\Drawing\Plan\Plan;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Sheet\TextBox;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Exchange\ListTable;
use Bowline\Job;
use Tests\Jobs;
use Tests\Sheets;

/**
 * @param  list<list<string>>  $rows
 * @return non-empty-list<Plan>
 */
function listSheet(array $rows, string $paper = 'a4'): array
{
    $file = Jobs::file([], ['at' => [0, 0, 300]]);
    $file->sheets = (object) ['paper' => $paper];

    return ListSheet::pages(Job::read($file), 'Weld list', ['Weld', 'What', 'Along, mm'], $rows, [1], '2026-11-29');
}

it('has every row once, over as many sheets as are needed', function (int $count): void {
    $pages = listSheet(array_map(
        static fn (int $i): array => ['W'.$i, 'flange', $i.'.5'], $count === 0 ? [] : range(1, $count),
    ));
    $marks = array_merge(...array_map(static fn (Plan $page): array => array_values(array_filter(
        array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($page)),
        static fn (string $text): bool => preg_match('/^W\d+$/', $text) === 1,
    )), $pages));
    expect($marks)->toBe(array_map(static fn (int $i): string => 'W'.$i, $count === 0 ? [] : range(1, $count)));
    foreach ($pages as $i => $page) {
        expect(array_map(static fn (PlanText $text): string => $text->text, Sheets::texts($page)))
            ->toContain(sprintf('%d of %d', $i + 1, count($pages)));
    }
    // A4: 297 less two margins of 10, a title block of 32 and gaps of 4; a title of 5.5, headings and rows of 4.6.
    $room = (int) floor((297 - 20 - 32 - 8 - 5.5) / 4.6) - 1;
    expect(count($pages))->toBe(max(1, (int) ceil($count / $room)));
})->with([0, 1, 50, 120, 400]);

it('is laid across where its columns need it, and keeps to the paper', function (): void {
    [$narrow] = listSheet([['W1', 'flange', '3']]);
    [$wide] = listSheet([['W1', str_repeat('a flange of an odd size, ', 9), '3']]);
    expect($narrow->height)->toBeGreaterThan($narrow->width)->and($wide->width)->toBeGreaterThan($wide->height);
    $metrics = new TextMetrics;
    foreach ([$narrow, $wide] as $page) {
        foreach (Sheets::texts($page) as $text) {
            expect(TextBox::of($text, $metrics)->isWithin(0.0, 0.0, $page->width, $page->height))
                ->toBeTrue($text->text);
        }
    }
});

it('reads headings and cells as a fitter does', function (string $heading, string $words): void {
    expect(ListTable::headingWords($heading))->toBe($words);
})->with([
    ['cut_length_mm', 'Cut length, mm'], ['over_least_percent', 'Over least, %'], ['mass_kg', 'Mass, kg'],
    ['weld', 'Weld'], ['bar_length_in', 'Bar length, in'],
]);

it('knows which columns have words', function (): void {
    $table = new ListTable(['a', 'b', 'c'], [['x', 1.5, null], [null, 2, null], ['y', 1234.567, 'z']]);
    expect($table->wordColumns())->toBe([0, 2])
        ->and($table->texts())->toBe([['x', '1.5', ''], ['', '2', ''], ['y', '1234.57', 'z']]);
});
