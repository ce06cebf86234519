<?php

declare(strict_types=1);

use Bowline\Exchange\Lists\JobLists;
use Bowline\Job;
use Bowline\Job\End\BoltHoles;
use Bowline\Job\End\Flange;
use Bowline\Job\End\FlangeBolts;
use Bowline\Job\End\RoundPlate;
use Bowline\Job\End\Standard\FlangeSize;
use Bowline\Job\End\Standard\FlangeTables;
use Bowline\Solving\Solver;
use Tests\Cases;
use Tests\Jobs;

/**
 * The rows of a list, by its headings.
 *
 * @return list<array<string, string|float|int|null>>
 */
function listOf(stdClass $file, string $word, float $kerf = 3.0): array
{
    $job = Job::read($file);
    $table = (new JobLists($job, (new Solver($job))->all(), $kerf))->of($word);

    return array_map(
        static fn (array $row): array => array_combine($table->headings ?? [], $row), $table->rows ?? [],
    );
}

/** A run of pipe 33.7 with flanges at both ports, a weld in its first leg, and an elbow. */
function flangedLine(): stdClass
{
    $flange = ['end' => ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 10']];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'Line',
        'stock' => [[
            'id' => 'dn25', 'kind' => 'pipe', 'name' => 'Pipe DN 25', 'density' => 7850,
            'section' => ['shape' => 'round', 'od' => 33.7, 'wall' => 2.6],
            'bend' => ['radius' => 90, 'min_radius' => 70, 'min_straight' => 40],
        ]],
        'fittings' => [
            ['id' => 'a', 'name' => 'Strainer', 'part' => ['kind' => 'valve'], 'pose' => ['at' => [0, 0, 0]],
                'ports' => [['id' => 'x', 'at' => [0, 0, 0], 'axis' => '+x']]],
            ['id' => 'b', 'name' => 'Pump', 'pose' => ['at' => [900, 700, 0]],
                'ports' => [['id' => 'x', 'at' => [0, 0, 0], 'axis' => '-y']]],
        ],
        'runs' => [[
            'id' => 'line', 'name' => 'Line', 'stock' => 'dn25', 'from' => ['port' => 'a.x', ...$flange],
            'to' => ['port' => 'b.x', ...$flange],
            'route' => ['kind' => 'corners', 'stops' => [['along' => '+x', 'until' => 'b.x']]],
            'joints' => [['at' => ['length' => 400], 'kind' => 'weld', 'gap' => 2]],
        ]],
    ]);
}

it('takes the bolts that fit the holes, long enough for two threads over the nut', function (
    float $hole,
    float $plate,
    ?string $words,
): void {
    $flange = new Flange(new RoundPlate(115.0), $plate, null, new BoltHoles(4, 85.0, $hole));
    expect(FlangeBolts::of($flange, 2.0)?->what)->toBe(
        $words === null ? null : sprintf('Bolt %s, ISO 4014, with nut and 2 washers', $words),
    );
})->with([
    // 2·18 + 2 + 2·2.5 + 10.8 + 2·1.75 = 57.3.
    'M12 in 14' => [14.0, 18.0, 'M12 × 60'],
    // 2·16 + 2 + 2·2.5 + 10.8 + 3.5 = 53.3.
    'a thinner plate' => [14.0, 16.0, 'M12 × 55'],
    // 2·18 + 2 + 2·3 + 14.8 + 4 = 62.8.
    'M16 in 18' => [18.0, 18.0, 'M16 × 65'],
    'no bolt is that thin' => [5.0, 10.0, null],
    'none is that long' => [14.0, 120.0, null],
]);

