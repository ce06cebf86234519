<?php

declare(strict_types=1);

use Illuminate\Testing\TestResponse;

/** The job as its file says, without the order of keys. */
function fileOf(string $job): array
{
    return json_decode(test()->get($job.'/file')->content(), true);
}

function stepTo(string $job, int $step): TestResponse
{
    return test()->postJson($job.'/step', ['step' => $step])->assertOk();
}

it('undoes and redoes every edit, to the file as it was', function (): void {
    $job = demo();
    $files = [fileOf($job)];
    $pump = item($job, 'fittings', 'pump');
    $moved = $pump;
    $moved['pose']['at'][0] += 30;
    foreach ([
        fn () => edit($job, 'fittings', 'pump', $moved),
        fn () => test()->postJson($job.'/runs/feed/laying', ['do' => 'insert-corner', 'vertex' => 2]),
        fn () => test()->postJson($job.'/edits', ['edits' => [], 'header' => ['name' => 'Renamed']]),
        // Deleting a fitting loosens its runs; undoing brings both back.
        fn () => edit($job, 'fittings', 'pump', null),
        fn () => edit($job, 'runs', 'feed', null),
    ] as $doing) {
        $doing()->assertOk();
        $files[] = fileOf($job);
    }

    foreach ([4, 3, 2, 1, 0, 3, 5, 1, 4, 0] as $step) {
        expect(stepTo($job, $step)->json('step'))->toBe($step)->and(fileOf($job))->toBe($files[$step]);
    }
    expect(test()->getJson($job)->json('steps.*.name'))->toBe([
        'Move Sea-water pump',
        'Put a corner into Sea-water feed',
        'Rename the job',
        'Delete Sea-water pump',
        'Delete Sea-water feed',
    ]);
});

it('forgets what was undone once something else is done, and goes no farther than it knows', function (): void {
    $job = demo();
    foreach (['One', 'Two', 'Three'] as $name) {
        test()->postJson($job.'/edits', ['edits' => [], 'header' => ['name' => $name], 'name' => $name])->assertOk();
    }
    stepTo($job, 1);
    test()->postJson($job.'/edits', ['edits' => [], 'header' => ['name' => 'Four'], 'name' => 'Four'])->assertOk();
    expect(test()->getJson($job)->json('steps.*.name'))->toBe(['One', 'Four'])
        ->and(stepTo($job, 99)->json('step'))->toBe(2)
        ->and(stepTo($job, 0)->json('job.name'))->toBe('Ternwake, engine space');
});

it('does an action that is sent twice only once, and records nothing when nothing changes', function (): void {
    $job = demo();
    $lay = ['do' => 'insert-corner', 'vertex' => 2, 'token' => 'once'];
    $first = test()->postJson($job.'/runs/feed/laying', $lay)->assertOk();
    $again = test()->postJson($job.'/runs/feed/laying', $lay)->assertOk();
    expect($again->json('revision'))->toBe($first->json('revision'))
        ->and(count($again->json('job.runs.1.route.stops')))->toBe(count($first->json('job.runs.1.route.stops')));
    edit($job, 'fittings', 'pump', item($job, 'fittings', 'pump'))->assertOk();
    expect(test()->getJson($job)->json('steps'))->toHaveCount(1);
});

