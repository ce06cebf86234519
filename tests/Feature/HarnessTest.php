<?php

declare(strict_types=1);

use App\Harness\RememberedPackings;
use Bowline\Geometry\CirclePacking;
use Bowline\Harness\FoundPackings;
use Bowline\Job\Schema;
use Illuminate\Cache\ArrayStore;
use Illuminate\Cache\Repository;
use Tests\Harnesses;
use Tests\Jobs;

/*
 * A harness in a job: kept, solved, changed, refused, pasted, listed.
 */

/** @param  array<string, mixed>  $harness */
function harnessJob(array $harness = []): string
{
    $lamp = Harnesses::connector('lamp', 'L', [400, 0, 300], ['1', '2']);
    $branch = Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], [
        'port' => 'lamp.L',
    ]);

    return opened(json_encode(Harnesses::file([
        'wires' => [
            Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'), Harnesses::wire('W2', 'panel.X.2', 'lamp.L.1'),
            Harnesses::wire('W3', 'lamp.L.2', 'pump.M.2'),
        ],
        ...$harness,
    ], [$branch], [$lamp]), JSON_THROW_ON_ERROR));
}

/** @return array<string, float|null> lengths of the wires of a state, by id */
function wireLengths(array $state): array
{
    return array_column($state['harnesses'][0]['wires'], 'length', 'id');
}

it('comes with the state of its job, in the shape of its schema, and is saved with it', function (): void {
    $job = harnessJob();
    $state = test()->getJson($job)->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    $file = json_decode((string) test()->get($job.'/file')->assertOk()->content());

    expect(wireLengths($state->json()))->toEqualWithDelta(['W1' => 1000, 'W2' => 700, 'W3' => 900], 1e-6)
        ->and($file->version)->toBe(4)->and($file->harnesses[0]->wires)->toHaveCount(3);
});

it('changes exactly the wires that go along what is moved', function (): void {
    $job = harnessJob();
    $before = wireLengths(test()->getJson($job)->json());
    // The lamp goes up by 80, and its trunk with it.
    $lamp = test()->getJson($job)->json('job.fittings.2');
    $lamp['pose']['at'] = [400, 0, 380];
    $after = wireLengths(test()->postJson($job.'/edits', [
        'edits' => [['list' => 'fittings', 'id' => 'lamp', 'item' => $lamp]],
    ])->assertOk()->json());

    expect($after['W1'])->toEqualWithDelta($before['W1'], 1e-9)
        ->and($after['W2'] - $before['W2'])->toEqualWithDelta(80, 1e-6)
        ->and($after['W3'] - $before['W3'])->toEqualWithDelta(80, 1e-6);
});

it('answers what is moved without the harnesses, which are asked for afterwards', function (): void {
    $job = harnessJob();
    $state = test()->getJson($job)->json();
    $lamp = $state['job']['fittings'][2];
    $lamp['pose']['at'] = [400, 0, 380];
    $change = test()->postJson($job.'/edits', [
        'edits' => [['list' => 'fittings', 'id' => 'lamp', 'item' => $lamp]], 'since' => $state['revision'],
    ])->assertOk();
    Schema::check(json_decode($change->content()), 'api.json#/$defs/jobChange');
    $told = test()->getJson($job.'/harnesses')->assertOk();
    Schema::check(json_decode($told->content()), 'api.json#/$defs/jobHarnesses');

    expect($state['harnesses_at'])->toBe($state['revision'])
        ->and($change->json('change'))->toBeTrue()->and($change->json('harnesses'))->toBeNull()
        ->and(array_column($change->json('solutions'), 'id'))->toBe(['t2'])
        ->and($told->json('revision'))->toBe($state['revision'] + 1)
        ->and(wireLengths($told->json()))->toEqualWithDelta(['W1' => 1000, 'W2' => 780, 'W3' => 980], 1e-6)
        ->and($told->json('harnesses'))->toEqual(test()->getJson($job)->json('harnesses'));
});

