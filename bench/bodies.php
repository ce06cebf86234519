<?php

declare(strict_types=1);

use Bowline\Body\RunBody;
use Bowline\Body\Tessellation;
use Bowline\Exchange\Parts;
use Bowline\Exchange\Step\StepWriter;
use Bowline\Job;
use Bowline\Solving\Solver;

/*
 * How long bodies take, and how many triangles they need: php bench/bodies.php
 * Asked for: STEP of 100 flanged runs of 6 bends in under a second; a mesh of a tube of 20 bends at 0.05 mm in at most
 * an eighth of the triangles of three's TubeGeometry at the same chord, in at most twice its time (bench/tube.mjs); the
 * heating cable round the bilge hose of the demo in under 15,000 triangles.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

/** A tube of 28 × 2 that goes up and along by a metre in turn, with as many bends, a flange at both ends. */
function zigzag(int $bends, int $number): stdClass
{
    $flange = (object) [
        'type' => 'flange', 'od' => 95, 'thickness' => 14, 'bore' => 29,
        'holes' => (object) ['count' => 4, 'circle' => 65, 'diameter' => 14],
    ];
    $at = [0, 400 * $number, 0];
    $stops = [];
    for ($i = 0; $i <= $bends; $i++) {
        $at[$i % 2 === 0 ? 2 : 0] += 1000;
        $stops[] = (object) ['at' => $at];
    }
    $to = (object) ['at' => array_pop($stops)->at ?? $at, 'end' => $flange];

    return (object) [
        'id' => "r$number", 'stock' => 't', 'to' => $to,
        'from' => (object) ['at' => [0, 400 * $number, 0], 'axis' => '+z', 'end' => $flange],
        'route' => (object) ['kind' => 'corners', 'stops' => $stops],
    ];
}

/** @param  list<stdClass>  $runs */
function tubes(array $runs): Job
{
    return Job::read((object) [
        'format' => 'bowline-job', 'version' => 2, 'runs' => $runs,
        'stock' => [(object) [
            'id' => 't', 'kind' => 'tube', 'section' => (object) ['shape' => 'round', 'od' => 28, 'wall' => 2],
            'bend' => (object) ['radius' => 70, 'min_radius' => 56, 'min_straight' => 20], 'density' => 7980,
        ]],
    ]);
}

$job = tubes(array_map(static fn (int $i): stdClass => zigzag(6, $i), range(1, 100)));
$solved = (new Solver($job))->all();
$step = 1000 * medianTime(7, static function () use ($solved): void {
    $parts = [];
    foreach ($solved as $i => $run) {
        array_push($parts, ...Parts::of($run, "/runs/$i"));
    }
    StepWriter::write('Bench', $parts, 0.1);
});
printf("STEP of 100 flanged runs of 6 bends: %.0f ms\n", $step);
recordRatio('STEP of 100 flanged runs of 6 bends', $step / 1000, sprintf('%.0f ms', $step), 'one second');

$solid = RunBody::of((new Solver(tubes([zigzag(20, 0)])))->all()[0]->laid)->solid() ?? throw new LogicException;
$triangles = 0;
$mesh = 1000 * medianTime(7, static function () use ($solid, &$triangles): void {
    $triangles = count(Tessellation::of($solid, 0.05)->triangles);
});
[$tubeTriangles, $tubeTime] = array_map(
    floatval(...), explode(' ', (string) exec('node '.escapeshellarg(__DIR__.'/tube.mjs'))),
);
printf(
    "tube of 20 bends at 0.05 mm: %d triangles in %.1f ms with flanges; TubeGeometry %d in %.1f ms\n",
    $triangles, $mesh, $tubeTriangles, $tubeTime,
);
recordRatio(
    'triangles of a tube of 20 bends', $triangles / $tubeTriangles, (string) $triangles,
    sprintf('%d of TubeGeometry', $tubeTriangles),
);
recordRatio(
    'time of them', $mesh / $tubeTime, sprintf('%.1f ms', $mesh), sprintf('%.1f ms of TubeGeometry', $tubeTime),
);

$hoses = Job::fromJson((string) file_get_contents(__DIR__.'/../database/demo/hoses.json'));
$cable = $hoses->runs['heating'];
$count = count(RunBody::of($cable->route->lay($cable))->mesh(0.1)->triangles);
printf("heating cable at 0.1 mm: %d triangles\n", $count);
recordRatio('triangles of the heating cable', $count / 15000, (string) $count, '15,000');
