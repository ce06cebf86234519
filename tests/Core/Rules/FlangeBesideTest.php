<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\References;
use Bowline\Rules\Finding;
use Bowline\Solving\Solver;
use Tests\Jobs;

/*
 * Two tubes 12 × 1.5 that leave a manifold of two ports, each with a flange.
 */

/**
 * @param  array<string, mixed>  $one  flange of the first
 * @param  array<string, mixed>  $other  flange of the second
 * @param  array<string, mixed>  $second  place and axis of the second port; the first is at 0, looking up
 */
function besideEachOther(array $one, array $other, array $second): stdClass
{
    $run = static fn (string $id, array $flange, array $to): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't12', 'to' => ['at' => $to],
        'from' => ['port' => 'box.'.$id, 'end' => ['type' => 'flange', 'bore' => 13, 'thickness' => 10, ...$flange]],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];
    $axis = $second['axis'] ?? [0, 0, 1];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3,
        'stock' => [[
            'id' => 't12', 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1.5],
            'bend' => ['radius' => 30, 'min_radius' => 24, 'min_straight' => 20], 'density' => 7980,
        ]],
        'fittings' => [['id' => 'box', 'pose' => ['at' => [0, 0, 0]], 'ports' => [
            ['id' => 'feed', 'at' => [0, 0, 0], 'axis' => [0, 0, 1]],
            ['id' => 'back', 'at' => $second['at'], 'axis' => $axis],
        ]]],
        'runs' => [
            $run('feed', $one, [0, 0, 300]),
            $run('back', $other, array_map(
                static fn (float $at, float $way): float => $at + 300 * $way, $second['at'], $axis,
            )),
        ],
    ]);
}

/** @return list<Finding> of the second run */
function overlapsOf(stdClass $file): array
{
    return array_values(array_filter(
        (new Solver(Job::read($file)))->all()[1]->findings,
        static fn (Finding $finding): bool => $finding->rule === 'flange-beside',
    ));
}

$square = ['plate' => 'rectangle', 'width' => 40, 'height' => 40];

it('finds by how much one flange lies in that beside it', function (
    array $one,
    array $other,
    array $second,
    ?float $overlap,
): void {
    $found = overlapsOf(besideEachOther($one, $other, $second));

    expect($found)->toHaveCount($overlap === null ? 0 : 1);
    if ($overlap !== null) {
        expect($found[0]->measured)->toEqualWithDelta(-$overlap, 1e-6)
            ->and($found[0]->title)->toBe('The flange at box.back lies over that of Feed')
            ->and($found[0]->subject->isEnd('from'))->toBeTrue();
    }
})->with([
    // Half of 60 and half of 50 are 55.
    'round ones apart' => [['od' => 60], ['od' => 50], ['at' => [55.1, 0, 0]], null],
    'that touch' => [['od' => 60], ['od' => 50], ['at' => [55, 0, 0]], null],
    'that overlap' => [['od' => 60], ['od' => 50], ['at' => [52, 0, 0]], 3.0],
    'one behind the other' => [['od' => 60], ['od' => 50], ['at' => [20, 0, -10]], null],
    // Of 10 each, 4 in common: less than beside each other.
    'one in part behind the other' => [['od' => 60], ['od' => 50], ['at' => [20, 0, -6]], 4.0],
    'square ones, corner to corner' => [
        $square, [...$square, 'turn' => 45], ['at' => [45, 0, 0]],
        20 + 20 * M_SQRT2 - 45,
    ],
    'square ones, turned alike' => [
        $square, $square, ['at' => [45, 0, 0]], null,
    ],
    // The rim of the first is at x 30, from 0 to 10 up; the face of the second at x 29 goes away from it.
    'round the corner' => [['od' => 60], ['od' => 20], ['at' => [29, 0, 5], 'axis' => [1, 0, 0]], 1.0],
    'round the corner, clear' => [['od' => 60], ['od' => 20], ['at' => [30, 0, 5], 'axis' => [1, 0, 0]], null],
]);

it('is cured by a turn where that is enough, and by nothing that is not', function () use ($square): void {
    [$turned] = overlapsOf(besideEachOther($square, [...$square, 'turn' => 45], ['at' => [45, 0, 0]]));
    // A plate to the measure of a tube of 12 has its holes on 60 and is 90 across.
    [$close] = overlapsOf(besideEachOther(['od' => 60], ['od' => 200], ['at' => [100, 0, 0]]));
    [$closer] = overlapsOf(besideEachOther(['od' => 60], ['od' => 200], ['at' => [70, 0, 0]]));
    $labels = static fn (Finding $finding): array => array_map(
        static fn ($remedy): string => $remedy->label, $finding->remedies,
    );

    expect($labels($turned))->toBe(['Turn it by 45°', 'Leave the end open'])
        ->and($labels($close))->toBe(['Make a plate to its measure', 'Leave the end open'])
        ->and($labels($closer))->toBe(['Leave the end open']);
});

it('is found anew when the run beside it changes', function (): void {
    $runs = besideEachOther(['od' => 60], ['od' => 50], ['at' => [52, 0, 0]])->runs;
    $plain = Jobs::object(['id' => 'back', 'from' => ['port' => 'box.back']]);

    expect(References::runsOn($runs, [], ItemRef::run('feed')))->toEqualCanonicalizing(['feed', 'back'])
        // One without a flange hangs on nothing of the other.
        ->and(References::runsOn([$runs[0], $plain], [], ItemRef::run('feed')))->not->toContain('back');
});

it('reads runs whose ids are numbers', function (): void {
    $file = besideEachOther(['od' => 60], ['od' => 50], ['at' => [52, 0, 0]]);
    [$file->runs[0]->id, $file->runs[1]->id] = ['1', '2'];

    expect(overlapsOf($file))->toHaveCount(1);
});
