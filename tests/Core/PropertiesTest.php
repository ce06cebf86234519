<?php

declare(strict_types=1);

use Tests\Disturbed;
use Tests\Properties\Movements;
use Tests\Properties\Property;
use Tests\Properties\Relations;
use Tests\Properties\SmoothRuns;
use Tests\Properties\SprungHoses;
use Tests\Properties\StraightOnStops;
use Tests\Seeds;

/*
 * Laws that hold of any job, over random ones with fixed seeds; bench/properties.php takes any seeds and tells the
 * worst.
 */

it('holds of random jobs', function (Property $property, int $from, int $to): void {
    $limits = $property->limits();
    foreach (Seeds::of($from, $to - 1) as $seed) {
        foreach ($property->differences($seed) as $part => $difference) {
            expect($difference)->toBeLessThanOrEqual($limits[$part], sprintf('seed %d: %s', $seed, $part));
        }
    }
})->with([
    'stops on legs' => fn () => [new StraightOnStops, 0, 500],
    'smooth runs' => fn () => [new SmoothRuns, 0, 500],
    'one relation' => fn () => [new Relations(1), 0, 500],
    'two relations' => fn () => [new Relations(2), 0, 300],
    'three relations' => fn () => [new Relations(3), 0, 300],
    'sprung hoses' => fn () => [new SprungHoses, 0, 500],
    'cables that move' => fn () => [new Movements(true), 0, 15],
    'hoses that move' => fn () => [new Movements(false), 0, 5],
]);

it('shows nothing else when its numbers are a trillionth off', function (string $file): void {
    $json = (string) file_get_contents($file);
    $rest = Disturbed::solution($json, null);
    foreach (Seeds::areAll() ? [1, 2] : [1] as $seed) {
        expect(Disturbed::differences($rest, Disturbed::solution($json, $seed), 1e-6))->toBe([]);
    }
})->with(fn () => array_values(array_filter(
    [...(glob(__DIR__.'/../../database/demo/*.json') ?: []), ...(glob(__DIR__.'/../cases/*.json') ?: [])],
    static fn (string $file): bool => ! str_contains($file, '.expected.') && ! str_contains($file, 'bad-'),
)));
