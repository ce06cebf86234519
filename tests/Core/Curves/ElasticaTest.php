<?php

declare(strict_types=1);

use Bowline\Curves\Elastica;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/*
 * Euler's elastica between clamped ends. The energies and radii of the coaxial cases come from an independent
 * calculation (issue 10); the rest from closed forms or from laws that hold of every shape at rest.
 */

/** @return array{Vector, Vector, Vector, float} way, both directions and a length that is so many times the distance */
function randomHose(int $seed, float $times): array
{
    mt_srand($seed);
    $unit = static fn (): Vector => (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();

    return [$unit()->times(400.0), $unit(), $unit(), 400.0 * $times];
}

it('rests in the shape of least energy between ports that face each other', function (
    float $distance,
    float $length,
    float $energy,
    float $radius,
): void {
    $shape = Elastica::between(
        Vector::zero(),
        new Vector($distance, 0, 0),
        new Vector(1, 0, 0),
        new Vector(1, 0, 0),
        $length,
    )[0];
    expect($shape->energy)
        ->toEqualWithDelta($energy, 0.5e-4)
        ->and($shape->curve->least)
        ->toEqualWithDelta($radius, 0.05);
})->with([[200, 800, 0.0558, 80.4], [400, 1000, 0.0481, 99.1], [400, 1600, 0.0279, 160.7]]);

it('is right where it is nearly taut and turns sharply at its ends', function (): void {
    $shape = Elastica::between(
        Vector::zero(),
        new Vector(-12244, -3375, -5323),
        (new Vector(0.706, 0.667, 0.239))->unit(),
        (new Vector(0.209, -0.196, 0.958))->unit(),
        14046,
    )[0];
    expect($shape->curve->least)
        ->toEqualWithDelta(56.05, 0.005)
        ->and($shape->curve->end()->toArray())
        ->toEqualWithDelta([-12244, -3375, -5323], 1e-9);
});

it('follows the pendulum’s separatrix at a taut end', function (float $degrees): void {
    // One end along the pull: λ = slack/(2(1 − cos θ/2)), R = λ/(2 sin θ/2), ∫κ² = 4(1 − cos θ/2)/λ; aside by 2λ sin
    // θ/2.
    $angle = deg2rad($degrees);
    $decay = 12.0;
    $way = new Vector(1000 - 2 * $decay * (1 - cos($angle / 2)), 2 * $decay * sin($angle / 2), 0);
    $shape = Elastica::between(
        Vector::zero(),
        $way,
        new Vector(cos($angle), sin($angle), 0),
        new Vector(1, 0, 0),
        1000,
    )[0];
    expect($shape->curve->least)
        ->toEqualWithDelta($decay / (2 * sin($angle / 2)), 1e-9)
        ->and($shape->energy)
        ->toEqualWithDelta((4 * (1 - cos($angle / 2))) / $decay, 1e-9);
})->with([20.0, 90.0, 150.0, 179.0]);

it('comes to one shape on both sides of where the closed form takes over', function (): void {
    // λ is 1/25 of the length there; 1 % to either side the least radius goes with λ.
    $angle = deg2rad(100);
    $radius = static function (float $decay) use ($angle): float {
        $way = new Vector(1000 - 2 * $decay * (1 - cos($angle / 2)), 2 * $decay * sin($angle / 2), 0);

        return Elastica::between(
            Vector::zero(),
            $way,
            new Vector(cos($angle), sin($angle), 0),
            new Vector(1, 0, 0),
            1000,
        )[0]->curve->least / $decay;
    };
    expect($radius(40.4))->toEqualWithDelta($radius(39.6), 5e-6 * $radius(39.6));
});

it('is not moved by a trillionth, however symmetric its ends are', function (
    array $along,
    array $into,
    float $distance,
): void {
    mt_srand(5);
    $noise = static fn (): Vector => new Vector(1e-12 * Jobs::random(), 1e-12 * Jobs::random(), 1e-12 * Jobs::random());
    $shape = static fn (Vector $shift): Curve => Elastica::between(
        Vector::zero(),
        (new Vector($distance, 0, 0))->plus($shift->times(100)),
        (new Vector(...$along))->unit()->plus($shift)->unit(),
        (new Vector(...$into))->unit()->minus($shift)->unit(), 1000,
    )[0]->curve;
    $rest = $shape(Vector::zero());
    for ($n = 0; $n < 4; $n++) {
        $moved = $shape($noise());
        expect($moved->least)->toEqualWithDelta($rest->least, 1e-7 * $rest->least);
        foreach (range(0, 10) as $i) {
            expect($moved->pointAt(100 * $i)->distanceTo($rest->pointAt(100 * $i)))->toBeLessThan(1e-3);
        }
    }
})->with([
    'facing' => [[1, 0, 0], [1, 0, 0], 250.0],
    'facing, nearly taut' => [[1, 0, 0], [1, 0, 0], 990.0],
    'back to back' => [[-1, 0, 0], [-1, 0, 0], 500.0],
    'back to back, taut' => [[-1, 0, 0], [-1, 0, 0], 970.0],
    'side by side' => [[0, 1, 0], [0, -1, 0], 400.0],
    'across' => [[0, 1, 0], [0, 1, 0], 420.0],
    'one turned back' => [[1, 0, 0], [-1, 0, 0], 600.0],
    'one turned back, taut' => [[1, 0, 0], [-1, 0, 0], 960.0],
    'slanting' => [[1, 0, 1], [-1, 0, 1], 700.0],
]);

it('bulges upwards where it may bulge to any side', function (): void {
    $curve = Elastica::between(Vector::zero(), new Vector(900, 0, 0), new Vector(1, 0, 0), new Vector(1, 0, 0), 1000)[0]
        ->curve;
    expect($curve->pointAt(500)->z)->toBeGreaterThan(100.0)->and($curve->pointAt(500)->y)->toEqualWithDelta(0.0, 1e-4);
});

it('keeps its shape while its ends move, as long as that is stable', function (int $seed): void {
    [$to, $along, $into, $length] = randomHose($seed, 1.4);
    $shape = Elastica::between(Vector::zero(), $to, $along, $into, $length)[0];
    for ($i = 1; $i <= 6; $i++) {
        $shape = Elastica::after(
            $shape->curve,
            Vector::zero(),
            $to->plus(new Vector(0, 0, 4.0 * $i)),
            $along,
            $into,
            $length,
        );
    }
    $there = Elastica::between(Vector::zero(), $to->plus(new Vector(0, 0, 24.0)), $along, $into, $length, 4);
    $nearest = min(array_map(static fn (Elastica $one): float => abs($one->energy / $shape->energy - 1.0), $there));
    expect($nearest)->toBeLessThan(1e-6);
})->with(range(1, 12));
