<?php

declare(strict_types=1);

use Bowline\Exchange\CatalogueRows;
use Bowline\Job\JobError;

/** @return array<string, array<string, mixed>> what ships, by part number */
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

    return (M_PI / 4) * ($row['od'] ** 2 - $inside ** 2) * 1e-6 * $row['density'];
}

it('ships pipe that weighs a metre what ASME B36.10M says it does', function (): void {
    $stock = shippedStock();
    foreach (
        [
            'P-NPS1/2-40' => 1.27,
            'P-NPS1/2-80' => 1.62,
            'P-NPS1-40' => 2.5,
            'P-NPS1-1/2-80' => 5.41,
            'P-NPS2-40' => 5.44,
            'P-NPS2-160' => 11.11,
            'P-NPS3-40' => 11.29,
            'P-NPS4-40' => 16.08,
            'P-NPS4-80' => 22.32,
            'P-NPS6-40' => 28.26,
            'P-NPS6-160' => 67.57,
            'P-NPS8-40' => 42.55,
            'P-NPS8-XXS' => 107.93,
            'P-NPS10-40' => 60.29,
            'P-NPS12-STD' => 73.86,
        ] as $number => $mass
    ) {
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
        expect($row['min_radius'])
            ->toBeLessThanOrEqual($row['radius'])
            ->and($row['min_radius'])
            ->toBeGreaterThan($row['od'] / 2)
            ->and($row['wall'])
            ->toBeLessThanOrEqual($row['od'] / 2)
            ->and($row['standard'])
            ->not->toBe('');
    }
});

it('ships hoses with the figures of their standards', function (): void {
    $stock = shippedStock();
    // EN 853 and EN 857: greatest outside diameter, and the least radius on the inside of the bend.
    foreach (
        [
            'HY2SN-10' => [19.7, 130],
            'HY1SN-25' => [36.6, 300],
            'HY2SN-51' => [68.6, 630],
            'HY1SC-12.5' => [20.4, 130],
            'HY2SC-16' => [24.7, 170],
        ] as $number => [$od, $inside]
    ) {
        expect($stock[$number]['od'])
            ->toBe($od)
            ->and($stock[$number]['min_radius'])
            ->toEqualWithDelta($inside + $od / 2, 0.006)
            ->and([$stock[$number]['pressure_shortest'], $stock[$number]['pressure_longest']])
            ->toBe([-4.0, 2.0]);
    }
    // EN 50565-1: 16.5 mm stands 4 × at rest and 5 × where it moves.
    expect($stock['BC-50']['min_radius'])->toBe(66.0)->and($stock['BC-50']['moving_radius'])->toBe(82.5);
    foreach ($stock as $row) {
        $layers = CatalogueRows::readLayers((string) $row['layers'], (float) $row['od']);
        expect($layers)
            ->not->toBeNull()
            ->and($layers === [] ? $row['od'] : $layers[count($layers) - 1]['od'])
            ->toEqualWithDelta($row['od'], 1e-9);
        expect($layers === [] || $layers[0]['od'] > $row['od'] - 2 * $row['wall'] || $row['wall'] === 0.0)->toBeTrue();
        if ($row['mass'] !== null) {
            expect(massOf($row))->toEqualWithDelta($row['mass'], 0.002 * $row['mass'] + 1e-4);
        }
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
    expect($read->rows)
        ->toBe([])
        ->and($read->refused[0]['line'])
        ->toBe(2)
        ->and($read->refused[0]['why'])
        ->toContain($why);
})->with([
    [',tube,Tube,10,1,30,20,10,7850', 'part number is missing'],
    ['A,tubes,Tube,10,1,30,20,10,7850', 'kind is one of'],
    ['A,tube,Tube,-10,1,30,20,10,7850', 'outside diameter'],
    ['A,tube,Tube,10,6,30,20,10,7850', 'wall must be'],
    ['A,tube,Tube,10,1,30,40,10,7850', 'least radius'],
    ['A,tube,Tube,10,1,30,20,10,0', 'density'],
    ['A,tube,Tube,ten,1,30,20,10,7850', 'od is no number'],
]);

it('knows in which line of the file each row is', function (): void {
    $read = CatalogueRows::read(
        "part_number,kind,name,od,radius,min_radius,min_straight,density,layers\n\n".
        "A,cable,Cable,10,30,20,0,3000,core 6; sheath 10\nB,cable,Cable,10,30,20,0,3000,core 6; sheath 12\n".
        "C,cable,Cable,10,30,20,0,3000,\n",
    );
    expect($read->lines)
        ->toBe([3, 5])
        ->and($read->refused[0]['line'])
        ->toBe(4)
        ->and($read->refused[0]['why'])
        ->toContain('layers are told');
});

it('wants a heading to go by', function (): void {
    CatalogueRows::read("10,1,30\n");
})->throws(JobError::class, 'name the columns');

it('reads back a name with a line break and quotes, and no lost quote swallows the rest', function (): void {
    $row = [
        'part_number' => 'A,1',
        'kind' => 'tube',
        'name' => "Tube \"heavy\",\nsecond line",
        'standard' => '',
        'od' => 10.0,
        'wall' => 1.0,
        'radius' => 30.0,
        'min_radius' => 20.0,
        'min_straight' => 10.0,
        'density' => 7850.0,
    ];
    $read = CatalogueRows::read(CatalogueRows::write([$row, ['part_number' => 'B'] + $row]));
    expect($read->refused)
        ->toBe([])
        ->and(array_column($read->rows, 'name'))
        ->toBe([$row['name'], $row['name']])
        ->and($read->lines)
        ->toBe([2, 4]);
    $lost = CatalogueRows::read(
        "part_number,kind,name,od,wall,radius,min_radius,min_straight,density\nA,tube,\"Lost,10,1,30,20,10,7850\n".
        "B,tube,Tube,10,1,30,20,10,7850\n",
    );
    expect(array_column($lost->rows, 'part_number'))
        ->toBe(['B'])
        ->and($lost->refused[0]['line'])
        ->toBe(2);
});

it('writes nothing that a spreadsheet runs, and reads back what it was', function (string $name): void {
    $row = [
        'part_number' => $name,
        'kind' => 'tube',
        'name' => $name,
        'standard' => $name,
        'od' => 10.0,
        'wall' => 1.0,
        'radius' => 30.0,
        'min_radius' => 20.0,
        'min_straight' => 10.0,
        'density' => 7850.0,
    ];
    $csv = CatalogueRows::write([$row]);
    foreach (str_getcsv(explode("\r\n", $csv, 2)[1], ',', '"', '') as $cell) {
        expect(preg_match('/^[=+@\t\r-]/', (string) $cell))->toBe(0);
    }
    $read = CatalogueRows::read($csv);
    expect($read->refused)
        ->toBe([])
        ->and($read->rows[0]['name'])
        ->toBe($name)
        ->and($read->rows[0]['part_number'])
        ->toBe($name);
})->with(["=cmd|'/c calc'!A1", '+1', '-2+3', '@SUM(A1)', "'=quoted", "''+twice", "'plain", 'ordinary']);

it('refuses numbers without end row by row', function (string $number): void {
    $read = CatalogueRows::read(
        "part_number,kind,name,od,wall,radius,min_radius,min_straight,density\n".
        "A,tube,Tube,$number,1,30,20,10,7850\nB,tube,Tube,10,1,30,20,10,7850\n",
    );
    expect(array_column($read->rows, 'part_number'))
        ->toBe(['B'])
        ->and($read->refused[0]['line'])
        ->toBe(2);
})->with(['1e999', '-1e999', 'INF', 'NAN', '1e300']);
