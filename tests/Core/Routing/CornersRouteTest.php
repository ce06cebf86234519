<?php

declare(strict_types=1);

use Bowline\Geometry\Arc;
use Bowline\Geometry\Vector;
use Bowline\Routing\ClampPassage;
use Tests\Jobs;

$to = ['at' => [400, 0, 200]];

it('rounds a right angle with tangents as long as the radius', function () use ($to): void {
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 200]]], $to));

    expect($laid->bends)->toHaveCount(1)
        ->and($laid->bends[0]->tangent)->toEqualWithDelta(30, 1e-9)
        ->and($laid->bends[0]->straight)->toEqualWithDelta(120, 1e-9)
        // 150 + 400 corner to corner, less two tangents, plus a quarter circle.
        ->and($laid->length())->toEqualWithDelta(550 - 60 + 30 * M_PI / 2, 1e-9);
});

it('takes stops of every kind', function (array $stop, array $vertex): void {
    $laid = Jobs::laid(Jobs::file([['at' => [10, 20, 170]], $stop], ['at' => [400, 300, 200]], [
        'clamps' => [['id' => 'c', 'at' => [200, 20, 170], 'axis' => [2, 0, 0], 'bore' => 12, 'width' => 10]],
    ]));

    expect($laid->vertices[2]->at->distanceTo(new Vector(...$vertex)))->toBeLessThan(1e-9);
})->with([
    [['at' => [1, 2, 'riser']], [1.0, 2.0, 120.0]],
    [['by' => [5, 0, '-riser']], [15.0, 20.0, 50.0]],
    [['along' => '-y', 'length' => 70], [10.0, -50.0, 170.0]],
    'a vector of any length' => [['along' => [0, 3, 4], 'length' => 50], [10.0, 50.0, 210.0]],
    'until level with a port, backwards' => [['along' => '+z', 'until' => 'pump.out'], [10.0, 20.0, 50.0]],
    'until level with a clamp' => [['along' => '+x', 'until' => 'c'], [200.0, 20.0, 170.0]],
    // Plane through (100,0,170) square to (1,1,0)/√2: x + y = 100, from 30 on: 35 along each.
    'until level with a point, slantwise' => [['along' => [1, 1, 0], 'until' => [100, 0, 170]], [45.0, 55.0, 170.0]],
    'through a clamp' => [['clamp' => 'c', 'before' => 60, 'after' => 40], [140.0, 20.0, 170.0]],
    'through it the other way' => [
        ['clamp' => 'c', 'before' => 60, 'after' => 40, 'reverse' => true],
        [260.0, 20.0, 170.0],
    ],
]);

it('is free to move where nothing holds it', function (array $stop, array $free): void {
    $to = ['at' => [400, 300, 200], 'axis' => '-x', 'lead' => 40];
    $laid = Jobs::laid(Jobs::file([['at' => [10, 20, 170]], $stop], $to, [
        'clamps' => [['id' => 'c', 'at' => [200, 20, 170], 'axis' => [0, 3, 4], 'bore' => 12, 'width' => 10]],
    ]));
    $said = static fn (int $vertex): array => array_map(
        static fn (Vector $way): array => $way->toArray(), $laid->free($vertex),
    );
    expect($said(2))->toEqualWithDelta($free, 1e-12)
        // The pump's port holds its lead, the end's own axis lets its lead move along it.
        ->and($said(0))->toBe([])
        ->and($said(count($laid->vertices) - 2))->toEqualWithDelta([[-1.0, 0.0, 0.0]], 1e-12)
        ->and($said(count($laid->vertices) - 1))->toBe([]);
})->with([
    'a point' => [['at' => [1, 2, 3]], [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]],
    'through a clamp' => [['clamp' => 'c', 'before' => 60, 'after' => 40], [[0.0, 0.6, 0.8]]],
]);

it('lets the end of a lead move along it where the run has it of its own', function (array $from, array $free): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [200, 0, 300]], ['from' => $from]);
    $file->runs[] = Jobs::object([
        'id' => 'other', 'stock' => 't12', 'from' => ['at' => [0, 100, 50], 'axis' => '+z', 'lead' => 40],
        'to' => ['at' => [200, 100, 300]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 100, 300]]]],
    ]);
    $ways = array_map(static fn (Vector $way): array => $way->toArray(), Jobs::laid($file)->free(1));
    expect($ways)->toEqualWithDelta($free, 1e-12);
})->with([
    'as that of another run' => [['like' => ['run' => 'other', 'end' => 'from', 'offset' => [0, -100, 0]]], []],
    'at a port' => [['port' => 'pump.out', 'lead' => 40], [[0.0, 0.0, 1.0]]],
    'of its own' => [['at' => [0, 0, 50], 'axis' => '+z', 'lead' => 40], [[0.0, 0.0, 1.0]]],
]);