it('tells the harnesses with an edit by which wires could lose their pins', function (
    string $path,
    mixed $value,
    ?string $pointer,
): void {
    $job = harnessJob();
    $state = test()->getJson($job)->json();
    data_set($state, 'job.'.$path, $value);
    [$list, $number] = explode('.', $path);
    $item = $state['job'][$list][$number];
    $answer = test()->postJson($job.'/edits', [
        'edits' => [['list' => $list, 'id' => $item['id'], 'item' => $item]], 'since' => $state['revision'],
    ]);

    if ($pointer === null) {
        expect($answer->assertOk()->json('harnesses_at'))->toBe($state['revision'] + 1);
    } else {
        expect($answer->assertStatus(422)->json('pointer'))->toBe($pointer)
            ->and(test()->getJson($job)->json('revision'))->toBe($state['revision']);
    }
})->with([
    'a pin that a wire ends at' => ['fittings.2.ports.0.pins', ['1'], '/harnesses/0/wires/2/from'],
    'a pin more' => ['fittings.2.ports.0.pins', ['1', '2', '3'], null],
    'a trunk of a wire' => ['runs.1.stock', 'w2', '/harnesses/0/trunks/1'],
    'another step' => ['harnesses.0.step', 50, null],
]);

it('takes the cure of a wire that is too long, and is undone', function (): void {
    $job = harnessJob(['wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['length' => ['at_most' => 800]])]]);
    expect(test()->getJson($job)->json('harnesses.0.findings.0.remedies'))->toBe([]);
    $finding = test()->getJson($job.'/harnesses/h')->assertOk()->json('findings.0');
    expect($finding['title'])->toBe('W1 is too long')->and($finding['remedies'])->toBe(['Let it be 1000 mm']);
    $cured = test()->postJson($job.'/edits', ['edits' => [[
        'list' => $finding['cures'][0]['list'], 'id' => 'h', 'item' => $finding['cures'][0]['item'],
    ]]])->assertOk();
    expect($cured->json('harnesses.0.findings'))->toBe([])
        ->and($cured->json('job.harnesses.0.wires.0.length.at_most'))->toEqual(1000);
    $undone = test()->postJson($job.'/step', ['step' => 0])->assertOk();
    expect($undone->json('job.harnesses.0.wires.0.length.at_most'))->toEqual(800);
});

it('has no cures of a harness that is not there', function (): void {
    test()->getJson(harnessJob().'/harnesses/other')->assertNotFound();
});

it('keeps what wires need', function (string $list, string $id, string $words): void {
    $job = harnessJob();
    $answer = test()->postJson($job.'/edits', ['edits' => [['list' => $list, 'id' => $id, 'item' => null]]]);
    $answer->assertStatus(422);
    expect($answer->json('message').$answer->json('reason'))->toContain($words);
})->with([
    'a fitting at which some end' => ['fittings', 'lamp', 'W2, W3 of h need it'],
    'a stock that some are of' => ['stock', 'w2', 'W1, W2, W3 of h need it'],
]);

it('goes on without a trunk that is deleted, and says who has no way', function (): void {
    $job = harnessJob(['covers' => [['run' => 't2', 'kind' => 'sleeve', 'thickness' => 1]]]);
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 't2', 'item' => null]]])
        ->assertOk();

    expect($state->json('job.harnesses.0.trunks'))->toBe(['t1'])
        ->and($state->json('job.harnesses.0.covers'))->toBe([])
        ->and(wireLengths($state->json()))->toEqual(['W1' => 1000, 'W2' => null, 'W3' => null]);
});

it('refuses a wire with its pointer, and keeps nothing of it', function (): void {
    $job = harnessJob();
    $harness = test()->getJson($job)->json('job.harnesses.0');
    $harness['wires'][1]['to'] = 'lamp.L.7';
    $answer = test()->postJson($job.'/edits', ['edits' => [[
        'list' => 'harnesses', 'id' => 'h', 'item' => $harness,
    ]]])->assertStatus(422);

    expect($answer->json('pointer'))->toBe('/harnesses/0/wires/1/to')
        ->and(test()->getJson($job)->json('job.harnesses.0.wires.1.to'))->toBe('lamp.L.1');
});

