<?php

declare(strict_types=1);

use Bowline\Job;
use Bowline\Job\Stock;
use Tests\Jobs;

/**
 * Returns the stocks that are offered to a run of tube 12 between ports of two sizes, mm; null is a port of no size.
 * The job has tubes of 12, 16 (two of them) and 20, and a cable of 16.
 *
 * @return list<string> their ids
 */
function fittingStock(?float $from, ?float $to): array
{
    $file = Jobs::file([['at' => [0, 0, 200]]], ['port' => 'tank.in']);
    $file->fittings[] = Jobs::object([
        'id' => 'tank', 'pose' => ['at' => [500, 0, 0]],
        'ports' => [['id' => 'in', 'at' => [0, 0, 50], 'axis' => [0, 0, 1]]],
    ]);
    foreach ([$from, $to] as $fitting => $size) {
        if ($size !== null) {
            $file->fittings[$fitting]->ports[0]->size = $size;
        }
    }
    foreach (['t16' => 16, 'thick' => 16, 't20' => 20] as $id => $diameter) {
        $file->stock[] = Jobs::object([
            'id' => $id, 'kind' => 'tube', 'section' => ['shape' => 'round', 'od' => $diameter, 'wall' => 2],
            'bend' => ['radius' => 50, 'min_radius' => 40, 'min_straight' => 20], 'density' => 7980,
        ]);
    }
    $file->stock[] = Jobs::object([
        'id' => 'c16', 'kind' => 'cable', 'section' => ['shape' => 'round', 'od' => 16],
        'bend' => ['radius' => 50, 'min_radius' => 40, 'min_straight' => 0], 'density' => 2000,
    ]);

    return array_map(static fn (Stock $one): string => $one->id, Job::read($file)->runs['run']->fitting);
}

it('knows the stock of its kind that both ports are made for, where its own is not', function (
    ?float $from, ?float $to, array $offered,
): void {
    expect(fittingStock($from, $to))->toBe($offered);
})->with([
    'ports for anything' => [null, null, []],
    'ports for its own' => [12.0, 12.0, []],
    'ports for another' => [16.0, 16.0, ['t16', 'thick']],
    'one of them for another' => [null, 20.0, ['t20']],
    'the first for another' => [20.0, null, ['t20']],
    'one for its own, one for another' => [12.0, 16.0, []],
    'no stock for both' => [16.0, 20.0, []],
]);
