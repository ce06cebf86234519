<?php

declare(strict_types=1);

use Bowline\Editing\Edit\Become;
use Bowline\Editing\EditError;
use Bowline\Editing\RunDraft;
use Bowline\Job;
use Tests\Jobs;

/** A riser of 250 and a level leg of 400 with a bend of R 30 between them: 650 − 2·30 + 15·π long. */
function risingRun(array $more = []): stdClass
{
    return Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]], $more);
}

const RISING_LENGTH = 650 - 60 + 15 * M_PI;

/** The job with its first run as it is now. */
function became(stdClass $file, string $kind, ?string $host = null): stdClass
{
    $changed = clone $file;
    $changed->runs = [
        RunDraft::of(Jobs::laid($file))->apply(new Become($kind, $host))->run(),
        ...array_slice($file->runs, 1),
    ];

    return $changed;
}

it('keeps its ends, its stock and its length when it lets go of its corners', function (string $kind): void {
    $changed = became(risingRun(['fixed_length' => ['length' => 700, 'tolerance' => 1]]), $kind);
    $run = $changed->runs[0];
    expect($run->from)
        ->toEqual((object) ['port' => 'pump.out'])
        ->and($run->to->at)
        ->toBe([400, 0, 300])
        ->and($run->stock)
        ->toBe('t12')
        ->and($run)
        ->not->toHaveProperty('fixed_length')
        ->and(get_object_vars($run->route))
        ->toHaveKeys(['kind', 'length'])
        ->and(Jobs::laid($changed)->length())->toEqualWithDelta(RISING_LENGTH, RISING_LENGTH * 1e-3);
})->with(['hang', 'spring', 'drape']);

it('goes through where its corners were', function (): void {
    expect(became(risingRun(), 'flow')->runs[0]->route)->toEqual(
        (object) ['kind' => 'flow', 'points' => [[0, 0, 300]]],
    );
});

it('keeps its clamps as long as it bends by itself', function (): void {
    $clamps = ['clamps' => [['id' => 'c', 'at' => [200, 0, 200], 'axis' => '+x', 'bore' => 12, 'width' => 20]]];
    $hanging = risingRun($clamps);
    $hanging->runs[0]->route = Jobs::object(['kind' => 'hang', 'length' => 700, 'through' => [['clamp' => 'c']]]);
    $sprung = became($hanging, 'spring')->runs[0];
    expect($sprung->route->through)
        ->toEqual([(object) ['clamp' => 'c']])
        ->and($sprung->route->length)
        ->toEqualWithDelta(700.0, 0.1)
        ->and(became($hanging, 'corners')->runs[0]->route)->not->toHaveProperty('through');
});

it('gets corners on the curve that it was', function (): void {
    $file = risingRun();
    $file->runs[0]->from = (object) ['at' => [-200, 0, 0]];
    $file->runs[0]->to = (object) ['at' => [200, 0, 0]];
    $file->runs[0]->route = Jobs::object(['kind' => 'hang', 'length' => 500]);
    $stops = became($file, 'corners')->runs[0]->route->stops;
    // The catenary y = a·cosh(x/a): 500 = 2a·sinh(200/a) gives a by bisection.
    $a = 0.0;
    [$low, $high] = [50.0, 2000.0];
    for ($i = 0; $i < 100; $i++) {
        $a = ($low + $high) / 2;
        [$low, $high] = 2 * $a * sinh(200 / $a) > 500 ? [$a, $high] : [$low, $a];
    }
    expect($stops)->toHaveCount(3);
    foreach ($stops as $stop) {
        [$x, , $z] = $stop->at;
        expect($z)->toEqualWithDelta($a * cosh($x / $a) - $a * cosh(200 / $a), 0.05);
    }
    expect($stops[1]->at[0])->toEqualWithDelta(0.0, 0.05);
});

it('is wound round another run, and has ends of its own when it no longer is', function (): void {
    $file = risingRun();
    $file->runs[] = Jobs::object([
        'id' => 'host',
        'stock' => 't12',
        'from' => ['at' => [0, 500, 0]],
        'to' => ['at' => [300, 500, 0]],
        'route' => ['kind' => 'corners', 'stops' => []],
    ]);
    $wound = became($file, 'wrap', 'host');
    expect($wound->runs[0])
        ->not->toHaveProperty('from')
        ->not->toHaveProperty('to')
        ->and($wound->runs[0]->route->host)
        ->toBe('host');
    $laid = Job::read($wound)->runs['run'];
    $path = $laid->route->lay($laid)->path;
    $again = became($wound, 'hang')->runs[0];
    expect($again->from->at)->toEqualWithDelta($path->segments[0]->start()->toArray(), 1e-3)
        ->and($again->to->at)->toEqualWithDelta($path->segments[count($path->segments) - 1]->end()->toArray(), 1e-3);
    expect(fn () => became($file, 'wrap'))->toThrow(EditError::class, 'no other run');
});

it('stays as it is when it behaves so already', function (): void {
    $file = risingRun(['fixed_length' => ['length' => 640, 'tolerance' => 1]]);
    expect(became($file, 'corners')->runs[0])->toEqual($file->runs[0]);
});