it('reads wires from rows, and refuses each that is wrong by itself', function (): void {
    $job = harnessJob();
    $rows = test()->postJson($job.'/harnesses/h/pasted', ['text' => implode("\n", [
        "Wire\tSignal\tFrom\tFrom pin\tTo\tTo pin\tStock",
        "A1\t24 V\tpanel.X\t3\tpump.M\t3\tW4", "A2\t\tpanel.X\t4\tpump.M\t9\tw2", "W1\t\tpanel.X\t3\tpump.M\t3\tw2",
        "A3\t\tpanel.X\t4\t\t\tw2", "A4\t\tpanel.X\t4\tpump.M\t4\tw9",
    ])])->assertOk();
    Schema::check(json_decode($rows->content()), 'api.json#/$defs/pastedWires');

    expect($rows->json('wires'))->toBe([
        ['id' => 'A1', 'from' => 'panel.X.3', 'to' => 'pump.M.3', 'stock' => 'w4', 'signal' => '24 V'],
    ])
        ->and(array_column($rows->json('refused'), 'why', 'line'))->toBe([
            3 => 'pump.M has no pin “9”; it has 1, 2, 3, 4', 4 => 'there is a wire “W1” already',
            5 => 'where it ends is missing', 6 => 'there is no stock “w9”',
        ]);
    // Without a heading, and the stock of the last wire where none is told.
    expect(test()->postJson($job.'/harnesses/h/pasted', ['text' => 'B1;panel.X.3;pump.M.3'])->json('wires'))
        ->toBe([['id' => 'B1', 'from' => 'panel.X.3', 'to' => 'pump.M.3', 'stock' => 'w2']]);
});

it('reads back the wire list that it writes', function (): void {
    $job = harnessJob();
    $csv = (string) test()->get($job.'/harnesses/h/wires.csv')->assertOk()->content();
    $empty = harnessJob(['wires' => []]);
    $rows = test()->postJson($empty.'/harnesses/h/pasted', ['text' => $csv])->assertOk();

    expect($rows->json('refused'))->toBe([])
        ->and(array_column($rows->json('wires'), 'to', 'id'))
        ->toBe(['W1' => 'pump.M.1', 'W2' => 'lamp.L.1', 'W3' => 'pump.M.2']);
    test()->get($job.'/harnesses/h/pegs.csv')->assertNotFound();
    test()->get($job.'/harnesses/other/wires.csv')->assertNotFound();
});

it('begins a harness of the trunks that are in none', function (): void {
    $file = Harnesses::file();
    $file->harnesses = [];
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $new = test()->postJson($job.'/new', ['kind' => 'harness'])->assertOk();

    expect($new->json('list'))->toBe('harnesses')->and($new->json('item.trunks'))->toBe(['t1']);
    test()->postJson($job.'/edits', ['edits' => [[
        'list' => 'harnesses', 'id' => $new->json('item.id'), 'item' => $new->json('item'),
    ]]])->assertOk();
    expect(test()->postJson($job.'/new', ['kind' => 'bundle'])->json('item.kind'))->toBe('bundle');
});

it('renames a value in lengths of a harness and leaves its names alone', function (): void {
    $file = Harnesses::file(['reach' => 'wall', 'wires' => [
        Harnesses::wire('wall', 'panel.X.1', 'pump.M.1', ['signal' => 'wall', 'length' => ['at_most' => 'wall*9']]),
    ]]);
    $file->values = Jobs::object(['wall' => 150]);
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $harness = test()->postJson($job.'/values/rename', ['from' => 'wall', 'to' => 'side'])->assertOk()
        ->json('job.harnesses.0');

    expect($harness['reach'])->toBe('side')->and($harness['wires'][0]['id'])->toBe('wall')
        ->and($harness['wires'][0]['signal'])->toBe('wall')
        ->and($harness['wires'][0]['length']['at_most'])->toBe('side*9');
});

it('downloads the board, and says what is wrong with the paper', function (): void {
    $job = harnessJob();
    $svg = test()->get($job.'/harnesses/h/board.svg')->assertOk();
    expect($svg->headers->get('content-type'))->toStartWith('image/svg+xml')
        ->and($svg->headers->get('content-disposition'))->toStartWith('attachment')
        ->and((string) test()->get($job.'/harnesses/h/board.dxf')->assertOk()->content())->toContain('TRUNKS')
        ->and((string) test()->get($job.'/harnesses/h/board.pdf?paper=letter')->assertOk()->content())
        ->toStartWith('%PDF-');
    test()->getJson($job.'/harnesses/h/board.pdf?paper=a9')->assertStatus(422);
    test()->get($job.'/harnesses/h/board.png')->assertNotFound();
});

