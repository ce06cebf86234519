<?php

declare(strict_types=1);

use Tests\Jobs;

/*
 * Edits of flanges on a tube of 12 mm. The first plate that fits it: bolt circle ⌈(12 + 45)/5⌉·5 = 60, ø 60 + 30 = 90,
 * 10 thick, bored to 13, 4 holes of 12.
 */
const FIRST_PLATE = [
    'type' => 'flange', 'od' => 90, 'thickness' => 10, 'bore' => 13,
    'holes' => ['count' => 4, 'circle' => 60, 'diameter' => 12],
];

function plated(array $end = FIRST_PLATE, array $run = []): stdClass
{
    $file = Jobs::file([['at' => [0, 0, 200]]], ['at' => [400, 0, 200], 'end' => $end]);
    foreach ($run === [] ? [] : (array) Jobs::object($run) as $key => $value) {
        $file->runs[0]->{$key} = $value;
    }

    return $file;
}

it('puts a first plate on the tube', function (): void {
    $run = Jobs::edited(plated(['type' => 'open']), ['do' => 'finish-end', 'end' => 'to', 'type' => 'flange']);

    expect($run->to->end)->toEqual(Jobs::object(FIRST_PLATE));
});

it('gives a flange another shape, with measures that fit', function (array $change, array $end): void {
    $run = Jobs::edited(plated(), ['do' => 'shape-flange', 'end' => 'to', ...$change]);
    $file = plated();
    $file->runs[0] = $run;

    expect($run->to->end)->toEqual(Jobs::object($end))->and(Jobs::broken($file))->toBe([]);
})->with([
    // As wide as it was, its corners a tenth of that.
    'square' => [['plate' => 'rectangle'], [
        ...array_diff_key(FIRST_PLATE, ['od' => 0]), 'plate' => 'rectangle', 'width' => 90, 'corner_radius' => 9,
    ]],
    // Round the bore of 13 as much as a hole is wide, and round each hole of 12 its radius: 13 + 2 · 12 = 37.
    'oval' => [['plate' => 'oval'], [
        ...FIRST_PLATE, 'plate' => 'oval', 'od' => 37, 'end_radius' => 12,
        'holes' => ['count' => 2, 'circle' => 60, 'diameter' => 12],
    ]],
    // 60 − 12 to the holes, 2 clear of them all round.
    'raised' => [
        ['face' => 'raised'], [...FIRST_PLATE, 'face' => ['kind' => 'raised', 'diameter' => 44, 'height' => 3]],
    ],
    // Half way between that and the tube.
    'a spigot' => [
        ['face' => 'spigot'], [...FIRST_PLATE, 'face' => ['kind' => 'spigot', 'diameter' => 28, 'height' => 3]],
    ],
    'a fillet' => [['neck' => 'fillet'], [...FIRST_PLATE, 'neck' => ['radius' => 3]]],
    // 1.3 · 12 = 15.6; as long as two fillets.
    'a hub' => [
        ['neck' => 'hub'], [...FIRST_PLATE, 'neck' => ['diameter' => 16, 'length' => 6, 'radius' => 3]],
    ],
]);

it('takes a flange of a table and its measures', function (): void {
    $file = plated();
    $file->runs[0] = Jobs::edited(
        $file, ['do' => 'choose-flange', 'end' => 'to', 'standard' => 'EN 1092-1 type 01 PN 6'],
    );
    expect($file->runs[0]->to->end)->toEqual((object) ['type' => 'flange', 'standard' => 'EN 1092-1 type 01 PN 6']);

    // DN 10: D 75, K 50, L 11, C1 12, B1 18.
    $run = Jobs::edited($file, ['do' => 'choose-flange', 'end' => 'to']);
    expect($run->to->end)->toEqual(Jobs::object([
        'type' => 'flange', 'od' => 75, 'thickness' => 12, 'bore' => 18,
        'holes' => ['count' => 4, 'circle' => 50, 'diameter' => 11],
    ]));
});

it('follows another end, and has its own measures when that run goes', function (): void {
    $run = Jobs::edited(
        plated(), ['do' => 'choose-flange', 'end' => 'from', 'same_as' => ['run' => 'run', 'end' => 'to']],
    );
    expect($run->from->end)->toEqual(Jobs::object(['type' => 'flange', 'same_as' => ['run' => 'run', 'end' => 'to']]));
});

it('changes the flanges of a joint as those of an end', function (): void {
    $file = plated(FIRST_PLATE, ['joints' => [['at' => ['length' => 100], 'kind' => 'weld', 'gap' => 2]]]);
    $file->runs[0] = Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => 'flanges']);
    expect($file->runs[0]->joints[0])->toEqual(Jobs::object([
        'at' => ['length' => 100], 'kind' => 'flanges', 'gap' => 2, 'flange' => FIRST_PLATE,
    ]));
    $file->runs[0] = Jobs::edited($file, ['do' => 'drill-flange', 'joint' => 0, 'count' => 6]);
    expect($file->runs[0]->joints[0]->flange->holes->count)->toBe(6);

    // A sleeve twice as long as the tube is wide, its wall a fifth of that.
    $file->runs[0] = Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => 'union']);
    expect($file->runs[0]->joints[0])->toEqual(Jobs::object([
        'at' => ['length' => 100], 'kind' => 'union', 'gap' => 0, 'sleeve' => ['length' => 24, 'od' => 16.8],
    ]));
    expect(fn () => Jobs::edited($file, ['do' => 'join-by', 'joint' => 3, 'kind' => 'weld']))
        ->toThrow('There is no joint 4.');
});

it('keeps an expression where only another measure changes', function (): void {
    $file = plated([...FIRST_PLATE, 'od' => 'plate']);
    $file->values = (object) ['plate' => 90];

    $run = Jobs::edited($file, ['do' => 'shape-flange', 'end' => 'to', 'face' => 'raised']);
    expect($run->to->end->od)->toBe('plate');
});
