<?php

declare(strict_types=1);

use Bowline\Exchange\CsvTables;
use Tests\Jobs;

it('writes the tables of a run', function (): void {
    $solved = Jobs::solve(Jobs::file([['at' => [0, 0, 200]]], ['at' => [400, 0, 200], 'trim' => 5]));

    // Quarter circle of R 30: 47.123889804 mm.
    expect(CsvTables::bends($solved))->toBe(implode("\r\n", [
        'bend,straight_mm,rotation_deg,angle_deg,set_angle_deg,radius_mm,arc_mm',
        '1,120,0,90,90,30,47.123889804',
        'tail,370,,,,,',
        'length,537.123889804,,,,,',
        'cut length,542.123889804,,,,,',
        '',
    ]))->and(CsvTables::vertices($solved))->toBe(implode("\r\n", [
        'vertex,x_mm,y_mm,z_mm,radius_mm', '0,0,0,50,', '1,0,0,200,30', '2,400,0,200,', '',
    ]));
});
