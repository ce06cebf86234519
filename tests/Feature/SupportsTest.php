<?php

declare(strict_types=1);

use Bowline\Job\Schema;

/*
 * Clamps on a stored run that is supported too seldom: asked for, put there in one step, taken back.
 */

/** A pipe of DN 25 from a port, 5 m along x, 100 above a floor. */
function longPipe(): string
{
    return opened(json_encode([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Pipe', 'up' => 'z',
        'stock' => [[
            'id' => 'p', 'kind' => 'pipe', 'density' => 7850,
            'section' => ['shape' => 'round', 'od' => 33.7, 'wall' => 3.2],
            'bend' => ['radius' => 100, 'min_radius' => 70, 'min_straight' => 30],
        ]],
        'fittings' => [[
            'id' => 'pump', 'pose' => ['at' => [0, 0, 0]],
            'ports' => [['id' => 'out', 'at' => [0, 0, 0], 'axis' => [1, 0, 0]]],
        ]],
        'surroundings' => [[
            'id' => 'floor', 'name' => 'Floor', 'shape' => 'box', 'pose' => ['at' => [2500, 0, -150]],
            'size' => [6000, 500, 100],
        ]],
        'runs' => [[
            'id' => 'feed', 'name' => 'Feed', 'stock' => 'p', 'from' => ['port' => 'pump.out'],
            'to' => ['at' => [5000, 0, 0]], 'route' => ['kind' => 'corners', 'stops' => []],
        ]],
    ], JSON_THROW_ON_ERROR));
}

it('finds it, says where clamps go, puts them there and takes them back', function (): void {
    $job = longPipe();
    $state = test()->getJson($job);
    $finding = $state->json('solutions.0.findings.0') ?? $state->json('solutions.feed.findings.0');
    // DN 25: 2.1 m by MSS SP-58.
    expect($finding['rule'])->toBe('support-spacing')
        ->and($finding['message'])->toBe(
            '5000 mm reach beyond the last support; 2100 mm at most for this pipe (MSS SP-58).',
        )
        ->and($state->json('stocks.p.support_spacing'))->toEqual(2100)
        ->and($state->json('stocks.p.support_source'))->toBe('MSS SP-58');

    $told = test()->getJson($job.'/runs/feed/supports')->assertOk();
    Schema::check(json_decode($told->content()), 'api.json#/$defs/supports');
    expect($told->json('places'))->toHaveCount(2)
        ->and($told->json('places.0'))->toMatch('/^At 16\d0 mm, 100 mm off Floor$/')
        ->and(test()->getJson($job)->json('job.clamps') ?? [])->toBe([]);

    $after = test()->postJson($job.'/edits', ['edits' => $told->json('edits')])->assertOk();
    expect(test()->getJson($job)->json('job.clamps'))->toHaveCount(2)
        ->and(test()->getJson($job)->json('job.clamps.0.on'))->toBe('floor');
    test()->getJson($job.'/runs/feed/supports')->assertStatus(422)
        ->assertJsonFragment(['message' => 'Feed is supported often enough.']);

    test()->postJson($job.'/step', ['step' => 0])->assertOk();
    expect(test()->getJson($job)->json('job.clamps') ?? [])->toBe([])->and($after->json())->not->toBeEmpty();
});

it('asks about one length by where it begins, and refuses what is none', function (): void {
    $job = longPipe();

    expect(test()->getJson($job.'/runs/feed/supports?from=0')->assertOk()->json('places'))->toHaveCount(2);
    test()->getJson($job.'/runs/feed/supports?from=700')->assertStatus(422);
    test()->getJson($job.'/runs/feed/supports?from=soon')->assertStatus(422)
        ->assertJsonFragment(['pointer' => '/from']);
});

it('knows no supports of a run that is not there', function (): void {
    test()->getJson(longPipe().'/runs/none/supports')->assertNotFound();
});
