<?php

declare(strict_types=1);

/*
 * How long it takes to find what is too near in a job of many runs, all of it and that which is nearest to one run,
 * beside reading and laying the job; and whether brute force finds the same pairs, which looks at every sixth
 * millimetre of neighbours.
 * Usage: php bench/clearance.php [RUNS] [CORNERS] [TRIANGLES around them]
 */

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Shape\MeshTriangles;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Space\DividedSurface;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/jobs.php';
require __DIR__.'/record.php';

ini_set('memory_limit', '4G');
$runs = (int) ($argv[1] ?? 200);
$triangles = (int) ($argv[3] ?? 0);
$file = benchJob($runs, (int) ($argv[2] ?? 10));
// Every third run is bent aside to its neighbour, 400 away.
foreach ($file['runs'] as $i => $run) {
    if ($i % 3 === 1) {
        $file['runs'][$i]['to']['at'][1] -= 530;
    }
}
$file['version'] = 5;
$file['clearances'] = ['usual' => 60];
$sheet = null;
if ($triangles > 0) {
    // Sheets of waves beneath them, beside each other: a mesh has a million triangles at most.
    $sheets = (int) ceil($triangles / 1_000_000);
    $width = 400.0 * $runs / $sheets;
    $sheet = benchSheet(intdiv($triangles, $sheets), 4200.0, $width);
    $extent = [[-1, -1, -21], [4201, $width + 1, 21]];
    $file['surroundings'] = array_map(static fn (int $i): array => [
        'id' => "sheet$i", 'shape' => 'mesh', 'mesh' => 'sheet', 'pose' => ['at' => [0, $i * $width, -120]],
        'extent' => $extent,
    ], range(0, $sheets - 1));
}
$text = json_encode($file, JSON_THROW_ON_ERROR);

$first = null;
$timed = static function (string $what, callable $do) use (&$first, $triangles): mixed {
    $what .= $triangles > 0 ? sprintf(', with %d triangles', $triangles) : '';
    $start = hrtime(true);
    $done = $do();
    $took = (hrtime(true) - $start) / 1e6;
    printf("%-60s %8.1f ms\n", $what, $took);
    if ($first !== null) {
        recordRatio(
            $what, $took / $first, sprintf('%.1f ms', $took), sprintf('reading and laying the job, %.1f ms', $first),
        );
    }
    $first ??= $took;

    return $done;
};
$kept = null;
if ($sheet !== null) {
    // As the server keeps it beside its triangles when it is brought in.
    $start = hrtime(true);
    $kept = tmpfile();
    fwrite($kept, DividedSurface::of($sheet, new Vector(...$extent[0]), new Vector(...$extent[1]))->packed());
    printf("%-60s %8.1f ms\n", 'the mesh divided, once when it is brought in', (hrtime(true) - $start) / 1e6);
}
[$job, $laid] = $timed('read and laid', static function () use ($text, $sheet, $kept): array {
    $file = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
    if ($kept !== null) {
        $file->meshes = (object) ['sheet' => new MeshTriangles(
            static fn (): string => $sheet,
            kept: static function () use ($kept): ?DividedSurface {
                rewind($kept);

                return DividedSurface::open($kept);
            },
        )];
    }
    $job = Job::read($file);

    return [$job, array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs))];
});
$clearances = $timed('made ready to be looked at', static fn (): Clearances => new Clearances($job, $laid));
$found = $timed('all that is too near', static fn (): array => $clearances->all());
$timed('what is nearest to one run', static fn (): ?Shortfall => $clearances->nearest([ItemRef::run('run1')], 150.0));

$pairs = array_filter(array_map(static function (Shortfall $one): ?string {
    $refs = [$one->gap->one->ref(), $one->gap->other->ref()];

    return $refs[0]->list === 'runs' && $refs[1]->list === 'runs' ? $refs[0]->id.' '.$refs[1]->id : null;
}, $found));
$points = array_map(static fn (LaidRun $one): array => array_map(
    static fn (int $at): array => $one->path->pointAt($at)->toArray(), range(0, (int) $one->length(), 6),
), $laid);
$brute = [];
$start = hrtime(true);
foreach ($laid as $i => $one) {
    for ($j = $i + 1; $j < count($laid) && $j < $i + 4; $j++) {
        $least = INF;
        foreach ($points[$i] as [$x, $y, $z]) {
            foreach ($points[$j] as [$u, $v, $w]) {
                $least = min($least, ($x - $u) ** 2 + ($y - $v) ** 2 + ($z - $w) ** 2);
            }
        }
        if (sqrt($least) - 12.0 < 60.0) {
            $brute[] = $one->run->id.' '.$laid[$j]->run->id;
        }
    }
}
printf(
    "%-60s %8.1f ms\n%d pairs of runs, %d by brute force: %s\n", 'brute force over neighbours',
    (hrtime(true) - $start) / 1e6, count($pairs), count($brute),
    array_diff($pairs, $brute) === [] && array_diff($brute, $pairs) === [] ? 'the same' : 'others',
);
