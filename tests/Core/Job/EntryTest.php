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

it('refuses what is no number', function (string $text) use ($read): void {
    expect(fn () => $read($text))->toThrow(JobError::class);
})->with(['', '  ', 'abc', '1e309', '1/0 in', '12 furlongs', '<img src=x onerror=alert(1)>', '1;2', "12\n13"]);
