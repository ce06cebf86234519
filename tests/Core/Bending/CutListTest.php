<?php

declare(strict_types=1);

use Bowline\Bending\CutList;
use Bowline\Bending\CutPart;
use Bowline\Exchange\CutListWriter;
use Bowline\Job\ElbowKind;
use Tests\Jobs;

/*
 * Pipe NPS 2 (60.3 × 3.9): 1500 along x, 900 along y, 600 up. Long elbows have R 76 (ASME B16.9): their tangents leave
 * straights of 1424, 748 and 524; each weld takes a gap of 2 off the pipe.
 */
/** @param  list<array<string, mixed>>  $stops */
function elbowed(
    array $corner,
    array $run = [],
    array $stops = [['at' => [1500, 0, 0]], ['at' => [1500, 900, 0]]],
): stdClass {
    $file = Jobs::file($stops, ['at' => [1500, 900, 600]], [
        'from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9],
        'stock.radius' => 180, 'stock.min_radius' => 150, 'stock.min_straight' => 60,
    ]);
    $file->stock[0]->kind = 'pipe';
    $file->stock[0]->name = 'Pipe';
    $file->runs[0]->route->corner = (object) $corner;
    foreach ($run === [] ? [] : (array) Jobs::object($run) as $key => $value) {
        $file->runs[0]->{$key} = is_object($value) && isset($file->runs[0]->{$key}) && is_object($file->runs[0]->{$key})
            ? (object) [...(array) $file->runs[0]->{$key}, ...(array) $value]
            : $value;
    }

    return $file;
}

/** @return list<array{string, float|null}> */
function cutsOf(stdClass $file): array
{
    return array_map(
        static fn (CutPart $part): array => [$part->words, $part->length === null ? null : round($part->length, 6)],
        CutList::of(Jobs::laid($file))->parts ?? [],
    );
}

it('has a cut list in place of a bend table', function (): void {
    $file = elbowed(['elbow' => 'long']);

    expect(cutsOf($file))->toEqual([
        ['Pipe', 1422.0], ['elbow 90°, long radius', null], ['Pipe', 744.0], ['elbow 90°, long radius', null],
        ['Pipe', 522.0],
    ])->and(Jobs::solve($file)->bendTable->cutLength)->toEqualWithDelta(1422 + 744 + 522, 1e-9)
        // Neither the stock's least radius nor the bender's straight counts for them.
        ->and(Jobs::broken($file))->toBe([]);
});