it('goes by the corners of another run, moved or mirrored', function (array $like, array $corners): void {
    $stops = [['at' => [0, 0, 200], 'corner' => ['radius' => 45]], ['at' => [300, 0, 220]]];
    $file = Jobs::file($stops, ['at' => [300, 250, 220]]);
    $file->runs[] = Jobs::object([
        'id' => 'other', 'stock' => 't12', 'from' => ['like' => ['end' => 'from', 'run' => 'run', ...$like]],
        'to' => ['like' => ['end' => 'to', 'run' => 'run', ...$like]],
        'route' => ['kind' => 'corners', 'stops' => [], 'like' => ['run' => 'run', ...$like]],
    ]);
    [$run, $other] = [Jobs::laid($file), Jobs::laid($file, 1)];
    expect(array_map(static fn ($vertex): array => $vertex->at->toArray(), $other->vertices))
        ->toEqualWithDelta($corners, 1e-12)
        ->and($other->length())->toEqualWithDelta($run->length(), 1e-9)
        ->and(array_map(static fn ($bend): float => $bend->radius, $other->bends))->toBe([45.0, 30.0]);
})->with([
    'moved' => [['offset' => [5, -60, 10]], [[5, -60, 60], [5, -60, 210], [305, -60, 230], [305, 190, 230]]],
    'mirrored' => [
        ['across' => ['at' => [0, 100, 0], 'normal' => '-y']],
        [[0, 200, 50], [0, 200, 200], [300, 200, 220], [300, -50, 220]],
    ],
]);

it('has the elbow of its corner, else that of its run, else none', function (
    array $route, array $own, array $elbows,
): void {
    // Long and short elbows of pipe 60.3 have radii of 76 and 51 (ASME B16.9).
    $file = Jobs::file([['at' => [0, 0, 500]], ['at' => [500, 0, 500], ...$own]], ['at' => [500, 500, 500]], [
        'section' => ['shape' => 'round', 'od' => 60.3, 'wall' => 3.91],
    ]);
    $file->runs[0]->route = Jobs::object([...(array) $file->runs[0]->route, ...$route]);
    $laid = Jobs::laid($file);
    expect(array_map(static fn ($bend): ?string => $bend->elbow?->value, $laid->bends))->toBe($elbows);
    foreach ($laid->bends as $bend) {
        expect($bend->radius)->toBe(match ($bend->elbow?->value) {
            'long' => 76.0, 'short' => 51.0, default => 30.0
        });
    }
})->with([
    'of nobody' => [[], [], [null, null]],
    'of the run' => [['corner' => ['elbow' => 'long']], [], ['long', 'long']],
    'of a corner' => [[], ['corner' => ['elbow' => 'short']], [null, 'short']],
    'of both' => [['corner' => ['elbow' => 'long']], ['corner' => ['elbow' => 'short']], ['long', 'short']],
    'bent among elbows' => [['corner' => ['elbow' => 'long']], ['corner' => ['radius' => 30]], ['long', null]],
]);

it('lets one bend that has no room leave its neighbour alone', function (): void {
    // Bend 1 wants 30 of a leg of 40, bend 2 (135 degrees) wants 72.4: each is left at least half.
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 200]], ['at' => [40, 0, 200]]], ['at' => [-260, 300, 200]]));

    expect($laid->bends[0]->tangent)->toEqualWithDelta(20, 1e-9)
        ->and($laid->bends[0]->radius)->toEqualWithDelta(20, 1e-9)
        ->and($laid->bends[1]->tangent)->toEqualWithDelta(20, 1e-9)
        ->and($laid->bends[1]->radius)->toEqualWithDelta(20 / tan(deg2rad(67.5)), 1e-9);
});

it('draws a path without gaps or kinks whatever it is given', function (int $seed): void {
    mt_srand($seed);
    $stops = [];
    for ($i = 0; $i < 12; $i++) {
        $stops[] = ['at' => [200 * Jobs::random(), 200 * Jobs::random(), 200 * Jobs::random()]];
    }
    $laid = Jobs::laid(Jobs::file($stops, ['at' => [300, 0, 0]]));
    $segments = $laid->path->segments;

    expect($segments[0]->start()->distanceTo(new Vector(0, 0, 50)))->toBeLessThan(1e-9)
        ->and($segments[count($segments) - 1]->end()->distanceTo(new Vector(300, 0, 0)))->toBeLessThan(1e-9);
    foreach (array_slice($segments, 1) as $i => $segment) {
        $before = $segments[$i];
        expect($segment->start()->distanceTo($before->end()))->toBeLessThan(1e-6)
            ->and($segment->directionAt(0.0)->angleTo($before->directionAt($before->length())))->toBeLessThan(1e-5);
    }
    foreach ($laid->bends as $bend) {
        expect($bend->radius)->toBeLessThanOrEqual($bend->askedRadius);
    }
})->with(range(1, 12));

