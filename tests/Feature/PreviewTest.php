<?php

declare(strict_types=1);

use App\Support\ProcessorTime;
use Bowline\Job\Schema;
use Illuminate\Testing\TestResponse;

function preview(string $job, string $of, array $body): TestResponse
{
    $answer = test()->postJson($job.'/preview/'.$of, $body)->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/preview');

    return $answer;
}

/*
 * Leg 2 of the run to the cooler is 260 long between two bends of R 70 with 40 straight between them:
 * its end can come down by 260 − 180 = 80 and no farther.
 */
it('holds a corner at the limit and says what holds it, unless it is told not to', function (): void {
    $job = demo();
    $change = ['do' => 'move-corner', 'vertex' => 2, 'by' => [0, 0, -200]];
    $held = preview($job, 'run', ['run' => 'to-cooler', 'change' => $change, 'hold' => 1]);
    expect($held->json('amount'))->toEqual(80)
        ->and($held->json('held'))->toBe('No room between bends 1 and 2')
        ->and($held->json('solutions.0.vertices.2.2'))->toEqual(510);
    $past = preview($job, 'run', ['run' => 'to-cooler', 'change' => $change]);
    expect($past->json('held'))->toBeNull()->and($past->json('solutions.0.vertices.2.2'))->toEqual(390)
        ->and(test()->getJson($job)->json('revision'))->toBe(1);
});

it('moves and turns a fitting with the runs that hang on it', function (): void {
    $job = demo();
    $moved = preview($job, 'place', [
        'list' => 'fittings',
        'id' => 'pump',
        'change' => ['do' => 'move', 'by' => [0, 0, 20]],
    ]);
    expect($moved->json('solutions.*.id'))->toEqualCanonicalizing(['feed', 'to-cooler'])
        ->and($moved->json('item.pose.at.2'))->toBe(item($job, 'fittings', 'pump')['pose']['at'][2] + 20)
        ->and($moved->json('places.0.id'))->toBe('pump');

    // Turned away from its runs they leave it off its axis: at half a degree it holds.
    $turned = preview($job, 'place', [
        'list' => 'fittings',
        'id' => 'pump',
        'change' => ['do' => 'turn', 'about' => '+z', 'angle' => 30],
        'hold' => 0.1,
    ]);
    expect($turned->json('amount'))->toBeLessThanOrEqual(0.5)->and($turned->json('held'))->toContain('off its axis');
    preview($job, 'place', [
        'list' => 'clamps',
        'id' => 'beam-clamp',
        'change' => ['do' => 'turn', 'about' => '+z', 'angle' => 90],
    ]);
});

it('previews a run that is not kept yet, and holds a leg at what its bend needs', function (): void {
    $job = demo();
    $draft = [
        'id' => 'draft', 'stock' => 'dn20', 'from' => ['port' => 'pump.out'], 'to' => ['at' => [1960, -500, 330]],
        'route' => ['kind' => 'corners', 'stops' => [['along' => '-y', 'length' => 240]]],
    ];
    $leg = preview($job, 'run', [
        'draft' => $draft,
        'change' => ['do' => 'add-leg', 'along' => '+z', 'length' => 20],
        'hold' => 1,
    ]);

    // A single bend of R 70 wants 70 of the leg behind it.
    expect($leg->json('amount'))
        ->toEqual(70)
        ->and($leg->json('item.to.at'))
        ->toEqual([1960, -500, 400])
        ->and($leg->json('held'))
        ->toContain('No room');
    test()
        ->postJson($job.'/preview/run', [
            'draft' => [...$draft, 'stock' => 'none'],
            'change' => ['do' => 'take-back'],
        ])
        ->assertUnprocessable()->assertJson(['pointer' => '/draft/stock']);
});

it('finds ways into a port and reads pasted rows', function (): void {
    $job = demo();
    $run = [
        'id' => 'new', 'stock' => 'dn20', 'from' => ['port' => 'pump.out'], 'to' => ['at' => [1960, -500, 330]],
        'route' => ['kind' => 'corners', 'stops' => [['along' => '-y', 'length' => 240]]],
    ];
    edit($job, 'runs', 'new', $run)->assertOk();
    $ways = test()->postJson($job.'/runs/new/ways-in', ['port' => 'cooler.in'])->assertOk();
    Schema::check(json_decode($ways->content()), 'api.json#/$defs/ways');
    expect(count($ways->json()))->toBeGreaterThan(1)->and($ways->json('0.solution.status'))->toBe('good');

    $rows = test()->postJson($job.'/pasted', ['text' => "along\tlength\n+x\t1 3/8 in\n−z\tfoo"])->assertOk();
    Schema::check(json_decode($rows->content()), 'api.json#/$defs/pastedRows');
    expect($rows->json('stops'))->toEqual([['along' => '+x', 'length' => 34.925]])
        ->and($rows->json('refused.0'))->toMatchArray(['line' => 3, 'text' => "−z\tfoo"]);
});

it('remembers what was typed into a field', function (): void {
    $job = demo();
    test()->postJson($job.'/entry', ['text' => ' 1 3/8 in', 'field' => 'stock/dn20/Outside diameter'])->assertOk();
    expect(test()->getJson($job)->json('entries'))->toEqual([
        'stock/dn20/Outside diameter' => ['typed' => '1 3/8 in', 'value' => 34.925],
    ]);
});

