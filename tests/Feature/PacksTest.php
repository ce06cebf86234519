<?php

declare(strict_types=1);

use App\Models\Pack;
use App\Packs\MakePack;
use Bowline\Job\Schema;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Testing\TestResponse;
use Tests\Cases;
use Tests\Harnesses;

/** @param  list<string>  $kinds */
function askPack(string $job, array $kinds, string $format = 'pdf', array $more = []): TestResponse
{
    $answer = test()->postJson($job.'/packs', ['kinds' => $kinds, 'format' => $format, ...$more])->assertStatus(202);
    Schema::check(json_decode((string) $answer->content()), 'api.json#/$defs/pack');

    return $answer;
}

/** @param  list<string>  $kinds */
function packed(string $job, array $kinds, string $format = 'pdf', array $more = []): string
{
    $id = askPack($job, $kinds, $format, $more)->json('id');
    test()->getJson("$job/packs/$id")->assertJson(['state' => 'done', 'part' => 1, 'problem' => null]);

    return (string) test()->get("$job/packs/$id/file")->assertOk()->content();
}

/** @return array<string, string> contents of a ZIP by name */
function unzipped(string $bytes): array
{
    $zip = new ZipArchive;
    $zip->open(Cases::written($bytes));
    $files = [];
    for ($i = 0; $i < $zip->numFiles; $i++) {
        $files[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
    }

    return $files;
}

/** @return list<string> the text of each page of a PDF, as poppler reads it */
function pagesOf(string $pdf): array
{
    $text = (string) shell_exec('pdftotext -layout '.escapeshellarg(Cases::written($pdf)).' -');

    return array_slice(explode("\f", $text), 0, -1);
}

it('binds drawings and lists, and the contents tell on which page each begins', function (): void {
    $pages = pagesOf(packed(demo(), ['arrangement', 'isometric', 'bend-sheet', 'lists']));
    $row = '/^\s*(\d+)\s{2,}(\S.*?)\s{2,}\d+ sheets?\s+(\d+)(?:–(\d+))?\s*$/mu';
    preg_match_all($row, $pages[0], $rows, PREG_SET_ORDER);
    // Arrangement; isometric and bend sheets of six runs, one of two spools; six lists that have rows.
    expect($rows)->toHaveCount(1 + 6 + 7 + 6);
    $next = 2;
    foreach ($rows as $row) {
        [, , $title, $from] = $row;
        expect((int) $from)->toBe($next, $title);
        $subject = explode(': ', $title);
        expect($pages[(int) $from - 1])->toContain($subject[0])->toContain($subject[1] ?? $subject[0]);
        $next = (int) ($row[4] ?? $from) + 1;
    }
    expect($pages)->toHaveCount($next - 1);
});

it('gives the same bytes for the same job', function (string $format): void {
    $job = demo();
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => [
        ['id' => 'fuel', 'name' => 'Fuel', 'runs' => ['fuel-feed', 'fuel-return']],
    ]]])->assertOk();
    $first = packed($job, ['bend-sheet', 'lists'], $format, ['set' => 'fuel']);
    test()->travel(3)->seconds();
    expect(packed($job, ['bend-sheet', 'lists'], $format, ['set' => 'fuel']))->toBe($first);
})->with(['pdf', 'zip']);

it('packs a file for each document, and lists as tables too', function (): void {
    $files = unzipped(packed(demo(), ['lists'], 'zip'));
    expect(array_keys($files))->toBe([
        '00-contents.pdf', '01-parts.pdf', '01-parts.csv', '02-parts-by-spool.pdf', '02-parts-by-spool.csv',
        '03-cutting.pdf', '03-cutting.csv', '04-welds.pdf', '04-welds.csv', '05-supports.pdf', '05-supports.csv',
        '06-valves.pdf', '06-valves.csv',
    ])->and($files['04-welds.csv'])->toStartWith('weld,run,what,along_mm')
        ->and(pagesOf($files['00-contents.pdf'])[0])->toContain('04-welds.pdf');
});

it('binds the board of a harness at full size, and its lists', function (): void {
    $job = opened(json_encode(Harnesses::file(['wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'), Harnesses::wire('W2', 'panel.X.2', 'pump.M.2'),
    ]]), JSON_THROW_ON_ERROR));
    $files = unzipped(packed($job, ['harness'], 'zip'));
    $names = array_map(static fn (string $name): string => substr($name, 3), array_keys($files));
    expect($names)->toContain('h-board.pdf', 'h-wires.csv', 'h-cuts.csv')->not->toContain('h-covers.pdf')
        ->and($files['01-h-board.pdf'])->toStartWith('%PDF')
        // Two wires of 1000 mm along the trunk.
        ->and(substr_count($files['02-h-wires.csv'], "\r\n"))->toBe(3)
        ->and(pagesOf($files['01-h-board.pdf'])[0])->toContain('W1');
    // The trunk is 1000 mm long: the sheet is wider than that.
    preg_match('/MediaBox \[0(?:\.0+)? 0(?:\.0+)? ([\d.]+)/', $files['01-h-board.pdf'], $box);
    expect((float) $box[1] / 72 * 25.4)->toBeGreaterThan(1000.0);

    // A set that has no trunk of it has no board either.
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => [
        ['id' => 's', 'name' => 'S', 'runs' => []],
    ]]])->assertOk();
    $id = askPack($job, ['harness'], 'pdf', ['set' => 's'])->json('id');
    test()->getJson("$job/packs/$id")->assertJson(['state' => 'failed']);
});

