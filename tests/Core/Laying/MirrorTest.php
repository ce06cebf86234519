<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Laying\Mirror;
use Tests\Jobs;

/** The bend table of a run and that of its mirror image, in degrees. */
function bothHands(stdClass $file, Mirror $mirror): array
{
    $other = clone $file;
    $other->runs = [(object) ['id' => 'other', ...get_object_vars($mirror->of(Jobs::laid($file)))]];

    return [Jobs::written($file), Jobs::written($other), $other];
}

it('turns every rotation into its negative and changes nothing else', function (int $seed): void {
    $file = Jobs::wandering($seed, 8);
    $normal = (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();
    [$own, $other, $mirrored] = bothHands($file, new Mirror(new Vector(40, -10, 5), $normal));
    expect($other['length'])->toEqualWithDelta($own['length'], 1e-6);
    foreach ($own['bends'] as $i => $bend) {
        $same = $other['bends'][$i];
        expect($same['angle'])->toEqualWithDelta($bend['angle'], 1e-6)->and($same['straight'])->toEqualWithDelta($bend['straight'], 1e-6)
            ->and(abs($same['rotation'] + $bend['rotation']) < 1e-5 || abs(abs($bend['rotation']) - 180) < 1e-5)->toBeTrue();
    }
    // Mirrored twice it is the run again, corner by corner.
    [, $again] = bothHands($mirrored, new Mirror(new Vector(40, -10, 5), $normal));
    expect($again['vertices'])->toEqualWithDelta($own['vertices'], 1e-6);
})->with(range(1, 8));

it('keeps leads, trims, ends and the radii of corners, and stands in the open', function (): void {
    $file = Jobs::file([['at' => [0, 60, 200], 'corner' => ['ratio' => 3]], ['along' => '+x', 'length' => 150]], ['at' => [150, 200, 200], 'trim' => 4, 'end' => ['type' => 'closed']], [
        'from' => ['port' => 'pump.out', 'lead' => 80],
    ]);
    $run = (new Mirror(new Vector(0, 100, 0), new Vector(0, 1, 0)))->of(Jobs::laid($file));
    expect($run->from)->toEqual((object) ['at' => [0, 200, 50], 'axis' => [0, 0, 1], 'lead' => 80])
        ->and($run->to)->toEqual((object) ['at' => [150, 0, 200], 'trim' => 4, 'end' => (object) ['type' => 'closed']])
        ->and($run->route->stops)->toEqual([(object) ['at' => [0, 140, 200], 'corner' => (object) ['radius' => 36]], (object) ['at' => [150, 140, 200]]]);
});
