<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Job;
use Bowline\Proposals\ClearanceCures;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Tests\Jobs;
use Tests\RandomScenes;

/* Moves of a leg by which two things come as far apart as they have to be: a tube of 12 in legs of 400, bends of 36. */

/**
 * @param  list<array<string, mixed>>  $surroundings
 * @param  list<array<string, mixed>>  $others  runs
 */
function curesOf(array $surroundings, array $others = [], array $clearances = ['usual' => 20]): array
{
    $job = Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'fittings' => [], 'surroundings' => $surroundings, 'clearances' => $clearances,
        'runs' => [[
            'id' => 'run', 'name' => 'Run', 'stock' => 't12', 'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [800, 400, 0]],
            'route' => ['kind' => 'corners', 'stops' => [
                ['at' => [400, 0, 0]], ['at' => [400, 400, 0]],
            ]],
        ], ...$others],
    ]));
    $laid = array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
    $clearances = new Clearances($job, $laid);

    return [(new ClearanceCures($job, $laid, $clearances))->of($clearances->all()[0]), $job];
}

/** A box whose face looks at the leg from (400, 0) to (400, 400), so far off its outside. */
function beside(float $gap): array
{
    return [
        'id' => 'box', 'name' => 'Box', 'shape' => 'box', 'pose' => ['at' => [400 + 6 + $gap + 25, 200, 0]],
        'size' => [50, 60, 60],
    ];
}

it('moves the leg by what is lacking', function (float $gap, float $by): void {
    [$cures] = curesOf([beside($gap)]);

    expect($cures[0]->words)->toBe(sprintf('Move leg 2 of Run by %d mm along −x', $by))
        ->and($cures[0]->items[0]['item']->route->stops[0]->at[0])->toEqualWithDelta(400 - $by, 1e-6)
        ->and($cures[0]->items[0]['item']->route->stops[1]->at[0])->toEqualWithDelta(400 - $by, 1e-6);
})->with(['12 of 20 are left' => [12, 8], '5 deep in it' => [-5, 25]]);

it('keeps it as far off all else as it has to be, and its bends whole', function (): void {
    $wall = [
        'id' => 'wall', 'name' => 'Wall', 'shape' => 'box', 'pose' => ['at' => [350, 200, 0]], 'size' => [40, 60, 60],
    ];
    // The wall is 24 off on the other side: 8 back leaves 16.
    [$cures] = curesOf([beside(12), $wall]);
    expect(implode(', ', array_column($cures, 'words')))->not->toContain('along −x');
});

it('offers each of two runs', function (): void {
    [$cures] = curesOf([], [[
        'id' => 'other', 'name' => 'Other', 'stock' => 't12', 'from' => ['at' => [0, 100, 30]],
        'to' => ['at' => [800, 100, 30]],
        'route' => ['kind' => 'corners', 'stops' => [
            ['at' => [200, 100, 30]], ['at' => [200, 200, 30]], ['at' => [600, 200, 30]], ['at' => [600, 100, 30]],
        ]],
    ]]);

    // 30 − 12 = 18 are left between the legs that cross, of 20.
    expect(implode(', ', array_column($cures, 'words')))->toContain('Move leg 3 of Other by 2 mm along +z')
        ->toContain('Move leg 2 of Run by 2 mm along −z');
});

it('offers none where none is a cure', function (): void {
    [$cures] = curesOf([beside(12)], [], ['usual' => 600]);
    expect($cures)->toBe([]);
});

/**
 * A pump of 100 on every side, and a tube of 12 from its top, 300 up to a port of a tank; a cabinet beside the pump.
 *
 * @param  list<float>  $cabinet  middle
 */