it('is of the runs of a set', function (): void {
    $job = demo();
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['sets' => [
        ['id' => 'fuel', 'name' => 'Fuel', 'runs' => ['fuel-feed', 'fuel-return']],
    ]]])->assertOk();
    $files = unzipped(packed($job, ['bend-sheet'], 'zip', ['set' => 'fuel']));
    expect(array_keys($files))
        ->toBe(['00-contents.pdf', '01-fuel-feed-bend-sheet.pdf', '02-fuel-return-bend-sheet.pdf']);
    test()->postJson($job.'/packs', ['kinds' => ['lists'], 'format' => 'pdf', 'set' => 'air'])
        ->assertUnprocessable()->assertJsonPath('pointer', '/set');
});

it('says why there is nothing to bind, and what cannot be asked', function (array $body, string $pointer): void {
    test()->postJson(demo().'/packs', $body)->assertUnprocessable()->assertJsonPath('pointer', $pointer);
})->with([
    'no kinds' => [['kinds' => [], 'format' => 'pdf'], '/kinds'],
    'an unknown kind' => [['kinds' => ['letters'], 'format' => 'pdf'], '/kinds/0'],
    'an unknown format' => [['kinds' => ['lists'], 'format' => 'doc'], '/format'],
]);

it('fails with words where the job has nothing of that', function (): void {
    $job = '/api/jobs/'.test()->postJson('/api/jobs', ['name' => 'Empty'])->assertCreated()->json('id');
    $id = askPack($job, ['isometric'])->json('id');
    expect(test()->getJson("$job/packs/$id")->json())
        ->toMatchArray(['state' => 'failed', 'problem' => 'There is nothing of that in the job yet.']);
    test()->get("$job/packs/$id/file")->assertNotFound();
});

it('says which run has not come to lie yet', function (): void {
    Queue::fake();
    $job = opened(json_encode([
        'format' => 'bowline-job', 'version' => 1, 'name' => 'Quay', 'stock' => [cableStock(20)],
        'surroundings' => [
            ['id' => 'quay', 'shape' => 'box', 'size' => [9000, 9000, 20], 'pose' => ['at' => [0, 0, -10]]],
        ],
        'runs' => [[
            'id' => 'shore', 'name' => 'Shore', 'stock' => 'c', 'from' => ['at' => [-1500, 0, 300]],
            'to' => ['at' => [1500, 0, 300]], 'route' => ['kind' => 'drape', 'slack' => 0.4],
        ]],
    ], JSON_THROW_ON_ERROR));
    $id = askPack($job, ['arrangement'])->json('id');
    app()->call((new MakePack($id))->handle(...));
    expect(test()->getJson("$job/packs/$id")->json())->toMatchArray([
        'state' => 'failed', 'problem' => 'Shore has not come to lie yet. Wait until it has, and try again.',
    ]);
});

it('can be stopped before it begins and between two documents', function (bool $isBegun): void {
    Queue::fake();
    $job = demo();
    $id = askPack($job, ['bend-sheet'])->json('id');
    $stop = static fn () => test()->postJson("$job/packs/$id/stop")->assertOk()->assertJsonPath('state', 'stopped');
    if ($isBegun) {
        // Stopped as soon as the second document is begun.
        $parts = [];
        DB::listen(static function ($query) use (&$parts, $id): void {
            if (str_contains($query->sql, 'update "packs" set "part"')) {
                $parts[] = $query->bindings[0];
                if (count($parts) === 2) {
                    Pack::query()->whereKey($id)->update(['state' => 'stopped']);
                }
            }
        });
    } else {
        $stop();
    }
    app()->call((new MakePack($id))->handle(...));
    $pack = Pack::query()->whereKey($id)->firstOrFail();
    expect($pack->state)->toBe('stopped')->and($pack->content)->toBeNull();
    // A third is asked for, and not made: there are seven.
    expect($isBegun ? count($parts) : 0)->toBe($isBegun ? 3 : 0);
    $stop();
})->with(['before it begins' => [false], 'in the middle' => [true]]);

it('forgets packs that were made long ago', function (): void {
    $job = demo();
    $old = askPack($job, ['lists'])->json('id');
    test()->travel(2)->hours();
    $new = askPack($job, ['lists'])->json('id');
    test()->getJson("$job/packs/$old")->assertNotFound();
    test()->getJson("$job/packs/$new")->assertOk();
});
