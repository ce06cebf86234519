<?php

declare(strict_types=1);

use Bowline\Job\Schema;

it('begins a new item over HTTP, keeps nothing of it, and takes it as an edit', function (
    array $asked,
    string $list,
): void {
    $job = demo();
    $before = test()->getJson($job)->json('revision');
    $begun = test()->postJson($job.'/new', $asked)->assertOk();
    Schema::check(json_decode($begun->content()), 'api.json#/$defs/begunItem');
    expect($begun->json('list'))->toBe($list)->and(test()->getJson($job)->json('revision'))->toBe($before);
    edit($job, $list, $begun->json('item.id'), $begun->json('item'))->assertOk();
    expect(item($job, $list, $begun->json('item.id'))['name'])->toBe($begun->json('item.name'));
})->with([
    'a pump' => [['kind' => 'part', 'part' => 'pump'], 'fittings'],
    'a fitting' => [['kind' => 'fitting'], 'fittings'],
    'a box' => [['kind' => 'box'], 'surroundings'],
    'a clamp' => [['kind' => 'clamp'], 'clamps'],
    'a size of the catalogue' => [['kind' => 'catalogue', 'part_number' => 'ST-12x1.5'], 'stock'],
]);

it('says what is wrong with what is asked for', function (array $asked, string $pointer): void {
    test()->postJson(demo().'/new', $asked)->assertUnprocessable()->assertJson(['pointer' => $pointer]);
})->with([
    'no kind' => [[], ''],
    'a kind that is none' => [['kind' => 'anchor'], '/kind'],
    'stock that is not there' => [['kind' => 'part', 'part' => 'pump', 'stock' => 'nothing'], '/stock'],
    'a size that is not there' => [['kind' => 'catalogue', 'part_number' => 'nothing'], '/part_number'],
]);

it('makes a part for the stock that was chosen', function (): void {
    // DN 20 is 26.9 mm outside (EN 10220), less than the 28 that a pump is made for otherwise.
    $begun = test()->postJson(demo().'/new', ['kind' => 'part', 'part' => 'pump', 'stock' => 'dn20'])->assertOk();
    expect($begun->json('item.part'))->toEqual(['kind' => 'pump', 'size' => 26.9, 'outlet' => 26.9]);
});

it('adds the stock of a job to the catalogue, and finds it there', function (): void {
    $job = demo();
    $stock = test()->getJson($job)->json('job.stock.0');
    $own = [...$stock, 'id' => 'mine', 'part_number' => 'MINE-1', 'name' => 'Tube of mine'];
    edit($job, 'stock', 'mine', $own)->assertOk();
    test()->postJson($job.'/catalogue', ['stock' => 'mine'])->assertOk()->assertJson(['part_number' => 'MINE-1']);
    expect(test()->getJson('/api/catalogue?find=tube+of+mine')->json('rows.0.od'))->toEqual($own['section']['od']);
});

it('sends the benders that ship with it until the job has its own, and what follows of each stock', function (): void {
    $state = test()->getJson(demo())->json();
    expect(array_column($state['benders']['own'], 'id'))->toBe(['bench-22', 'shop-60'])
        ->and(array_keys($state['stocks']))
        ->toEqualCanonicalizing(array_column($state['job']['stock'], 'id'));
    foreach ($state['job']['stock'] as $stock) {
        $facts = $state['stocks'][$stock['id']];
        // Half as much again as where it rests, where no other is told.
        expect($facts['moving_radius'])->toEqual($stock['bend']['moving_radius'] ?? 1.5 * $stock['bend']['min_radius'])
            ->and($facts['bore'])
            ->toEqual(
                isset($stock['section']['wall']) ? $stock['section']['od'] - 2 * $stock['section']['wall'] : null,
            );
    }
});

it('keeps the round ends of a body, says where they are in space, and puts a port on one', function (): void {
    $job = demo();
    $rounds = [['at' => [0, 0, 50], 'axis' => [0, 0, 1], 'diameter' => 26.9, 'hollow' => false]];
    $body = test()->postJson($job.'/new', [
        'kind' => 'mesh', 'name' => 'Oil cooler', 'mesh' => 'cooler', 'extent' => [[-50, -50, -50], [50, 50, 50]],
        'rounds' => $rounds,
    ])->assertOk()->json('item');
    edit($job, 'surroundings', $body['id'], [...$body, 'pose' => ['at' => [100, 200, 300]]])->assertOk();
    $places = collect(test()->getJson($job)->json('places'));
    expect($places->firstWhere('id', $body['id'])['rounds'])
        ->toEqual([['at' => [100, 200, 350], 'axis' => [0, 0, 1], 'diameter' => 26.9, 'hollow' => false]]);

    $asked = ['kind' => 'port', 'surrounding' => $body['id'], 'round' => 0];
    $port = test()->postJson($job.'/new', [...$asked, 'stock' => 'c22'])->assertOk()->json('item');
    expect($port['on'])->toBe($body['id'])->and($port['part'])->toEqual(['kind' => 'bare-port', 'size' => 22]);
    edit($job, 'fittings', $port['id'], $port)->assertOk();
    $placed = collect(test()->getJson($job)->json('places'))->firstWhere('id', $port['id']);
    $rounded = fn (array $at): array => array_map(fn (float $part): float => round($part, 9), $at);
    expect($rounded($placed['ports'][0]['at']))->toEqual([100, 200, 350])
        ->and($rounded($placed['ports'][0]['axis']))->toEqual([0, 0, 1]);

    test()->postJson($job.'/new', [...$asked, 'round' => 1])->assertUnprocessable()
        ->assertJson(['pointer' => '/round']);
    test()->postJson($job.'/new', [...$asked, 'surrounding' => 'nothing'])->assertUnprocessable()
        ->assertJson(['pointer' => '/surrounding']);
});
