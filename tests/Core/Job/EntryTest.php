<?php

declare(strict_types=1);

use Bowline\Job\Entry;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

$read = fn (string $text): Entry => Entry::read($text, Values::read(new Node((object) ['riser' => 120, 'm' => 3])));

// An inch is 25.4 mm exactly (international yard and pound agreement, 1959).
it('takes what a designer types', function (string $text, int|float|string $number) use ($read): void {
    expect($read($text)->number)->toEqual($number);
})->with([
    ['12', 12.0],
    ['12 mm', 12.0],
    ['1/2"', 12.7],
    ['1 3/8 in', 34.925],
    ['1-3/8 in', 34.925],
    ['2.5in', 63.5],
    ["2' 6\"", 762.0],
    ['4 cm', 40.0],
    ['12,5', 12.5],
    ['100 / 3', 100 / 3],
    ['=riser', 'riser'],
    ['riser', 'riser'],
    'a name that is also a unit' => ['2 * m', '2 * m'],
    ['2 * riser + 1/2 in', '2 * riser + 12.7'],
    ['−5 × 2', -10.0],
]);

it('takes a fraction away where the minus has spaces, and joins it where it has none', function (
    string $text,
    float $number,
) use ($read): void {
    expect($read($text)->number)->toEqualWithDelta($number, 1e-9);
})->with([
    ['10 - 3/8 in', 10 - 9.525],
    ['100 - 1/2"', 100 - 12.7],
    ['2 * 10 - 3/8 in', 20 - 9.525],
    ['10-3/8 in', 10.375 * 25.4],
    ['10 3/8 in', 10.375 * 25.4],
    ['5-1/2', 4.5], ['1 3/8', 1.375], ['1/2-3/8"', 0.5 - 9.525], ['1 - 3/8"', 1 - 9.525], ['3/8"-1/4"', 3.175],
]);

it('takes feet and inches as one measure, minus sign and all', function (string $text, float $number) use (
    $read,
): void {
    expect($read($text)->number)->toEqualWithDelta($number, 1e-9);
})->with([
    ['-3\' 2"', -38 * 25.4],
    ['6\' - 2"', 70 * 25.4],
    ['6\'-2"', 74 * 25.4],
    ['6\'2"', 74 * 25.4],
    ['6 ft 2 in', 74 * 25.4],
    ['6\' 2 1/2"', 74.5 * 25.4],
    ['6\' 2-1/2"', 74.5 * 25.4], ['2 * 1\' 6"', 36 * 25.4], ['6\' - 2 mm', 6 * 304.8 - 2], ['6\' + 2"', 74 * 25.4],
]);

it('reads every way in which people write inches', function (string $text) use ($read): void {
    expect($read($text)->number)->toEqualWithDelta(12.5 * 25.4, 1e-9);
})->with([
    '12.5 in',
    '12.5 in.',
    '12.5in',
    "12.5''",
    '12.5”',
    '12.5“',
    '12.5″',
    '12.5’’',
    '12.5′′',
    '12½"',
    '12 ½ in',
    '12 ½"',
    "12\u{a0}1/2\u{a0}in",
    '12⁄1 in + ½"',
    '1 ft ½"',
    '1’ ½”',
    '1.25e1 in',
]);

it('reads fractions of one character', function (string $text, float $inches) use ($read): void {
    expect($read($text.'"')->number)->toEqualWithDelta($inches * 25.4, 1e-9);
})->with([['½', 0.5], ['¼', 0.25], ['¾', 0.75], ['⅛', 0.125], ['⅜', 0.375], ['⅝', 0.625], ['⅞', 0.875], ['1⅞', 1.875]]);

it(
    'reads millimetres with a power of ten',
    fn () => expect($read('1e2 mm')->number)->toEqual(100.0)->and($read('12mm + 1e-1cm')->number)->toEqual(13.0),
);

it('refuses what can be read in two ways, and says both', function (string $text, array $readings) use ($read): void {
    expect(fn () => $read($text))->toThrow(function (JobError $error) use ($readings): void {
        foreach ($readings as $reading) {
            expect($error->getMessage())->toContain($reading);
        }
    });
})->with([
    ['10 -3/8 in', ['10 3/8 in', '10 - 3/8 in']],
    ['10- 3/8 in', ['10 3/8 in', '10 - 3/8 in']],
    ['6\' -2"', ['6\' 2"', '6\' - 2"']],
    ['2\' 6', ['2\' 6"', '2\' + 6 mm']],
    ['2 in * 3 in', ['a length times a length']],
]);

it('takes the same for the same, however it is written', function (int $seed) use ($read): void {
    // Random sums of measures, each in a unit and a spelling of its own, against the sum in millimetres.
    mt_srand($seed);
    for ($n = 0; $n < 100; $n++) {
        [$text, $sum] = ['', 0.0];
        foreach (range(0, mt_rand(0, 3)) as $i) {
            $sixteenths = mt_rand(1, 15);
            [$term, $length] = match (mt_rand(0, 5)) {
                0 => [sprintf('%d mm', $whole = mt_rand(1, 900)), (float) $whole],
                1 => [sprintf('%d %d/16 in', $whole = mt_rand(1, 90), $sixteenths), ($whole + $sixteenths / 16) * 25.4],
                2 => [sprintf('%d-%d/16"', $whole = mt_rand(1, 90), $sixteenths), ($whole + $sixteenths / 16) * 25.4],
                3 => [sprintf("%d' %d\"", $feet = mt_rand(1, 9), $sixteenths), $feet * 304.8 + $sixteenths * 25.4],
                4 => [sprintf('%d/16”', $sixteenths), $sixteenths / 16 * 25.4],
                default => [sprintf('2 * %d', $whole = mt_rand(1, 90)), 2.0 * $whole],
            };
            $isMinus = $i > 0 && mt_rand(0, 1) === 1;
            $text .= $i === 0 ? $term : ($isMinus ? ' - ' : ' + ').$term;
            $sum += $isMinus ? -$length : $length;
        }
        expect($read($text)->value)->toEqualWithDelta($sum, 1e-6);
    }
})->with(range(1, 5));

it('refuses what is no number', function (string $text) use ($read): void {
    expect(fn () => $read($text))->toThrow(JobError::class);
})->with(['', '  ', 'abc', '1e309', '1/0 in', '12 furlongs', '<img src=x onerror=alert(1)>', '1;2', "12\n13"]);

it(
    'reads units in full and run together',
    fn () => expect($read('3ft2in')->number)
        ->toEqualWithDelta(965.2, 1e-9)
        ->and($read('12 inches')->number)
        ->toEqualWithDelta(304.8, 1e-9)
        ->and($read('3 feet 2 inches')->number)
        ->toEqualWithDelta(965.2, 1e-9),
);
