<?php

declare(strict_types=1);

use Illuminate\Testing\TestResponse;

/**
 * A tube from a pump that looks up at (0, 0, 50), over (0, 0, 200) and (300, 0, 200), to the open at (300, 200, 200);
 * and a filter.
 */
function riser(array $more = []): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 1,
                'name' => 'Riser',
                'stock' => [
                    [
                        'id' => 't',
                        'kind' => 'tube',
                        'name' => 'Tube 12',
                        'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
                        'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20],
                        'density' => 7980,
                    ],
                ],
                'fittings' => [
                    ['id' => 'pump', 'ports' => [['id' => 'out', 'at' => [0, 0, 50], 'axis' => '+z']]],
                    [
                        'id' => 'filter',
                        'name' => 'Filter',
                        'pose' => ['at' => [300, 400, 200]],
                        'ports' => [
                            ['id' => 'in', 'at' => [0, 0, 0], 'axis' => '-y'],
                            ['id' => 'out', 'at' => [0, 80, 0], 'axis' => '+y'],
                        ],
                    ],
                ],
                'clamps' => [['id' => 'c', 'at' => [150, 0, 200], 'axis' => '+x', 'bore' => 12, 'width' => 12]],
                'runs' => [
                    [
                        'id' => 'r',
                        'name' => 'Riser',
                        'stock' => 't',
                        'from' => ['port' => 'pump.out'],
                        'to' => ['at' => [300, 200, 200]],
                        'route' => [
                            'kind' => 'corners',
                            'stops' => [['at' => [0, 0, 200]], ['at' => [300, 0, 200]], ...$more],
                        ],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

function laying(string $job, array $change): TestResponse
{
    return test()->postJson($job.'/runs/r/laying', $change);
}

/** @return list<array<float>> where the run goes now, as a window that looks anew sees it */
function way(string $job): array
{
    $vertices = array_map(
        static fn (array $at): array => array_map(static fn (float|int $one): float => round($one, 6) + 0.0, $at),
        test()->getJson($job)->json('solutions.0.vertices'),
    );

    // An open end that lies on the last corner is one with it.
    return array_values(
        array_filter(
            $vertices,
            static fn (array $at, int $i): bool => $i === 0 || $at !== $vertices[$i - 1],
            ARRAY_FILTER_USE_BOTH,
        ),
    );
}

$start = [[0.0, 0.0, 50.0], [0.0, 0.0, 200.0], [300.0, 0.0, 200.0], [300.0, 200.0, 200.0]];

it('takes edits of a run one after another, each a step that can be undone', function () use ($start): void {
    $job = riser();
    $steps = [
        [
            ['do' => 'move-corner', 'vertex' => 2, 'by' => [50, 0, 0]],
            [...array_slice($start, 0, 2), [350.0, 0.0, 200.0], [300.0, 200.0, 200.0]],
        ],
        [['do' => 'remove-corner', 'vertex' => 2], [[0.0, 0.0, 50.0], [0.0, 0.0, 200.0], [300.0, 200.0, 200.0]]],
        [
            ['do' => 'put-corners', 'vertex' => 1, 'stops' => [['at' => [0, 0, 120]], ['at' => [0, 60, 120]]]],
            [[0.0, 0.0, 50.0], [0.0, 0.0, 120.0], [0.0, 60.0, 120.0], [0.0, 0.0, 200.0], [300.0, 200.0, 200.0]],
        ],
        [
            ['do' => 'put-corners', 'vertex' => null, 'stops' => [['at' => [0, 0, 150]]]],
            [[0.0, 0.0, 50.0], [0.0, 0.0, 150.0], [300.0, 200.0, 200.0]],
        ],
    ];
    foreach ($steps as [$change, $after]) {
        laying($job, $change)->assertOk();
        expect(way($job))->toBe($after);
    }
    foreach (array_reverse([$start, ...array_column($steps, 1)]) as $index => $was) {
        expect(way($job))->toBe($was);
        test()->postJson($job.'/step', ['step' => max(0, count($steps) - $index - 1)])->assertOk();
    }
});

it('lays a leg after another from an open end into a port, and takes the last back', function () use ($start): void {
    // While it is laid its open end lies on its last corner.
    $job = riser([['at' => [300, 200, 200]]]);
    laying($job, ['do' => 'add-leg', 'along' => '+z', 'length' => 90])->assertOk();
    expect(way($job))->toBe([...$start, [300.0, 200.0, 290.0]]);
    // A bend of 30 and 20 straight after it leave 40 of 90.
    expect(test()->getJson($job)->json('solutions.0.findings'))->toBe([]);
    laying($job, ['do' => 'take-back'])->assertOk();
    expect(way($job))->toBe($start);

    laying($job, ['do' => 'finish', 'port' => 'filter.in', 'stops' => []])->assertOk();
    expect(way($job))
        ->toBe([[0.0, 0.0, 50.0], [0.0, 0.0, 200.0], [300.0, 0.0, 200.0], [300.0, 200.0, 200.0], [300.0, 400.0, 200.0]])
        ->and(item($job, 'runs', 'r')['to'])->toMatchArray(['port' => 'filter.in']);
    laying($job, ['do' => 'finish', 'port' => 'filter.out', 'stops' => []])
        ->assertUnprocessable()
        ->assertSee('ends at a port already');
    laying($job, ['do' => 'take-back'])->assertUnprocessable();
});

it('turns a run round: what was its end is its start', function () use ($start): void {
    $job = riser();
    $before = test()->getJson($job)->json('solutions.0');
    laying($job, ['do' => 'reverse'])->assertOk();
    $after = test()->getJson($job)->json('solutions.0');
    expect(way($job))->toBe(array_reverse($start))->and($after['length'])->toEqualWithDelta($before['length'], 1e-9)
        // The same bends the other way round; how far the plane turns between them is the same from either end.
        ->and(array_column($after['bends'], 'angle'))
        ->toEqualWithDelta(array_reverse(array_column($before['bends'], 'angle')), 1e-9)
        ->and($after['bends'][1]['rotation'])->toEqualWithDelta($before['bends'][1]['rotation'], 1e-9)
        ->and($after['tail'])->toEqualWithDelta($before['bends'][0]['straight'], 1e-9);
});

it('ties a corner and lets it go again, by its number or all at once', function (): void {
    $job = riser();
    $level = ['level' => '+z', 'with' => 'filter.in'];
    laying($job, ['do' => 'tie', 'vertex' => 2, 'tie' => $level])->assertOk();
    edit($job, 'fittings', 'filter', [
        ...item($job, 'fittings', 'filter'),
        'pose' => ['at' => [300, 400, 260]],
    ])->assertOk();
    expect(way($job)[2])->toBe([300.0, 0.0, 260.0]);
    laying($job, ['do' => 'untie', 'vertex' => 2, 'tie' => 7])
        ->assertUnprocessable()
        ->assertSee('none with the number 7');
    laying($job, ['do' => 'untie', 'vertex' => 2, 'tie' => 0])->assertOk();
    laying($job, ['do' => 'untie', 'vertex' => 2])->assertUnprocessable()->assertSee('tied to nothing');
    // Let go, it stays where it is.
    expect(item($job, 'runs', 'r')['route']['stops'][1])
        ->not->toHaveKey('ties')
        ->and(way($job)[2])
        ->toBe([300.0, 0.0, 260.0]);
});

it('refuses what makes no sense, says what, and changes nothing', function (array $change, string $words): void {
    $job = riser();
    laying($job, ['do' => 'through-clamp', 'vertex' => 2, 'clamp' => 'c'])->assertOk();
    $before = [test()->getJson($job)->json('revision'), item($job, 'runs', 'r')];
    laying($job, $change)->assertUnprocessable()->assertSee($words);
    expect([test()->getJson($job)->json('revision'), item($job, 'runs', 'r')])->toBe($before);
})->with([
    'a port that is not there' => [['do' => 'finish', 'port' => 'filter.side', 'stops' => []], 'there is no port'],
    'a corner that is not there' => [['do' => 'remove-corner', 'vertex' => 40], 'corner'],
    'a length of nothing' => [['do' => 'set-leg', 'vertex' => 1, 'length' => 0], 'the length of a leg'],
    'a way that is none' => [['do' => 'set-leg', 'vertex' => 1, 'along' => [0, 0, 0]], 'direction'],
    'keeping a rigid run as it lies' => [
        ['do' => 'keep-shape', 'keep' => true],
        'Only a run that lies over what it meets',
    ],
    'points of a rigid run' => [['do' => 'as-points'], 'A rigid run has corners'],
    'a tie of a port' => [
        ['do' => 'tie', 'vertex' => 0, 'tie' => ['level' => '+z', 'with' => 'filter.in']],
        'Only a corner of its own',
    ],
]);

it('lists the parts there are with the numbers each is made by', function (): void {
    $parts = test()->getJson('/api/parts')->assertOk()->json();
    expect(array_column($parts, 'kind'))->toContain(
        'pump',
        'filter',
        'valve',
        'tee',
        'elbow',
        'manifold',
        'bulkhead-union',
    );
    foreach ($parts as $part) {
        // Each makes a fitting as it comes, with a port at least, and says in words what its numbers are.
        $job = opened(
            json_encode(
                [
                    'format' => 'bowline-job',
                    'version' => 2,
                    'fittings' => [['id' => 'f', 'part' => ['kind' => $part['kind']]]],
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
        expect(test()->getJson($job)->json('places.0.ports'))
            ->not->toBe([])
            ->and(array_filter($part['parameters'], static fn (array $one): bool => trim($one['label']) === ''))
            ->toBe([]);
    }
});
