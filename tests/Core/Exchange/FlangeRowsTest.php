<?php

declare(strict_types=1);

use Bowline\Exchange\FlangeRows;
use Tests\Jobs;

it('reads a row a flange, in millimetres or inches', function (): void {
    $read = FlangeRows::read(implode("\n", [
        'part_number;plate;od_in;thickness_mm;bore_mm;holes;bolt_circle_in;hole_mm;start_deg;face;face_diameter_mm;'
            .'face_height_mm',
        'A-1;;4 ;10;61,5;4;3;14;;raised;70;2',
        'A-2;rectangle;;8;13;;;;;;;',
        'A-3;oval;2;8;13;2;2,2;9;;;;',
        'A-1;;4;10;61;;;;;;;',
        'A-5;;4;ten;61;;;;;;;',
        ';;4;10;61;;;;;;;',
    ]));

    // 4 in are 101.6 mm, 3 in 76.2.
    expect($read->flanges)->toEqual([Jobs::object([
        'type' => 'flange', 'part_number' => 'A-1', 'od' => 101.6, 'thickness' => 10, 'bore' => 61.5,
        'holes' => ['count' => 4, 'circle' => 3 * 25.4, 'diameter' => 14],
        'face' => ['kind' => 'raised', 'diameter' => 70, 'height' => 2],
    ])])
        ->and(array_column($read->refused, 'line'))->toBe([3, 4, 5, 6, 7])
        ->and(array_column($read->refused, 'why'))->toEqual([
            '“width” is missing', '“end_radius” is missing', 'part number A-1 comes twice',
            'thickness_mm: “ten” is no number', 'it has no part number',
        ]);
});

it('writes what it reads', function (): void {
    $flanges = [
        Jobs::object([
            'type' => 'flange', 'part_number' => 'B-1', 'od' => 90.5, 'thickness' => 10, 'bore' => 13, 'turn' => 15,
            'holes' => ['count' => 4, 'circle' => 60, 'diameter' => 12, 'start' => 0],
            'face' => ['kind' => 'spigot', 'diameter' => 30, 'height' => 3], 'neck' => ['radius' => 4],
        ]),
        Jobs::object([
            'type' => 'flange', 'part_number' => 'B "2", long', 'plate' => 'rectangle', 'width' => 80, 'height' => 60,
            'corner_radius' => 8, 'thickness' => 12,
            'neck' => ['diameter' => 40, 'length' => 20, 'radius' => 5, 'land' => 6],
        ]),
        Jobs::object([
            'type' => 'flange', 'part_number' => '=B3', 'plate' => 'oval', 'od' => 40, 'end_radius' => 9,
            'thickness' => 6, 'bore' => 13, 'holes' => ['count' => 2, 'circle' => 50, 'diameter' => 7],
        ]),
    ];
    $csv = FlangeRows::write($flanges);

    // A spreadsheet does not run it.
    expect($csv)->toContain("'=B3")->and(FlangeRows::read($csv)->refused)->toBe([])
        ->and(FlangeRows::read($csv)->flanges)->toEqual($flanges);
});

it('needs a heading', function (): void {
    expect(fn () => FlangeRows::read("90;10\n80;8"))->toThrow('the first line has to name the columns');
});
