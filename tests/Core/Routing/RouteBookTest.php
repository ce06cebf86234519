<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Routing\RouteBook;
use Tests\Jobs;

/**
 * A run through a corner, a clamp and two corners; one of the name “Vent” without stops, and one whose id is a number.
 *
 * @param  array<string, mixed>  $from
 */
function bookOf(array $from = ['port' => 'pump.out']): stdClass
{
    $file = Jobs::file(
        [
            ['at' => [0, 0, 200]], ['clamp' => 'c', 'before' => 20, 'after' => 20],
            ['at' => [400, 0, 200]], ['at' => [400, 300, 200]],
        ],
        ['at' => [400, 300, 500]],
        [
            'from' => $from,
            'clamps' => [['id' => 'c', 'at' => [200, 0, 200], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 10]],
        ],
    );
    $other = static fn (string $id, string $name): stdClass => Jobs::object([
        'id' => $id, 'name' => $name, 'stock' => 't12',
        'from' => ['at' => [0, 900, 0]], 'to' => ['at' => [100, 900, 0]],
        'route' => ['kind' => 'corners', 'stops' => []],
    ]);
    array_push($file->runs, $other('vent', 'Vent'), $other('7', ''));

    return $file;
}

it('counts corners as the screen does: two of a clamp, and one of a lead', function (
    array $from, int $stop, string $words,
): void {
    $site = RouteBook::site(new Node(bookOf($from)));
    expect(RouteBook::of($site)->words('run', $stop))->toBe($words);
})->with([
    'the first' => [['port' => 'pump.out'], 0, 'corner 1 of run'],
    'that of a clamp' => [['port' => 'pump.out'], 1, 'corner 2 of run'],
    'behind the clamp' => [['port' => 'pump.out'], 2, 'corner 4 of run'],
    'the last' => [['port' => 'pump.out'], 3, 'corner 5 of run'],
    'the first behind a lead' => [['port' => 'pump.out', 'lead' => 40], 0, 'corner 2 of run'],
    'the last behind a lead' => [['port' => 'pump.out', 'lead' => 40], 3, 'corner 6 of run'],
]);

it('calls a run by its name, else by its id', function (): void {
    $book = RouteBook::of(RouteBook::site(new Node(bookOf())));
    expect($book->ids())->toBe(['run', 'vent', '7'])
        ->and([$book->name('run'), $book->name('vent'), $book->name('7'), $book->name('none')])
        ->toBe(['run', 'Vent', '7', 'none'])
        ->and($book->words('vent', 0))->toBe('corner 1 of Vent');
});

it('lays a run once for all who ask', function (): void {
    $site = RouteBook::site($job = new Node(bookOf()));
    $book = RouteBook::of($site);
    expect($book->laid($site, 'run', $job))->toBe($book->laid($site, 'run', $job))
        ->and($book->vertices($site, 'run', $job))->toHaveCount(7)
        // 150 up, 400, 300 and 300, with three right angles of R 30.
        ->and($book->laid($site, 'run', $job)->length())->toEqualWithDelta(1150 - 180 + 45 * M_PI, 1e-9);
});

it('reads a run in another state, and changes nothing for those who asked before', function (): void {
    $site = RouteBook::site($job = new Node(bookOf()));
    $book = RouteBook::of($site);
    expect($book->laid($site, 'vent', $job)->length())->toEqualWithDelta(100.0, 1e-9);
    $longer = Jobs::object((array) bookOf()->runs[1]);
    $longer->to->at = [250, 900, 0];
    $reading = $book->reading('vent', new Node($longer));
    expect($reading->current())->toBe('vent')
        ->and($reading->run('vent', $job)->value)->toBe($longer)
        ->and($book->current())->toBe('')
        ->and($book->laid($site, 'vent', $job)->length())->toEqualWithDelta(100.0, 1e-9);
});

it('says which run or stop there is not', function (): void {
    $site = RouteBook::site($job = new Node(bookOf()));
    $book = RouteBook::of($site);
    expect(static fn () => $book->run('pipe', $job))->toThrow(JobError::class, 'there is no run “pipe”')
        ->and(static fn () => $book->stop($site, 'vent', 0, $job))->toThrow(JobError::class, 'Vent has no stop 0');
});

it('finds a stop where it is told, of a clamp both its corners', function (): void {
    $site = RouteBook::site($job = new Node(bookOf()));
    $stop = static fn (int $index): array => array_map(
        static fn ($at): array => $at->toArray(), RouteBook::of($site)->stop($site, 'run', $index, $job),
    );
    expect($stop(0))->toBe([[0.0, 0.0, 200.0]])->and($stop(3))->toBe([[400.0, 300.0, 200.0]])
        ->and($stop(1))->toHaveCount(2);
});

