<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\AllowedSpacing;
use Bowline\Proposals\Supports;
use Bowline\Routing\LaidRun;
use Bowline\Routing\SupportSpans;
use Bowline\Solving\Solver;
use Tests\Jobs;

/*
 * Supports: the table, what counts as one, and clamps put where they are lacking. Spacings of MSS SP-58 for
 * standard-weight steel pipe and copper tube, water service: DN 25 2.1 m, DN 50 3.0 m, DN 100 4.3 m; copper 15 1.5 m,
 * 28 1.8 m.
 */

/** A stock of a kind, an outside diameter and a density. */
$stock = static fn (string $kind, float $od, float $density, array $more = []): array => [
    'id' => 's', 'kind' => $kind, 'section' => ['shape' => 'round', 'od' => $od, 'wall' => 2],
    'bend' => ['radius' => 3 * $od, 'min_radius' => 2 * $od, 'min_straight' => 20], 'density' => $density, ...$more,
];

/** A pipe of 33.7 (DN 25) from a port along x to another, 6 m apart, with what stands around. */
$pipe = static fn (array $surroundings = [], array $run = [], array $more = []): stdClass => Jobs::decoded([
    'format' => 'bowline-job', 'version' => 5, 'name' => 'Pipe', 'up' => 'z',
    'stock' => [$stock('pipe', 33.7, 7850, $more)],
    'fittings' => [
        [
            'id' => 'a', 'pose' => ['at' => [0, 0, 0]],
            'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => [1, 0, 0]]],
        ],
        [
            'id' => 'b', 'pose' => ['at' => [6000, 0, 0]],
            'ports' => [['id' => 'p', 'at' => [0, 0, 0], 'axis' => [-1, 0, 0]]],
        ],
    ],
    'surroundings' => $surroundings,
    'runs' => [[
        'id' => 'r', 'stock' => 's', 'from' => ['port' => 'a.p'], 'to' => ['port' => 'b.p'],
        'route' => ['kind' => 'corners', 'stops' => []], ...$run,
    ]],
]);

$laid = static function (stdClass $file): LaidRun {
    $run = Job::read($file)->runs['r'];

    return $run->route->lay($run);
};

/** The job with the clamps that are put there. */
$supported = static function (stdClass $file): stdClass {
    $job = Job::read($file);
    foreach (Supports::of($job, $job->runs['r'])->edits() as ['list' => $list, 'id' => $id, 'item' => $item]) {
        $items = array_column($file->{$list} ?? [], null, 'id');
        $file->{$list} = array_values([...$items, $id => $item]);
    }

    return Jobs::decoded(json_decode(json_encode($file, JSON_THROW_ON_ERROR), true));
};

$rules = static fn (stdClass $file): array => array_column(
    (new Solver(Job::read($file)))->run(Job::read($file)->runs['r'])->findings, 'rule',
);

it('knows the table', function (string $kind, float $od, float $density, ?int $expected) use ($stock, $pipe): void {
    $file = $pipe();
    $file->stock = [Jobs::object($stock($kind, $od, $density))];

    expect(AllowedSpacing::of(Job::read($file)->runs['r']->stock)?->distance)->toEqual($expected);
})->with([
    'DN 15' => ['pipe', 21.3, 7850, 2100], 'DN 25' => ['pipe', 33.7, 7850, 2100], 'DN 50' => ['pipe', 60.3, 7850, 3000],
    'DN 100' => ['pipe', 114.3, 7850, 4300], 'DN 300' => ['pipe', 323.9, 7850, 7000],
    'stainless, DN 50' => ['pipe', 60.3, 7930, 3000], 'copper 15' => ['tube', 15, 8940, 1500],
    'copper 28' => ['tube', 28, 8940, 1800], 'copper 54' => ['tube', 54, 8940, 2400],
    'a steel tube, thinner than the table is for' => ['tube', 33.7, 7850, null],
    'a pipe that is smaller than all' => ['pipe', 10, 7850, null], 'aluminium' => ['pipe', 60.3, 2700, null],
    'a hose' => ['hose', 33.7, 7850, null],
]);

