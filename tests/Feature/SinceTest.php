<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Tests\Seeds;

/*
 * What a window is told that has seen an earlier revision: put into what it has, it is the job as a whole.
 */

require_once __DIR__.'/jobs.php';

/** What a window takes from an answer without looking at single items (resources/js/job/useJob.ts). */
const HEAD = ['revision', 'saved_at', 'step', 'undo', 'entries', 'remembered'];

/**
 * Returns the state of a job with what is new put into it, as a window does.
 *
 * @param  array<string, mixed>  $state
 * @param  array<string, mixed>  $told
 * @return array<string, mixed>
 */
function putInto(array $state, array $told): array
{
    foreach (HEAD as $key) {
        $state[$key] = $told[$key];
    }
    foreach ($told['items'] as ['list' => $list, 'item' => $item]) {
        $state['job'][$list] = array_map(
            static fn (array $one): array => $one['id'] === $item['id'] ? $item : $one, $state['job'][$list],
        );
    }
    $first = $told['new_steps'][0]['number'];
    $state['steps'] = [
        ...array_filter($state['steps'], static fn (array $one): bool => $one['number'] < $first),
        ...$told['new_steps'],
    ];
    foreach (['places', 'solutions'] as $list) {
        $new = array_column($told[$list], null, 'id');
        $state[$list] = array_map(
            static fn (array $one): array => ($new[$one['id']]['list'] ?? null) === ($one['list'] ?? null)
                ? $new[$one['id']] ?? $one
                : $one,
            $state[$list],
        );
    }

    return $state;
}

/** @return array<string, mixed> what is compared: harnesses are asked for by themselves, and none are here */
function comparable(array $state): array
{
    return array_intersect_key($state, array_flip([...HEAD, 'steps', 'job', 'places', 'solutions']));
}

/** Does something at random, as one of several windows might; what is refused changes nothing. */
function actAtRandom(string $job, array $state): void
{
    $any = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];
    $list = $any(['fittings', 'fittings', 'surroundings', 'runs']);
    $item = $any($state['job'][$list]);
    switch (mt_rand(0, 9)) {
        case 0:
        case 1:
        case 2:
            $next = max(0, min(count($state['steps']), $state['step'] + $any([-3, -2, -1, -1, 1, 2])));
            test()->postJson($job.'/step', ['step' => $next])->assertOk();
            break;
        case 3:
            edit($job, $list, $item['id'], [...$item, 'name' => 'Name '.mt_rand(1, 999)])->assertOk();
            break;
        case 4:
            $run = $any($state['job']['runs'])['id'];
            test()->postJson("{$job}/runs/{$run}/laying", [
                'do' => 'move-leg', 'vertex' => 2, 'by' => [0, 0, mt_rand(1, 9)],
            ]);
            break;
        case 5:
            if (mt_rand(0, 3) === 0) {
                test()->postJson($job.'/edits', ['edits' => [], 'header' => ['name' => 'Boat '.mt_rand(1, 999)]]);
                break;
            }
            // As often as not it is moved.
        default:
            $thing = $any($state['job'][$any(['fittings', 'surroundings'])]);
            $in = in_array($thing, $state['job']['fittings'], true) ? 'fittings' : 'surroundings';
            $at = $thing['pose']['at'] ?? null;
            if (is_array($at) && array_filter($at, is_string(...)) === []) {
                $thing['pose']['at'] = [$at[0] + mt_rand(-9, 9), $at[1], $at[2] + mt_rand(-9, 9)];
                edit($job, $in, $thing['id'], $thing);
            }
    }
}

it('is the whole job once it is put into what a window has', function (int $seed): void {
    mt_srand($seed);
    $job = demo();
    $states = [test()->getJson($job)->json()];
    $partial = 0;
    for ($act = 0; $act < 12; $act++) {
        actAtRandom($job, $states[count($states) - 1]);
        $whole = test()->getJson($job)->json();
        foreach (array_slice($states, -4) as $seen) {
            $answer = test()->getJson($job.'?since='.$seen['revision'])->assertOk();
            if (isset($answer['change'])) {
                Schema::check(json_decode($answer->content()), 'api.json#/$defs/jobChange');
                expect(comparable(putInto($seen, $answer->json())))->toEqual(comparable($whole));
                $partial++;
            } else {
                expect(comparable($answer->json()))->toEqual(comparable($whole));
            }
        }
        $states[] = $whole;
    }
    expect($partial)->toBeGreaterThan(8);
})->with(Seeds::of(1, 16));

/** Moves the pump of the demo along x. */
function movePump(string $job, float $by): void
{
    $pump = item($job, 'fittings', 'pump');
    $pump['pose']['at'][0] += $by;
    edit($job, 'fittings', 'pump', $pump)->assertOk();
}

it('tells the whole job where single items would not do', function (Closure $act): void {
    $job = demo();
    movePump($job, 5);
    $seen = test()->getJson($job)->json('revision');
    $act($job);
    $answer = test()->getJson($job.'?since='.$seen)->assertOk();

    expect($answer->json('change'))->toBeNull()->and($answer->json('job.name'))->toBeString();
})->with([
    'nothing is new' => [static fn () => null],
    'a value of the job' => [static fn (string $job) => test()->postJson($job.'/edits', [
        'edits' => [], 'header' => ['name' => 'Other'],
    ])->assertOk()],
    'a stock' => [static fn (string $job) => edit($job, 'stock', item($job, 'stock', $id = test()->getJson($job)
        ->json('job.stock.0.id'))['id'], [...item($job, 'stock', $id), 'name' => 'Other'])->assertOk()],
    'a thing that is new' => [static fn (string $job) => edit($job, 'surroundings', 'new', [
        'id' => 'new', 'shape' => 'box', 'size' => [10, 10, 10], 'pose' => ['at' => [0, 0, 5000]],
    ])->assertOk()],
    'a thing that is gone' => [static fn (string $job) => edit($job, 'surroundings', 'frame-9', null)->assertOk()],
    'a step that was undone, and then done otherwise' => [static function (string $job): void {
        test()->postJson($job.'/step', ['step' => 0])->assertOk();
        edit($job, 'fittings', 'tank', [...item($job, 'fittings', 'tank'), 'name' => 'Day tank'])->assertOk();
    }],
    'more than a dozen revisions' => [static function (string $job): void {
        for ($times = 0; $times < 13; $times++) {
            movePump($job, 1);
        }
    }],
]);

it('tells a window that edits what others have done as well', function (): void {
    $job = demo();
    $seen = test()->getJson($job)->json();
    edit($job, 'fittings', 'tank', [...item($job, 'fittings', 'tank'), 'name' => 'Day tank'])->assertOk();
    $pump = item($job, 'fittings', 'pump');
    $answer = test()->postJson($job.'/edits', [
        'edits' => [['list' => 'fittings', 'id' => 'pump', 'item' => [...$pump, 'name' => 'Raw water pump']]],
        'since' => $seen['revision'],
    ])->assertOk();

    expect($answer->json('change'))->toBeTrue()
        ->and(array_column(array_column($answer->json('items'), 'item'), 'name', 'id'))
        ->toEqual(['tank' => 'Day tank', 'pump' => 'Raw water pump'])
        ->and(comparable(putInto($seen, $answer->json())))->toEqual(comparable(test()->getJson($job)->json()));
});

it('says what is wrong with a revision', function (string $since): void {
    test()->getJson(demo().'?since='.$since)->assertStatus(422)
        ->assertJson(['pointer' => '/since', 'message' => 'a revision is a whole number']);
})->with(['-1', '1.5', 'now', '12345678901']);
