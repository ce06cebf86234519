<?php

declare(strict_types=1);

use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Exchange\MassWriter;
use Bowline\Exchange\Parts;
use Bowline\Geometry\Vector;
use Bowline\Rules\Finding;
use Bowline\Rules\Rules;
use Bowline\Solving\SolvedSpool;
use Tests\Jobs;

/*
 * 400 along x, 300 along y, 200 up, bends of R 30: the straights are 370, 240 and 170, each bend is 30·π/2 = 47.1239
 * long, and the run 874.2478. The first bend is from 370 to 417.1239, the second from 657.1239 to 704.2478.
 */
const FIRST_BEND = 30 * M_PI / 2;

/** @param  list<array<string, mixed>>  $joints */
function jointedRun(array $joints, array $ends = [], array $more = []): stdClass
{
    $file = Jobs::file(
        [['at' => [400, 0, 0]], ['at' => [400, 300, 0]]], ['at' => [400, 300, 200], ...$ends],
        ['from' => ['at' => [0, 0, 0], ...$ends], ...$more],
    );
    $file->runs[0]->joints = Jobs::object(['joints' => $joints])->joints;

    return $file;
}

/** @return list<array{string, float, float}> mark, where it begins and where it ends */
function spoolsOf(stdClass $file): array
{
    return array_map(
        static fn (SolvedSpool $one): array => [$one->spool->mark, $one->spool->from, $one->spool->to],
        Jobs::solve($file)->spools(),
    );
}

it('breaks a run at a length or on a leg, with the gap between', function (array $at, float $middle): void {
    $spools = spoolsOf(jointedRun([['at' => $at, 'kind' => 'flanges', 'gap' => 3]]));

    expect(array_column($spools, 0))->toBe(['run-1', 'run-2'])
        ->and([$spools[0][1], $spools[0][2], $spools[1][1], $spools[1][2]])
        ->toEqualWithDelta([0, $middle - 1.5, $middle + 1.5, 370 + 240 + 170 + 2 * FIRST_BEND], 1e-9);
})->with([
    'at a length' => [['length' => 200], 200],
    'on the first leg' => [['leg' => 1, 'from_start' => 120], 120],
    // From the corner at 400: 30 of the 150 are in the bend.
    'on the second leg' => [['leg' => 2, 'from_start' => 150], 370 + FIRST_BEND + 120],
    'on the last leg' => [['leg' => 3, 'from_start' => 100], 370 + 240 + 2 * FIRST_BEND + 70],
]);

it('has axes at the ends of a spool that look into it', function (): void {
    $ends = array_map(
        static fn (SolvedSpool $one): array => [
            $one->spool->laid->run->from->axis?->toArray(), $one->spool->laid->run->to->axis?->toArray(),
        ],
        Jobs::solve(jointedRun([['at' => ['leg' => 2, 'from_start' => 150], 'kind' => 'weld', 'gap' => 2]]))->spools(),
    );
    // The joint is on the leg along +y.
    expect($ends[0][1])->toEqualWithDelta([0, -1, 0], 1e-12)->and($ends[1][0])->toEqualWithDelta([0, 1, 0], 1e-12);
});

it('gives each spool a bend table, lengths and a body of its own, which add up to the run', function (): void {
    $file = jointedRun([
        ['at' => ['leg' => 2, 'from_start' => 150], 'kind' => 'weld', 'gap' => 2],
        ['at' => ['length' => 100], 'kind' => 'flanges', 'gap' => 3],
    ]);
    $solved = Jobs::solve($file);
    [$first, $second, $third] = array_map(static fn (SolvedSpool $one) => $one->solved->bendTable, $solved->spools());

    expect($first->rows)->toBe([])
        ->and($first->cutLength)->toEqualWithDelta(98.5, 1e-9)
        // From 101.5 the straight goes on to 370; behind the bend 120 − 1 to the weld.
        ->and([$second->rows[0]->straight, $second->rows[0]->rotation, $second->tail, $second->length])
        ->toEqualWithDelta([268.5, 0, 119, 268.5 + FIRST_BEND + 119], 1e-9)
        // 240 − 121 to the second bend, whose rotation is counted anew.
        ->and([$third->rows[0]->straight, $third->rows[0]->rotation, $third->tail])
        ->toEqualWithDelta([119, 0, 170], 1e-9)
        ->and($first->length + 3 + $second->length + 2 + $third->length)
        ->toEqualWithDelta($solved->bendTable->length, 1e-9);

    // Of the whole run less its gaps, with two plates: for 12 mm a circle of ⌈57/5⌉·5 = 60, so ø 90, 10 thick,
    // 4 × ø 12.
    $mass = MassWriter::write($solved, '/runs/0');
    $plate = M_PI / 4 * (90 ** 2 - 12 ** 2 - 4 * 12 ** 2) * 10;
    $tube = M_PI / 4 * (12 ** 2 - 9 ** 2);
    expect($mass['volume'])->toEqualWithDelta($tube * ($solved->bendTable->length - 5) + 2 * $plate, 1e-4)
        ->and(array_column($mass['spools'], 'mark'))->toBe(['run-1', 'run-2', 'run-3'])
        ->and(array_sum(array_column($mass['spools'], 'volume')))->toEqualWithDelta($mass['volume'], 1e-6)
        ->and($mass['spools'][0]['volume'])->toEqualWithDelta($tube * 98.5 + $plate, 1e-4)
        ->and(array_map(static fn ($part): string => $part->id, Parts::of($solved, '')))
        ->toBe(['run-1', 'run-2', 'run-3']);
});

