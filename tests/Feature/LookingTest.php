<?php

declare(strict_types=1);

use Bowline\Job\Schema;
use Tests\Jobs;

/*
 * What is looked at over HTTP: sections and distances. Run 'run' is a tube 12 × 1.5 from (0, 0, 50) up to (0, 0, 300)
 * and along x to 400 with R 30; 'beside' is the same tube along x at y 200 and z 0.
 */

function twoTubes(): string
{
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]);
    $file->runs[] = Jobs::object([
        'id' => 'beside', 'stock' => 't12', 'route' => ['kind' => 'corners', 'stops' => []],
        'from' => ['at' => [0, 200, 0]], 'to' => ['at' => [400, 200, 0]],
    ]);

    return opened(json_encode($file, JSON_THROW_ON_ERROR));
}

it('cuts runs by the plane that is told, and says what it meets', function (
    array $plane,
    array $normal,
    array $areas,
): void {
    $answer = test()->postJson(twoTubes().'/section', ['run' => 'run', 'runs' => ['beside'], ...$plane])->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/sectionView');
    $along = $answer->json('normal');
    // Which way round a plane is told does not matter.
    $dot = abs(array_sum(array_map(static fn (float|int $a, float|int $b): float => $a * $b, $along, $normal)));

    expect($dot)->toEqualWithDelta(1, 1e-9)
        ->and(array_column($answer->json('cuts'), 'run'))->toBe(array_keys($areas));
    foreach ($answer->json('cuts') as $cut) {
        expect($cut['area'])->toEqualWithDelta($areas[$cut['run']], 1e-6 * $areas[$cut['run']])
            ->and($cut['least']['thickness'] ?? 1.5)->toEqualWithDelta(1.5, 1e-3);
    }
})->with([
    'square to its first leg' => [['along' => 100], [0, 0, 1], ['run' => M_PI / 4 * 63]],
    // Behind the bend it goes along x, and the plane at x = 200 meets both.
    'square to its second leg' => [
        ['along' => 220 + 15 * M_PI + 170], [1, 0, 0], ['run' => M_PI / 4 * 63, 'beside' => M_PI / 4 * 63],
    ],
    // Turned about x, right-handed. At 45° a circle becomes an ellipse √2 times as long.
    'turned' => [['along' => 100, 'turn' => 45], [0, -M_SQRT1_2, M_SQRT1_2], ['run' => M_PI / 4 * 63 * M_SQRT2]],
    // Level at z = 0: beside is cut lengthwise through its axis, twice 1.5 × 400; the run begins over it.
    'through three points' => [
        ['points' => [[0, 0, 0], [9, 0, 0], [0, 9, 0]]], [0, 0, 1], ['beside' => 2 * 1.5 * 400],
    ],
    'through three points, farther up' => [
        ['points' => [[0, 0, 0], [9, 0, 0], [0, 9, 0]], 'offset' => 100], [0, 0, 1], ['run' => M_PI / 4 * 63],
    ],
    // In the plane y = 0: both walls of 220, of the bend and of 370.
    'in its own plane' => [[], [0, 1, 0], ['run' => 2 * 1.5 * (220 + 370 + 15 * M_PI)]],
]);

it('cuts equipment and surroundings that are asked for, and no others', function (
    array $asked,
    float $along,
    array $areas,
): void {
    $file = Jobs::file([['at' => [0, 0, 300]]], ['at' => [400, 0, 300]]);
    $file->fittings[] = Jobs::object([
        'id' => 'motor', 'name' => 'Motor', 'pose' => ['at' => [0, 100, 150]],
        'body' => ['shape' => 'cylinder', 'diameter' => 60, 'height' => 80],
    ]);
    $file->fittings[] = Jobs::object([
        'id' => 'mounted', 'name' => 'Mounted', 'on' => 'floor', 'pose' => ['at' => [-100, 0, 5]],
        'body' => ['shape' => 'cylinder', 'diameter' => 60, 'height' => 80],
    ]);
    $file->surroundings = [Jobs::object([
        'id' => 'floor', 'name' => 'Floor', 'shape' => 'box', 'size' => [500, 300, 20], 'pose' => ['at' => [0, 0, 145]],
    ])];
    $job = opened(json_encode($file, JSON_THROW_ON_ERROR));
    $answer = test()->postJson($job.'/section', ['run' => 'run', 'along' => $along, ...$asked])->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/sectionView');
    $around = array_filter($answer->json('cuts'), static fn (array $cut): bool => $cut['run'] === null);
    expect(array_column($around, 'area', 'name'))->toEqualWithDelta($areas, 1e-6 * 150000);
})->with([
    // The run begins at z = 50: at 100 the plane lies at z = 150, through both.
    'both' => [
        ['fittings' => ['motor'], 'surroundings' => ['floor']], 100, ['Motor' => M_PI * 900, 'Floor' => 150000.0],
    ],
    'the floor alone' => [['surroundings' => ['floor']], 100, ['Floor' => 150000.0]],
    'farther up, over the floor' => [['fittings' => ['motor'], 'surroundings' => ['floor']], 130,
        ['Motor' => M_PI * 900]],
    'over all' => [['fittings' => ['motor'], 'surroundings' => ['floor']], 150, []],
    'nothing' => [[], 100, []],
    // What it is mounted on is read with it, and is not cut for that.
    'a motor on the floor' => [['fittings' => ['mounted']], 100, ['Mounted' => M_PI * 900]],
]);

