<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Fitting;
use Bowline\Job\JobError;
use Bowline\Job\Part\PartKind;
use Bowline\Job\Part\PartKinds;
use Bowline\Job\Part\Solid;
use Bowline\Job\Port;
use Tests\Jobs;

function fittingOf(array $part, array $more = []): Fitting
{
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->version = 2;
    $file->fittings[] = Jobs::object(['id' => 'f', 'part' => $part, ...$more]);

    return Job::read($file)->site->fittings['f'];
}

dataset('kinds', array_combine(
    array_map(static fn (PartKind $kind): string => $kind->title(), PartKinds::all()),
    array_map(static fn (PartKind $kind): array => [$kind], PartKinds::all()),
));

it('makes every part of the library with ports that point out of it and away from each other', function (
    PartKind $kind,
): void {
    $fitting = fittingOf(['kind' => $kind->word()]);
    expect($fitting->ports)->not->toBe([])->and($fitting->solids)->not->toBe([]);
    $middle = array_reduce(
        $fitting->ports,
        fn ($sum, $port) => $sum->plus($port->at->times(1 / count($fitting->ports))),
        Vector::zero(),
    );
    foreach ($fitting->ports as $port) {
        expect($port->axis->length())
            ->toEqualWithDelta(1, 1e-12)
            ->and($port->at->minus($middle)->dot($port->axis))
            ->toBeGreaterThanOrEqual(-1e-9);
    }
})->with('kinds');

/** @return float distance of a point from the bodies of a fitting, negative inside, mm */
function offBodies(Fitting $fitting, Vector $at): float
{
    return min(array_map(static function (Solid $solid) use ($fitting, $at): float {
        $own = $solid->pose->within($fitting->pose)->ownPoint($at);

        return $solid->shape->outside($own->x, $own->y, $own->z, 1e3)[0];
    }, $fitting->solids));
}

it('has each port on the face of a body: nothing in front of it, material behind', function (PartKind $kind): void {
    foreach ([8.0, 22.0, 60.3, 168.3] as $tube) {
        $fitting = fittingOf(['kind' => $kind->word(), ...$kind->forTube($tube)], ['pose' => ['at' => [5, 6, 7]]]);
        foreach ($fitting->ports as $port) {
            expect(offBodies($fitting, $port->at))->toEqualWithDelta(0, 1e-9)
                ->and(offBodies($fitting, $port->at->plus($port->axis->times(50))))->toBeGreaterThan(5)
                ->and(offBodies($fitting, $port->at->minus($port->axis->times(3))))->toBeLessThan(-1);
        }
    }
})->with('kinds');

/** Whether a point of one body, of a lattice over its extent, lies in or on another. */
function reachesInto(Solid $one, Solid $other): bool
{
    $half = $one->shape->halfExtent();
    foreach ([-1.0, -0.5, 0.0, 0.5, 1.0] as $x) {
        foreach ([-1.0, -0.5, 0.0, 0.5, 1.0] as $y) {
            foreach ([-1.0, -0.5, 0.0, 0.5, 1.0] as $z) {
                $at = $one->pose->point(new Vector($x * $half->x, $y * $half->y, $z * $half->z));
                $own = $other->pose->ownPoint($at);
                if ($one->shape->outside($x * $half->x, $y * $half->y, $z * $half->z, 1e3)[0] < 1e-6
                    && $other->shape->outside($own->x, $own->y, $own->z, 1e3)[0] < 1e-6) {
                    return true;
                }
            }
        }
    }

    return false;
}

it('has no loose body: all of them hang together', function (PartKind $kind): void {
    $rest = fittingOf(['kind' => $kind->word()])->solids;
    $reached = [array_shift($rest)];
    for ($next = 0; $next < count($reached); $next++) {
        foreach ($rest as $number => $solid) {
            if (reachesInto($solid, $reached[$next]) || reachesInto($reached[$next], $solid)) {
                $reached[] = $solid;
                unset($rest[$number]);
            }
        }
    }
    expect(array_keys($rest))->toBe([]);
})->with('kinds');

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