it('puts the flanges of a joint face to face, as far apart as their gasket is thick', function (): void {
    $file = jointedRun(
        [['at' => ['length' => 200], 'kind' => 'flanges', 'gap' => 3]],
        ['end' => ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13]],
    );
    // Cuts square to x: 1 mm off the middle there is nothing, 2 mm off a plate of ø 60 with a bore of 9, 11 mm off
    // tube.
    foreach ([1 => null, 2 => 60, 9 => 60, 11 => 12] as $off => $diameter) {
        foreach ([-1, 1] as $side) {
            $area = 0.0;
            foreach (Parts::of(Jobs::solve($file), '') as $part) {
                $at = new Vector(200 + $side * $off, 0, 0);
                foreach (PlaneCut::of($part->solid, $at, new Vector(1, 0, 0)) as $loop) {
                    $area += $loop->area;
                }
            }
            expect($area)->toEqualWithDelta($diameter === null ? 0 : M_PI / 4 * ($diameter ** 2 - 81), 1e-6);
        }
    }
});

it('carries the section on from spool to spool', function (string $up): void {
    $more = ['section' => ['shape' => 'rectangle', 'width' => 20, 'height' => 8, 'wall' => 1], 'stock.radius' => 30];
    $file = jointedRun([['at' => ['leg' => 2, 'from_start' => 150], 'kind' => 'weld', 'gap' => 0]], [], $more);
    $file->runs[0]->section_up = $up;
    $joint = Jobs::solve($file);
    $whole = clone $file->runs[0];
    unset($whole->joints);
    $one = RunBody::of(Jobs::laid((object) [...(array) $file, 'runs' => [$whole]]))->solid()
        ?? throw new LogicException;
    [$first, $second] = Parts::of($joint, '');
    $sum = MassProperties::sum([MassProperties::of($first->solid), MassProperties::of($second->solid)]);

    // A section that was turned at the joint would have its centre of gravity elsewhere and other bends.
    expect($sum->volume)->toEqualWithDelta(MassProperties::of($one)->volume, 1e-6)
        ->and($sum->centre->distanceTo(MassProperties::of($one)->centre))->toBeLessThan(1e-6);
    // 40 behind the joint the cut is as the cut of the whole: its corners stand in the same places.
    $at = new Vector(400, 190, 0);
    $area = static fn ($solid): array => array_map(
        static fn ($loop): float => round($loop->area, 6), PlaneCut::of($solid, $at, (new Vector(1, 5, 2))->unit()),
    );
    expect($area($second->solid))->toBe($area($one));
})->with(['path', 'upright']);

it('moves along with the run, and says so where it comes to lie in a bend', function (): void {
    $file = jointedRun([['at' => ['leg' => 1, 'from_start' => 360], 'kind' => 'weld', 'gap' => 2]]);
    expect(Jobs::broken($file))->toBe([]);

    // With R 50 the bend begins at 350; the joint is drawn at 349 and is found.
    $file->runs[0]->route->corner = (object) ['radius' => 50];
    $solved = Jobs::solve($file);
    expect(array_map(static fn ($one): string => $one->rule, $solved->findings))->toBe(['joint-place'])
        ->and([$solved->findings[0]->measured, $solved->findings[0]->required])->toEqualWithDelta([360, 349], 1e-9)
        ->and($solved->findings[0]->remedies[0]->label)->toBe('Put it at 349 mm')
        ->and($solved->findings[0]->remedies[0]->item->joints[0]->at)
        ->toEqual((object) ['leg' => 1, 'from_start' => 349])
        ->and($solved->spools()[0]->spool->to)->toEqualWithDelta(348, 1e-9);
});

