<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Tests\Blocks;

/** The job of a block with openings at the middle of its −x and +z faces and one more, and channels, opened. */
function blockJob(array $channels = []): string
{
    return opened(json_encode(Blocks::file($channels, ports: [
        ['id' => 'in', 'name' => 'Inlet', 'at' => [-100, 0, 0], 'axis' => '-x', 'size' => 8],
        ['id' => 'out', 'name' => 'Outlet', 'at' => [0, 0, 30], 'axis' => '+z', 'size' => 8],
        ['id' => 'across', 'name' => 'Across', 'at' => [100, 0, 0], 'axis' => '+x', 'size' => 8],
    ]), JSON_THROW_ON_ERROR));
}

/**
 * A channel between two of these, bent at the middle of the block.
 *
 * @param  list<list<float|int>>  $corners
 */
function passage(string $from, string $to, array $corners = [[0, 0, 0]]): array
{
    return [
        ...Blocks::through([0, 0, 0], $corners, [0, 0, 0]),
        'from' => ['port' => 'block.'.$from], 'to' => ['port' => 'block.'.$to],
    ];
}

/** @return list<string> rules of what is found about a run, in an answer */
function foundOn(array $state, string $run): array
{
    return array_column(array_column($state['solutions'], null, 'id')[$run]['findings'], 'rule');
}

it('puts a straight channel between openings that look at each other', function (): void {
    $job = blockJob();
    $item = test()->postJson($job.'/new', [
        'kind' => 'channel', 'stock' => 's', 'from' => 'block.in', 'to' => 'block.across',
    ])->assertOk()->json('item');
    expect($item['route'])->toBe(['kind' => 'corners', 'stops' => []])
        ->and($item['body'])->toBe(['as' => 'channel', 'in' => 'block'])
        ->and($item['name'])->toBe('Inlet – Across');
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $item['id'], 'item' => $item]]])
        ->assertOk();
    Schema::check(json_decode($state->content()), 'api.json#/$defs/jobState');
    expect(foundOn($state->json(), $item['id']))->toBe([])
        ->and($state->json('bodies'))->toBe([['id' => 'block', 'fault' => null, 'meetings' => []]]);
    $facts = test()->getJson($job.'/joined/block/mass')->assertOk()->json();
    expect($facts['volume'])->toEqualWithDelta(200 * 100 * 60 - M_PI * 16 * 200, 1e-5)
        ->and(test()->getJson($job.'/mass')->json('volume'))->toEqualWithDelta($facts['volume'], 1e-5);
});

it('puts the smoothest channel that keeps its radius and its wall between others', function (): void {
    $job = blockJob();
    $item = test()->postJson($job.'/new', [
        'kind' => 'channel', 'stock' => 's', 'from' => 'block.in', 'to' => 'block.out',
    ])->assertOk()->json('item');
    expect($item['route']['kind'])->toBe('flow');
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => $item['id'], 'item' => $item]]])
        ->assertOk()->json();
    $solution = array_column($state['solutions'], null, 'id')[$item['id']];
    // A quarter of a circle in the 30 that are there upwards would have R 30.
    expect(foundOn($state, $item['id']))->toBe([])
        ->and($solution['min_radius'])->toBeGreaterThan(15.0);
});

it('refuses a channel that is none by its field', function (array $body, string $pointer): void {
    $job = blockJob();
    test()->postJson($job.'/new', ['kind' => 'channel', 'stock' => 's', ...$body])->assertUnprocessable()
        ->assertJsonPath('pointer', $pointer);
})->with([
    'to itself' => [['from' => 'block.in', 'to' => 'block.in'], '/to'],
    'to what is not there' => [['from' => 'block.in', 'to' => 'block.none'], '/to'],
    'of no stock' => [['from' => 'block.in', 'to' => 'block.out', 'stock' => 'x'], '/stock'],
]);

