<?php

declare(strict_types=1);

use App\Models\Settling;
use App\Settling\SettleRun;
use App\Settling\SettlingWatch;
use Bowline\Exchange\Mesh\StlReader;
use Bowline\Routing\Flexible\SettlingStopped;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Cases;

/** A shore cable over a locker and the quay. */
function draping(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 1,
                'name' => 'Quay',
                'stock' => [cableStock(20)],
                'surroundings' => [
                    ['id' => 'quay', 'shape' => 'box', 'size' => [4000, 4000, 20], 'pose' => ['at' => [0, 0, -10]]],
                    ['id' => 'locker', 'shape' => 'box', 'size' => [300, 600, 200], 'pose' => ['at' => [0, 0, 100]]],
                ],
                'runs' => [
                    [
                        'id' => 'shore',
                        'stock' => 'c',
                        'from' => ['at' => [-500, 0, 300]],
                        'to' => ['at' => [500, 0, 300]],
                        'route' => ['kind' => 'drape', 'slack' => 0.3],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

/** Height of the cable over the middle of the locker. */
function middle(array $solution): float
{
    return collect($solution['path'][0]['points'])->sortBy(fn (array $point) => abs($point[0]))->first()[2];
}

it('lets a draped run follow what it lies on, until it is kept', function (): void {
    $job = draping();
    // On top of the locker, by half its own thickness.
    expect(middle(test()->getJson($job)->json('solutions.0')))->toEqualWithDelta(210.0, 0.5);

    $locker = item($job, 'surroundings', 'locker');
    $lower = [...$locker, 'pose' => ['at' => [0, 0, 60]]];
    $answer = edit($job, 'surroundings', 'locker', $lower)->assertOk();
    expect(middle($answer->json('solutions.0')))->toEqualWithDelta(170.0, 0.5);

    $run = item($job, 'runs', 'shore');
    $shape = $answer->json('solutions.0.path.0.points');
    test()->postJson($job.'/runs/shore/laying', ['do' => 'keep-shape', 'keep' => true])->assertOk();
    edit($job, 'surroundings', 'locker', $locker)->assertOk();
    $state = test()->getJson($job);
    expect($state->json('solutions.0.path.0.points'))
        ->toEqualWithDelta($shape, 1e-4)
        ->and(
            test()
                ->get($job.'/file')
                ->json('version'),
        )
        ->toBe(2);

    edit($job, 'runs', 'shore', [...$run, 'route' => [...$run['route'], 'kept' => [[0, 0, 0]]]])
        ->assertStatus(422)->assertJsonPath('pointer', '/route/kept');
});

it(
    'shows hoses and cables, one of them kept as it lies and one too short for the swing of the steering arm',
    function (): void {
        [$exit, $out] = Cases::bowline('solve', database_path('demo/hoses.json'));
        $runs = array_column(json_decode($out, true)['runs'], null, 'id');
        $lengths = array_column($runs, 'length', 'id');
        expect($exit)
            ->toBe(1)
            ->and(array_keys(array_filter($runs, static fn (array $run): bool => $run['findings'] !== [])))
            ->toBe(['steering-starboard'])
            ->and(array_column($runs['steering-starboard']['findings'], 'rule'))
            ->toBe(['moving-radius'])
            ->and($runs['steering-starboard']['findings'][0]['remedies'])
            ->toBe(['Use a hose of 1120 mm'])
            ->and($lengths['shore'])
            ->toEqualWithDelta(1720.0, 1.72)
            ->and($lengths['battery-plus'])
            ->toEqualWithDelta(900.0, 0.9);
    },
);

/** A cable of 3.4 m over a row of chests: more links than anybody waits for. */
function longCable(): string
{
    return opened(
        json_encode(
            [
                'format' => 'bowline-job',
                'version' => 2,
                'name' => 'Quay',
                'stock' => [cableStock(12)],
                'surroundings' => [
                    [
                        'id' => 'floor',
                        'name' => 'Floor',
                        'shape' => 'box',
                        'size' => [6000, 3000, 20],
                        'pose' => ['at' => [0, 0, -10]],
                    ],
                    ...array_map(
                        static fn (int $i): array => [
                            'id' => 'chest'.$i,
                            'shape' => 'box',
                            'size' => [300, 600, 200],
                            'pose' => ['at' => [700 * $i - 700, 0, 100]],
                        ],
                        range(0, 2),
                    ),
                ],
                'runs' => [
                    [
                        'id' => 'r',
                        'name' => 'Shore cable',
                        'stock' => 'c',
                        'from' => ['at' => [-1200, 0, 300]],
                        'to' => ['at' => [1200, 0, 300]],
                        'route' => ['kind' => 'drape', 'length' => 3400],
                    ],
                ],
            ],
            JSON_THROW_ON_ERROR,
        ),
    );
}

it('lets what takes long settle on the queue, seen meanwhile as it would hang', function (): void {
    Queue::fake();
    $job = longCable();
    $first = test()->getJson($job)->json('solutions.0');
    expect($first['settling'])->toBeTrue()->and($first['length'])->toEqualWithDelta(3400, 1e-6);
    // Asked again, it is not put on the queue again.
    test()->getJson($job);
    Queue::assertPushed(SettleRun::class, 1);
    test()->getJson($job.'/runs/r/settling')->assertJson(['state' => 'waiting', 'part' => 0]);

    app()->call(Queue::pushed(SettleRun::class)[0]->handle(...));
    $settled = test()->getJson($job)->json('solutions.0');
    expect($settled['settling'] ?? false)
        ->toBeFalse()
        ->and($settled['length'])
        ->toEqualWithDelta(3400, 3.4)
        ->and($settled['findings'])
        ->toBe([])
        // Nowhere under the floor, as it hung.
        ->and(min(array_column($settled['path'][0]['points'], 2)))->toBeGreaterThan(5.8);
    test()->getJson($job.'/runs/r/settling')->assertJson(['state' => 'settled']);

    // It is taken away and kept as it has come to lie, without being laid again.
    $body = StlReader::binary(test()->get($job.'/runs/r/body.stl')->assertOk()->content());
    // A cable of 12 on a floor at 0: its underside is there.
    expect($body->least->z)
        ->toEqualWithDelta(0.0, 0.7)
        ->and(
            test()
                ->get($job.'/runs/r/centreline.dxf')
                ->assertOk()
                ->content(),
        )
        ->toContain('SPLINE');
    $kept = test()
        ->postJson($job.'/runs/r/laying', ['do' => 'keep-shape', 'keep' => true])
        ->assertOk()
        ->json('solutions.0');
    $near = static fn (array $point): float => min(
        array_map(
            static fn (array $other): float => hypot(
                $point[0] - $other[0],
                hypot($point[1] - $other[1], $point[2] - $other[2]),
            ),
            $settled['path'][0]['points'],
        ),
    );
    expect($kept['length'])
        ->toEqualWithDelta($settled['length'], 1.0)
        ->and(max(array_map($near, array_filter(
            $kept['path'][0]['points'], static fn (int $i): bool => $i % 10 === 0, ARRAY_FILTER_USE_KEY,
        ))))
        ->toBeLessThan(15.0);
});

it('stops when it is told to or when the run has changed, and settles again', function (): void {
    Queue::fake();
    $job = longCable();
    test()->getJson($job);
    $settle = static fn (bool $again) => test()->postJson($job.'/runs/r/settling', ['settle' => $again])->assertOk();
    $settle(false)->assertJson(['state' => 'stopped']);
    app()->call(Queue::pushed(SettleRun::class)[0]->handle(...));
    expect(test()->getJson($job)->json('solutions.0.settling'))->toBeTrue();
    $settle(true)->assertJson(['state' => 'waiting']);
    Queue::assertPushed(SettleRun::class, 2);

    // While one settles somebody makes it longer: what comes of the old one is not taken.
    test()->postJson($job.'/runs/r/laying', ['do' => 'set-route', 'route' => ['length' => 3500]])->assertOk();
    Queue::assertPushed(SettleRun::class, 3);
    $watch = new SettlingWatch((new Settling)->forceFill(['id' => 1, 'from' => 'of before']));
    expect(static fn () => $watch->settles(0.5, static fn (): array => []))->toThrow(SettlingStopped::class);
});

it('is laid again only for what it can come near', function (): void {
    $job = draping();
    $box = static fn (string $id, int $x): array => [
        'id' => $id,
        'name' => $id,
        'pose' => ['at' => [$x, 0, 150]],
        'body' => ['shape' => 'box', 'size' => [100, 100, 100]],
        'ports' => [],
    ];
    edit($job, 'fittings', 'far', $box('far', 1900))->assertOk();
    edit($job, 'fittings', 'near', $box('near', 1200))->assertOk();
    $mark = '{"marked":true,"length":1,"cut_length":1}';
    DB::table('runs')->update(['solution' => $mark]);
    $moved = static fn (string $id, int $x) => edit($job, 'fittings', $id, $box($id, $x))
        ->assertOk()
        ->json('solutions.0');
    // 1300 long between ends at ±500: nothing of it is ever farther out than 650.
    expect($moved('far', 1700))
        ->toBe(json_decode($mark, true))
        ->and($moved('near', 1000))
        ->toBe(json_decode($mark, true));
    $preview = static fn (string $id, int $by): int => count(test()->postJson($job.'/preview/place', [
        'list' => 'fittings', 'id' => $id, 'change' => ['do' => 'move', 'by' => [$by, 0, 0]], 'hold' => null,
    ])->assertOk()->json('solutions'));
    expect($preview('far', 20))->toBe(0)->and($preview('near', -500))->toBe(1)
        ->and($moved('near', 350)['length'])->toEqualWithDelta(1300, 1.3);
});

it('does not go on saying that it settles what cannot be settled', function (): void {
    Queue::fake();
    $job = longCable();
    test()->getJson($job);
    Queue::pushed(SettleRun::class)[0]->failed();
    test()->getJson($job.'/runs/r/settling')->assertJson(['state' => 'failed']);
    test()
        ->postJson($job.'/runs/r/settling', ['settle' => 'perhaps'])
        ->assertStatus(422)
        ->assertJsonFragment(['pointer' => '/settle']);
});