function besideCabinet(array $cabinet, array $more = []): Job
{
    $box = static fn (string $id, array $at, array $size, array $ports): array => [
        'id' => $id, 'name' => ucfirst($id), 'pose' => ['at' => $at],
        'body' => ['shape' => 'box', 'size' => $size], 'ports' => $ports,
    ];

    return Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'surroundings' => [], 'clearances' => ['usual' => 20], 'fittings' => [
            $box('pump', [0, 0, 0], [100, 100, 100], [['id' => 'out', 'at' => [0, 0, 50], 'axis' => [0, 0, 1]]]),
            $box('cabinet', $cabinet, [100, 100, 100], []),
        ],
        'runs' => [[
            'id' => 'feed', 'name' => 'Feed', 'stock' => 't12', 'from' => ['port' => 'pump.out'],
            'to' => ['at' => [400, 0, 350]],
            'route' => ['kind' => 'corners', 'stops' => [['along' => '+z', 'length' => 300]]],
        ]], ...$more,
    ]));
}

/** @return list<string> words of the cures of the first that is too near */
function placeCures(Job $job): array
{
    $laid = array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
    $clearances = new Clearances($job, $laid);
    $all = $clearances->all();
    $cures = (new ClearanceCures($job, $laid, $clearances))->of($all[0]);
    foreach ($cures as $cure) {
        // Taken, nothing is too near any more.
        $file = clone $job->source;
        foreach ($cure->items as ['list' => $list, 'item' => $item]) {
            $items = array_column($file->{$list}, null, 'id');
            $file->{$list} = array_values([...$items, $item->id => $item]);
        }
        $after = Job::read(Jobs::decoded(json_decode(json_encode($file, JSON_THROW_ON_ERROR), true)));
        expect((new Clearances($after, array_map(
            static fn (Run $run): LaidRun => $run->route->lay($run), array_values($after->runs),
        )))->all())->toBe([]);
    }

    return array_column($cures, 'words');
}

it('moves a fitting that is too near to another, with what hangs on it', function (): void {
    // 8 of 20 are left along x.
    expect(placeCures(besideCabinet([108, 0, 0])))->toContain('Move Cabinet by 12 mm along +x')
        ->toContain('Move Pump by 12 mm along −x');
});

it('moves a fitting out of another that it stands in', function (): void {
    // 100 along y, less the 90 that they are beside each other, and 20 between.
    expect(placeCures(besideCabinet([30, 90, 0])))->toContain('Move Cabinet by 30 mm along +y');
});

it('moves a fitting out of the way of a run', function (): void {
    // Its face is 10 from the axis of the tube, 4 from its side: 16 are lacking.
    expect(placeCures(besideCabinet([60, 0, 200])))->toContain('Move Cabinet by 16 mm along +x');
});

it('moves no fitting where that brings it too near to something else', function (): void {
    $wall = static fn (string $id, array $at): array => [
        'id' => $id, 'name' => ucfirst($id), 'shape' => 'box', 'pose' => ['at' => $at], 'size' => [10, 600, 600],
    ];
    // A wall 22 behind the cabinet, and one 22 behind the pump.
    $cures = placeCures(besideCabinet([108, 0, 0], ['surroundings' => [
        $wall('behind', [108 + 50 + 22 + 5, 0, 0]), $wall('before', [-50 - 22 - 5, 0, 0]),
    ]]));

    expect(array_filter($cures, static fn (string $words): bool => str_contains($words, 'x')))->toBe([]);
});

/**
 * Two runs in one plane that cross twice: one rises within the other's level, which rises within its own.
 *
 * @param  array<string, mixed>  $more  of the job
 * @param  list<list<array<string, mixed>>>|null  $stops  of both
 */
function crossed(array $more = [], ?array $stops = null): Job
{
    $run = static fn (string $id, array $from, array $to, array $stops): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't12', 'from' => ['at' => $from], 'to' => ['at' => $to],
        'route' => ['kind' => 'corners', 'stops' => $stops],
    ];
    [$one, $other] = $stops ?? [
        [['at' => [0, 0, 100]], ['at' => [500, 0, 100]]], [['at' => [50, 0, 170]], ['at' => [600, 0, 170]]],
    ];

    return Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'surroundings' => [], 'clearances' => ['usual' => 20], 'fittings' => [],
        'runs' => [
            $run('feed', [0, 0, 0], [500, 0, 400], $one), $run('return', [50, 0, 0], [600, 0, 400], $other),
        ], ...$more,
    ]));
}

it('swaps two legs of runs that cross', function (): void {
    expect(placeCures(crossed()))->toContain('Swap leg 2 of Feed and leg 2 of Return');
});