it('has arcs that really go from their start to their end about their normal', function (): void {
    foreach (Jobs::laid(Jobs::wandering(7, 8))->path->segments as $segment) {
        if ($segment instanceof Arc) {
            expect($segment->pointAt($segment->length())->distanceTo($segment->to))->toBeLessThan(1e-8)
                ->and($segment->centre->distanceTo($segment->to))->toEqualWithDelta($segment->radius, 1e-8);
        }
    }
});

it('survives a path that comes straight back, and one that goes nowhere', function (): void {
    $back = Jobs::solve(Jobs::file([['at' => [0, 0, 300]]], ['at' => [0, 0, 100]]));
    $nowhere = Jobs::solve(Jobs::file([], ['at' => [0, 0, 50]]));

    // The bend eats the spur whole, as it nearly does at 179.9 degrees: what is left is from end to end.
    expect($back->laid->length())->toEqualWithDelta(50, 1e-6)
        ->and(array_map(fn ($finding) => $finding->rule, $back->findings))
        ->toContain('reversal')
        ->not->toContain('leg-room')
        ->and($nowhere->laid->length())->toBe(0.0);
});

it('tells where along the run a clamp is', function (): void {
    // Up 150 with a bend of R 30, then along +x: the clamp at x = 200 is 200 beyond the corner.
    $file = Jobs::file(
        [['at' => [0, 0, 200]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
        ['at' => [400, 0, 200]],
        [
            'clamps' => [['id' => 'c', 'at' => [200, 0, 200], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 10]],
        ],
    );
    $middle = 150 - 30 + 30 * M_PI / 2 + 200 - 30;
    expect(Jobs::written($file)['clamps'])->toEqualWithDelta(
        [['id' => 'c', 'span' => [$middle - 5, $middle + 5]]],
        1e-9,
    );
});

it('tells how much it turns in a clamp, and how much farther off each corner would have to be', function (
    float $before, float $after, float $width, array $lacks, array $turns,
): void {
    // Right angles of R 30 at both ends of the leg through the clamp: their tangents are 30, and of each an arc of
    // asin(x / 30) is inside where its tangent reaches x past the face.
    $laid = Jobs::laid(Jobs::file(
        [['clamp' => 'c', 'before' => $before, 'after' => $after], ['at' => [$before + $after, 300, 200]]],
        ['at' => [$before + $after, 300, 400]],
        ['clamps' => [[
            'id' => 'c', 'at' => [$before, 0, 200], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => $width,
        ]]],
    ));
    [$passage] = ClampPassage::of($laid);
    expect([$passage->lacksBefore, $passage->lacksAfter])->toEqualWithDelta($lacks, 1e-9)
        ->and([$passage->turnsBefore, $passage->turnsAfter])->toEqualWithDelta($turns, 1e-9)
        ->and($passage->offAxis)->toEqualWithDelta(0.0, 1e-9);
})->with([
    'room on both sides' => [60, 80, 40, [0, 0], [0, 0]],
    'just room on both sides' => [50, 50, 40, [0, 0], [0, 0]],
    'none before' => [45, 60, 40, [5, 0], [asin(5 / 30), 0]],
    'none behind' => [60, 40, 40, [0, 10], [0, asin(10 / 30)]],
    'the whole bend behind' => [60, 15, 40, [0, 35], [0, M_PI / 2]],
]);

it('goes straight on through a stop within a bend’s reach', function (): void {
    // A lead of 40 and 10 more the same way, then a right angle of R 30 to (50, 100, 0): 20 + a quarter circle + 70.
    $file = Jobs::file(
        [['along' => '+x', 'length' => 10]],
        ['at' => [50, 100, 0]],
        ['from' => ['port' => 'pump.out', 'lead' => 40]],
    );
    $file->fittings[0]->ports[0] = (object) ['id' => 'out', 'at' => [0, 0, 0], 'axis' => [1, 0, 0]];
    $solved = Jobs::solve($file);
    $length = 20 + 30 * M_PI / 2 + 70;
    expect($solved->laid->length())
        ->toEqualWithDelta($length, 1e-9)
        ->and($solved->bendTable->cutLength)
        ->toEqualWithDelta($length, 1e-9)
        ->and($solved->bendTable->rows[0]->straight)
        ->toEqualWithDelta(20, 1e-9)
        ->and($solved->bendTable->tail)
        ->toEqualWithDelta(70, 1e-9)
        ->and($solved->findings)
        ->toBe([]);
});
