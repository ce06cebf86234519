<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Port;
use Tests\Jobs;

function fittingOf(array $part, array $more = []): Bowline\Job\Fitting
{
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->version = 2;
    $file->fittings[] = Jobs::object(['id' => 'f', 'part' => $part, ...$more]);

    return Job::read($file)->site->fittings['f'];
}

it('makes every part of the library with ports that point out of it and away from each other', function (
    PartKind $kind,
): void {
    $fitting = fittingOf(['kind' => $kind->value]);
    expect($fitting->ports)->not->toBe([])->and($fitting->solids)->not->toBe([]);
    $middle = array_reduce(
        $fitting->ports,
        fn ($sum, $port) => $sum->plus($port->at->times(1 / count($fitting->ports))),
        Bowline\Geometry\Vector::zero(),
    );
    foreach ($fitting->ports as $port) {
        expect($port->axis->length())
            ->toEqualWithDelta(1, 1e-12)
            ->and($port->at->minus($middle)->dot($port->axis))
            ->toBeGreaterThanOrEqual(-1e-9);
    }
})->with(PartKind::cases());

it('lets ports follow their numbers', function (): void {
    $manifold = fittingOf(['kind' => 'manifold', 'ports' => 6, 'pitch' => '50 + 5']);
    $x = array_map(static fn (Port $port): float => $port->at->x, array_values($manifold->ports));
    expect(array_keys($manifold->ports))->toEqual(['in', 1, 2, 3, 4, 5, 6])
        ->and($x[4] - $x[3])->toEqualWithDelta(55, 1e-9);
    $elbow = fittingOf(['kind' => 'elbow', 'leg' => 40, 'angle' => 45], ['pose' => ['at' => [10, 0, 0]]]);
    expect($elbow->ports['b']->at->toArray())->toEqualWithDelta([10 + 40 * sqrt(0.5), 0, 40 * sqrt(0.5)], 1e-9)
        ->and($elbow->ports['b']->axis->toArray())->toEqualWithDelta([sqrt(0.5), 0, sqrt(0.5)], 1e-9);
    expect(
        fittingOf(['kind' => 'tee', 'leg' => 30, 'branch' => 50, 'size' => 22])->ports['branch']->at->toArray(),
    )->toEqual([0.0, 0.0, 50.0]);
});

it('refuses what a part has not', function (array $part, string $why): void {
    expect(fn () => fittingOf($part))->toThrow(JobError::class, $why);
})->with([
    [['kind' => 'manifold', 'ports' => 2.5], 'whole number'],
    [['kind' => 'elbow', 'angle' => 200], 'Turns by'],
    [['kind' => 'tee', 'bore' => 3], 'a tee has no “bore”'],
]);