it('takes what is told of the stock', function () use ($pipe): void {
    $file = $pipe([], [], ['support_spacing' => 1250]);

    expect(AllowedSpacing::of(Job::read($file)->runs['r']->stock)?->distance)->toBe(1250.0);
});

it('counts ports, clamps and clips as supports, but no end in the open', function (
    array $run,
    array $spans,
    bool $overhangs,
) use ($pipe, $laid): void {
    $file = $pipe([], $run);
    $file->clamps = [Jobs::object([
        'id' => 'k', 'at' => [2000, 0, 0], 'axis' => [1, 0, 0], 'bore' => 33.7, 'width' => 30,
    ])];
    $found = SupportSpans::of($laid($file));

    expect($found)->toEqualWithDelta($spans, 1e-6)
        ->and(SupportSpans::isOverhang($laid($file), ...$found[count($found) - 1]))->toBe($overhangs);
})->with([
    'ports' => [[], [[0, 6000]], false],
    'an end in the open' => [['to' => ['at' => [6000, 0, 0]]], [[0, 6000]], true],
    'a clamp' => [
        ['route' => ['kind' => 'corners', 'stops' => [['clamp' => 'k', 'before' => 20, 'after' => 20]]]],
        [[0, 2000], [2000, 6000]], false,
    ],
    'clips' => [
        ['repeats' => [['kind' => 'clip', 'count' => 2, 'from' => 1500, 'to' => 1500]]],
        [[0, 1500], [1500, 4500], [4500, 6000]], false,
    ],
    'ties hold nothing' => [
        ['repeats' => [['kind' => 'tie', 'count' => 2, 'from' => 1500, 'to' => 1500]]], [[0, 6000]], false,
    ],
]);

it('puts as few clamps as are needed, evenly, on what they can stand on', function (
    float $spacing,
    array $floor,
    array $places,
    array $hosts,
) use ($pipe, $supported, $laid, $rules): void {
    $before = $pipe($floor, [], ['support_spacing' => $spacing]);
    expect($rules($before))->toBe(['support-spacing']);
    $after = $supported($before);
    $clamps = array_values(Job::read($after)->site->clamps);

    expect($rules($after))->toBe([])
        ->and(array_map(static fn ($clamp): float => $clamp->at->x, $clamps))->toEqualWithDelta($places, 20.01)
        ->and(array_map(static fn (stdClass $clamp): ?string => $clamp->on ?? null, $after->clamps))->toBe($hosts)
        ->and($laid($after)->length())->toEqualWithDelta(6000.0, 1e-6);
    foreach ($clamps as $clamp) {
        expect($clamp->at->y)->toEqualWithDelta(0.0, 1e-9)->and($clamp->at->z)->toEqualWithDelta(0.0, 1e-9);
    }
})->with([
    // 6000 / 2100: three lengths.
    'in the open' => [2100, [], [2000, 4000], [null, null]],
    'just one' => [3000, [], [3000], [null]],
    // Its top is at -150.
    'on a floor' => [
        2100, [['id' => 'floor', 'shape' => 'box', 'pose' => ['at' => [3000, 0, -200]], 'size' => [8000, 400, 100]]],
        [2000, 4000], ['floor', 'floor'],
    ],
    // A beam is under 1,900 to 2,000, where the even place is at its edge; nothing is under the other.
    'on a beam beside the even place' => [
        2100, [['id' => 'beam', 'shape' => 'box', 'pose' => ['at' => [1950, 0, -200]], 'size' => [100, 400, 100]]],
        [2000, 4000], ['beam', null],
    ],
    'too far above a floor' => [
        2100, [['id' => 'floor', 'shape' => 'box', 'pose' => ['at' => [3000, 0, -500]], 'size' => [8000, 400, 100]]],
        [2000, 4000], [null, null],
    ],
    'many' => [700, [], [667, 1333, 2000, 2667, 3333, 4000, 4667, 5333], array_fill(0, 8, null)],
]);