it('finds flanges that do not go together', function (array $near, array $other, ?string $says): void {
    $plate = static fn (array $more): array => [
        'type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13, ...$more,
    ];
    $file = jointedRun([[
        'at' => ['length' => 200], 'kind' => 'flanges', 'flange' => $plate($near), 'other' => $plate($other),
    ]]);
    $findings = Rules::all()['joint-fit']->check(Jobs::laid($file));

    expect($findings[0]->message ?? null)->toBe($says);
    if ($says !== null) {
        expect(array_map(static fn ($one): string => $one->label, Jobs::solve($file)->findings[0]->remedies))
            ->toBe(['Make them alike']);
    }
})->with(function (): array {
    $holes = ['count' => 4, 'circle' => 42, 'diameter' => 9];
    $spigot = ['kind' => 'spigot', 'diameter' => 24, 'height' => 2];

    return [
        'alike' => [['holes' => $holes], ['holes' => $holes], null],
        'the opposite hand' => [
            ['holes' => [...$holes, 'start' => 10]], ['holes' => [...$holes, 'start' => -10]], null,
        ],
        'a quarter on' => [['holes' => $holes], ['holes' => $holes, 'turn' => 90], null],
        'the same hand' => [
            ['holes' => [...$holes, 'start' => 10]], ['holes' => [...$holes, 'start' => 10]],
            'Their bolt holes are turned by 20° against each other.',
        ],
        'turned' => [
            ['holes' => $holes], ['holes' => $holes, 'turn' => 45],
            'Their bolt holes are turned by 45° against each other.',
        ],
        'another number' => [
            ['holes' => $holes], ['holes' => [...$holes, 'count' => 3]], 'One has 4 bolt holes, the other 3.',
        ],
        'another circle' => [
            ['holes' => $holes], ['holes' => [...$holes, 'circle' => 44]],
            'One has its bolt holes on a circle of 42 mm, the other of 44 mm.',
        ],
        'a spigot without a recess' => [['face' => $spigot], [], 'There is no recess for the spigot of 24 mm.'],
        'a recess that is too small' => [
            ['face' => $spigot], ['face' => ['kind' => 'recess', 'diameter' => 23, 'height' => 2]],
            'There is no recess for the spigot of 24 mm.',
        ],
        'a spigot in its recess' => [
            ['face' => $spigot], ['face' => ['kind' => 'recess', 'diameter' => 24.5, 'height' => 2]], null,
        ],
    ];
});

it('finds a flange at a joint that has no room, and one that stands on another', function (): void {
    $flange = ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13];
    $near = jointedRun([['at' => ['length' => 366], 'kind' => 'flanges', 'gap' => 2]], ['end' => $flange]);
    // The spool behind begins at 367 with 3 of straight; a plate of 8 reaches into the bend.
    expect(Jobs::solve($near)->findings[0]->title)->toBe('The flange at joint 1 does not fit')
        ->and(Jobs::solve($near)->findings[0]->message)
        ->toBe('It is 8 mm thick; only 3 mm of the tube is straight there.');

    // Of 15 from the start to the joint, 14 are spool: plates of 8 at both ends of it overlap.
    $short = jointedRun([['at' => ['length' => 15], 'kind' => 'flanges', 'gap' => 2]], ['end' => $flange]);
    expect(Jobs::solve($short)->findings[0]->message)
        ->toBe('It is 8 mm thick; only 6 mm of the tube is straight there.');
});

it('tells of no spools where its only joint breaks nothing, and what is wrong with that', function (): void {
    // The start is at 0: the gap of 4 of a joint at 2 leaves nothing before it.
    $file = jointedRun([['at' => ['length' => 2], 'kind' => 'weld', 'gap' => 4]]);
    $finding = array_values(array_filter(
        Jobs::solve($file)->findings, static fn (Finding $one): bool => $one->rule === 'joint-place',
    ))[0] ?? null;

    expect(Jobs::written($file)['spools'])->toBe([])
        ->and($finding?->title)->toBe('Joint 1 has no room')
        ->and($finding?->message)->toBe('It leaves nothing of a spool beside it.');
});