it('says what is wrong with a change, by its place', function (
    string $path,
    array $body,
    string $pointer,
    string $words,
): void {
    test()
        ->postJson(demo().$path, $body)
        ->assertUnprocessable()
        ->assertJson(['pointer' => $pointer])
        ->assertSee($words);
})->with([
    'no such change' => ['/runs/feed/laying', ['do' => 'fly'], '/do', 'fly'],
    'no change at all' => ['/runs/feed/laying', [], '/do', 'missing'],
    'a vector of two' => [
        '/runs/feed/laying',
        ['do' => 'move-corner', 'vertex' => 1, 'by' => [1, 2]],
        '/by',
        'at least 3',
    ],
    'a preview of nothing' => ['/preview/run', ['run' => 'feed'], '/change', 'missing'],
    'a preview of no vector' => [
        '/preview/run',
        ['run' => 'feed', 'change' => ['do' => 'move-leg', 'vertex' => 2, 'by' => 'up']],
        '/change/by',
        'list',
    ],
    'a radius of nothing' => [
        '/preview/run',
        ['run' => 'feed', 'change' => ['do' => 'set-corner', 'vertex' => 1, 'corner' => ['radius' => 0]]],
        '/change/corner/radius',
        'more than 0',
    ],
    'something that does not stand anywhere' => [
        '/preview/place',
        ['list' => 'stock', 'id' => 'dn20', 'change' => ['do' => 'move', 'by' => [1, 0, 0]]],
        '/list',
        'stands in space',
    ],
    'a turn about nothing' => [
        '/preview/place',
        ['list' => 'fittings', 'id' => 'pump', 'change' => ['do' => 'turn', 'about' => [0, 0, 0], 'angle' => 3]],
        '/change/about',
        'all zero',
    ],
    'a port that is not there' => ['/runs/feed/ways-in', ['port' => 'pump.drain'], '/port', 'no port'],
    'a step before the first' => ['/step', ['step' => -1], '/step', ''],
]);

it('does not find what is not there', function (): void {
    $job = demo();
    test()->postJson($job.'/preview/run', ['run' => 'none', 'change' => ['do' => 'take-back']])->assertNotFound();
    test()
        ->postJson($job.'/preview/place', [
            'list' => 'fittings',
            'id' => 'none',
            'change' => ['do' => 'move', 'by' => [1, 0, 0]],
        ])
        ->assertNotFound();
    test()->postJson('/api/jobs/999/restore')->assertNotFound();
});

it('goes level with a port that the run did not hang on, and follows it from then on', function (): void {
    $job = demo();
    $run = [
        'id' => 'new', 'stock' => 'dn20', 'from' => ['port' => 'cooler.out'], 'to' => ['at' => [1050, -620, 1105]],
        'route' => ['kind' => 'corners', 'stops' => [['along' => '+z', 'length' => 160]]],
    ];
    edit($job, 'runs', 'new', $run)->assertOk();
    test()
        ->postJson($job.'/runs/new/laying', ['do' => 'add-leg', 'along' => '+x', 'until' => 'overboard.in'])
        ->assertOk();
    expect(item($job, 'runs', 'new')['to']['at'])->toEqual([1750, -620, 1105]);
    $valve = item($job, 'fittings', 'overboard');
    $valve['pose']['at'][0] = 1800;
    // The open end goes along with the corner it lies on, in the preview and for good.
    $tried = preview($job, 'place', [
        'list' => 'fittings',
        'id' => 'overboard',
        'change' => ['do' => 'move', 'by' => [50, 0, 0]],
        'hold' => 1,
    ]);
    expect($tried->json('held'))->toBeNull();
    $solved = collect(edit($job, 'fittings', 'overboard', $valve)->json('solutions'))->firstWhere('id', 'new');
    expect($solved['vertices'][2])
        ->toEqual([1800, -620, 1105])
        ->and($solved['vertices'][3])
        ->toEqual([1800, -620, 1105])
        ->and($solved['status'])->toBe('good');
    // So it does when the corner itself is moved; an end that is put elsewhere stays there.
    test()->postJson($job.'/runs/new/laying', ['do' => 'move-corner', 'vertex' => 1, 'by' => [0, 0, 40]])->assertOk();
    expect(item($job, 'runs', 'new')['to']['at'])->toEqual([1800, -620, 1145]);
    edit($job, 'runs', 'new', [...item($job, 'runs', 'new'), 'to' => ['at' => [1800, -900, 1145]]])->assertOk();
    expect(item($job, 'runs', 'new')['to']['at'])->toEqual([1800, -900, 1145]);
});

it('makes the opposite hand of a run without keeping it', function (): void {
    $job = demo();
    $mirrored = test()
        ->postJson($job.'/runs/fuel-feed/twin', ['across' => ['at' => [0, 0, 0], 'normal' => '+y']])
        ->assertOk();
    Schema::check(json_decode($mirrored->content()), 'api.json#/$defs/twinned');
    expect($mirrored->json('from.at'))->toEqual([380, 130, 270])->and($mirrored->json('from.axis'))->toEqual([0, -1, 0])
        ->and(test()->getJson($job)->json('revision'))->toBe(1);
    test()
        ->postJson($job.'/runs/fuel-feed/twin', ['across' => ['at' => [0, 0, 0], 'normal' => 'up']])
        ->assertUnprocessable()
        ->assertJson(['pointer' => '/across/normal']);
});

it('finds limits in steps that there are, and says which', function (mixed $hold): void {
    $job = demo();
    $begun = ProcessorTime::now();
    $this->postJson($job.'/preview/run', [
        'run' => 'feed',
        'change' => ['do' => 'move-corner', 'vertex' => 2, 'by' => [0, 0, 900]],
        'hold' => $hold,
    ])
        ->assertStatus(422)->assertJson(['pointer' => '/hold']);
    expect(ProcessorTime::now() - $begun)->toBeLessThan(5000.0);
})->with([0, -1, 1e-14, 1e9, 'fine', [[]]]);
