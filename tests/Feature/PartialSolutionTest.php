<?php

declare(strict_types=1);

use Tests\Seeds;

/*
 * A window that has seen a revision gets only what an edit has changed. Put into what it has, that is the job as it is
 * when it is opened anew from its file and solved as a whole.
 */

/**
 * As the browser does (`changed` in useJob.ts).
 *
 * @param  array<string, mixed>  $state
 * @param  array<string, mixed>  $answer
 * @return array<string, mixed>
 */
function brought(array $state, array $answer): array
{
    if (! isset($answer['change'])) {
        return $answer;
    }
    foreach ($answer['items'] as ['list' => $list, 'item' => $item]) {
        foreach ($state['job'][$list] as $index => $one) {
            $state['job'][$list][$index] = $one['id'] === $item['id'] ? $item : $one;
        }
    }
    foreach ($answer['places'] as $place) {
        foreach ($state['places'] as $index => $one) {
            $same = [$one['list'], $one['id']] === [$place['list'], $place['id']];
            $state['places'][$index] = $same ? $place : $one;
        }
    }
    foreach ($answer['solutions'] as $solution) {
        foreach ($state['solutions'] as $index => $one) {
            $state['solutions'][$index] = $one['id'] === $solution['id'] ? $solution : $one;
        }
    }

    return ['revision' => $answer['revision'], ...$state];
}

/** @return array<string, array<string, mixed>> what is solved at once, by run; what settles on the queue is left out */
function solvedAtOnce(array $state): array
{
    $solutions = array_filter(
        $state['solutions'],
        static fn (array $one): bool => ! isset($one['settling']) && ! isset($one['unsolved']),
    );

    return array_column($solutions, null, 'id');
}

/** A thing of the job moved or turned a little, or a run said a little otherwise. */
function slightlyOtherwise(array $item, string $list): array
{
    $by = static fn (): int => mt_rand(-6, 6);
    if ($list === 'runs') {
        $item['name'] = ($item['name'] ?? $item['id']).' x';
        foreach ($item['route']['stops'] ?? [] as $index => $stop) {
            if (isset($stop['length']) && is_numeric($stop['length'])) {
                $item['route']['stops'][$index]['length'] = $stop['length'] + 1;
            }
        }

        return $item;
    }
    if ($list === 'clamps' && isset($item['at'])) {
        $item['at'] = array_map(
            static fn (mixed $part): mixed => is_numeric($part) ? $part + $by() : $part,
            $item['at'],
        );

        return $item;
    }
    $at = $item['pose']['at'] ?? [0, 0, 0];
    $item['pose'] = [
        ...$item['pose'] ?? [],
        'at' => array_map(static fn (mixed $part): mixed => is_numeric($part) ? $part + $by() : $part, $at),
    ];

    return $item;
}

it('comes piece by piece to what it is as a whole', function (
    string $demo,
    int $seed,
    bool $inParts,
): void {
    // Long enough for all that is solved while a job is read, however busy the machine.
    config(['bowline.solving_seconds' => 60.0]);
    mt_srand($seed);
    $job = opened((string) file_get_contents(database_path("demo/$demo.json")));
    $state = $this->getJson($job)->json();
    $parts = 0;
    for ($turn = 0; $turn < 5; $turn++) {
        do {
            $list = ['fittings', 'clamps', 'surroundings', 'runs'][mt_rand(0, 3)];
        } while (($state['job'][$list] ?? []) === []);
        $items = $state['job'][$list];
        $was = $items[array_rand($items)];
        $answer = $this->postJson($job.'/edits', [
            'edits' => [['list' => $list, 'id' => $was['id'], 'item' => slightlyOtherwise($was, $list), 'was' => $was]],
            'since' => $state['revision'],
            'token' => "turn-$turn",
        ]);
        // What cannot be is refused, and nothing has changed.
        if ($answer->status() === 422) {
            continue;
        }
        $parts += isset($answer->assertOk()->json()['change']) ? 1 : 0;
        $state = brought($state, $answer->json());
    }
    // A set tells of all of its runs: such a job comes whole every time.
    expect($parts > 2)->toBe($inParts);

    $again = $this->getJson($job)->json();
    expect($state['job'])->toEqual($again['job'])
        ->and($state['places'])->toEqualWithDelta($again['places'], 1e-9)
        ->and(solvedAtOnce($state))->toEqualWithDelta(solvedAtOnce($again), 1e-6);

    $whole = $this->getJson(opened($this->get($job.'/file')->assertOk()->getContent()))->json();
    $known = array_intersect_key(solvedAtOnce($state), solvedAtOnce($whole));
    expect(count($known))->toBeGreaterThan(2)
        ->and($known)->toEqualWithDelta(array_intersect_key(solvedAtOnce($whole), $known), 1e-6)
        ->and($state['places'])->toEqualWithDelta($whole['places'], 1e-9);
})->with(fn (): array => Seeds::someOf([
    ['ternwake', 1, true],
    ['skid', 1, false],
    ['hoses', 1, true],
    ['ternwake', 2, true],
    ['ternwake', 3, true],
    ['skid', 2, false],
], 3));