it('puts the harness to the tester, and rings on the board what is wrong', function (): void {
    $job = harnessJob();
    $answer = test()->postJson($job.'/harnesses/h/tested', ['faults' => [['kind' => 'open', 'wire' => 'W2']]])
        ->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/tested');
    $rings = static fn (string $query): int => substr_count(
        (string) test()->get($job.'/harnesses/h/board.svg'.$query)->content(), 'r="40"',
    );

    expect($answer->json('tested'))->toBe(6)
        ->and($answer->json('found.0.words'))->toBe('lamp.L.1 is not joined to panel.X.2.')
        ->and([$rings(''), $rings('?marked=lamp.L,panel.X')])->toBe([0, 2]);
    test()->postJson($job.'/harnesses/h/tested', ['faults' => [['kind' => 'open', 'wire' => 'W9']]])
        ->assertStatus(422);
});

it('finds a packing once for all requests', function (): void {
    $cache = new Repository(new ArrayStore);
    $radii = [2.0, 1.5, 1.0, 1.0, 1.2];
    $found = (new RememberedPackings($cache))->radius($radii);
    expect($found)->toEqualWithDelta(CirclePacking::radius($radii), 1e-9);
    $key = FoundPackings::key($radii);
    $shelf = 'packings '.substr(md5($key), 0, 1);
    expect($cache->get($shelf))->toBe([$key => $found]);
    $cache->put($shelf, [$key => 7.5]);

    expect((new RememberedPackings($cache))->radius(array_reverse($radii)))->toBe(7.5);
});

it('says while bundles are estimated, until the requests that follow have packed them', function (): void {
    $cache = new Repository(new ArrayStore);
    $bundles = [array_fill(0, 7, 1.0), array_fill(0, 19, 1.0)];
    $radii = $are = [];
    for ($request = 0; $request < 3; $request++) {
        // Each has the time to find one more.
        $packings = new RememberedPackings($cache, longest: 0);
        $radii[] = array_map($packings->radius(...), $bundles);
        $are[] = $packings->areFound();
    }

    // 7 equal circles pack into one of 3 times their radius, 19 into one of 1 + √2 + √6 times.
    expect($are)->toBe([false, true, true])
        ->and($radii[0][0])->toEqualWithDelta(3.0, 3e-3 * 3)
        ->and($radii[0][1])->toEqualWithDelta(sqrt(19 / 0.81), 1e-9)
        ->and($radii[2])->toBe($radii[1])
        ->and($radii[1][1])->toEqualWithDelta(1 + sqrt(2) + sqrt(6), 0.03 * (1 + sqrt(2) + sqrt(6)));
});

it('prints its lists, and its labels on a sheet', function (string $list): void {
    $pdf = test()->get(harnessJob().'/harnesses/h/'.$list.'.pdf')->assertOk();

    expect((string) $pdf->content())->toStartWith('%PDF-')
        ->and($pdf->headers->get('content-disposition'))->toContain("h.$list.pdf");
})->with(['wires', 'bundles', 'cuts', 'connectors', 'covers', 'labels', 'continuity']);

it('shows the board, and turns a branch of it without storing that', function (): void {
    $job = harnessJob();
    $answer = test()->getJson($job.'/harnesses/h/board')->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/board');
    $board = $answer->json();
    expect($board['is_built'])->toBeFalse()->and($board['changes'])->toBe([]);
    [$turn] = $board['turns'];
    expect($turn['told'])->toBeFalse();
    $turned = test()->postJson($job.'/harnesses/h/board', ['run' => $turn['run'], 'angle' => 35])->assertOk();
    expect($turned->json('turns.0.angle'))->toEqualWithDelta(35, 1e-6)
        ->and($turned->json('turns.0.in_way'))->toBeNull()
        ->and(test()->getJson($job.'/harnesses/h/board')->json('turns.0.angle'))->toEqual($turn['angle']);
});

it('refuses a turn without an angle, with its pointer', function (): void {
    $job = harnessJob();
    test()->postJson($job.'/harnesses/h/board', ['run' => 't2'])->assertStatus(422);
    test()->postJson($job.'/harnesses/h/board', ['run' => 't2', 'angle' => 'no such value'])->assertStatus(422)
        ->assertJsonPath('pointer', '/angle');
});