it('offers no swap by which something else comes too near', function (): void {
    // Over the feed’s level there is no room for a tube that comes up to 170.
    $beam = ['id' => 'beam', 'name' => 'Beam', 'shape' => 'box', 'pose' => ['at' => [25, 0, 176]],
        'size' => [10, 300, 40]];
    $words = placeCures(crossed(['surroundings' => [$beam]]));

    expect(array_filter($words, static fn (string $one): bool => str_contains($one, 'Swap')))->toBe([]);
});

it('swaps the clamps of runs that cross', function (bool $isSwapped, float $bore): void {
    $clamp = static fn (string $id, float $z, float $bore): array => [
        'id' => $id, 'at' => [500, 0, $z], 'axis' => [1, 0, 0], 'width' => 20, 'bore' => $bore,
    ];
    $run = static fn (string $id, float $z, string $clamp): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't12', 'from' => ['at' => [0, 0, $z]],
        'to' => ['at' => [1000, 0, $z]],
        'route' => ['kind' => 'corners', 'stops' => [['clamp' => $clamp, 'before' => 60, 'after' => 60]]],
    ];
    // Each goes through the clamp that is level with the other, up or down and back: they cross on both sides.
    $words = placeCures(crossed([
        'clamps' => [$clamp('low', 100, $bore), $clamp('high', 170, 12)],
        'runs' => [$run('feed', 100, 'high'), $run('return', 170, 'low')],
    ]));

    expect(in_array('Swap the clamps of Feed and Return', $words, true))->toBe($isSwapped);
})->with(['that both fit' => [true, 12.0], 'of which one is too small' => [false, 8.0]]);

it('moves the clamp on a leg that is too near to something', function (array $clamps, array $words): void {
    // A level leg 14 under a beam, where 20 are needed; the corners before and behind it follow the clamps.
    $beam = ['id' => 'beam', 'name' => 'Beam', 'shape' => 'box', 'pose' => ['at' => [500, 0, 250]],
        'size' => [60, 300, 60]];
    $first = $clamps[0]['id'];
    $job = Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'fittings' => [], 'surroundings' => [$beam], 'clearances' => ['usual' => 20],
        'clamps' => $clamps,
        'runs' => [[
            'id' => 'run', 'name' => 'Run', 'stock' => 't12', 'from' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1]],
            'to' => ['at' => [1000, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => [
                ['along' => '+z', 'until' => $first],
                ...array_map(static fn (array $one): array => [
                    'clamp' => $one['id'], 'before' => 60, 'after' => 60,
                ], $clamps),
                ['along' => '+x', 'length' => 250],
            ]],
        ]],
    ]));

    expect(placeCures($job))->toBe($words);
})->with(static function (): array {
    $clamp = static fn (string $id, float $x): array => [
        'id' => $id, 'name' => 'Clamp '.$id, 'at' => [$x, 0, 200], 'axis' => [1, 0, 0], 'width' => 20, 'bore' => 12,
    ];

    return [
        'one' => [[$clamp('a', 600)], ['Move Clamp a by 6 mm along −z']],
        'two, of which one alone would bend it' => [[$clamp('a', 300), $clamp('b', 650)], []],
    ];
});

it('moves a corner between two slanting legs', function (): void {
    // It turns by 2·atan(150/400): its middle is 36·(1/cos − 1) = 2.448 under the corner, 153.55 with its half; the box
    // is at 160. 14 lower its outside is at 139.98.
    $box = ['id' => 'box', 'name' => 'Box', 'shape' => 'box', 'pose' => ['at' => [400, 180, 0]],
        'size' => [40, 40, 40]];
    $job = Job::read(Jobs::decoded([
        ...RandomScenes::boxes(1, 0), 'fittings' => [], 'surroundings' => [$box], 'clearances' => ['usual' => 20],
        'runs' => [[
            'id' => 'run', 'name' => 'Run', 'stock' => 't12', 'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => [800, 0, 0]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 150, 0]]]],
        ]],
    ]));

    expect(placeCures($job)[0])->toBe('Move corner 1 of Run by 14 mm along −y');
});
