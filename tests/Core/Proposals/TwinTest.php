<?php

declare(strict_types=1);

use Bowline\Editing\Edit\InsertCorner;
use Bowline\Editing\Edit\MakeOwn;
use Bowline\Editing\Edit\MakeSymmetric;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Proposals\Twin;
use Bowline\Routing\RouteBook;
use Tests\Jobs;

/** The run once more, alone in its job. */
function twinned(stdClass $file, array $said, bool $tied = false): stdClass
{
    $site = RouteBook::site(new Node($file));
    $twin = Twin::read(new Node(Jobs::object($said)), $site->values)->of(Jobs::laid($file), $tied);
    $other = clone $file;
    $other->runs = [...($tied ? $file->runs : []), (object) ['id' => 'other', ...get_object_vars($twin)]];

    return $other;
}

it('turns every rotation into its negative and changes nothing else', function (int $seed): void {
    $file = Jobs::wandering($seed, 8);
    $across = [
        'across' => [
            'at' => [40, -10, 5],
            'normal' => (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit()->toArray(),
        ],
    ];
    $own = Jobs::written($file);
    $mirrored = twinned($file, $across);
    $other = Jobs::written($mirrored);
    expect($other['length'])->toEqualWithDelta($own['length'], 1e-6);
    foreach ($own['bends'] as $i => $bend) {
        $same = $other['bends'][$i];
        expect($same['angle'])
            ->toEqualWithDelta($bend['angle'], 1e-6)
            ->and($same['straight'])
            ->toEqualWithDelta($bend['straight'], 1e-6)
            ->and(abs($same['rotation'] + $bend['rotation']) < 1e-5 || abs(abs($bend['rotation']) - 180) < 1e-5)
            ->toBeTrue();
    }
    // Mirrored twice it is the run again, corner by corner.
    expect(Jobs::written(twinned($mirrored, $across))['vertices'])->toEqualWithDelta($own['vertices'], 1e-6);
})->with(range(1, 8));

it('keeps leads, trims, ends and the radii of corners, and stands in the open', function (): void {
    $file = Jobs::file(
        [['at' => [0, 60, 200], 'corner' => ['ratio' => 3]], ['along' => '+x', 'length' => 150]],
        ['at' => [150, 200, 200], 'trim' => 4, 'end' => ['type' => 'closed']],
        [
            'from' => ['port' => 'pump.out', 'lead' => 80],
        ],
    );
    $run = twinned($file, ['across' => ['at' => [0, 100, 0], 'normal' => '+y']])->runs[0];
    expect($run->from)->toEqual((object) ['at' => [0, 200, 50], 'axis' => [0, 0, 1], 'lead' => 80])
        ->and($run->to)->toEqual((object) ['at' => [150, 0, 200], 'trim' => 4, 'end' => (object) ['type' => 'closed']])
        ->and($run->route->stops)
        ->toEqual([
            (object) ['at' => [0, 140, 200], 'corner' => (object) ['radius' => 36]],
            (object) ['at' => [150, 140, 200]],
        ]);
});

it(
    'follows the first when tied: a corner put into that is in both, and a copy of a copy follows through',
    function (): void {
        $file = Jobs::file([['at' => [0, 0, 200]], ['at' => [300, 0, 200]]], ['at' => [300, 200, 200]]);
        $copied = twinned($file, ['offset' => [0, 60, 0]], tied: true);
        $copied->runs[] = Jobs::object([
            'id' => 'third',
            'stock' => 't12',
            'from' => ['like' => ['run' => 'other', 'end' => 'from', 'offset' => [0, 60, 0]]],
            'to' => ['like' => ['run' => 'other', 'end' => 'to', 'offset' => [0, 60, 0]]],
            'route' => ['kind' => 'corners', 'like' => ['run' => 'other', 'offset' => [0, 60, 0]], 'stops' => []],
        ]);
        $moved = fn (float $y, array $vertices): array => array_map(
            fn (array $v): array => [$v[0], $v[1] + $y, $v[2]],
            $vertices,
        );
        $first = Jobs::written($copied, 0)['vertices'];
        expect(Jobs::written($copied, 1)['vertices'])
            ->toEqualWithDelta($moved(60, $first), 1e-9)
            ->and(Jobs::written($copied, 2)['vertices'])
            ->toEqualWithDelta($moved(120, $first), 1e-9);
        $copied->runs[0] = RunDraft::of(Jobs::laid($copied))
            ->apply(new InsertCorner(2, new Vector(150.0, 40.0, 200.0)))
            ->run();
        $first = Jobs::written($copied, 0)['vertices'];
        expect($first)
            ->toHaveCount(5)
            ->and(Jobs::written($copied, 2)['vertices'])
            ->toEqualWithDelta($moved(120, $first), 1e-9);
        // Let go of, it has the corners as its own.
        $copied->runs[2] = RunDraft::of(Jobs::laid($copied, 2))->apply(new MakeOwn)->run();
        expect(isset($copied->runs[2]->route->like))
            ->toBeFalse()
            ->and(count($copied->runs[2]->route->stops))
            ->toBe(3)
            ->and(Jobs::written($copied, 2)['vertices'])
            ->toEqualWithDelta($moved(120, $first), 1e-9);
    },
);

it('makes half a run into a symmetric whole whose other half follows', function (): void {
    $file = Jobs::file([['at' => [0, 0, 200]], ['at' => [80, 40, 200]]], ['at' => [100, 0, 200]]);
    $whole = clone $file;
    $whole->runs = [
        RunDraft::of(Jobs::laid($file))
            ->apply(new MakeSymmetric(Jobs::object(['at' => [100, 0, 0], 'normal' => '+x'])))
            ->run(),
    ];
    $solved = Jobs::written($whole);
    $from = $solved['vertices'][0];
    expect($solved['vertices'])->toEqualWithDelta([
        $from, [0, 0, 200], [80, 40, 200], [120, 40, 200], [200, 0, 200], [200 - $from[0], $from[1], $from[2]],
    ], 1e-9);
    // The bend table of a symmetric run reads the same from both ends, its rotations turned round.
    $n = count($solved['bends']);
    foreach ($solved['bends'] as $i => $bend) {
        expect($solved['bends'][$n - 1 - $i]['angle'])->toEqualWithDelta($bend['angle'], 1e-6);
    }
    // Brought to a length, both halves give alike.
    $whole->runs[0]->fixed_length = Jobs::object([
        'length' => $solved['length'] + 20,
        'tolerance' => 0.1,
        'adjust' => ['stops' => [1], 'along' => '+y'],
    ]);
    $longer = Jobs::written($whole);
    expect($longer['length'])->toEqualWithDelta($solved['length'] + 20, 1e-6)
        ->and($longer['vertices'][3][1])
        ->toEqualWithDelta($longer['vertices'][2][1], 1e-9)
        ->and($longer['vertices'][2][1])
        ->toBeGreaterThan(41);
});
