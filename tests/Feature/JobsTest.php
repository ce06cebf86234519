<?php

declare(strict_types=1);

use App\Models\Job;
use Bowline\Exchange\Body\BodyFormats;
use Bowline\Job\Schema;
use Illuminate\Support\Facades\DB;
use Tests\Cases;

it('keeps a job file and gives it back as it was', function (): void {
    foreach (['corners-clamps', 'corners-expressions', 'fixed-two-stops', 'corners-turned-fittings'] as $case) {
        $job = opened(Cases::json($case));
        $back = test()->get($job.'/file')->assertOk()->assertHeader('content-disposition');

        expect(Cases::differences(json_decode(Cases::json($case), true), json_decode($back->content(), true)))->toBe(
            [],
        );
    }
});

it('answers in the shape of its schema, with the same solution as the command line', function (): void {
    $answer = test()->getJson(demo())->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/jobState');
    [, $out] = Cases::bowline('solve', database_path('demo/ternwake.json'));

    expect(Cases::differences(json_decode($out, true)['runs'], $answer->json('solutions')))->toBe([]);
});

it('refuses a wrong file with its pointer and keeps nothing of it', function (): void {
    test()
        ->call(
            'POST',
            '/api/jobs/open',
            [],
            [],
            [],
            ['CONTENT_TYPE' => 'application/json'],
            Cases::json('bad-negative-od'),
        )
        ->assertUnprocessable()->assertJson(['pointer' => '/stock/0/section/od']);
    test()
        ->call('POST', '/api/jobs/open', [], [], [], ['CONTENT_TYPE' => 'application/json'], 'no json')
        ->assertUnprocessable();

    expect(Job::query()->count())->toBe(0);
});

it('lists jobs, the last one worked on first, and deletes one', function (): void {
    test()->postJson('/api/jobs', ['name' => 'First'])->assertCreated();
    $second = test()->postJson('/api/jobs', ['name' => 'Second'])->json('id');
    Job::query()->where('name', 'First')->update(['updated_at' => now()->addMinute()]);

    expect(test()->getJson('/api/jobs')->json('*.name'))->toBe(['First', 'Second']);
    test()->deleteJson('/api/jobs/'.$second)->assertNoContent();
    test()->getJson('/api/jobs/'.$second)->assertNotFound()->assertJsonStructure(['message']);
    test()->postJson('/api/jobs/'.$second.'/restore')->assertNoContent();
    test()->postJson('/api/jobs/'.$second.'/opened')->assertNoContent();
    expect(test()->getJson('/api/jobs')->json('*.name'))->toContain('Second');
    expect(test()->postJson('/api/jobs/'.$second.'/copy')->assertCreated()->json('job.name'))->toBe('Second, copy');
    test()->deleteJson(demo())->assertNoContent();
    test()->postJson('/api/jobs', ['name' => ''])->assertUnprocessable()->assertJson(['pointer' => '/name']);
});

it('changes an item, and all that hangs on it follows', function (): void {
    $job = demo();
    $pump = item($job, 'fittings', 'pump');
    $pump['pose']['at'][2] += 20;
    $solutions = collect(edit($job, 'fittings', 'pump', $pump)->assertOk()->json('solutions'))->keyBy('id');

    expect($solutions['to-cooler']['vertices'][0])->toEqual([1960, -260, 350])
        ->and(test()->getJson($job)->json('revision'))->toBe(2);
});

it('solves again only what depends on an edit', function (): void {
    $job = demo();
    $mark = '{"marked":true,"length":1,"cut_length":1}';
    DB::table('runs')->update(['solution' => $mark]);
    $pump = item($job, 'fittings', 'pump');
    $pump['pose']['at'][2] += 20;
    edit($job, 'fittings', 'pump', $pump)->assertOk();

    expect(DB::table('runs')->where('solution', '!=', $mark)->orderBy('key')->pluck('key')->all())->toBe([
        'feed',
        'to-cooler',
    ]);
});

it('refuses what would make the job wrong, names the field, and keeps the last good one', function (
    string $list,
    string $id,
    array $at,
    mixed $wrong,
    string $pointer,
): void {
    $job = demo();
    $item = $before = item($job, $list, $id);
    data_set($item, implode('.', $at), $wrong);
    edit($job, $list, $id, $item)
        ->assertUnprocessable()
        ->assertJson(['list' => $list, 'id' => $id, 'pointer' => $pointer]);

    expect(item($job, $list, $id))->toEqual($before)->and(test()->getJson($job)->json('revision'))->toBe(1);
})->with([
    'a negative diameter' => ['stock', 'dn20', ['section', 'od'], -3, '/section/od'],
    'a wall too thick' => ['stock', 'dn20', ['section', 'wall'], 15, '/section/wall'],
    'a name of 300 characters' => ['runs', 'feed', ['name'], str_repeat('n', 300), '/name'],
    'a text for a number' => ['fittings', 'pump', ['pose', 'at', 0], 'abc', '/pose/at/0'],
    'too large a number' => ['clamps', 'beam-clamp', ['bore'], '1e309', '/bore'],
    'a port that is not there' => ['runs', 'feed', ['from', 'port'], 'pump.drain', '/from/port'],
    'a stop that is nothing' => ['runs', 'feed', ['route', 'stops', 0], ['sideways' => 3], '/route/stops/0/sideways'],
]);