it('goes to a beam where the even place has nothing to stand on', function () use ($pipe, $supported): void {
    $beam = static fn (string $id, float $x): array => [
        'id' => $id, 'shape' => 'box', 'pose' => ['at' => [$x, 0, -200]], 'size' => [80, 400, 100],
    ];
    // Even would be 2,000 and 4,000.
    $after = $supported($pipe([$beam('one', 2060), $beam('two', 3960)]));
    $clamps = array_values(Job::read($after)->site->clamps);

    expect(array_column($after->clamps, 'on'))->toBe(['one', 'two'])
        ->and(abs($clamps[0]->at->x - 2060))->toBeLessThanOrEqual(40.0)
        ->and(abs($clamps[1]->at->x - 3960))->toBeLessThanOrEqual(40.0)
        ->and($clamps[0]->foot)->toEqual(new Vector($clamps[0]->at->x, 0.0, -150.0));
});

it('keeps bends free, and everything where it was', function () use ($pipe, $supported, $laid, $rules): void {
    $route = ['kind' => 'corners', 'stops' => [
        ['along' => '+x', 'length' => 2000], ['along' => '+y', 'length' => 1500], ['along' => '+x', 'length' => 1000],
        ['along' => '-y', 'length' => 1500], ['along' => '+x', 'length' => 3000],
    ]];
    $before = $pipe([], ['route' => $route], ['support_spacing' => 900]);
    $whole = $laid($before);
    $after = $supported($before);
    $again = $laid($after);

    expect($rules($after))->toBe([])->and($again->length())->toEqualWithDelta($whole->length(), 1e-6);
    for ($i = 0; $i <= 100; $i++) {
        expect($again->path->pointAt($whole->length() * $i / 100)->distanceTo(
            $whole->path->pointAt($whole->length() * $i / 100),
        ))->toBeLessThan(1e-6);
    }
    foreach (Job::read($after)->site->clamps as $clamp) {
        $along = $whole->path->closestTo($clamp->at);
        foreach ($whole->bends as $bend) {
            $half = $clamp->width / 2;
            expect($along + $half <= $bend->start || $along - $half >= $bend->end())->toBeTrue();
        }
    }
    // A clamp round its own run is no clash.
    $job = Job::read($after);
    expect((new Clearances($job, [$again]))->all())->toBe([]);
});

it('puts clamps on a run that is a smooth curve', function () use ($pipe, $supported, $rules): void {
    $before = $pipe([], ['route' => ['kind' => 'flow', 'points' => [[3000, 600, 0]]]], ['support_spacing' => 2500]);
    expect($rules($before))->toBe(['support-spacing'])->and($rules($supported($before)))->toBe([]);
});

it('puts clamps on the one length that is asked about', function (?float $begins, array $places) use ($pipe): void {
    // A clip in the middle: two lengths of 3,000 of which each needs one.
    $job = Job::read($pipe([], ['repeats' => [['kind' => 'clip', 'count' => 1, 'from' => 3000, 'to' => 3000]]]));
    $clamps = Supports::of($job, $job->runs['r'], $begins)->clamps;

    expect(array_map(static fn (stdClass $clamp): float => $clamp->at[0], $clamps))->toEqualWithDelta($places, 10.01);
})->with([
    'the first' => [0.0, [1500]], 'the second' => [3000.0, [4500]], 'both' => [null, [1500, 4500]],
]);

it('says where there is no room, and where none is needed', function (array $run, float $spacing, string $words) use (
    $pipe,
): void {
    $job = Job::read($pipe([], $run, ['support_spacing' => $spacing]));
    expect(static fn (): Supports => Supports::of($job, $job->runs['r']))->toThrow(EditError::class, $words);
})->with([
    'often enough' => [[], 6000.0, 'r is supported often enough.'],
    // Its least straight is that of its clamps.
    'nearer than clamps are wide' => [[], 20.0, 'There is no straight for clamps between 0 mm and 6000 mm'],
]);