it('finds a stop that is told from the one before, or from where the run begins', function (
    array $stops, int $index, array $at,
): void {
    $file = bookOf();
    $file->runs[0]->route->stops = array_map(Jobs::object(...), $stops);
    $site = RouteBook::site($job = new Node($file));
    // Read for another run, as a tie to it would.
    expect(RouteBook::of($site)->stop($site, 'run', $index, $job)[0]->toArray())->toEqualWithDelta($at, 1e-12);
})->with([
    'so far from the port' => [[['by' => [10, 20, 150]]], 0, [10.0, 20.0, 200.0]],
    'along an axis from it' => [[['along' => '+z', 'length' => 90]], 0, [0.0, 0.0, 140.0]],
    'so far from another' => [[['at' => [0, 0, 200]], ['by' => [300, 0, 5]]], 1, [300.0, 0.0, 205.0]],
    'square to the axis of a port, from another' => [
        [['at' => [0, 0, 200]], ['at' => [300, 40, 220], 'ties' => [['square' => 'pump.out']]]], 1,
        [300.0, 40.0, 200.0],
    ],
]);

it('spells out a loop of ends that follow one another', function (): void {
    $file = bookOf(['like' => ['run' => 'vent', 'end' => 'from', 'offset' => [0, 9, 0]]]);
    $file->runs[1]->from = Jobs::object(['like' => ['run' => '7', 'end' => 'to', 'offset' => [0, 9, 0]]]);
    $file->runs[2]->to = Jobs::object(['like' => ['run' => 'vent', 'end' => 'from', 'offset' => [0, 9, 0]]]);
    expect(static fn () => Job::read($file))
        ->toThrow(JobError::class, 'the start of Vent → the end of 7 → the start of Vent');
});

it('leaves out of a loop what only leads to it', function (): void {
    $like = static fn (string $run, string $end): stdClass => Jobs::object([
        'like' => ['run' => $run, 'end' => $end, 'offset' => [0, 9, 0]],
    ]);
    $file = bookOf();
    [$file->runs[0]->from, $file->runs[1]->from] = [$like('vent', 'from'), $like('7', 'from')];
    [$file->runs[2]->from, $file->runs[2]->to] = [$like('7', 'to'), $like('7', 'from')];
    expect(static fn () => Job::read($file))
        ->toThrow(JobError::class, 'comes back to itself: the start of 7 → the end of 7 → the start of 7');
});

it('spells out a loop over the one length of a set', function (): void {
    $file = bookOf();
    $file->version = 2;
    $file->sets = [Jobs::object(['id' => 's', 'name' => 'Pair', 'runs' => ['vent', '7']])];
    // Vent gives by its corner, to which the other of the set is tied.
    $file->runs[1]->route->stops = [Jobs::object(['at' => [50, 900, 40]])];
    $file->runs[1]->fixed_length = Jobs::object([
        'same_as' => 's', 'tolerance' => 1, 'adjust' => ['stops' => [0], 'along' => '+z'],
    ]);
    $file->runs[2]->route->stops = [Jobs::object([
        'at' => [50, 900, 90], 'ties' => [['level' => '+z', 'with' => ['stop' => 0, 'run' => 'vent']]],
    ])];
    $file->runs[2]->fixed_length = Jobs::object(['same_as' => 's', 'tolerance' => 1]);
    expect(static fn () => Job::read($file))->toThrow(
        JobError::class, ': Vent → the one length of Pair → 7 → corner 1 of Vent → Vent',
    );
});

it('is as long as the longest of a set, each as long as it is by itself', function (): void {
    $file = bookOf();
    $file->version = 2;
    $file->sets = [Jobs::object(['id' => 's', 'runs' => ['vent', '7']])];
    foreach ([1 => 100, 2 => 180] as $run => $length) {
        $file->runs[$run]->to->at = [$length, 900, 0];
        $file->runs[$run]->fixed_length = Jobs::object(['same_as' => 's', 'tolerance' => 1]);
    }
    $site = RouteBook::site($job = new Node($file));
    expect(RouteBook::of($site)->longest($site, 's', $job))->toEqualWithDelta(180.0, 1e-9)
        ->and(RouteBook::of($site)->longest($site, 'none', $job))->toBeNull();
});
