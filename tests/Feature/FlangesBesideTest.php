<?php

declare(strict_types=1);

use Tests\Jobs;

/** Two tubes on ports of a manifold 100 apart, each with a round flange of 60, opened. */
function flangedManifold(): string
{
    $run = static fn (string $id, float $x): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't12', 'to' => ['at' => [$x, 0, 300]],
        'from' => [
            'port' => 'box.'.$id, 'end' => ['type' => 'flange', 'od' => 60, 'bore' => 13, 'thickness' => 10],
        ],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];

    return opened(json_encode(Jobs::object([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'Manifold',
        'stock' => [[
            'id' => 't12', 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
            'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20], 'density' => 7980,
        ]],
        'fittings' => [['id' => 'box', 'pose' => ['at' => [0, 0, 0]], 'ports' => [
            ['id' => 'feed', 'at' => [0, 0, 0], 'axis' => [0, 0, 1]],
            ['id' => 'back', 'at' => [100, 0, 0], 'axis' => [0, 0, 1]],
        ]]],
        'runs' => [$run('feed', 0), $run('back', 100)],
    ]), JSON_THROW_ON_ERROR));
}

it('finds a flange over the one beside it whichever of both changes, and lets it go again', function (): void {
    $job = flangedManifold();
    $state = test()->getJson($job)->json();
    $put = static function (float $od, int $revision) use ($job, $state): array {
        $feed = $state['job']['runs'][0];
        $feed['from']['end']['od'] = $od;
        $answer = test()->postJson($job.'/edits', [
            'edits' => [['list' => 'runs', 'id' => 'feed', 'item' => $feed]], 'since' => $revision,
        ])->assertOk();
        $rules = array_map(
            static fn (array $one): array => array_column($one['findings'], 'rule'),
            array_column($answer->json('solutions'), null, 'id'),
        );

        return [$answer->json('revision'), $rules];
    };
    // 70 + 30 are the 100 between both ports; the other run is told anew though nothing of it was changed.
    [$revision, $wide] = $put(150, $state['revision']);
    [$revision, $fits] = $put(140, $revision);

    expect($wide)->toBe(['feed' => ['flange-beside'], 'back' => ['flange-beside']])
        ->and($fits)->toBe(['feed' => [], 'back' => []]);
});
