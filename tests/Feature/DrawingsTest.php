<?php

declare(strict_types=1);

use Tests\Jobs;

it('hands out drawings page by page and as files', function (string $kind, string $query, int $pages): void {
    $job = demo();
    expect(test()->getJson("$job/drawings/$kind?$query")->assertOk()->json('pages'))->toBe($pages);
    $svg = test()->get("$job/drawings/$kind.svg?$query&page=".($pages - 1))->assertOk()
        ->assertHeader('content-type', 'image/svg+xml')->content();
    expect(simplexml_load_string((string) $svg))->not->toBeFalse();
    $pdf = (string) test()->get("$job/drawings/$kind.pdf?$query")->assertOk()->content();
    expect($pdf)->toStartWith('%PDF')->and(preg_match_all('~/Type /Page\b(?!s)~', $pdf))->toBe($pages);
    test()->get("$job/drawings/$kind.dxf?$query")->assertOk()->assertHeader('content-type', 'image/vnd.dxf');
    test()->getJson("$job/drawings/$kind.svg?$query&page=99")->assertUnprocessable();
    test()->getJson("$job/drawings/$kind?$query&paper=a9")->assertUnprocessable()->assertSee('a9');
})->with([
    'a bend sheet' => ['bend-sheet', 'run=fuel-return', 1],
    // 2108 of tube in pieces of 260, five to a page.
    'with its tape' => ['bend-sheet', 'run=fuel-return&tape=yes', 3],
    'of a spool' => ['bend-sheet', 'run=to-cooler&spool=to-cooler-2', 1],
    'an isometric drawing' => ['isometric', 'run=to-cooler', 1],
    'an arrangement from the front' => ['arrangement', 'view=front', 1],
    'of two runs' => ['arrangement', 'runs=feed/suction&view=above', 1],
]);

it('names a file by what is on it', function (string $kind, string $name): void {
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]);
    $file->stock[0]->kind = $kind;
    $answer = test()->get(opened((string) json_encode($file)).'/drawings/bend-sheet.pdf?run=run')->assertOk();
    expect($answer->headers->get('content-disposition'))->toContain($name);
})->with([['tube', 'run-bend-sheet.pdf'], ['hose', 'run-cut-sheet.pdf']]);

it('refuses what it cannot draw', function (string $address, int $status): void {
    expect(test()->getJson(demo().'/drawings/'.$address)->status())->toBe($status);
})->with([
    ['bend-sheet', 422], ['bend-sheet?run=nobody', 404], ['bend-sheet?run=feed&spool=feed-9', 404], ['wishes', 404],
    ['arrangement?view=below', 422], ['arrangement?runs=nobody', 422],
]);

it('puts what the job says into the title block', function (): void {
    $job = demo();
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sheets' => [
        'company' => 'Ternwake Yard', 'tolerance' => 'ISO 2768-m', 'projection' => 'third', 'paper' => 'a3',
        'fields' => [['name' => 'Hull', 'value' => '7']],
    ]]])->assertOk();
    $svg = test()->get($job.'/drawings/bend-sheet.svg?run=feed')->content();
    expect($svg)->toContain('Ternwake Yard')->toContain('ISO 2768-m')->toContain('>Hull<')
        ->toContain('width="420mm" height="297mm"')->toContain('From the front');
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sheets' => ['paper' => 'a9']]])
        ->assertUnprocessable();
});

it('hands out the lists of a job', function (string $list, int $rows, array $first): void {
    $job = demo();
    $table = test()->getJson("$job/lists/$list")->assertOk()->json();
    expect($table['rows'])->toHaveCount($rows)
        ->and(array_combine($table['headings'], $table['rows'][0]))->toMatchArray($first);
    $csv = (string) test()->get("$job/lists/$list.csv")->assertOk()->content();
    expect(substr_count($csv, "\n"))->toBe($rows + 1);
    expect(test()->get("$job/lists/$list.pdf")->assertOk()->content())->toStartWith('%PDF');
})->with([
    'welds' => ['welds', 7, ['weld' => 'W1', 'run' => 'Sea-water suction', 'what' => 'flange']],
    'valves' => ['valves', 1, ['valve' => 'Overboard valve']],
    'supports' => ['supports', 1, ['support' => 'Clamp, deck beam', 'bore_mm' => 15]],
    // Five sizes of stock, two of flanges and gaskets, bolts of one, a clamp, and 13 things that stand around.
    'parts' => ['parts', 24, ['kind' => 'stock']],
    // A bar and a line of sums for each of five sizes.
    'cuts' => ['cutting', 10, ['bar_length_mm' => 6000]],
]);

it('makes lists of a set of runs, by the width of a cut', function (): void {
    $job = demo();
    $set = ['id' => 'sea', 'name' => 'Sea water', 'runs' => ['suction', 'feed']];
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => [$set]]])->assertOk();
    expect(test()->getJson($job.'/lists/welds?set=sea')->json('rows'))->toHaveCount(4);
    test()->getJson($job.'/lists/welds?set=land')->assertUnprocessable()->assertJsonPath('pointer', '/set');
    test()->getJson($job.'/lists/cutting?kerf=wide')->assertUnprocessable()->assertJsonPath('pointer', '/kerf');
    test()->getJson($job.'/lists/wishes')->assertNotFound();
    // Three pieces of one bar, each cut off.
    $offcut = static fn (int $kerf): float => array_values(array_filter(
        test()->getJson("$job/lists/cutting?kerf=$kerf")->json('rows'), static fn (array $row): bool => $row[3] === 3,
    ))[0][5];
    expect($offcut(1) - $offcut(4))->toEqualWithDelta(3 * 3.0, 1e-6);
});
