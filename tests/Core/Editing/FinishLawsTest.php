<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Job;
use Bowline\Job\End\FlangeReader;
use Bowline\Job\Node;
use Bowline\Job\Values;
use Tests\Jobs;

/*
 * What holds of every first finish and every shape of flange that an edit gives: it can be read, it fits the tube that
 * it was made for, and its body closes. The run goes 1000 up and 1000 along x, with room for anything.
 */

const FINISHES = ['open', 'flange', 'closed', 'flat-cap', 'domed-cap', 'stepped-cap', 'reducer', 'collar'];

function roomy(array $section, string $kind = 'tube'): stdClass
{
    $file = Jobs::file([['at' => [0, 0, 1000]]], ['at' => [1000, 0, 1000]], [
        'from' => ['at' => [0, 0, 0]], 'section' => $section, 'stock.radius' => 350, 'stock.min_radius' => 300,
    ]);
    $file->stock[0]->kind = $kind;

    return $file;
}

/** @param  array<string, mixed>  ...$edits  of the run, one after another */
function changed(stdClass $file, array ...$edits): stdClass
{
    foreach ($edits as $edit) {
        $file->runs[0] = Jobs::edited($file, $edit);
    }

    return $file;
}

/** Volume of the material of the run; it has to close. */
function volumeOf(stdClass $file): float
{
    $solid = RunBody::of(Jobs::laid($file))->solid() ?? throw new LogicException('the run has a body');
    expect($solid->isClosed())->toBeTrue();

    return MassProperties::of($solid)->volume;
}

dataset('tubes', [
    'hydraulic tube' => [6.0, 1.0], 'tube 12' => [12.0, 1.5], 'tube 28' => [28.0, 2.0], 'DN 50' => [60.3, 3.9],
    'DN 100' => [114.3, 6.3], 'DN 150, thin' => [168.3, 2.6], 'a rod of 20' => [20.0, 10.0],
]);

it('finishes either end of a tube in a way that fits it', function (float $od, float $wall, string $type): void {
    foreach (['from', 'to'] as $end) {
        $file = changed(
            roomy(['shape' => 'round', 'od' => $od, 'wall' => $wall]),
            ['do' => 'finish-end', 'end' => $end, 'type' => $type],
        );
        expect(array_diff(Jobs::broken($file), ['port-size']))->toBe([])
            ->and(volumeOf($file))->toBeGreaterThan(0.0);
    }
})->with('tubes')->with(FINISHES);

it('adds nothing to an open end, and at least a disc of the bore to a closed one', function (
    float $od,
    float $wall,
): void {
    $plain = volumeOf(roomy(['shape' => 'round', 'od' => $od, 'wall' => $wall]));
    $bore = M_PI / 4 * max(0.0, $od - 2 * $wall) ** 2;
    $with = static fn (string $type): float => volumeOf(changed(
        roomy(['shape' => 'round', 'od' => $od, 'wall' => $wall]),
        ['do' => 'finish-end', 'end' => 'to', 'type' => $type],
    ));

    expect($with('open'))->toEqualWithDelta($plain, 1e-9 * $plain)
        // A plug as thick as the wall, and a flat cap as thick, that stands past the end over the whole of it.
        ->and($with('closed'))->toEqualWithDelta($plain + $bore * $wall, 1e-9 * $plain)
        ->and($with('flat-cap'))->toEqualWithDelta($plain + M_PI / 4 * $od ** 2 * $wall, 1e-9 * $plain)
        // A hemisphere as thick as the wall: ⅔π(R³ − r³).
        ->and($with('domed-cap'))->toEqualWithDelta(
            $plain + 2 / 3 * M_PI * (($od / 2) ** 3 - max(0.0, $od / 2 - $wall) ** 3), 1e-9 * $plain,
        );
})->with('tubes');

it('finishes what is not round with what can be read and closes', function (array $section, string $type): void {
    $file = changed(roomy($section), ['do' => 'finish-end', 'end' => 'to', 'type' => $type]);

    expect(Job::read($file)->runs)->toHaveKey('run')->and(volumeOf($file))->toBeGreaterThan(0.0);
})->with([
    'a box' => [['shape' => 'rectangle', 'width' => 60, 'height' => 40, 'wall' => 3, 'corner_radius' => 6]],
    'a flat bar' => [['shape' => 'rectangle', 'width' => 60, 'height' => 10]],
    'an arch' => [['shape' => 'arched', 'width' => 60, 'height' => 50, 'rise' => 20, 'wall' => 2]],
    'an outline' => [['shape' => 'outline', 'outer' => [[0, -20], [40, -20], [40, 20], [0, 20]]]],
])->with(FINISHES);

it('gives every plate, face and neck measures that fit the tube', function (
    float $od,
    float $wall,
    string $plate,
    string $face,
    string $neck,
): void {
    $section = ['shape' => 'round', 'od' => $od, 'wall' => $wall];
    $first = ['do' => 'finish-end', 'end' => 'to', 'type' => 'flange'];
    $shaped = changed(
        roomy($section), $first, ['do' => 'shape-flange', 'end' => 'to', 'plate' => $plate],
        ['do' => 'shape-flange', 'end' => 'to', 'face' => $face],
        ['do' => 'shape-flange', 'end' => 'to', 'neck' => $neck],
    );

    expect(Jobs::broken($shaped))->toBe([]);
    // What the flange comes to is written as it is read.
    $end = (new Node($shaped))->list('runs')[0]->get('to')->get('end');
    $copy = Jobs::decoded((array) $shaped);
    $copy->runs[0]->to->end = FlangeReader::own($end, Values::read(null))->toFile();
    $volume = volumeOf($shaped);
    expect(volumeOf($copy))->toEqualWithDelta($volume, 1e-9 * $volume)
        ->and($volume)->toBeGreaterThan(volumeOf(roomy($section)));
})->with('tubes')->with(static function (): array {
    // Each plate with each face, each of them with each neck.
    $all = [];
    foreach (['round', 'rectangle', 'oval'] as $i => $plate) {
        foreach (['flat', 'raised', 'recess', 'spigot'] as $j => $face) {
            $all[] = [$plate, $face, ['none', 'fillet', 'hub'][($i + $j) % 3]];
        }
    }

    return $all;
});
