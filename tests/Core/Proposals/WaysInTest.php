<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Proposals\LinearFit;
use Bowline\Proposals\WaysIn;
use Tests\Jobs;

/** A run that has gone up 150 from the pump, and a port somewhere. */
function towards(array $at, array $axis): array
{
    $file = Jobs::file([['along' => '+z', 'length' => 150]], ['at' => [0, 0, 200]]);
    $file->fittings[] = (object) [
        'id' => 'filter',
        'pose' => (object) ['at' => $at],
        'ports' => [(object) ['id' => 'in', 'at' => [0, 0, 0], 'axis' => $axis]],
    ];
    $job = Job::read($file);

    return WaysIn::of($job, $job->runs['run'], $job->site->ports['filter.in']);
}

/** @return array<array<int>> corners after the one the run had come to */
function cornersOf(array $way): array
{
    return array_map(
        static fn ($vertex): array => array_map(static fn (float $x): int => (int) round($x), $vertex->at->toArray()),
        array_slice($way['solved']->laid->vertices, 2, -1),
    );
}

it('comes in straight where the end lies on the axis', function (): void {
    $ways = towards([300, 0, 200], [-1, 0, 0]);
    expect($ways[0]['bends'])->toBe(1)->and(cornersOf($ways[0]))->toBe([]);
});

it('comes in with one corner square to the axis', function (): void {
    // From above the pump out along +y, then along +x into a port that looks back along −x.
    $ways = towards([300, 250, 200], [-1, 0, 0]);
    expect($ways[0]['bends'])->toBe(2)->and(cornersOf($ways[0]))->toBe([[0, 250, 200]]);
});

it('offers a way along the axes before a slanting one with as many bends', function (): void {
    // Into a port that looks down at (300, 250, 500): over x and then y, or slanting straight across.
    $ways = towards([300, 250, 0], [0, 0, 1]);
    $slanting = fn (array $way): int => count(
        array_filter($way['solved']->laid->legs, fn ($leg): bool => $leg->direction->axisName() === null),
    );
    foreach ($ways as $i => $way) {
        $next = $ways[$i + 1] ?? null;
        expect($next === null || [$way['bends'], $slanting($way)] <= [$next['bends'], $slanting($next)])->toBeTrue();
    }
    expect(array_unique(array_map($slanting, $ways)))->toContain(0)->toContain(1);
});

it('goes straight on where that saves a bend', function (): void {
    // Port higher up and to the side: up to its height, then in.
    $ways = towards([300, 0, 420], [-1, 0, 0]);
    expect($ways[0]['bends'])->toBe(1)->and(cornersOf($ways[0]))->toBe([[0, 0, 420]]);
});

it('brings every way in on the axis with room for every bend, fewest bends first', function (): void {
    mt_srand(5);
    $found = 0;
    for ($i = 0; $i < 40; $i++) {
        $at = [500 * Jobs::random(), 500 * Jobs::random(), 300 + 300 * Jobs::random()];
        $axis = [[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, 0, 1], [0, 0, -1], [1, 2, 2]][$i % 6];
        $bends = 0;
        foreach (towards($at, $axis) as $way) {
            $found++;
            $laid = $way['solved']->laid;
            $arriving = $laid->legs[count($laid->legs) - 1]->direction;
            expect($way['solved']->findings)->toBe([])
                ->and($arriving->angleTo((new Vector(...$axis))->unit()->times(-1.0)))->toBeLessThan(1e-6)
                ->and($way['bends'])->toBeGreaterThanOrEqual($bends)
                ->and(count($laid->vertices))->toBeLessThanOrEqual(6);
            $bends = $way['bends'];
        }
    }
    expect($found)->toBeGreaterThan(60);
});

it('follows its port: corners level with it are told so', function (): void {
    $file = Jobs::file([['along' => '+z', 'length' => 150]], ['at' => [0, 0, 200]]);
    $file->fittings[] = (object) [
        'id' => 'filter',
        'pose' => (object) ['at' => [300, 250, 380]],
        'ports' => [(object) ['id' => 'in', 'at' => [0, 0, 0], 'axis' => [-1, 0, 0]]],
    ];
    $job = Job::read($file);
    $way = WaysIn::of($job, $job->runs['run'], $job->site->ports['filter.in'])[0];
    $file->runs = [$way['item']];
    $file->fittings[1]->pose->at = [340, 300, 400];
    $moved = Jobs::solve($file);
    expect($moved->findings)->toBe([])->and(count($moved->laid->bends))->toBe($way['bends']);

    $job = Job::read($file);
    expect(fn () => WaysIn::of($job, $job->runs['run'], $job->site->ports['filter.in']))->toThrow(EditError::class);
});

it('makes up a vector of directions only where there is one way to', function (): void {
    $x = new Vector(1, 0, 0);
    $y = new Vector(0, 1, 0);
    $slant = new Vector(0.6, 0.8, 0);
    expect(LinearFit::solve([$x, $slant], new Vector(2, 4, 0)))->toEqualWithDelta([-1.0, 5.0], 1e-9)
        ->and(LinearFit::solve([$x, $y, $slant], new Vector(2, 4, 0)))->toBeNull()
        ->and(LinearFit::solve([$x, $y], new Vector(2, 4, 1)))->toBeNull();
});
