<?php

declare(strict_types=1);

/** A straight tube along x with a heating wire wound round it. */
function wound(): string
{
    return opened(json_encode([
        'format' => 'bowline-job', 'version' => 1, 'name' => 'Heated line',
        'stock' => [
            ['id' => 't', 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => 36, 'wall' => 2], 'bend' => ['radius' => 90, 'min_radius' => 70, 'min_straight' => 0], 'density' => 7850],
            ['id' => 'w', 'kind' => 'wire', 'section' => ['shape' => 'round', 'od' => 4, 'wall' => 2], 'bend' => ['radius' => 8, 'min_radius' => 8, 'min_straight' => 0], 'density' => 3000],
        ],
        'runs' => [
            ['id' => 'wire', 'stock' => 'w', 'route' => ['kind' => 'wrap', 'host' => 'tube', 'from_length' => 100, 'to_length' => 400, 'pitch' => 30]],
            ['id' => 'tube', 'stock' => 't', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [500, 0, 0]], 'route' => ['kind' => 'corners', 'stops' => []]],
        ],
    ], JSON_THROW_ON_ERROR));
}

/** Of a helix: √((2πr)² + p²) a turn. */
function helix(float $radius, float $pitch, float $along): float
{
    return hypot(2 * M_PI * $radius, $pitch) * $along / $pitch;
}

it('winds a run anew when its own numbers or its host change, alone as in the whole job', function (): void {
    $job = wound();
    $state = test()->getJson($job)->json();
    expect($state['solutions'][0]['length'])->toEqualWithDelta(helix(20, 30, 300), 0.01);

    test()->postJson($job.'/runs/wire/laying', ['do' => 'set-route', 'route' => ['pitch' => 60]])->assertOk();
    $host = item($job, 'runs', 'tube');
    $turned = [...$host, 'to' => ['at' => [0, 500, 0]]];
    $revision = test()->getJson($job)->json('revision');
    $answer = test()->postJson($job.'/edits', ['edits' => [['list' => 'runs', 'id' => 'tube', 'item' => $turned, 'was' => $host]], 'since' => $revision])->assertOk();
    $wire = collect($answer->json('solutions'))->firstWhere('id', 'wire');
    // Round +y now: from 100 to 400 along it, 20 off its axis.
    expect($wire['length'])->toEqualWithDelta(helix(20, 60, 300), 0.01)
        ->and($wire['path'][0]['from'][1])->toEqualWithDelta(100.0, 1e-6)->and(hypot($wire['path'][0]['from'][0], $wire['path'][0]['from'][2]))->toEqualWithDelta(20.0, 1e-6)
        ->and(collect(test()->getJson($job)->json('solutions'))->firstWhere('id', 'wire'))->toEqual($wire);

    edit($job, 'runs', 'tube', null)->assertStatus(422)->assertJsonFragment(['message' => 'wire is wound round it. Wind it round another run first, or take it away.']);
});
