<?php

declare(strict_types=1);

use Bowline\Exchange\CatalogueRows;
use Bowline\Job\JobError;

/** @return array<string, array<string, string|float>> what ships, by part number */
function shippedStock(): array
{
    $rows = [];
    foreach (glob(__DIR__.'/../../../database/catalogue/*.csv') as $file) {
        $read = CatalogueRows::read((string) file_get_contents($file));
        expect($read->refused)->toBe([]);
        foreach ($read->rows as $row) {
            $rows[(string) $row['part_number']] = $row;
        }
    }

    return $rows;
}

/** kg a metre, from the section. */
function massOf(array $row): float
{
    $inside = $row['wall'] > 0 ? $row['od'] - 2 * $row['wall'] : 0.0;

    return M_PI / 4 * ($row['od'] ** 2 - $inside ** 2) * 1e-6 * $row['density'];
}

it('ships pipe that weighs a metre what ASME B36.10M says it does', function (): void {
    $stock = shippedStock();
    foreach ([
        'P-NPS1/2-40' => 1.27, 'P-NPS1/2-80' => 1.62, 'P-NPS1-40' => 2.50, 'P-NPS1-1/2-80' => 5.41, 'P-NPS2-40' => 5.44, 'P-NPS2-160' => 11.11,
        'P-NPS3-40' => 11.29, 'P-NPS4-40' => 16.08, 'P-NPS4-80' => 22.32, 'P-NPS6-40' => 28.26, 'P-NPS6-160' => 67.57, 'P-NPS8-40' => 42.55,
        'P-NPS8-XXS' => 107.93, 'P-NPS10-40' => 60.29, 'P-NPS12-STD' => 73.86,
    ] as $number => $mass) {
        expect(massOf($stock[$number]))->toEqualWithDelta($mass, 0.006 * $mass);
    }
});

it('ships tube that weighs what the tables of its standards say', function (): void {
    $stock = shippedStock();
    // EN 10305: 0.02466·(D − T)·T; EN 1057 copper 0.02809·(D − T)·T kg/m.
    foreach (['ST-12x1.5', 'ST-22x2', 'ST-42x4'] as $number) {
        $row = $stock[$number];
        expect(massOf($row))->toEqualWithDelta(0.0246615 * ($row['od'] - $row['wall']) * $row['wall'], 1e-3);
    }
    expect(massOf($stock['CUR290-28x1.5']))->toEqualWithDelta(1.111, 0.012);
});

it('ships nothing that could not be bent or drawn', function (): void {
    $stock = shippedStock();
    expect(count($stock))->toBeGreaterThan(600);
    foreach ($stock as $row) {
        expect($row['min_radius'])->toBeLessThanOrEqual($row['radius'])->and($row['min_radius'])->toBeGreaterThan($row['od'] / 2)
            ->and($row['wall'])->toBeLessThanOrEqual($row['od'] / 2)->and($row['standard'])->not->toBe('');
    }
});

it('writes what it reads', function (): void {
    $rows = array_values(shippedStock());
    expect(CatalogueRows::read(CatalogueRows::write($rows))->rows)->toEqual($rows);
    $odd = [...$rows[0], 'part_number' => 'A "quoted", one', 'name' => "with\ta tab"];
    expect(CatalogueRows::read(CatalogueRows::write([$odd]))->rows[0]['part_number'])->toBe('A "quoted", one');
});

it('names the row and the column that is wrong', function (string $row, string $why): void {
    $read = CatalogueRows::read("part_number,kind,name,od,wall,radius,min_radius,min_straight,density\n$row\n");
    expect($read->rows)->toBe([])->and($read->refused[0]['line'])->toBe(2)->and($read->refused[0]['why'])->toContain($why);
})->with([
    [',tube,Tube,10,1,30,20,10,7850', 'part number is missing'],
    ['A,tubes,Tube,10,1,30,20,10,7850', 'kind is one of'],
    ['A,tube,Tube,-10,1,30,20,10,7850', 'outside diameter'],
    ['A,tube,Tube,10,6,30,20,10,7850', 'wall must be'],
    ['A,tube,Tube,10,1,30,40,10,7850', 'least radius'],
    ['A,tube,Tube,10,1,30,20,10,0', 'density'],
    ['A,tube,Tube,ten,1,30,20,10,7850', 'od is no number'],
]);

it('wants a heading to go by', function (): void {
    CatalogueRows::read("10,1,30\n");
})->throws(JobError::class, 'name the columns');