it('notes a board as built, and marks on it what changes afterwards', function (): void {
    $job = harnessJob();
    $board = test()->getJson($job.'/harnesses/h/board')->json();
    $harness = test()->getJson($job)->json('job.harnesses.0');
    test()->postJson($job.'/edits', ['edits' => [[
        'list' => 'harnesses', 'id' => 'h', 'item' => [...$harness, 'board' => ['built' => $board['now']]],
    ]]])->assertOk();
    expect(test()->getJson($job.'/harnesses/h/board')->json('is_built'))->toBeTrue();
    $lamp = test()->getJson($job)->json('job.fittings.2');
    $lamp['pose']['at'][2] += 80;
    test()->postJson($job.'/edits', ['edits' => [['list' => 'fittings', 'id' => 'lamp', 'item' => $lamp]]])
        ->assertOk();
    $after = test()->getJson($job.'/harnesses/h/board')->json();
    expect($after['changes'])->toHaveCount(1)->and($after['changes'][0])->toContain(' mm, was ')
        ->and($after['picture'])->toContain('>was ');
});

it('tells lengths while something is dragged, and stores nothing', function (): void {
    $job = harnessJob();
    $lamp = test()->getJson($job)->json('job.fittings.2');
    $lamp['pose']['at'][2] += 80;
    $tried = test()->postJson($job.'/harnesses', ['list' => 'fittings', 'item' => $lamp])->assertOk();
    Schema::check(json_decode($tried->content())[0], 'api.json#/$defs/triedHarness');
    // Up to the lamp 300, now 380.
    expect(array_column($tried->json('0.lengths'), 1, 0))
        ->toEqualWithDelta(['W1' => 1000, 'W2' => 780, 'W3' => 980], 1e-6)
        ->and(wireLengths(test()->getJson($job)->json()))
        ->toEqualWithDelta(['W1' => 1000, 'W2' => 700, 'W3' => 900], 1e-6);
    test()->postJson($job.'/harnesses', ['list' => 'stock', 'item' => ['id' => 'w2']])->assertStatus(422)
        ->assertJsonPath('pointer', '/list');
    test()->postJson($job.'/harnesses', ['list' => 'fittings', 'item' => [...$lamp, 'pose' => 3]])->assertStatus(422)
        ->assertJsonPath('pointer', '/item/pose');
});

it('finds a loop too tight for its wires by the movement that is kept', function (float $radius, bool $isFound): void {
    $file = json_decode((string) file_get_contents(base_path('database/demo/wiring.json')));
    foreach ($file->stock as $stock) {
        if ($stock->kind !== 'bundle') {
            $stock->bend->moving_radius = $radius;
        }
    }
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $state = test()->getJson($job);
    $door = collect($state->json('solutions'))->firstWhere('id', 'door-loop');
    $rules = array_column($state->json('harnesses.0.findings'), 'rule');

    // 430 long, and 73.6 % of that between its ends when the door is open.
    expect(in_array('bundle-moving', $rules, true))->toBe($isFound)
        ->and($door['movement']['slack'])->toEqualWithDelta(430 * (1 - 0.7365), 0.1);
})->with([[49.0, false], [52.0, true]]);

it('breaks a trunk in two and joins it again, as edits that a window makes', function (): void {
    $job = harnessJob();
    $before = wireLengths(test()->getJson($job)->json());
    $edits = test()->postJson($job.'/runs/t1/broken', ['length' => 650])->assertOk()->json();
    expect(array_column(test()->getJson($job)->json('job.runs'), 'id'))->toBe(['t1', 't2']);
    $state = test()->postJson($job.'/edits', ['edits' => $edits, 'name' => 'Break T1 in two'])->assertOk()->json();
    expect(array_column($state['job']['runs'], 'id'))->toEqualCanonicalizing(['t1', 't2', 't1-2'])
        ->and(wireLengths($state))->toEqualWithDelta($before, 1e-6);
    $edits = test()->postJson($job.'/runs/t1/joined', ['with' => 't1-2'])->assertOk()->json();
    $state = test()->postJson($job.'/edits', ['edits' => $edits])->assertOk()->json();
    expect(array_column($state['job']['runs'], 'id'))->toEqualCanonicalizing(['t1', 't2'])
        ->and(wireLengths($state))->toEqualWithDelta($before, 1e-6);
    $undone = test()->postJson($job.'/step', ['step' => 0])->assertOk()->json();
    expect(array_column($undone['job']['runs'], 'id'))->toEqualCanonicalizing(['t1', 't2'])
        ->and(wireLengths($undone))->toEqualWithDelta($before, 1e-6);
    test()->postJson($job.'/runs/t1/broken', ['length' => 5000])->assertStatus(422);
    test()->postJson($job.'/runs/t1/joined', ['with' => 'x'])->assertStatus(422)->assertJsonPath('pointer', '/with');
});