it('measures the wall where it is pointed at', function (): void {
    $asked = ['run' => 'run', 'along' => 100, 'pointed' => [5.5, 0, 150]];
    expect(test()->postJson(twoTubes().'/section', $asked)->assertOk()->json('wall.thickness'))
        ->toEqualWithDelta(1.5, 1e-3);
});

it('refuses a section that is none, and names what is wrong', function (array $asked, string $pointer): void {
    test()->postJson(twoTubes().'/section', $asked)->assertUnprocessable()->assertJson(['pointer' => $pointer]);
})->with([
    'of no run' => [[], ''],
    'of a run that is not there' => [['run' => 'none', 'along' => 100], '/run'],
    'through one line' => [['run' => 'run', 'points' => [[0, 0, 0], [1, 1, 1], [2, 2, 2]]], '/points'],
    'through two points' => [['run' => 'run', 'points' => [[0, 0, 0], [1, 1, 1]]], '/points'],
    'a turn in words' => [['run' => 'run', 'along' => 100, 'turn' => 'round'], '/turn'],
]);

it('measures between what was pointed at', function (array $from, array $to, array $found): void {
    $answer = test()->postJson(twoTubes().'/measure', ['from' => $from, 'to' => $to])->assertOk();
    Schema::check(json_decode($answer->content()), 'api.json#/$defs/measured');
    foreach ($found as $key => $value) {
        $value === null
            ? expect($answer->json($key))->toBeNull()
            : expect($answer->json($key))->toEqualWithDelta($value, 1e-9);
    }
})->with([
    'two points' => [
        ['at' => [1, 2, 3]], ['at' => [4, 6, 15]],
        ['distance' => 13, 'way' => [3, 4, 12], 'angle' => null, 'least' => null, 'axes' => null],
    ],
    // Leg 1 is on z, leg 1 of the other along x at y 200 and z 0: nearest from (0, 0, 50) to (0, 200, 0).
    'two legs' => [
        ['at' => [0, 0, 60], 'run' => 'run', 'leg' => 1], ['at' => [9, 200, 0], 'run' => 'beside', 'leg' => 1],
        ['angle' => 90, 'least.distance' => hypot(200, 50), 'clear' => hypot(200, 50) - 12, 'axes' => 200],
    ],
    'a leg and a face that it stands on' => [
        ['at' => [0, 0, 60], 'run' => 'run', 'leg' => 1], ['at' => [50, 50, 0], 'normal' => [0, 0, 1]],
        ['angle' => 90],
    ],
    // 100 up, and 100 along the second leg: 120 + 47.12 + 70 along the run.
    'along one run' => [
        ['at' => [0, 0, 150], 'run' => 'run', 'leg' => 1], ['at' => [100, 0, 300], 'run' => 'run', 'leg' => 2],
        ['along' => 120 + 15 * M_PI + 70],
    ],
]);

it('refuses to measure what is not there, and names it', function (array $from, string $pointer): void {
    test()->postJson(twoTubes().'/measure', ['from' => $from, 'to' => ['at' => [0, 0, 0]]])->assertUnprocessable()
        ->assertJson(['pointer' => $pointer]);
})->with([
    'from nowhere' => [[], '/from'],
    'from a point of two numbers' => [['at' => [1, 2]], '/from/at'],
    'from a run that is not there' => [['at' => [0, 0, 0], 'run' => 'none'], '/from/run'],
    'from a leg that is not there' => [['at' => [0, 0, 0], 'run' => 'run', 'leg' => 9], '/from/leg'],
    'from a face that looks nowhere' => [['at' => [0, 0, 0], 'normal' => [0, 0, 0]], '/from/normal'],
]);