it('brings together what two windows change, and asks where both change the same', function (): void {
    $job = demo();
    $was = item($job, 'stock', 'dn20');
    $send = fn (array $item) => test()->postJson($job.'/edits', [
        'edits' => [['list' => 'stock', 'id' => 'dn20', 'item' => $item, 'was' => $was]],
    ]);

    $send([...$was, 'name' => 'Theirs', 'density' => 7900])->assertOk();
    // Another field: both hold.
    $mine = $was;
    $mine['bend']['radius'] = 84;
    $send($mine)->assertOk();
    expect(item($job, 'stock', 'dn20'))->toMatchArray(['name' => 'Theirs', 'density' => 7900])
        ->and(item($job, 'stock', 'dn20')['bend']['radius'])->toBe(84);

    // The same field: nothing is kept, both values are told, and choosing ours is one more edit.
    $clash = $send([...$was, 'name' => 'Ours', 'density' => 7900])->assertConflict();
    expect($clash->json('clash.places'))->toBe([['pointer' => '/name', 'yours' => 'Ours', 'theirs' => 'Theirs']])
        ->and(item($job, 'stock', 'dn20')['name'])->toBe('Theirs');
    test()
        ->postJson($job.'/edits', [
            'edits' => [
                [
                    'list' => 'stock',
                    'id' => 'dn20',
                    'item' => $clash->json('clash.with_yours'),
                    'was' => $clash->json('clash.now'),
                ],
            ],
        ])
        ->assertOk();
    expect(item($job, 'stock', 'dn20')['name'])
        ->toBe('Ours')
        ->and(item($job, 'stock', 'dn20')['bend']['radius'])
        ->toBe(84);
});

it(
    'tells when the other window has deleted what is changed, and merges a corner moved with a name changed',
    function (): void {
        $job = demo();
        $was = item($job, 'runs', 'feed');
        edit($job, 'runs', 'feed', [...$was, 'name' => 'Renamed'])->assertOk();
        test()
            ->postJson($job.'/runs/feed/laying', [
                'do' => 'set-corner',
                'vertex' => 1,
                'corner' => ['radius' => 120],
                'was' => $was,
            ])
            ->assertOk();
        expect(item($job, 'runs', 'feed')['name'])->toBe('Renamed');

        $seen = item($job, 'runs', 'feed');
        edit($job, 'runs', 'feed', null)->assertOk();
        $clash = test()->postJson($job.'/edits', [
            'edits' => [['list' => 'runs', 'id' => 'feed', 'item' => [...$seen, 'name' => 'Late'], 'was' => $seen]],
        ]);
        expect($clash->assertConflict()->json('clash.places.0.theirs'))->toBeNull();
    },
);

it('does not let a window clash with its own last edit, nor hide another window’s', function (): void {
    $job = demo();
    $was = item($job, 'fittings', 'pump');
    $turned = static fn (int $by): array => [
        ...$was,
        'pose' => [...$was['pose'], 'turn' => ['about' => [0, 0, 1], 'by' => $by]],
    ];
    $send = fn (int $by, ?int $after) => test()->postJson($job.'/edits', [
        'edits' => [['list' => 'fittings', 'id' => 'pump', 'item' => $turned($by), 'was' => $was]],
        ...$after === null ? [] : ['after' => $after],
    ]);
    $revision = $send(10, null)->assertOk()->json('revision');
    // Made from before its own first edit, which it knows of: it holds.
    $send(20, $revision)->assertOk();
    expect(item($job, 'fittings', 'pump')['pose']['turn']['by'])->toBe(20);
    // It does not know of that one: somebody else's, as far as it can tell.
    $send(30, $revision)->assertConflict();
    $send(30, null)->assertConflict();
    expect(item($job, 'fittings', 'pump')['pose']['turn']['by'])->toBe(20);
});

it('loses no named value that another window added, and asks where both changed one', function (): void {
    $job = demo();
    $send = fn (array $values) => test()->postJson($job.'/edits', [
        'edits' => [],
        'header' => ['values' => $values],
        'header_was' => ['values' => ['riser' => 530, 'over' => 'riser + 420']],
    ]);
    $send(['riser' => 530, 'over' => 'riser + 420', 'theirs' => 1])->assertOk();
    $send(['riser' => 540, 'over' => 'riser + 420'])->assertOk();
    expect(test()->getJson($job)->json('job.values'))->toEqual([
        'riser' => 540,
        'over' => 'riser + 420',
        'theirs' => 1,
    ]);
    $clash = $send(['riser' => 550, 'over' => 'riser + 420'])->assertConflict();
    expect($clash->json('clash.places'))->toBe([['pointer' => '/values/riser', 'yours' => 550, 'theirs' => 540]])
        ->and($clash->json('clash.with_yours.values.theirs'))->toBe(1);
});