it('keeps all changes of one action or none', function (): void {
    $job = demo();
    $pump = item($job, 'fittings', 'pump');
    $pump['name'] = 'Renamed';
    test()
        ->postJson($job.'/edits', [
            'edits' => [
                ['list' => 'fittings', 'id' => 'pump', 'item' => $pump],
                [
                    'list' => 'clamps',
                    'id' => 'beam-clamp',
                    'item' => ['id' => 'beam-clamp', 'at' => [0, 0, 0], 'axis' => '+x', 'bore' => -1, 'width' => 1],
                ],
            ],
        ])
        ->assertUnprocessable();

    expect(item($job, 'fittings', 'pump')['name'])->toBe('Sea-water pump');
});

it(
    'leaves runs where they were when their fitting is deleted, and refuses to delete a stock in use',
    function (): void {
        $job = demo();
        $before = collect(test()->getJson($job)->json('solutions'))->firstWhere('id', 'to-cooler')['vertices'];
        $after = collect(edit($job, 'fittings', 'cooler', null)->assertOk()->json('solutions'))->firstWhere(
            'id',
            'to-cooler',
        )['vertices'];
        expect($after)->toEqual($before);

        edit($job, 'stock', 'dn20', null)
            ->assertUnprocessable()
            ->assertJson(['list' => 'stock', 'id' => 'dn20']);
        edit($job, 'runs', 'feed', null)->assertOk();
        expect(test()->getJson($job)->json('job.runs.*.id'))->not->toContain('feed');
    },
);

it('changes names and values of the job itself', function (): void {
    $job = demo();
    $values = ['riser' => 540, 'over' => 'riser + 420'];
    $state = test()
        ->postJson($job.'/edits', [
            'edits' => [],
            'header' => ['name' => '<img src=x onerror=alert(1)>', 'values' => $values],
        ])
        ->assertOk();
    expect($state->json('job.name'))
        ->toBe('<img src=x onerror=alert(1)>')
        ->and($state->json('values.over'))
        ->toEqual(960);

    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['values' => ['riser' => 540]]])
        ->assertUnprocessable()->assertJson(['list' => 'clamps', 'id' => 'beam-clamp', 'pointer' => '/at/2']);
});

it('cures a finding by putting its remedy', function (): void {
    $job = demo();
    $finding = collect(test()->getJson($job)->json('solutions'))->firstWhere('id', 'to-cooler')['findings'][0];
    expect($finding['rule'])->toBe('bend-radius')->and($finding['remedies'][0])->toBe('Use R 56');
    $cured = edit($job, 'runs', 'to-cooler', $finding['cures'][0]['item'])->assertOk();

    expect(collect($cured->json('solutions'))->firstWhere('id', 'to-cooler')['status'])->toBe('good');
});

it('previews a corner being moved without keeping it, and keeps it when told', function (): void {
    $job = demo();
    $move = ['do' => 'move-corner', 'vertex' => 2, 'by' => [0, 0, 15]];
    $preview = test()->postJson($job.'/preview/run', ['run' => 'to-cooler', 'change' => $move])->assertOk();
    Schema::check(json_decode($preview->content()), 'api.json#/$defs/preview');
    expect($preview->json('solutions.0.vertices.2.2'))
        ->toEqual(605)
        ->and(test()->getJson($job)->json('revision'))
        ->toBe(1);

    test()->postJson($job.'/runs/to-cooler/laying', $move)->assertOk();
    expect(item($job, 'runs', 'to-cooler')['route']['stops'][1]['length'])->toBe(275);
    test()
        ->postJson($job.'/runs/to-cooler/laying', ['do' => 'move-corner', 'vertex' => 0, 'by' => [0, 0, 1]])
        ->assertUnprocessable();
    test()->postJson($job.'/runs/nothing/laying', $move)->assertNotFound();
    test()->postJson($job.'/runs/to-cooler/laying', ['do' => 'weld'])->assertUnprocessable();
});

it('lays a run leg by leg', function (): void {
    $job = demo();
    edit($job, 'runs', 'new', [
        'id' => 'new',
        'stock' => 't12',
        'from' => ['port' => 'sea-chest.top'],
        'to' => ['port' => 'tank.feed'],
        'route' => ['kind' => 'corners', 'stops' => []],
    ])->assertOk();
    foreach ([
        ['do' => 'insert-corner', 'vertex' => 1],
        ['do' => 'set-leg', 'vertex' => 1, 'along' => '+z', 'length' => 'riser'],
        ['do' => 'set-corner', 'vertex' => 1, 'corner' => ['radius' => 45]],
    ] as $laying) {
        test()->postJson($job.'/runs/new/laying', $laying)->assertOk();
    }

    expect(item($job, 'runs', 'new')['route']['stops'])->toEqual([
        ['corner' => ['radius' => 45], 'along' => '+z', 'length' => 'riser'],
    ]);
});