it('takes stud bolts of inch sizes for flanges of ASME, as long as ASME B16.5 has them', function (
    string $standard,
    string $size,
    int $count,
    string $words,
): void {
    $one = array_values(array_filter(
        FlangeTables::find($standard)?->sizes() ?? [], static fn (FlangeSize $row): bool => $row->name === "NPS $size",
    ))[0];
    $flange = new Flange(
        new RoundPlate($one->od), $one->thickness, null, new BoltHoles($one->holes, $one->circle, $one->hole),
        name: "$standard NPS $size",
    );
    expect(FlangeBolts::of($flange, 3.0))->toMatchObject([
        'count' => $count, 'what' => "Stud bolt $words, ASME B16.5, with 2 heavy nuts",
    ]);
})->with([
    // Lengths of stud bolts with raised faces, in the tables of bolting for classes 150 and 300 of ASME B16.5.
    ['ASME B16.5 class 150', '1', 4, '1/2 in × 2.5 in'], ['ASME B16.5 class 150', '2', 4, '5/8 in × 3.25 in'],
    ['ASME B16.5 class 150', '4', 8, '5/8 in × 3.5 in'], ['ASME B16.5 class 150', '6', 8, '3/4 in × 4 in'],
    ['ASME B16.5 class 150', '8', 8, '3/4 in × 4.25 in'], ['ASME B16.5 class 300', '2', 8, '5/8 in × 3.5 in'],
    ['ASME B16.5 class 300', '4', 8, '3/4 in × 4.5 in'], ['ASME B16.5 class 300', '8', 12, '7/8 in × 5.5 in'],
]);

it('lists what is bought, counted', function (): void {
    $rows = listOf(flangedLine(), 'parts');
    $by = array_column($rows, null, 'what');
    // EN 1092-1, type 11, PN 10, DN 25: 4 holes of 14, 40 long. The bend saves 90·(2 − π/2) of legs of 900 and 700, the
    // weld its gap of 2; each flange takes its 40.
    expect($by['EN 1092-1 type 11 PN 10 DN 25']['count'])->toBe(2)
        ->and($by['Gasket ø 33.7 / ø 68 × 2']['count'])->toBe(2)
        ->and($by['Bolt M12 × 60, ISO 4014, with nut and 2 washers']['count'])->toBe(8)
        ->and($by['Strainer'])->toMatchArray(['kind' => 'equipment', 'count' => 1])
        ->and($by['Pipe DN 25']['count'])->toBeNull();
    $length = 1600 - 90 * (2 - M_PI / 2) - 2;
    expect($by['Pipe DN 25']['length_mm'])->toEqualWithDelta($length, 1e-6)
        // 31.1 · 2.6 · π mm² of steel.
        ->and($by['Pipe DN 25']['mass_kg'])->toEqualWithDelta($length * 31.1 * 2.6 * M_PI * 7850e-9, 1e-6);
});

it('lists what each spool takes', function (): void {
    $rows = listOf(flangedLine(), 'parts-by-spool');
    expect(array_values(array_unique(array_column($rows, 'spool'))))->toBe(['line-1', 'line-2']);
    // The first is 400 less half of the gap long.
    $stock = array_values(array_filter($rows, static fn (array $row): bool => $row['kind'] === 'stock'));
    expect($stock[0]['length_mm'])->toEqualWithDelta(399.0, 1e-6);
});

it('puts what stands along a run onto the spool that it stands on', function (): void {
    $file = flangedLine();
    // The weld is at 400: of clips at 200, 600 and 1000 the first is on the first spool, the others on the second.
    $file->runs[0]->repeats = [(object) ['kind' => 'clip', 'pitch' => 400, 'from' => 200, 'to' => 400]];
    $clips = array_values(array_filter(
        listOf($file, 'parts-by-spool'), static fn (array $row): bool => $row['kind'] === 'clip',
    ));
    expect(array_column($clips, 'count', 'spool'))->toBe(['line-1' => 1, 'line-2' => 2]);
});

