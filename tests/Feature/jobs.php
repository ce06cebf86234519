<?php

declare(strict_types=1);

use Illuminate\Testing\TestResponse;

/** Opens a job file over HTTP and gives the address of the job. */
function opened(string $json): string
{
    return '/api/jobs/'.
        test()
            ->call('POST', '/api/jobs/open', [], [], [], ['CONTENT_TYPE' => 'application/json'], $json)
            ->assertCreated()
            ->json('id');
}

function demo(): string
{
    return opened((string) file_get_contents(database_path('demo/ternwake.json')));
}

function edit(string $job, string $list, string $id, mixed $item): TestResponse
{
    return test()->postJson($job.'/edits', ['edits' => [['list' => $list, 'id' => $id, 'item' => $item]]]);
}

/** @return array<string, mixed> an item of the job as it is kept now */
function item(string $job, string $list, string $id): array
{
    return collect(test()->getJson($job)->json('job.'.$list))->firstWhere('id', $id);
}

/** @return array<string, mixed> a cable for a job file, its least radius 60 */
function cableStock(float $od): array
{
    return [
        'id' => 'c', 'kind' => 'cable', 'section' => ['shape' => 'round', 'od' => $od],
        'bend' => ['radius' => 60, 'min_radius' => 60, 'min_straight' => 0], 'density' => 2000,
    ];
}
