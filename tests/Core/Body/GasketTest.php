<?php

declare(strict_types=1);

use Bowline\Body\Gasket;
use Bowline\Body\MassProperties;
use Bowline\Exchange\Parts;
use Bowline\Exchange\SpoolWriter;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Tests\Jobs;

/**
 * A pipe of DN 50 (60.3), 1000 along x, broken in its middle.
 *
 * @param  array<string, mixed>  $joint
 */
function brokenPipe(array $joint): LaidRun
{
    return Jobs::laid(Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'One pipe',
        'stock' => [[
            'id' => 'p', 'kind' => 'pipe', 'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.2],
            'bend' => ['radius' => 150, 'min_radius' => 120, 'min_straight' => 50], 'density' => 7850,
        ]],
        'runs' => [[
            'id' => 'feed', 'stock' => 'p', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [1000, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []],
            'joints' => [['at' => ['length' => 500], ...$joint]],
        ]],
    ]));
}

function gasketOf(LaidRun $laid): ?Gasket
{
    return Gasket::of($laid, LaidJoint::all($laid)[0]);
}

it('is as wide as the raised face of the flanges, or as the bolts leave it', function (
    array $joint,
    float $inner,
    float $outer,
    float $thick,
): void {
    $laid = brokenPipe($joint);
    $gasket = gasketOf($laid);
    assert($gasket !== null);
    expect([$gasket->inner, $gasket->outer, $gasket->thickness])->toEqualWithDelta([$inner, $outer, $thick], 1e-9);
    $solid = $gasket->solid($laid, LaidJoint::all($laid)[0]);
    $mass = MassProperties::of($solid);
    expect($solid->isClosed())->toBeTrue()
        ->and($mass->volume)->toEqualWithDelta(M_PI / 4 * ($outer ** 2 - $inner ** 2) * $thick, 1e-6)
        ->and($mass->centre->distanceTo(new Vector(500, 0, 0)))->toBeLessThan(1e-9)
        ->and(Parts::over($laid))->toHaveCount(1)
        ->and(Parts::over($laid)[0]->name)->toBe('feed, gasket')
        ->and(SpoolWriter::joints($laid)[0]['gasket'])
        ->toEqualWithDelta(['inner' => $inner, 'outer' => $outer, 'thickness' => $thick], 1e-9);
})->with([
    // EN 1092-1: DN 50 of PN 10 and 16 has a raised face of 102.
    'EN 1092-1 type 11' => [
        ['kind' => 'flanges', 'gap' => 3, 'flange' => ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 16']],
        60.3, 102.0, 3.0,
    ],
    'a plate of its own, 2 as usual' => [
        ['kind' => 'flanges', 'flange' => [
            'type' => 'flange', 'od' => 165, 'thickness' => 18, 'bore' => 61,
            'holes' => ['count' => 4, 'circle' => 125, 'diameter' => 18],
        ]],
        60.3, 107.0, 2.0,
    ],
]);

it('is not there where nothing is to be packed', function (array $joint): void {
    $laid = brokenPipe($joint);
    expect(gasketOf($laid))->toBeNull()->and(SpoolWriter::joints($laid)[0]['gasket'])->toBeNull();
})->with([
    'a weld' => [['kind' => 'weld']],
    'a gap that no straight holds' => [['kind' => 'flanges', 'gap' => 2000]],
    'a coupling' => [['kind' => 'coupling']],
    'flanges metal to metal' => [['kind' => 'flanges', 'gap' => 0]],
    'bolts close to the pipe' => [['kind' => 'flanges', 'flange' => [
        'type' => 'flange', 'od' => 110, 'thickness' => 18, 'bore' => 61,
        'holes' => ['count' => 4, 'circle' => 74, 'diameter' => 14],
    ]]],
    'a plate without bolts' => [['kind' => 'flanges', 'flange' => [
        'type' => 'flange', 'od' => 110, 'thickness' => 18, 'bore' => 61,
    ]]],
]);
