<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;

/*
 * A loop of references is refused with the way round, however things refer to one another and however many there are.
 */

/**
 * A job of so many runs, each with what makes it follow the next one; the last follows the first, or nothing.
 *
 * @param  Closure(string): array<string, mixed>  $following  what a run says that follows the run of an id
 */
function chainOfRuns(int $count, Closure $following, bool $closed): stdClass
{
    $file = Jobs::file([], ['at' => [0, 0, 900]]);
    $file->runs = [];
    foreach (range(1, $count) as $number) {
        $next = $number === $count ? ($closed ? 'r1' : null) : 'r'.($number + 1);
        $file->runs[] = Jobs::object([
            'id' => 'r'.$number, 'name' => 'Run '.$number, 'stock' => 't12',
            'from' => ['at' => [0, 40 * $number, 0], 'axis' => '+z'], 'to' => ['at' => [300, 40 * $number, 300]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 40 * $number, 300]]]],
            ...$next === null ? [] : $following($next),
        ]);
    }

    return $file;
}

/** @return array<string, array{Closure(string): array<string, mixed>}> */
function waysToFollow(): array
{
    $ends = static fn (string $run): array => [
        'from' => ['like' => ['run' => $run, 'end' => 'from', 'offset' => [0, -40, 0]]],
        'to' => ['like' => ['run' => $run, 'end' => 'to', 'offset' => [0, -40, 0]]],
    ];
    $tied = static fn (array $tie): array => [
        'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 40, 300], 'ties' => [$tie]]]],
    ];

    return [
        'a corner level with a corner' => [
            static fn (string $run) => $tied(['level' => '+z', 'with' => ['run' => $run, 'stop' => 0]]),
        ],
        'a corner off a corner' => [
            static fn (string $run) => $tied(['away' => 40, 'from' => ['run' => $run, 'stop' => 0]]),
        ],
        'all corners like those of another' => [
            static fn (string $run) => [
                ...$ends($run),
                'route' => ['kind' => 'corners', 'like' => ['run' => $run, 'offset' => [0, -40, 0]], 'stops' => []],
            ],
        ],
        'wound round another' => [
            static fn (string $run) => [
                'route' => [
                    'kind' => 'wrap', 'host' => $run, 'from_length' => 20, 'to_length' => 120, 'pitch' => 60,
                ],
                'from' => null, 'to' => null,
            ],
        ],
    ];
}

/** Without the keys that say nothing: a run wound round another has no ends of its own. */
function tidy(stdClass $file): stdClass
{
    foreach ($file->runs as $run) {
        foreach (['from', 'to'] as $end) {
            if (($run->{$end} ?? null) === null) {
                unset($run->{$end});
            }
        }
    }

    return $file;
}

it('refuses runs that follow one another in a ring', function (Closure $following, int $count): void {
    expect(static fn () => Jobs::laid(tidy(chainOfRuns($count, $following, true))))
        ->toThrow(JobError::class);
})->with(waysToFollow())->with([1, 2, 3, 6]);

it('says which runs the ring goes through', function (Closure $following): void {
    $said = '';
    try {
        Jobs::laid(tidy(chainOfRuns(3, $following, true)));
    } catch (JobError $error) {
        $said = $error->getMessage();
    }
    expect($said)->toContain('Run 1')->toContain('Run 2')->toContain('Run 3');
})->with(waysToFollow());

it('lays runs that follow one another in a chain', function (Closure $following, int $count): void {
    expect(Jobs::laid(tidy(chainOfRuns($count, $following, false)))->length())->toBeGreaterThan(50.0);
})->with(waysToFollow())->with([1, 2, 3, 4]);

it('refuses values that come back to themselves, with the way round', function (array $values, string $way): void {
    $file = Jobs::file([], ['at' => [0, 0, 900]]);
    $file->values = Jobs::object($values);
    expect(static fn () => Job::read($file))->toThrow(JobError::class, $way);
})->with([
    'one' => [['a' => 'a + 1'], 'a → a'],
    'two' => [['a' => 'b', 'b' => '2 * a'], 'a → b → a'],
    'three' => [['a' => 'b', 'b' => 'c - 1', 'c' => 'max(a, 3)'], 'a → b → c → a'],
    'a tail before the ring' => [['z' => 'a', 'a' => 'b', 'b' => 'a'], 'a → b → a'],
]);