it('tells where the wires lie in each trunk', function (): void {
    $job = harnessJob();
    $inside = test()->getJson($job.'/harnesses/h/inside')->assertOk();
    Schema::check(json_decode($inside->content()), 'api.json#/$defs/insideTrunks');
    $trunk = collect($inside->json())->firstWhere('run', 't1');

    // Up to the lamp W1 and W2 of 2 mm, behind it W1 and W3: two circles side by side.
    expect(array_column($trunk['spans'], 'to'))->toEqualWithDelta([400, 1000], 1e-6)
        ->and(array_merge(...array_column($trunk['spans'][0]['circles'], 'wires')))->toEqualCanonicalizing(['W1', 'W2'])
        ->and(array_column($trunk['spans'][0]['circles'], 'radius'))->toEqual([1, 1])
        ->and(array_sum(array_map(static fn (array $one): float => abs($one['at'][0]), $trunk['spans'][0]['circles'])))
        ->toEqualWithDelta(2, 1e-3);
});

it('lets go of what is told on the board of a trunk that is deleted', function (): void {
    $job = harnessJob(['board' => ['angles' => [['run' => 't2', 'angle' => 60], ['run' => 't1', 'angle' => 5]]]]);
    $delete = ['edits' => [['list' => 'runs', 'id' => 't2', 'item' => null]]];
    $state = test()->postJson($job.'/edits', $delete)->assertOk()->json();
    expect($state['job']['harnesses'][0]['board']['angles'])->toBe([['run' => 't1', 'angle' => 5]]);
    $undone = test()->postJson($job.'/step', ['step' => 0])->assertOk()->json();
    expect($undone['job']['harnesses'][0]['board']['angles'])->toHaveCount(2);
});

it('turns a branch whatever is told of one of its ways', function (): void {
    $job = harnessJob(['board' => ['angles' => [['run' => 't2', 'angle' => 60, 'towards' => 'end']]]]);
    $angle = static fn (array $turn): float => test()->postJson($job.'/harnesses/h/board', $turn)->assertOk()
        ->json('turns.0.angle');

    expect($angle(['run' => 't2', 'angle' => 35]))->toEqualWithDelta(35, 1e-6)
        ->and($angle(['run' => 't2', 'angle' => -40, 'towards' => 'end']))->toEqualWithDelta(-40, 1e-6)
        // It goes to its end only: what is told of the other way is of nothing.
        ->and($angle(['run' => 't2', 'angle' => -40, 'towards' => 'start']))->toEqualWithDelta(60, 1e-6);
});

it('counts a finding that is waived no more, until it is worse', function (): void {
    // W1 is 1000 mm long: 50 more than it may be.
    $long = static fn (float $atMost): array => ['wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['length' => ['at_most' => $atMost]]),
    ]];
    $job = harnessJob($long(950));
    $found = test()->getJson($job)->json('harnesses.0.findings.0');
    expect($found)->toMatchArray([
        'waived' => null, 'waiver' => ['rule' => 'wire-length', 'of' => 'wire W1', 'off' => 50],
    ]);
    $open = static fn (): string => implode(' ', test()->getJson($job.'/open-points')->json('open.*.words'));
    expect($open())->toContain('W1 is too long');

    $told = test()->getJson($job)->json('job.harnesses.0');
    $told['waived'] = [[...$found['waiver'], 'reason' => 'It is laid in a loop.']];
    edit($job, 'harnesses', 'h', $told)->assertOk()->assertJsonPath(
        'harnesses.0.findings.0.waived', 'It is laid in a loop.',
    );
    $file = json_decode((string) test()->get($job.'/file')->content());
    expect($open())->not->toContain('W1 is too long')->and($file->version)->toBe(6);

    $told['wires'] = $long(940)['wires'];
    edit($job, 'harnesses', 'h', $told)->assertOk()->assertJsonPath('harnesses.0.findings.0.waived', null);
    expect($open())->toContain('W1 is too long');
    $told['waived'][0]['reason'] = ' ';
    edit($job, 'harnesses', 'h', $told)->assertUnprocessable()->assertJsonPath(
        'pointer', '/harnesses/0/waived/0/reason',
    );
});

it('writes no file of bodies where there are only trunks', function (): void {
    $job = harnessJob();
    foreach (["$job/bodies.glb", "$job/runs/t1/body.step"] as $address) {
        expect(test()->getJson($address)->assertStatus(422)->json('message'))->toContain('no run here has a body');
    }
});
