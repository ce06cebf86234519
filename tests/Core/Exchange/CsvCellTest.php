<?php

declare(strict_types=1);

use Bowline\Exchange\CsvCell;
use Bowline\Exchange\CutListWriter;
use Tests\Jobs;

it('writes a text as a cell that no spreadsheet runs', function (string $text, string $cell): void {
    expect(CsvCell::text($text))->toBe($cell);
})->with([
    'plain' => ['Pipe DN 50', 'Pipe DN 50'],
    'with a comma' => ['Pipe DN 50, 60.3 × 3.9', '"Pipe DN 50, 60.3 × 3.9"'],
    'with a quote' => ['2" pipe', '"2"" pipe"'],
    'of two lines' => ["one\ntwo", "\"one\ntwo\""],
    'a formula' => ['=1+1', "'=1+1"],
    'a formula with a comma' => ['=SUM(A1,A2)', "\"'=SUM(A1,A2)\""],
    'a plus' => ['+49', "'+49"],
    'a minus' => ['-5', "'-5"],
    'an at' => ['@cell', "'@cell"],
    'an apostrophe before a formula' => ["'=1", "''=1"],
    'an apostrophe alone' => ["'t Hooft", "'t Hooft"],
]);

it('reads a text as it was', function (string $text): void {
    // What a reader of CSV makes of the cell (RFC 4180), and then what was meant.
    $read = str_getcsv(CsvCell::text($text), ',', '"', '')[0];
    expect(CsvCell::asItWas((string) $read))->toBe($text);
})->with(['=1+1', "'=1", "''=1", '@cell', "'t Hooft", 'a,b', '2" pipe', '"', ',', '-', "'", '']);

it('writes the name of a pipe into its cut list as a text', function (): void {
    $file = Jobs::file([['at' => [1500, 0, 0]]], ['at' => [1500, 900, 0]], [
        'from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9],
        'stock.radius' => 180, 'stock.min_radius' => 150,
    ]);
    $file->stock[0]->kind = 'pipe';
    $file->stock[0]->name = '=HYPERLINK("x","Pipe")';
    $file->runs[0]->route->corner = (object) ['elbow' => 'long'];
    $lines = explode("\r\n", (string) CutListWriter::csv(Jobs::laid($file)));

    // 1500 − 76 to the elbow (ASME B16.9), less a gap of 2 at one weld.
    expect($lines[1])->toBe('1,pipe,"\'=HYPERLINK(""x"",""Pipe"")",1422,,0')
        ->and($lines[2])->toBe('2,elbow,"elbow 90°, long radius",,90,0')
        ->and($lines[3])->toStartWith('3,pipe,');
});
