<?php

declare(strict_types=1);

use Bowline\Bending\BendTable;
use Bowline\Editing\Edit\Reverse;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/** Degrees that each bend of a run through these corners is rotated by. */
$rotations = fn (array ...$corners): array => array_map(
    fn (array $bend): float => round($bend['rotation'], 6),
    Jobs::written(
        Jobs::file(array_map(fn (array $at): array => ['at' => $at], array_values(array_slice($corners, 0, -1))), [
            'at' => $corners[count($corners) - 1],
        ]),
    )['bends'],
);

it('rotates by 90 degrees between bends in planes square to each other', function () use ($rotations): void {
    expect($rotations([0, 0, 200], [300, 0, 200], [300, 300, 200]))->toBe([0.0, 90.0])
        ->and($rotations([0, 0, 200], [300, 0, 200], [300, -300, 200]))->toBe([0.0, -90.0]);
});

it('does not rotate along a U and turns right over along a Z', function () use ($rotations): void {
    expect($rotations([0, 0, 200], [300, 0, 200], [300, 0, -100]))->toBe([0.0, 0.0])
        ->and($rotations([0, 0, 200], [300, 0, 200], [300, 0, 500]))->toBe([0.0, 180.0]);
});

it('adds up to the length', function (int $seed): void {
    $table = Jobs::solve(Jobs::wandering($seed, 9))->bendTable;
    $sum = $table->tail;
    foreach ($table->rows as $row) {
        $sum += $row->straight + $row->arc;
    }

    expect($sum)->toEqualWithDelta($table->length, 1e-9);
})->with(range(1, 5));

it('has all of a straight tube as its tail', function (): void {
    $table = Jobs::solve(Jobs::file([], ['at' => [0, 0, 350]]))->bendTable;
    expect($table->rows)->toBe([])->and([$table->tail, $table->length, $table->cutLength])->toEqual([300, 300, 300]);
});

it('says enough to bend the run again from nothing else', function (int $seed): void {
    $laid = Jobs::laid(Jobs::wandering($seed, 8));
    $table = BendTable::of($laid);

    // A bender at work: feed, rotate the plane, bend; position, travel and plane carried along by hand.
    $at = $laid->vertices[0]->at;
    $travel = $laid->bends[0]->in;
    $normal = $laid->bends[0]->normal;
    foreach ($table->rows as $row) {
        $at = $at->plus($travel->times($row->straight));
        $normal = $normal->turnedAbout($travel, $row->rotation);
        $centre = $at->plus($normal->cross($travel)->times($row->radius));
        $at = $centre->plus($at->minus($centre)->turnedAbout($normal, $row->angle));
        $travel = $travel->turnedAbout($normal, $row->angle);
    }
    $at = $at->plus($travel->times($table->tail));

    expect($at->distanceTo($laid->run->to->at))->toBeLessThan(1e-6);
})->with(range(1, 10));

it('does not change when the whole job is moved and turned', function (int $seed): void {
    $file = Jobs::wandering($seed, 6);
    $before = Jobs::solve($file);
    $axis = (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();
    $shift = new Vector(1000 * Jobs::random(), 1000 * Jobs::random(), 1000 * Jobs::random());
    $moved = fn (array $at): array => (new Vector(...$at))->turnedAbout($axis, 1.1)->plus($shift)->toArray();
    foreach ($file->runs[0]->route->stops as $stop) {
        $stop->at = $moved($stop->at);
    }
    $file->runs[0]->to->at = $moved($file->runs[0]->to->at);
    $file->fittings[0]->pose = (object) [
        'at' => $shift->toArray(),
        'turn' => (object) ['about' => $axis->toArray(), 'by' => rad2deg(1.1)],
    ];
    $after = Jobs::solve($file);

    expect($after->laid->length())->toEqualWithDelta($before->laid->length(), 1e-8);
    foreach ($before->bendTable->rows as $i => $row) {
        expect($after->bendTable->rows[$i]->angle)->toEqualWithDelta($row->angle, 1e-9)
            ->and(cos($after->bendTable->rows[$i]->rotation - $row->rotation))->toEqualWithDelta(1, 1e-9);
    }
})->with(range(1, 5));

it('overbends for springback and cuts shorter for stretch', function (): void {
    $table = Jobs::solve(Jobs::file([['at' => [0, 0, 200]]], ['at' => [400, 0, 200], 'trim' => 7], [
        'from' => ['port' => 'pump.out', 'trim' => 5],
        'stock.springback' => ['ratio' => 0.02, 'offset' => 1.5],
        'stock.stretch_per_degree' => 0.05,
    ]))->bendTable;

    // 90 × 1.02 + 1.5 degrees; 90 degrees stretch by 4.5 mm, 12 mm are trimmed.
    expect(rad2deg($table->rows[0]->setAngle))->toEqualWithDelta(93.3, 1e-9)
        ->and($table->cutLength - $table->length)->toEqualWithDelta(7.5, 1e-9);
});

it('marks the raw tube where each bend starts, from either end', function (): void {
    // Trims of 10 and 4; bends of 90° and 45° at R 30, each degree stretching the tube by 0.02.
    $file = Jobs::file([['at' => [0, 0, 200]], ['at' => [300, 0, 200]]], ['at' => [500, 0, 400], 'trim' => 4], [
        'from' => ['port' => 'pump.out', 'trim' => 10], 'stock.stretch_per_degree' => 0.02,
    ]);
    $table = Jobs::solve($file)->bendTable;
    $first = 10 + 150 - 30;
    $tangent = 30 * tan(M_PI / 8);
    $second = 10 + (150 - 30) + 30 * M_PI / 2 + (300 - 30 - $tangent) - 0.02 * 90;
    $cut = $table->length + 14 - 0.02 * 135;
    expect($table->cutLength)->toEqualWithDelta($cut, 1e-9)
        ->and($table->rows[0]->mark)->toEqualWithDelta($first, 1e-9)
        ->and($table->rows[1]->mark)->toEqualWithDelta($second, 1e-9)
        // From the other end the last bend comes first: after the trim and the tail.
        ->and($table->rows[1]->markFromEnd)->toEqualWithDelta(4 + $table->tail, 1e-9);
});

it('marks from one end what is marked from the other when the run is reversed', function (int $seed): void {
    $file = Jobs::wandering($seed, 7);
    $file->stock[0]->bend->stretch_per_degree = 0.03;
    $file->runs[0]->from->trim = 12;
    $forth = Jobs::solve($file)->bendTable;
    $file->runs[0] = RunDraft::of(Jobs::laid($file))->apply(new Reverse)->run();
    $back = Jobs::solve($file)->bendTable;

    $count = count($forth->rows);
    expect($back->cutLength)
        ->toEqualWithDelta($forth->cutLength, 1e-9)
        ->and($back->length)
        ->toEqualWithDelta($forth->length, 1e-9);
    foreach ($forth->rows as $i => $row) {
        $same = $back->rows[$count - 1 - $i];
        expect($same->markFromEnd)
            ->toEqualWithDelta($row->mark, 1e-8)
            ->and($same->mark)
            ->toEqualWithDelta($row->markFromEnd, 1e-8)
            ->and($same->angle)->toEqualWithDelta($row->angle, 1e-9);
    }
    // The plane turns by as much, and the same way round, whichever way one travels.
    for ($i = 1; $i < $count; $i++) {
        expect($back->rows[$count - $i]->rotation)->toEqualWithDelta($forth->rows[$i]->rotation, 1e-9);
    }
})->with(range(1, 6));