it('is found thin again where another moves, and cured by a move of its own', function (): void {
    $job = blockJob([
        passage('in', 'out'),
        [...Blocks::through([-100, 30, 0], [[-50, 30, 0], [50, 30, 0]], [100, 30, 0])],
    ]);
    $state = test()->getJson($job)->json();
    expect(foundOn($state, 'c1'))->toBe([]);
    // The block moves by nothing; the second channel comes as near as 9: 1 is left.
    $other = $state['job']['runs'][1];
    foreach (['from', 'to'] as $end) {
        $other[$end]['at'][1] = 9;
    }
    $other['route']['stops'] = [['at' => [-50, 9, 0]], ['at' => [50, 9, 0]]];
    $change = test()->postJson($job.'/edits', [
        'edits' => [['list' => 'runs', 'id' => 'c2', 'item' => $other]], 'since' => $state['revision'],
    ])->assertOk()->json();
    expect(foundOn($change, 'c1'))->toBe(['thin-wall'])->and(foundOn($change, 'c2'))->toContain('thin-wall');
    $finding = array_column($change['solutions'], null, 'id')['c1']['findings'][0];
    expect($finding['measured'])->toEqualWithDelta(1.0, 1e-6)->and($finding['required'])->toEqual(2);
});

it('takes its openings along when the block moves', function (): void {
    $job = blockJob([passage('in', 'out')]);
    $state = test()->getJson($job)->json();
    $block = $state['job']['fittings'][0];
    $block['pose'] = ['at' => [0, 0, 100]];
    $run = $state['job']['runs'][0];
    $run['route']['stops'] = [['at' => [0, 0, 100]]];
    $moved = test()->postJson($job.'/edits', ['edits' => [
        ['list' => 'fittings', 'id' => 'block', 'item' => $block], ['list' => 'runs', 'id' => 'c1', 'item' => $run],
    ]])->assertOk()->json();
    expect(foundOn($moved, 'c1'))->toBe([])
        ->and($moved['bodies'])->toBe([['id' => 'block', 'fault' => null, 'meetings' => []]]);
});

it('stays as a run of its own when its block is deleted, and is a channel again after undo', function (): void {
    $job = blockJob([passage('in', 'out')]);
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'fittings', 'id' => 'block', 'item' => null]]])
        ->assertOk()->json();
    $run = $state['job']['runs'][0];
    expect($run)->not->toHaveKey('body')
        ->and($run['from'])->toMatchArray(['at' => [-100, 0, 0], 'axis' => [1, 0, 0]])
        ->and($state['bodies'])->toBe([]);
    $back = test()->postJson($job.'/step', ['step' => 0])->assertOk()->json();
    expect($back['job']['runs'][0]['body']['in'])->toBe('block')
        ->and($back['bodies'])->toBe([['id' => 'block', 'fault' => null, 'meetings' => []]]);
});

it('keeps a channel when the one that it opens into is deleted, by itself', function (): void {
    $main = passage('in', 'across', []);
    $crossing = [
        'id' => 'crossing', ...passage('in', 'out'), 'from' => ['at' => [0, 0, -30], 'axis' => [0, 0, 1]],
        'route' => ['kind' => 'corners', 'stops' => []],
        'body' => ['as' => 'channel', 'in' => 'block', 'meets' => ['c0']],
    ];
    $job = blockJob([['id' => 'c0', ...$main], $crossing]);
    $left = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'c0', 'item' => null]]])
        ->assertOk()->json('job.runs');
    expect(array_column($left, 'id'))->toBe(['crossing'])
        ->and($left[0]['body'])->toBe(['as' => 'channel', 'in' => 'block', 'meets' => []]);
});

it('tells why a block cannot be made, and writes nothing of it silently', function (): void {
    $job = blockJob([passage('in', 'out'), passage('in', 'across', [])]);
    expect(test()->getJson($job)->json('bodies.0.fault'))->toContain('Channel 2 cuts into Channel 1');
    test()->getJson($job.'/bodies.stl')->assertUnprocessable();
});

it('writes the block in place of its channels, and by itself', function (string $format): void {
    $job = blockJob([passage('in', 'out')]);
    $all = test()->get($job.'/bodies.'.$format)->assertOk()->content();
    expect(strlen($all))->toBeGreaterThan(1000);
    $one = test()->get($job.'/bodies.'.$format.'?body=block')->assertOk();
    expect($one->headers->get('Content-Disposition'))->toContain('block.'.$format);
    // With the equipment too, the block is not there a second time, as it was before.
    $around = test()->get($job.'/bodies.'.$format.'?with=around')->assertOk()->content();
    expect(substr_count($around, 'Block'))->toBe(substr_count($all, 'Block'));
})->with(['step', '3mf', 'glb', 'obj', 'stl']);