it('lists elbows, couplings, caps and reducers with their sizes', function (): void {
    $file = flangedLine();
    $file->runs[0]->from = (object) ['at' => [0, 0, 0], 'end' => (object) ['type' => 'cap', 'shape' => 'domed']];
    $file->runs[0]->to = (object) [
        'at' => [900, 700, 0], 'end' => (object) ['type' => 'reducer', 'od' => 26.9, 'length' => 51],
    ];
    $file->runs[0]->route->stops = [(object) ['at' => [900, 0, 0], 'corner' => (object) ['elbow' => 'long']]];
    $file->runs[0]->joints = [(object) ['at' => (object) ['length' => 400], 'kind' => 'coupling']];
    $rows = array_column(listOf($file, 'parts'), null, 'kind');
    expect($rows['cap']['what'])->toBe('Cap for ø 33.7')
        ->and($rows['reducer']['what'])->toBe('Concentric reducer ø 33.7 to ø 26.9')
        ->and($rows['coupling']['what'])->toStartWith('Coupling ø')
        ->and($rows['elbow']['count'])->toBe(1);
});

it('nests the spools into bars, and says how close to the least that is', function (): void {
    $file = flangedLine();
    $file->stock[0]->lengths = [1000, 1200];
    $rows = listOf($file, 'cutting', 2.0);
    // 399 and about 1160 do not go into one bar of 1200: the long one takes 1200, the short one 1000.
    expect(array_column($rows, 'bar_length_mm'))->toBe([1200.0, 1000.0, 2200.0])
        ->and($rows[2]['pieces'])->toBe(2)->and($rows[2]['over_least_percent'])->toBeLessThan(1e-9)
        ->and($rows[1]['cut'])->toBe('line-1 399.0')
        ->and($rows[1]['offcut_mm'])->toEqualWithDelta(1000 - 399 - 2, 1e-6);
    $file->stock[0]->lengths = [500];
    expect(listOf($file, 'cutting')[1]['cut'])->toContain('line-2')->toContain('longer than any bar');
});

it('lists the welds where they are', function (): void {
    $rows = listOf(flangedLine(), 'welds');
    expect(array_column($rows, 'what'))->toBe(['flange', 'joint 1', 'flange'])
        ->and(array_column($rows, 'made'))->toBe(['shop', 'site', 'shop'])
        // The neck of the first flange is 40 long, the joint at 400 along.
        ->and(array_column($rows, 'x_mm')[0])->toEqualWithDelta(40.0, 1e-9)
        ->and(array_column($rows, 'x_mm')[1])->toEqualWithDelta(400.0, 1e-9)
        ->and(array_column($rows, 'y_mm')[2])->toEqualWithDelta(660.0, 1e-6)
        ->and($rows[0])->toMatchArray(['weld' => 'W1', 'od_mm' => 33.7, 'wall_mm' => 2.6]);
});

it('lists supports, valves and hoses', function (): void {
    $demo = static fn (string $name): stdClass => Job\JobFile::decode(
        (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/'.$name.'.json'),
    );
    expect(listOf($demo('ternwake'), 'supports'))->toHaveCount(1)
        ->and(listOf($demo('ternwake'), 'supports')[0])->toMatchArray(['run' => 'Fuel return', 'bore_mm' => 15.0])
        ->and(array_column(listOf($demo('ternwake'), 'valves'), 'valve'))->toBe(['Overboard valve'])
        ->and(array_column(listOf(flangedLine(), 'valves'), 'runs'))->toBe(['Line']);
    $hoses = listOf(Job\JobFile::decode(Cases::json('hang-length')), 'hoses');
    // 700 long, with 15 left on at its end.
    expect($hoses)->toHaveCount(1)->and($hoses[0]['cut_length_mm'])->toEqualWithDelta(715.0, 1e-3)
        ->and($hoses[0]['length_mm'])->toEqualWithDelta(700.0, 1e-3);
});

it('writes them from the command line, and knows no others', function (): void {
    $path = Cases::written(json_encode(flangedLine(), JSON_THROW_ON_ERROR));
    [$code, $out] = Cases::bowline('list', $path, '--list', 'welds');
    expect($code)->toBe(0)->and(substr_count($out, "\n"))->toBe(4)->and($out)->toStartWith('weld,run,what,along_mm');
    [$code, , $err] = Cases::bowline('list', $path, '--list', 'wishes');
    expect($code)->toBe(2)->and($err)->toContain('there is no list “wishes”');
});