it('reads what is typed into a number field', function (): void {
    $job = demo();
    test()
        ->postJson($job.'/entry', ['text' => '2 * riser + 1/2 in'])
        ->assertOk()
        ->assertJson(['number' => '2 * riser + 12.7', 'value' => 1072.7]);
    test()
        ->postJson($job.'/entry', ['text' => 'abc'])
        ->assertUnprocessable()
        ->assertJson(['message' => 'there is no value named “abc”']);
});

it('hands out CSV and STL', function (): void {
    $job = demo();
    [, $csv] = Cases::bowline('bends', database_path('demo/ternwake.json'), '--run', 'feed');
    expect(test()->get($job.'/runs/feed/bends.csv')->assertOk()->content())->toBe($csv)
        ->and(
            test()
                ->get($job.'/runs/feed/vertices.csv')
                ->assertOk()
                ->headers->get('content-disposition'),
        )
        ->toContain('sea-water-feed.vertices.csv');
    $one = test()->get($job.'/runs/feed/body.stl?chord=0.5')->assertOk()->content();
    $all = test()->get($job.'/bodies.stl?chord=0.5')->assertOk()->content();

    expect(strlen($all))->toBeGreaterThan(strlen($one))->and(strlen($one) % 50)->toBe(84 % 50);
    foreach (BodyFormats::ALL as $format) {
        $ending = $format::ending();
        test()
            ->get("$job/runs/feed/body.$ending?chord=0.5")
            ->assertOk()
            ->assertHeader('content-type', $format::mediaType())
            ->assertHeader('content-disposition', "attachment; filename=\"sea-water-feed.$ending\"");
        $alone = strlen((string) test()->get("$job/bodies.$ending?chord=0.5")->assertOk()->content());
        $around = (string) test()->get("$job/bodies.$ending?chord=0.5&with=around")->assertOk()->content();
        expect(strlen($around))->toBeGreaterThan($alone);
        // STL has no names, and 3MF is packed.
        foreach (in_array($ending, ['stl', '3mf'], true) ? [] : ['Fuel tank', 'Hull floor'] as $name) {
            expect($around)->toContain($name);
        }
    }
    test()->get($job.'/runs/feed/body.dwg')->assertNotFound();
    test()->get($job.'/bodies.dwg')->assertNotFound();
    test()->get($job.'/runs/nothing/bends.csv')->assertNotFound();
});

it('hands out centrelines as DXF and makes the same runs of them again', function (): void {
    $job = demo();
    $all = test()->get($job.'/centrelines.dxf')->assertOk()->content();
    $read = test()->postJson(demo().'/lines', ['text' => $all])->assertOk();
    Schema::check(json_decode($read->content()), 'api.json#/$defs/lines');
    expect($read->json('routes'))->toHaveCount(6)->and($read->json('remarks'))->toBe([]);

    $one = test()->get($job.'/runs/fuel-feed/centreline.dxf')->assertOk()->content();
    $route = test()->postJson(demo().'/lines', ['text' => $one])->json('routes.0');
    $solutions = collect(
        edit($job, 'runs', 'again', [...$route, 'stock' => 'c10'])
            ->assertOk()
            ->json('solutions'),
    )->keyBy('id');
    expect($solutions['again']['length'])->toEqualWithDelta($solutions['fuel-feed']['length'], 1e-6)
        ->and(Cases::differences($solutions['fuel-feed']['bends'], $solutions['again']['bends']))->toBe([]);
    test()->postJson(demo().'/lines', ['text' => 'no drawing'])->assertUnprocessable()->assertSee('neither a DXF');
});

it('asks the benders at hand', function (): void {
    $answer = test()->getJson(demo().'/runs/fuel-feed/benders')->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/benders');
    // Copper 10 × 1 at R 25 is bench work; the shop bender has no die of it.
    expect($answer->json('0.can'))
        ->toBeTrue()
        ->and($answer->json('1.can'))
        ->toBeFalse()
        ->and($answer->json('1.obstacles.0.fix'))
        ->toBe('Use R 50.');
    [, $out] = Cases::bowline('benders', database_path('demo/ternwake.json'), '--run', 'fuel-feed');
    expect(json_decode($out, true))->toEqual($answer->json());
});

it('takes only JSON, and serves the application to every page', function (): void {
    test()->post('/api/jobs', ['name' => 'x'])->assertStatus(415);
    test()->withoutVite()->get('/jobs/1/lay')->assertOk()->assertSee('id="root"', false);
});

it('guards its rows with foreign keys', function (): void {
    demo();
    expect(DB::select('pragma foreign_keys')[0]->foreign_keys)->toBe(1)
        ->and(fn () => DB::table('stocks')->where('key', 'dn20')->delete())
        ->toThrow(Illuminate\Database\QueryException::class);
});

it('tells the limits that a hand is held to, as the rules have them', function (): void {
    // docs/job-file.md: `reversal` from 179.5°.
    expect(test()->getJson(demo())->json('limits.reversal'))->toEqualWithDelta(179.5, 1e-5);
});
