<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Solving\SolvedRun;
use Bowline\Solving\Solver;
use Tests\Jobs;

/**
 * A hose of least radius 70 between two ports that face each other, so far apart and so long.
 *
 * @param  array<string, mixed>  $stock
 */
function facing(float $apart, float $length, array $stock = [], float $lead = 0.0): SolvedRun
{
    $job = Job::read(
        Jobs::decoded([
            'format' => 'bowline-job',
            'version' => 2,
            'stock' => [
                [
                    'id' => 'h',
                    'kind' => 'hose',
                    'section' => ['shape' => 'round', 'od' => 20, 'wall' => 4],
                    'bend' => ['radius' => 70, 'min_radius' => 70, 'min_straight' => 0],
                    'density' => 1200,
                    ...$stock,
                ],
            ],
            'runs' => [
                [
                    'id' => 'r',
                    'stock' => 'h',
                    'from' => ['at' => [0, 0, 0], 'axis' => '+x', ...$lead > 0.0 ? ['lead' => $lead] : []],
                    'to' => ['at' => [$apart, 0, 0], 'axis' => '-x', ...$lead > 0.0 ? ['lead' => $lead] : []],
                    'route' => ['kind' => 'spring', 'length' => $length],
                ],
            ],
        ]),
    );

    return (new Solver($job))->run($job->runs['r']);
}

it('tells the range of lengths that a hose is in when it keeps its radius', function (
    float $apart,
    float $length,
): void {
    $solved = facing($apart, $length);
    $range = $solved->facts;
    expect($solved->laid->path->leastRadius())
        ->toBeGreaterThanOrEqual(70.0)
        ->and($range->shortest)
        ->toBeLessThanOrEqual($length)
        ->and($range->longest ?? INF)->toBeGreaterThanOrEqual($length);
})->with([
    'hardly longer than its way' => [200, 210],
    'a wide loop, four times as long as its way' => [200, 800],
    'wide anyway' => [600, 720],
    'a loop of ten times its way' => [100, 1000],
]);

it('ends the range where the radius ends, to a millimetre', function (): void {
    // Laid again just within and just without, at both ends of the range that 230 is nearest to.
    $range = facing(200, 230)->facts;
    $radius = static fn (float $length): float => (float) facing(200, $length)->laid->path->leastRadius();
    expect($range->longest)
        ->not->toBeNull()
        ->and($radius($range->longest - 0.5))
        ->toBeGreaterThan(70.0)
        ->and($radius($range->longest + 0.5))
        ->toBeLessThan(70.0);
    // The loop of 800 over 200 keeps it from somewhere between: the length at which R 70 is just kept scales with the
    // radius.
    $loop = facing(200, 800)->facts->shortest;
    expect($radius($loop + 0.5))->toBeGreaterThanOrEqual(70.0)->and($radius($loop - 0.5))->toBeLessThan(70.0);
});

it('suggests the shortest length of its range in whole millimetres, unless it has that', function (): void {
    $range = facing(200, 800)->facts;
    expect($range->suggested)->toBe(ceil($range->shortest));
    foreach ([[0.0, null], [0.4, null], [-0.4, null], [0.6, $range->suggested]] as [$off, $suggested]) {
        expect(facing(200, $range->suggested + $off)->facts->suggested)->toBe($suggested);
    }
});

it('knows the length of its stock’s list that it has, and suggests no other', function (
    float $length, ?float $sold,
): void {
    $range = facing(200, $length, ['lengths' => [700, 800, 900]])->facts;
    expect($range->soldAs)->toBe($sold)->and($range->suggested)->toBeNull();
})->with([[800.0, 800.0], [800.5, 800.0], [899.5, 900.0], [800.6, null], [750.0, null], [1000.0, null]]);

it('is sold in no lengths where its stock has none', function (): void {
    expect(facing(200, 800)->facts->soldAs)->toBeNull();
});

it('has no range where no length keeps the radius', function (): void {
    // Of R 2000, up to two and a half times 200.
    $range = facing(200, 230, ['bend' => ['radius' => 2000, 'min_radius' => 2000, 'min_straight' => 0]])->facts;
    expect($range->shortest)->toBeNull()->and($range->longest)->toBeNull()->and($range->suggested)->toBeNull();
});

it('may have any length where it needs no radius', function (): void {
    $range = facing(200, 800, ['bend' => ['radius' => 0.001, 'min_radius' => 0, 'min_straight' => 0]])->facts;
    expect($range->shortest)->toBeGreaterThan(200.0)->toBeLessThan(200.1)->and($range->longest)->toBeNull();
});

it('knows the range of a loop that comes back to where it began', function (): void {
    // A circle, of which the radius is 70 at a length of 2π·70, but for the millionth by which a radius may come out
    // too small; of 800 it is 127.3.
    $solved = facing(0, 800);
    expect($solved->facts->shortest)->toBeGreaterThanOrEqual(140 * M_PI * (1.0 - 1.01e-6))
        ->toBeLessThan(140 * M_PI + 0.21)
        ->and($solved->facts->longest)->toBeNull()
        ->and($solved->laid->path->leastRadius())->toEqualWithDelta(400 / M_PI, 1e-3);
});

it('counts its sockets, and is the same between them', function (): void {
    [$bare, $socketed] = [facing(200, 230)->facts, facing(300, 330, [], 50)->facts];
    expect($socketed->longest)->toEqualWithDelta($bare->longest + 100, 1e-6)
        ->and($socketed->shortest)->toEqualWithDelta($bare->shortest + 100, 1e-6)
        ->and(array_column($socketed->shapes, 'least'))->toEqualWithDelta(array_column($bare->shapes, 'least'), 1e-4);
});

it('begins a range at the straight where that is how short it may be', function (): void {
    // A hose that is hardly longer than 600 is nearly straight.
    expect(facing(600, 605)->facts->shortest)->toBeGreaterThan(600.0)->toBeLessThan(600.3);
});

it('scales with all lengths', function (): void {
    // Twice as large in all: radii twice as large, energies half as large.
    $large = facing(400, 460, ['bend' => ['radius' => 140, 'min_radius' => 140, 'min_straight' => 0]])->facts;
    $small = facing(200, 230)->facts;
    expect(count($large->shapes))->toBe(count($small->shapes));
    foreach ($small->shapes as $i => $shape) {
        expect($large->shapes[$i]['least'])->toEqualWithDelta(2 * $shape['least'], 0.002 * $shape['least'])
            ->and($large->shapes[$i]['energy'])->toEqualWithDelta($shape['energy'] / 2, 0.002 * $shape['energy']);
    }
    expect($large->longest)->toEqualWithDelta(2 * $small->longest, 0.8);
});