it('is cut in the section view as a block with a hole', function (): void {
    $job = blockJob([passage('in', 'across', [])]);
    $cut = test()->postJson($job.'/section', ['run' => 'c1', 'runs' => ['c1'], 'along' => 100])->assertOk()->json();
    expect($cut['cuts'])->toHaveCount(1)
        ->and($cut['cuts'][0]['area'])->toEqualWithDelta(100 * 60 - 16 * M_PI, 0.5)
        // From the channel to the top.
        ->and($cut['cuts'][0]['least']['thickness'])->toEqualWithDelta(26.0, 0.01);
});

it('turns a channel into drillings, and lists them', function (): void {
    $job = blockJob([passage('in', 'out')]);
    $runs = test()->getJson($job.'/runs/c1/drillings')->assertOk()->json('runs');
    expect(array_column($runs, 'name'))->toBe(['Channel 1, drilling 1', 'Channel 1, drilling 2'])
        ->and($runs[0]['from'])->toBe(['port' => 'block.in'])
        ->and($runs[0]['to'])->toBe(['at' => [0, 0, 0]])
        ->and($runs[1]['body']['meets'])->toBe([$runs[0]['id']]);
    $edits = array_map(static fn (array $run): array => ['list' => 'runs', 'id' => $run['id'], 'item' => $run], $runs);
    $state = test()->postJson($job.'/edits', ['edits' => [
        ...$edits, ['list' => 'runs', 'id' => 'c1', 'item' => null],
    ]])->assertOk()->json();
    expect($state['bodies'])->toBe([['id' => 'block', 'fault' => null, 'meetings' => []]])
        ->and(foundOn($state, $runs[0]['id']))->toBe([]);
    $list = test()->getJson($job.'/joined/block/drillings')->assertOk();
    Schema::check(json_decode($list->content()), 'api.json#/$defs/drillings');
    expect(array_column($list->json('drillings'), 'face'))->toBe(['the −x face', 'the +z face']);
    $csv = test()->get($job.'/joined/block/drillings.csv')->assertOk();
    expect(strtok($csv->content(), "\r"))
        ->toBe('drilling,face,right_mm,up_mm,angle_deg,depth_mm,diameter_mm,ends,mouth')
        ->and(substr_count($csv->content(), 'blind'))->toBe(2);
    test()->getJson($job.'/joined/none/drillings')->assertUnprocessable();
});

it('shows the material round its channels at every place', function (): void {
    $job = blockJob([passage('in', 'across', [])]);
    $map = test()->getJson($job.'/joined/block/wall-map?chord=0.5')->assertOk()->json();
    // 4 below the middle of 60 it is 26 to the top; across, 46 to the sides.
    expect($map['least'])->toEqualWithDelta(26.0, 0.1)->and($map['most'])->toBeLessThan(31.0);
    test()->getJson($job.'/joined/none/wall-map')->assertNotFound();
});

it('is not open any more to what becomes an ordinary run', function (): void {
    $crossing = [
        ...Blocks::through([0, -50, 0], [], [0, 50, 0]), 'id' => 'c1', 'name' => 'Crossing',
        'body' => ['as' => 'channel', 'in' => 'block', 'meets' => ['c0']],
    ];
    $job = blockJob([[...passage('in', 'across', []), 'id' => 'c0', 'name' => 'Through'], $crossing]);
    $through = array_column(test()->getJson($job)->json('job.runs'), null, 'id')['c0'];
    unset($through['body']);
    $state = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'c0', 'item' => $through]]])
        ->assertOk()->json();
    expect(array_column($state['job']['runs'], 'body', 'id'))
        ->toBe(['c1' => ['as' => 'channel', 'in' => 'block', 'meets' => []]]);

    // Undone, both are as they were.
    $before = test()->postJson($job.'/step', ['step' => 0])->assertOk()->json();
    expect(array_column($before['job']['runs'], 'body', 'id')['c1']['meets'])->toBe(['c0']);
    // One that was none before is told as a mistake.
    test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'c1', 'item' => [
        ...$crossing, 'body' => [...$crossing['body'], 'meets' => ['c9']],
    ]]]])->assertStatus(422);
});
