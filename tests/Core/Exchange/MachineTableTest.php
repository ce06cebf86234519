<?php

declare(strict_types=1);

use Bowline\Exchange\BroughtIn;
use Bowline\Exchange\MachineTable;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Tests\Jobs;

/** @param  array<string, string>  $names  of columns, by what is in them */
function machineTable(string $kind, array $names): MachineTable
{
    return MachineTable::read(new Node($kind, '/kind'), new Node(array_map(
        static fn (string $column, string $name): stdClass => (object) ['column' => $column, 'name' => $name],
        array_keys($names), $names,
    ), '/columns'));
}

const LRA = ['angle' => 'Winkel', 'straight' => 'Länge', 'radius' => 'Biegeradius', 'rotation' => 'Drehung'];

/** Legs of 200 up, 300 along x and 250 along y, with two bends of 90° and R 30. */
function bracket(): stdClass
{
    return Jobs::file([['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]]);
}

it('has the columns that are chosen, in their order and by their names', function (): void {
    $solved = Jobs::solve(bracket());
    // Straights 200 − 30, 300 − 60, 250 − 30; up, along x, along y: the second bend is turned by 90°.
    expect(explode("\r\n", machineTable('lra', LRA)->write($solved)))->toBe([
        'Winkel,Länge,Biegeradius,Drehung', '90,170,30,0', '90,240,30,90', ',220,,', '',
    ])->and(explode("\r\n", machineTable('xyz', ['z' => 'Z', 'radius' => 'CLR', 'x' => 'X'])->write($solved)))->toBe([
        'Z,CLR,X', '50,,0', '250,30,0', '250,30,300', '250,,300', '',
    ]);
});

it('is in inches where the job is', function (): void {
    $file = bracket();
    $file->show_units = 'in';
    $table = machineTable('lra', ['straight' => 'L', 'radius' => 'R'])->write(Jobs::solve($file));
    expect(array_map(floatval(...), explode(',', explode("\r\n", $table)[1])))
        ->toEqualWithDelta([170 / 25.4, 30 / 25.4], 1e-8);
});

it('comes in as it went out', function (int $seed, string $kind, array $names, string $separator): void {
    $file = Jobs::wandering($seed, 6);
    $solved = Jobs::solve($file);
    $table = machineTable($kind, $names);
    $text = $separator === ',' ? $table->write($solved) : str_replace(
        ['.', '|'], [',', '.'], str_replace(',', $separator, $table->write($solved)),
    );
    [[$route], $remarks] = BroughtIn::of($table->standard($text), Values::read(null), Units::millimetres());
    $again = Jobs::file([], ['at' => [0, 0, 0]], ['stock.min_straight' => 0]);
    $again->runs = [(object) ['id' => 'r', 'stock' => 't12', ...$route]];
    [$first, $second] = [Jobs::written($file), Jobs::written($again)];
    expect($remarks)->toBe([])->and($second['length'])->toEqualWithDelta($first['length'], 1e-5)
        ->and(count($second['bends']))->toBe(count($first['bends']));
    foreach ($first['bends'] as $i => $bend) {
        expect($second['bends'][$i]['angle'])->toEqualWithDelta($bend['angle'], 1e-5)
            ->and($second['bends'][$i]['rotation'])->toEqualWithDelta($bend['rotation'], 1e-5);
    }
})->with([2, 5])->with([
    'LRA, German' => ['lra', LRA],
    'LRA with columns that are not read' => ['lra', ['bend' => 'N', 'mark' => 'Y', 'set_angle' => 'A1', ...LRA]],
    'XYZ out of order' => ['xyz', ['z' => 'Up', 'x' => 'East', 'y' => 'North', 'vertex' => '#']],
])->with(['commas' => ',', 'semicolons and decimal commas' => ';']);

it('names the column that is missing, and the heading there is', function (): void {
    expect(fn () => machineTable('lra', LRA)->standard("Länge,Winkel\n100,90\n"))
        ->toThrow(JobError::class, 'there is no column “Drehung”; the heading has Länge, Winkel')
        ->and(fn () => machineTable('lra', ['straight' => 'L'])->standard("L\n100\n"))
        ->toThrow(JobError::class, 'no column is chosen for rotation');
});

it('refuses columns that cannot be', function (string $kind, array $names, string $pointer): void {
    try {
        machineTable($kind, $names);
        $thrown = null;
    } catch (JobError $error) {
        $thrown = $error;
    }
    expect($thrown?->pointer)->toBe($pointer);
})->with([
    'no such table' => ['abc', ['x' => 'X'], '/kind'],
    'no column at all' => ['xyz', [], '/columns'],
    'a column of the other kind' => ['xyz', ['x' => 'X', 'rotation' => 'R'], '/columns/1/column'],
    'no name' => ['xyz', ['x' => ' '], '/columns/0/name'],
    'one name twice' => ['xyz', ['x' => 'X', 'y' => ' x'], '/columns/1/name'],
]);

it('writes a name that a spreadsheet would take for a formula as text', function (): void {
    $table = machineTable('lra', ['straight' => '=L', 'angle' => 'A, deg'])->write(Jobs::solve(bracket()));
    expect(explode("\r\n", $table)[0])->toBe("'=L,\"A, deg\"");
});
