<?php

declare(strict_types=1);

/** A straight tube along x with a heating wire wound round it. */
function heatedLine(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 1,
                'name' => 'Heated line',
                'stock' => [
                    [
                        'id' => 't',
                        'kind' => 'tube',
                        'section' => ['shape' => 'round', 'od' => 36, 'wall' => 2],
                        'bend' => ['radius' => 90, 'min_radius' => 70, 'min_straight' => 0],
                        'density' => 7850,
                    ],
                    [
                        'id' => 'w',
                        'kind' => 'wire',
                        'section' => ['shape' => 'round', 'od' => 4, 'wall' => 2],
                        'bend' => ['radius' => 8, 'min_radius' => 8, 'min_straight' => 0],
                        'density' => 3000,
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'wire',
                        'stock' => 'w',
                        'route' => [
                            'kind' => 'wrap',
                            'host' => 'tube',
                            'from_length' => 100,
                            'to_length' => 400,
                            'pitch' => 30,
                        ],
                    ],
                    [
                        'id' => 'tube',
                        'stock' => 't',
                        'from' => ['at' => [0, 0, 0]],
                        'to' => ['at' => [500, 0, 0]],
                        'route' => ['kind' => 'corners', 'stops' => []],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

/** Of a helix: √((2πr)² + p²) a turn. */
function helix(float $radius, float $pitch, float $along): float
{
    return hypot(2 * M_PI * $radius, $pitch) * $along / $pitch;
}

it('winds a run anew when its own numbers or its host change, alone as in the whole job', function (): void {
    $job = heatedLine();
    $state = test()->getJson($job)->json();
    expect($state['solutions'][0]['length'])->toEqualWithDelta(helix(20, 30, 300), 0.01);

    test()->postJson($job.'/runs/wire/laying', ['do' => 'set-route', 'route' => ['pitch' => 60]])->assertOk();
    $host = item($job, 'runs', 'tube');
    $turned = [...$host, 'to' => ['at' => [0, 500, 0]]];
    $revision = test()->getJson($job)->json('revision');
    $answer = test()
        ->postJson($job.'/edits', [
            'edits' => [['list' => 'runs', 'id' => 'tube', 'item' => $turned, 'was' => $host]],
            'since' => $revision,
        ])
        ->assertOk();
    $wire = collect($answer->json('solutions'))->firstWhere('id', 'wire');
    // Round +y now: from 100 to 400 along it, 20 off its axis.
    expect($wire['length'])->toEqualWithDelta(helix(20, 60, 300), 0.01)
        ->and($wire['path'][0]['from'][1])
        ->toEqualWithDelta(100.0, 1e-6)
        ->and(hypot($wire['path'][0]['from'][0], $wire['path'][0]['from'][2]))
        ->toEqualWithDelta(20.0, 1e-6)
        ->and(collect(test()->getJson($job)->json('solutions'))->firstWhere('id', 'wire'))->toEqual($wire);

    edit($job, 'runs', 'tube', null)
        ->assertStatus(422)
        ->assertJsonFragment([
            'message' => 'wire is wound round it. Wind it round another run first, or take it away.',
        ]);
});

/** A hose from an arm that swings to a block, and a wall that is 40 off where it is nearest. */
function steering(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Steering',
                'stock' => [
                    [
                        'id' => 'h',
                        'kind' => 'hose',
                        'section' => ['shape' => 'round', 'od' => 20, 'wall' => 5],
                        'bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0],
                        'density' => 1500,
                    ],
                ],
                'fittings' => [
                    [
                        'id' => 'arm',
                        'name' => 'Arm',
                        'ports' => [['id' => 'a', 'at' => [200, 0, 0], 'axis' => [0, 1, 0]]],
                        'moves' => ['swing' => ['at' => [0, 0, 0], 'axis' => '+z', 'from' => -20, 'to' => 20]],
                    ],
                    [
                        'id' => 'block',
                        'name' => 'Block',
                        'ports' => [
                            ['id' => 'p', 'at' => [0, 500, 0], 'axis' => [1, 0, 0]],
                            ['id' => 'q', 'at' => [0, 500, 60], 'axis' => [1, 0, 0]],
                        ],
                    ],
                    [
                        'id' => 'tank',
                        'name' => 'Tank',
                        'ports' => [
                            ['id' => 'p', 'at' => [900, 500, 0], 'axis' => [-1, 0, 0]],
                            ['id' => 'q', 'at' => [900, 500, 60], 'axis' => [-1, 0, 0]],
                        ],
                    ],
                ],
                'surroundings' => [
                    [
                        'id' => 'wall',
                        'name' => 'Wall',
                        'shape' => 'box',
                        'size' => [20, 2000, 400],
                        'pose' => ['at' => [400, 0, 0]],
                    ],
                ],
                'runs' => [
                    [
                        'id' => 'hose',
                        'name' => 'Hose',
                        'stock' => 'h',
                        'from' => ['port' => 'arm.a'],
                        'to' => ['port' => 'block.p'],
                        'route' => ['kind' => 'spring', 'length' => 700],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

it('keeps a hose that moves clear of what stands around, and looks again when that is moved', function (): void {
    $job = steering();
    $movement = static fn (): array => test()->getJson($job)->json('solutions.0.movement');
    $before = $movement();
    $distance = $before['positions'][$before['nearest']]['nearest']['distance'];
    $wall = item($job, 'surroundings', 'wall');
    $revision = test()->getJson($job)->json('revision');
    $answer = test()
        ->postJson($job.'/edits', [
            'edits' => [
                [
                    'list' => 'surroundings',
                    'id' => 'wall',
                    'item' => [...$wall, 'pose' => ['at' => [400 - $distance - 5, 0, 0]]],
                    'was' => $wall,
                ],
            ],
            'since' => $revision,
        ])
        ->assertOk();
    // Nearer by all there was and 5 more, it is touched, where it was nearest.
    $touched = collect($answer->json('solutions.0.findings'))->firstWhere('rule', 'moving-touch');
    expect($touched['measured'])
        ->toEqualWithDelta(-5.0, 0.5)
        ->and($touched['title'])
        ->toContain('Wall')
        ->and($movement())
        ->toEqual($answer->json('solutions.0.movement'));
});

it('lays several at once, combs them, and takes no part of it that is wrong', function (): void {
    $job = steering();
    $ask = [
        'stock' => 'h',
        'behaves' => 'hang',
        'slack' => 0.1,
        'pairs' => [['from' => 'block.p', 'to' => 'tank.p'], ['from' => 'block.q', 'to' => 'tank.q']],
    ];
    $made = test()->postJson($job.'/several', $ask)->assertOk()->json();
    $combed = test()
        ->postJson($job.'/comb', [
            'along' => $made[0]['id'],
            'runs' => [$made[1]['id']],
            'apart' => 2,
            'drafts' => $made,
        ])
        ->assertOk()
        ->json();
    $edits = array_map(static fn (array $run): array => ['list' => 'runs', 'id' => $run['id'], 'item' => $run], [
        $made[0],
        $combed[0],
    ]);
    $solutions = collect(
        test()
            ->postJson($job.'/edits', ['edits' => $edits])
            ->assertOk()
            ->json('solutions'),
    )->keyBy('id');
    expect($solutions)->toHaveCount(3)->and($solutions[$made[0]['id']]['length'])->toEqualWithDelta(990.0, 1e-6)
        ->and(item($job, 'runs', $made[1]['id'])['route']['kind'])->toBe('wrap')
        ->and(test()->getJson($job)->json('revision'))->toBe(2);

    data_set($ask, 'pairs.1.to', 'tank.none');
    test()->postJson($job.'/several', $ask)->assertStatus(422)->assertJsonFragment(['pointer' => '/pairs/1/to']);
    test()->postJson($job.'/comb', ['along' => 'none', 'runs' => ['hose'], 'apart' => 1])->assertStatus(422);
});

it('turns a run into points, eases it, and undoes either', function (): void {
    $job = steering();
    test()->postJson($job.'/runs/hose/laying', ['do' => 'as-points'])->assertOk();
    $flow = item($job, 'runs', 'hose');
    $before = test()->getJson($job)->json('solutions.0.min_radius');
    test()->postJson($job.'/runs/hose/laying', ['do' => 'ease', 'within' => 40])->assertOk();
    expect($flow['route']['kind'])
        ->toBe('flow')
        ->and(test()->getJson($job)->json('solutions.0.min_radius'))
        ->toBeGreaterThan($before);
    test()->postJson($job.'/step', ['step' => 1])->assertOk();
    expect(item($job, 'runs', 'hose'))->toEqual($flow);
    test()
        ->postJson($job.'/runs/hose/laying', ['do' => 'ease', 'within' => -3])
        ->assertStatus(422)
        ->assertJsonFragment(['pointer' => '/within']);
});
