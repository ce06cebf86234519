<?php

declare(strict_types=1);

use Bowline\Job\Entry;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Tests\Jobs;

it('says a length in the units of the job', function (Units $units, float $length, string $said): void {
    expect($units->say($length))->toBe($said);
})->with([
    [Units::millimetres(), 34.925, '34.93 mm'],
    [Units::inches(), 34.925, '1.375 in'],
    [Units::inches(16), 34.925, '1 3/8 in'],
    [Units::inches(16), 25.4, '1 in'],
    [Units::inches(16), -12.7, '−1/2 in'],
    [Units::inches(64), 0.396875, '1/64 in'],
    [Units::inches(32), 25.4 * (2 + 15 / 32), '2 15/32 in'],
    // Nearest: 10 mm is 6.299 sixteenths, 25.197 sixty-fourths.
    [Units::inches(16), 10.0, '3/8 in'],
    [Units::inches(64), 10.0, '25/64 in'],
    [Units::inches(16), 0.0, '0 in'],
    // A fraction that would hide it gives way to decimals.
    [Units::inches(16), 0.2, '0.008 in'],
]);

it('reads its own fractions back to the same length', function (): void {
    foreach (Units::FRACTIONS as $parts) {
        foreach ([1, 3, 7, 16, 33, 100, 129, 1000] as $top) {
            $length = $top / $parts * 25.4;
            $said = Units::inches($parts)->say($length);
            expect(Entry::read($said, Values::read(null))->value)->toEqualWithDelta($length, 1e-6);
        }
    }
});

it('takes a number without a unit as inches in a job of inches', function (string $typed, float $value): void {
    $values = Values::read(new Node(Jobs::object(['riser' => 100, 'n' => 2])));
    expect(Entry::read($typed, $values, Units::inches())->value)->toEqualWithDelta($value, 1e-6);
})->with([
    ['12', 304.8],
    ['1.5', 38.1],
    ['3/8', 9.525],
    ['1 3/8', 34.925],
    ['1-3/8', 34.925],
    ['-2', -50.8],
    ['2 * 3', 152.4],
    ['(1 + 2) / 4', 19.05],
    ['30 mm', 30.0],
    ['1 ft', 304.8],
    ['riser', 100.0],
    ['2 * riser', 200.0],
    ['riser + 1', 125.4],
    ['2 * riser + 1/2 in', 212.7],
    ['riser - 1/4', 93.65], ['30 mm + 1', 55.4], ['1 + riser * 2', 225.4], ['max(riser, 3 in)', 100.0],
    ['min(1, 2 in)', 25.4],
    ['1 3/8 + 1/2', 47.625],
    ['10 - 3/8', 244.475],
    ['1-3/8 + 1/2', 47.625],
    ['2\' 6', 762.0],
    ['½', 12.7],
    ['2 * 1 3/8', 69.85],
    ['1/2-3/8', 3.175],
]);

it('asks for the unit where it cannot be told', function (): void {
    Entry::read('(riser + 1) / 2', Values::read(new Node(Jobs::object(['riser' => 100]))), Units::inches());
})->throws(JobError::class, 'its unit');

it('says findings and tables in inches and leaves the numbers of the solution in mm', function (): void {
    $file = Jobs::file([['at' => [0, 0, 100]], ['at' => [40, 0, 100]]], ['at' => [40, 100, 100]]);
    $file->show_units = 'in';
    $file->show_fraction = 16;
    $finding = Jobs::written($file)['findings'][0];
    // Two bends of R 30 and 20 straight between need 80 mm, 3 1/8 in to the nearest sixteenth; there are 40, 1 9/16.
    expect($finding['rule'])->toBe('leg-room')->and($finding['measured'])->toEqualWithDelta(40, 1e-9)
        ->and($finding['message'])
        ->toContain('1 9/16 in')
        ->and($finding['message'])
        ->toContain('3 1/8 in')
        ->and($finding['message'])
        ->not->toContain('mm');
});
