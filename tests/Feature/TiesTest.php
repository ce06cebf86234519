<?php

declare(strict_types=1);

use Bowline\Job\Schema;

/** A job with a hatch on a hinge, a clamp on it, a fitting, and a run held off the hatch. */
function hatchJob(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Hatch',
                'values' => ['swing' => 0, 'gap' => 40],
                'stock' => [
                    [
                        'id' => 't',
                        'kind' => 'tube',
                        'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                        'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 10],
                        'density' => 7850,
                    ],
                ],
                'fittings' => [
                    ['id' => 'pump', 'part' => ['kind' => 'elbow', 'leg' => 40], 'pose' => ['at' => [0, 0, 0]]],
                    ['id' => 'tee', 'part' => ['kind' => 'tee'], 'pose' => ['at' => [600, 0, 300]]],
                ],
                'clamps' => [
                    [
                        'id' => 'c',
                        'on' => 'hatch',
                        'at' => [0, 100, 0],
                        'axis' => '+x',
                        'stand_off' => 25,
                        'bore' => 12,
                        'width' => 10,
                    ],
                ],
                'surroundings' => [
                    [
                        'id' => 'hatch',
                        'shape' => 'panel',
                        'width' => 600,
                        'height' => 400,
                        'pose' => ['at' => [300, 0, 100]],
                        'hinge' => ['at' => [-300, 0, 0], 'axis' => '-y', 'angle' => 'swing'],
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'r',
                        'stock' => 't',
                        'from' => ['port' => 'pump.b'],
                        'to' => ['at' => [500, 300, 'gap * 5']],
                        'route' => [
                            'kind' => 'corners',
                            'stops' => [
                                [
                                    'at' => [0, 0, 300],
                                    'ties' => [['away' => 'gap * 2', 'from' => ['face' => 'front', 'of' => 'hatch']]],
                                ],
                                ['at' => [500, 0, 180]],
                            ],
                        ],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

it('tells a window only what is new, and all of it to one that has seen less', function (): void {
    $job = hatchJob();
    $state = test()->getJson($job)->json();
    $pump = $state['job']['fittings'][0];
    $moved = [...$pump, 'pose' => ['at' => [0, 0, 10]]];
    $answer = test()
        ->postJson($job.'/edits', [
            'edits' => [['list' => 'fittings', 'id' => 'pump', 'item' => $moved, 'was' => $pump]],
            'since' => $state['revision'],
        ])
        ->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/jobChange');
    $now = test()->getJson($job)->json();
    expect($answer->json('solutions'))->toEqual($now['solutions'])->and($answer->json('items.0.item'))->toEqual($moved)
        ->and($answer->json('places.0'))
        ->toEqual($now['places'][0])
        ->and($answer->json('new_steps'))
        ->toEqual($now['steps']);
    $full = test()
        ->postJson($job.'/edits', [
            'edits' => [['list' => 'fittings', 'id' => 'pump', 'item' => $pump]],
            'since' => $state['revision'] - 1,
        ])
        ->assertOk();
    expect($full->json('job.name'))->toBe('Hatch');
});

it('swings a hatch by its value, with the clamp on it and the run that keeps off it', function (): void {
    $job = hatchJob();
    $before = test()->getJson($job)->json();
    expect($before['solutions'][0]['vertices'][1])->toEqualWithDelta([0, 0, 180], 1e-9);
    $after = test()
        ->postJson($job.'/edits', ['edits' => [], 'header' => ['values' => ['swing' => 90, 'gap' => 40]]])
        ->assertOk()
        ->json();
    // About −y through x = 0, z = 100: the front looks along −x by then, and the corner keeps 80 off it.
    expect($after['solutions'][0]['vertices'][1])->toEqualWithDelta([-80, 0, 300], 1e-7);
    $clamp = collect($after['places'])->firstWhere('list', 'clamps');
    expect($clamp['pose']['at'])
        ->toEqualWithDelta([-25, 100, 400], 1e-7)
        ->and($clamp['foot'])
        ->toEqualWithDelta([0, 100, 400], 1e-7);
});

it('keeps a tie over HTTP, refuses a loop, and renames a value everywhere', function (): void {
    $job = hatchJob();
    $tied = test()
        ->postJson($job.'/runs/r/laying', [
            'do' => 'tie',
            'vertex' => 2,
            'tie' => ['level' => '+z', 'with' => ['stop' => 0]],
        ])
        ->assertOk();
    expect($tied->json('solutions.0.vertices.2'))->toEqualWithDelta([500, 0, 180], 1e-9);
    test()
        ->postJson($job.'/runs/r/laying', [
            'do' => 'tie',
            'vertex' => 1,
            'tie' => ['level' => '+x', 'with' => ['stop' => 1]],
        ])
        ->assertUnprocessable()->assertSee('comes back to itself');
    $renamed = test()->postJson($job.'/values/rename', ['from' => 'gap', 'to' => 'clearance'])->assertOk()->json();
    expect($renamed['job']['values'])->toEqual(['swing' => 0, 'clearance' => 40])
        ->and($renamed['job']['runs'][0]['route']['stops'][0]['ties'][0]['away'])->toBe('clearance * 2')
        ->and($renamed['job']['runs'][0]['to']['at'][2])->toBe('clearance * 5');
    test()
        ->postJson($job.'/values/rename', ['from' => 'clearance', 'to' => 'swing'])
        ->assertUnprocessable()
        ->assertSee('already');
});

it('puts a port on a port, face to face', function (): void {
    $job = hatchJob();
    $item = test()
        ->postJson($job.'/fittings/tee/onto', ['port' => 'tee.branch', 'onto' => 'pump.a'])
        ->assertOk()
        ->json();
    $places = collect(edit($job, 'fittings', 'tee', $item)->assertOk()->json('places'))->keyBy('id');
    $port = fn (string $fitting, string $id): array => collect($places[$fitting]['ports'])->firstWhere('id', $id);
    expect($port('tee', 'branch')['at'])->toEqualWithDelta($port('pump', 'a')['at'], 1e-6)
        ->and($port('tee', 'branch')['axis'])
        ->toEqualWithDelta(array_map(fn ($part) => -$part, $port('pump', 'a')['axis']), 1e-6);
    test()->postJson($job.'/fittings/tee/onto', ['port' => 'tee.a', 'onto' => 'tee.b'])->assertUnprocessable();
});

it('joins straight pieces live without keeping anything', function (): void {
    $job = hatchJob();
    $joined = test()
        ->postJson($job.'/pieces', [
            'stock' => 't',
            'pieces' => [['from' => [0, 0, 0], 'to' => [100, 0, 0]], ['from' => [200, 60, 0], 'to' => ['200', 300, 0]]],
        ])
        ->assertOk();
    Schema::check(json_decode($joined->content()), 'api.json#/$defs/joined');
    expect($joined->json('solution.vertices'))
        ->toEqual([[0, 0, 0], [200, 0, 0], [200, 300, 0]])
        ->and($joined->json('joints.0.short'))
        ->toEqual(0);
    test()
        ->postJson($job.'/pieces', ['stock' => 't', 'pieces' => [['from' => [0, 0, 0], 'to' => [0, 0, 0]]]])
        ->assertUnprocessable()
        ->assertJson(['pointer' => '/pieces/0/to']);
});

it('remembers the stock and the radius chosen last', function (): void {
    $job = hatchJob();
    $run = test()->getJson($job)->json('job.runs.0');
    $state = edit($job, 'runs', 'r2', [
        ...$run,
        'id' => 'r2',
        'route' => [...$run['route'], 'corner' => ['radius' => 36]],
    ])->json();
    expect($state['remembered'])->toEqual(['stock' => 't', 'radius' => 36]);
});

it('tells after any edit what the whole job would tell', function (int $seed): void {
    mt_srand($seed);
    $job = hatchJob();
    $state = test()->getJson($job)->json();
    for ($round = 0; $round < 5; $round++) {
        [$list, $id] = [['fittings', 'pump'], ['surroundings', 'hatch'], ['clamps', 'c'], ['fittings', 'tee']][
            mt_rand(0, 3)
        ];
        $index = array_search($id, array_column($state['job'][$list], 'id'), true);
        $was = $state['job'][$list][$index];
        $at = [mt_rand(-30, 30), mt_rand(-30, 30), mt_rand(0, 60)];
        $item = $list === 'clamps' ? [...$was, 'at' => $at] : [...$was, 'pose' => [...$was['pose'] ?? [], 'at' => $at]];
        $change = test()
            ->postJson($job.'/edits', [
                'edits' => [['list' => $list, 'id' => $id, 'item' => $item, 'was' => $was]],
                'since' => $state['revision'],
            ])
            ->assertOk()
            ->json();
        // Put together as a window does it.
        foreach ($change['items'] as ['list' => $changed, 'item' => $one]) {
            $state['job'][$changed] = array_map(
                fn (array $other): array => $other['id'] === $one['id'] ? $one : $other,
                $state['job'][$changed],
            );
        }
        foreach (
            [
                'places' => fn (array $one): string => $one['list'].$one['id'],
                'solutions' => fn (array $one): string => $one['id'],
            ] as $key => $name
        ) {
            $new = array_combine(array_map($name, $change[$key]), $change[$key]);
            $state[$key] = array_map(fn (array $one): array => $new[$name($one)] ?? $one, $state[$key]);
        }
        $state['revision'] = $change['revision'];
        $whole = test()->getJson($job)->json();
        expect($state['job'])
            ->toEqual($whole['job'])
            ->and($state['places'])
            ->toEqual($whole['places'])
            ->and($state['solutions'])
            ->toEqual($whole['solutions'])
            ->and($change['step'])->toBe($whole['step']);
    }
})->with(range(1, 4));

it('undoes an edit of something that others are tied to', function (): void {
    $job = hatchJob();
    $before = test()->getJson($job)->json('solutions.0.vertices');
    edit($job, 'surroundings', 'hatch', null)->assertOk();
    $without = test()->getJson($job)->json();
    expect($without['solutions'][0]['vertices'])
        ->toEqualWithDelta($before, 1e-6)
        ->and(isset($without['job']['runs'][0]['route']['stops'][0]['ties']))
        ->toBeFalse()
        ->and(isset($without['job']['clamps'][0]['on']))->toBeFalse();
    $back = test()->postJson($job.'/step', ['step' => 0])->assertOk()->json();
    expect($back['job']['runs'][0]['route']['stops'][0]['ties'][0]['from'])
        ->toBe(['face' => 'front', 'of' => 'hatch'])
        ->and($back['job']['clamps'][0]['on'])
        ->toBe('hatch')
        ->and($back['solutions'][0]['vertices'])->toEqualWithDelta($before, 1e-9);
});

it('previews a hatch moved with all that hangs on it, and a run changed that is tied', function (): void {
    $job = hatchJob();
    $moved = test()
        ->postJson($job.'/preview/place', [
            'list' => 'surroundings',
            'id' => 'hatch',
            'change' => ['do' => 'move', 'by' => [0, 0, -30]],
            'hold' => null,
        ])
        ->assertOk();
    Bowline\Job\Schema::check(json_decode($moved->content()), 'api.json#/$defs/preview');
    expect($moved->json('solutions.0.vertices.1'))->toEqualWithDelta([0, 0, 150], 1e-9)
        ->and(array_column($moved->json('places'), 'id'))->toEqualCanonicalizing(['hatch', 'c']);
    test()
        ->postJson($job.'/preview/run', [
            'run' => 'r',
            'change' => ['do' => 'move-corner', 'vertex' => 1, 'by' => [0, 0, 5]],
            'hold' => null,
        ])
        ->assertUnprocessable()->assertSee('it cannot move this way');
    $allowed = test()
        ->postJson($job.'/preview/run', [
            'run' => 'r',
            'change' => ['do' => 'move-corner', 'vertex' => 1, 'by' => [12, 0, 0]],
            'hold' => null,
        ])
        ->assertOk();
    expect($allowed->json('solutions.0.vertices.1'))->toEqualWithDelta([12, 0, 180], 1e-9);
});

it('puts a run through a clamp, makes it symmetric and its own again, over HTTP', function (): void {
    $job = hatchJob();
    $through = test()
        ->postJson($job.'/runs/r/laying', ['do' => 'through-clamp', 'vertex' => 2, 'clamp' => 'c'])
        ->assertOk();
    expect($through->json('solutions.0.clamps.0.id'))->toBe('c');
    $whole = test()
        ->postJson($job.'/runs/r/laying', [
            'do' => 'make-symmetric',
            'across' => ['at' => [700, 0, 0], 'normal' => '+x'],
        ])
        ->assertOk();
    $vertices = $whole->json('solutions.0.vertices');
    foreach ($vertices as $i => $vertex) {
        $other = $vertices[count($vertices) - 1 - $i];
        expect([1400 - $vertex[0], $vertex[1], $vertex[2]])->toEqualWithDelta($other, 1e-6);
    }
    $own = test()->postJson($job.'/runs/r/laying', ['do' => 'make-own'])->assertOk();
    expect($own->json('solutions.0.vertices'))
        ->toEqualWithDelta($vertices, 1e-6)
        ->and($own->json('job.runs.0.route'))
        ->not->toHaveKey('symmetry');
    test()
        ->postJson($job.'/runs/r/laying', [
            'do' => 'make-symmetric',
            'across' => ['at' => [0, 0, 0], 'normal' => 'sideways'],
        ])
        ->assertUnprocessable()
        ->assertJson(['pointer' => '/across/normal']);
});
