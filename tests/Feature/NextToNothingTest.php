<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Jobs;

/*
 * Jobs in which there is next to nothing, asked all that a job can be asked.
 */

/** @return list<string> all addresses under a job that are read, with what may stand in them */
function addressesOf(string $job): array
{
    $values = [
        'run' => ['run'], 'kind' => ['arrangement', 'isometric', 'bend-sheet', 'xyzr'], 'harness' => ['h'],
        'format' => ['pdf', 'svg', 'dxf', 'stl', 'step', 'glb', '3mf', 'obj'], 'body' => ['b'],
        'list' => ['parts', 'parts-by-spool', 'cutting', 'welds', 'supports', 'valves', 'hoses'],
    ];
    $all = [];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (! in_array('GET', $route->methods(), true) || ! str_starts_with($route->uri(), 'api/jobs/{job}')) {
            continue;
        }
        $addresses = [str_replace('api/jobs/{job}', $job, $route->uri())];
        foreach ($route->parameterNames() as $name) {
            $addresses = $name === 'job' ? $addresses : array_merge(...array_map(
                static fn (string $value): array => str_replace('{'.$name.'}', $value, $addresses),
                $values[$name] ?? ['1'],
            ));
        }
        foreach ($addresses as $address) {
            // Drawings of one run are told which.
            $all[] = $address.(str_contains($address, '/drawings/') ? '?run=run' : '');
        }
    }

    return $all;
}

it('answers all that it is asked', function (Closure $job): void {
    $job = opened((string) json_encode($job()));
    $addresses = addressesOf($job);
    expect(count($addresses))->toBeGreaterThan(90);
    $wrong = [];
    foreach ($addresses as $address) {
        $answer = test()->getJson($address);
        if ($answer->baseResponse instanceof StreamedResponse) {
            $answer->streamedContent();
        }
        if ($answer->getStatusCode() >= 500) {
            $wrong[$address] = $answer->exception?->getMessage() ?? $answer->getStatusCode();
        }
    }
    expect($wrong)->toBe([]);
})->with([
    'nothing at all' => [fn (): stdClass => Jobs::decoded([
        'format' => 'bowline-job', 'version' => 1, 'stock' => [], 'fittings' => [], 'runs' => [],
    ])],
    'a run that goes nowhere' => [fn (): stdClass => Jobs::file([], ['at' => [0, 0, 50]])],
    'a run through the same place' => [fn (): stdClass => Jobs::file([['at' => [0, 0, 50]]], ['at' => [0, 0, 50]])],
    'a hair long' => [fn (): stdClass => Jobs::file([], ['at' => [0, 0, 50.0001]])],
]);