it('takes necks, reducers and gaps off the pipe, and adds what is left on for trimming', function (): void {
    // A weld neck of DN 50 PN 16 is 45 long over all (H2); a plate of type 01 goes over the pipe.
    $file = elbowed(['elbow' => 'long'], [
        'weld_gap' => 3, 'from' => ['end' => ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 16']],
        'to' => ['end' => ['type' => 'flange', 'standard' => 'EN 1092-1 type 01 PN 16']],
    ]);
    expect(cutsOf($file))->toEqual([
        ['EN 1092-1 type 11 PN 16 DN 50', null], ['Pipe', 1424.0 - 45 - 6], ['elbow 90°, long radius', null],
        ['Pipe', 748.0 - 6], ['elbow 90°, long radius', null], ['Pipe', 524.0 - 3],
        ['EN 1092-1 type 01 PN 16 DN 50', null],
    ]);
    $file = elbowed(['elbow' => 'long'], [
        'from' => ['trim' => 25], 'to' => ['end' => ['type' => 'reducer', 'od' => 88.9, 'length' => 90]],
    ]);
    expect(cutsOf($file)[0])->toEqual(['Pipe', 1422.0 + 25])->and(cutsOf($file)[4])->toEqual(['Pipe', 524.0 - 90 - 4]);
});

it('is bent at one corner and welded at another', function (): void {
    // The first corner is bent, R 180: from 0 by 1320, a quarter of 282.743, to the elbow at 900 − 76.
    $file = elbowed(['elbow' => 'long'], [], [
        ['at' => [1500, 0, 0], 'corner' => ['radius' => 180]], ['at' => [1500, 900, 0]],
    ]);
    $parts = CutList::of(Jobs::laid($file))->parts ?? [];

    expect(cutsOf($file))->toEqual([
        ['Pipe', round(1320 + 90 * M_PI + 900 - 180 - 76 - 2, 6)], ['elbow 90°, long radius', null], ['Pipe', 522.0],
    ])->and($parts[0]->bends)->toHaveCount(1)
        ->and([$parts[0]->bends[0]->straight, $parts[0]->bends[0]->radius])->toEqualWithDelta([1320, 180], 1e-9)
        ->and($parts[2]->bends)->toBe([]);
});

it('goes from spool to spool', function (): void {
    // Flanges at 600 with a gasket of 3: necks of 45 on both sides of it, each with its weld.
    $file = elbowed(['elbow' => 'long'], ['joints' => [[
        'at' => ['length' => 600], 'kind' => 'flanges', 'gap' => 3,
        'flange' => ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 16'],
    ]]]);
    $neck = 'EN 1092-1 type 11 PN 16 DN 50';

    expect(array_slice(cutsOf($file), 0, 5))->toEqual([
        ['Pipe', 598.5 - 45 - 2], [$neck, null], [$neck, null], ['Pipe', 1424.0 - 601.5 - 45 - 4],
        ['elbow 90°, long radius', null],
    ]);
});

it('has no pipe between elbows that meet', function (): void {
    $file = elbowed(['elbow' => 'long'], [], [
        ['at' => [1500, 0, 0]], ['at' => [1500, 152, 0]], ['at' => [1500, 152, 600]],
    ]);
    $file->runs[0]->to->at = [1500, 900, 600];

    expect(cutsOf($file))->toEqual([
        ['Pipe', 1422.0], ['elbow 90°, long radius', null], ['elbow 90°, long radius', null], ['Pipe', 600.0 - 152 - 4],
        ['elbow 90°, long radius', null], ['Pipe', 748.0 - 76 - 2],
    ]);
});

it('cuts an elbow to its angle', function (float $degrees, string $words): void {
    expect(ElbowKind::Short->words(deg2rad($degrees)))->toBe($words);
})->with([
    [90, 'elbow 90°, short radius'], [45, 'elbow 45°, short radius'], [30, 'elbow 30°, short radius, cut from 45°'],
    [63.4, 'elbow 63.4°, short radius, cut from 90°'],
]);

it('has the radii of ASME B16.9', function (float $od, float $long, float $short): void {
    expect([ElbowKind::Long->radius($od), ElbowKind::Short->radius($od)])->toEqual([$long, $short]);
})->with([[33.4, 38, 25], [60.3, 76, 51], [114.3, 152, 102], [219.1, 305, 203], [323.8, 457, 305]]);

it('finds a corner that no elbow is made for, and offers what is', function (
    array $corner,
    array $section,
    array $stops,
    string $says,
    string $cure,
): void {
    $file = elbowed($corner, [], array_values($stops));
    $file->stock[0]->section = (object) $section;
    $finding = Jobs::solve($file)->findings[0];

    expect($finding->rule)->toBe('elbow-fit')->and($finding->message)->toBe($says)
        ->and(array_map(static fn ($one): string => $one->label, $finding->remedies))->toContain($cure);
})->with(function (): array {
    $pipe = ['shape' => 'round', 'od' => 60.3, 'wall' => 3.9];
    $stops = [['at' => [1500, 0, 0]], ['at' => [1500, 900, 0]]];

    return [
        'a tube' => [
            ['elbow' => 'long'], ['shape' => 'round', 'od' => 35, 'wall' => 2], $stops,
            'No long elbow is made for a pipe of 35 mm outside.', 'Bend all of it, R 180',
        ],
        'a short one of NPS 1/2' => [
            ['elbow' => 'short'], ['shape' => 'round', 'od' => 21.3, 'wall' => 2.8], $stops,
            'No short elbow is made for a pipe of 21.3 mm outside.', 'Bend all of it, R 180',
        ],
        // From +x to a direction 135° round.
        'more than 90°' => [
            ['elbow' => 'long'], $pipe, [['at' => [1500, 0, 0]], ['at' => [900, 600, 0]], ['at' => [900, 900, 0]]],
            'It turns by 135°; an elbow turns by 90°.', 'Bend it, R 180',
        ],
    ];
});

it('is written as CSV with a row a piece', function (): void {
    expect(CutListWriter::csv(Jobs::laid(elbowed(['elbow' => 'short']))))->toBe(implode("\r\n", [
        'piece,kind,what,length_mm,angle_deg,bends', '1,pipe,Pipe,1447,,0',
        '2,elbow,"elbow 90°, short radius",,90,0', '3,pipe,Pipe,794,,0', '4,elbow,"elbow 90°, short radius",,90,0',
        '5,pipe,Pipe,547,,0', '',
    ]))->and(CutListWriter::csv(Jobs::laid(elbowed(['radius' => 180]))))->toBeNull();
});
