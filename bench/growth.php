<?php

declare(strict_types=1);

/*
 * How time grows with size: php bench/growth.php
 * Each kind of work at growing sizes, with the exponent that fits its times; asked for: under 1.3, or a limit that is
 * said.
 */

use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Proposals\LineChains;
use Bowline\Proposals\Pieces;
use Bowline\Solving\Solver;
use Tests\Jobs;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

/** @return Closure(): mixed */
function solving(stdClass $file): Closure
{
    $json = json_encode($file, JSON_THROW_ON_ERROR);

    return static fn (): mixed => (new Solver(Job::fromJson($json)))->all();
}

$random = static fn (float $size): Vector => new Vector(
    $size * Jobs::random(),
    $size * Jobs::random(),
    $size * Jobs::random(),
);
mt_srand(5);
foreach (
    [
        'corners 20 mm apart, all broken' => [
            [100, 200, 400],
            static fn (int $n): Closure => solving(
                Jobs::file(
                    array_map(
                        static fn (int $i): array => ['along' => $i % 2 === 0 ? '+y' : '+x', 'length' => 20],
                        range(1, $n),
                    ),
                    ['at' => [10 * $n, 10 * $n, 200]],
                ),
            ),
        ],
        'corners with room' => [
            [125, 250, 500],
            static fn (int $n): Closure => solving(
                Jobs::file(
                    array_map(
                        static fn (int $i): array => ['along' => $i % 2 === 0 ? '+y' : '+x', 'length' => 120],
                        range(1, $n),
                    ),
                    ['at' => [60 * $n, 60 * $n, 500]],
                ),
            ),
        ],
        'straight pieces joined' => [
            [50, 100, 200],
            static function (int $n) use ($random): Closure {
                $pieces = array_map(static function (int $i) use ($random): Line {
                    $at = $random(1500);

                    return new Line(
                        $at,
                        $at->plus(
                            new Vector(
                                ...array_map(static fn (int $axis): float => $i % 3 === $axis ? 200.0 : 0.0, [0, 1, 2]),
                            ),
                        ),
                    );
                }, range(1, $n));
                $stock = Job::read(Jobs::file([], ['at' => [0, 0, 300]]))->site->stock['t12'];

                return static fn (): Pieces => Pieces::join($pieces, 30.0, $stock);
            },
        ],
        'lines chained' => [
            [2500, 5000, 10000],
            static function (int $n) use ($random): Closure {
                $at = Vector::zero();
                $lines = [];
                for ($i = 0; $i < $n; $i++) {
                    $next = $at->plus(new Vector(60, 0, 0))->plus($random(50));
                    $lines[] = $i % 3 === 0 ? new Line($next, $at) : new Line($at, $next);
                    $at = $next;
                }
                shuffle($lines);

                return static fn (): array => LineChains::of($lines);
            },
        ],
        'hose through clamps' => [
            [7, 14, 28],
            static fn (int $n): Closure => solving(
                Jobs::file(
                    [],
                    ['at' => [100 * ($n + 1), 0, 200], 'axis' => [-1, 0, 0]],
                    [
                        'clamps' => array_map(
                            static fn (int $i): array => [
                                'id' => 'c'.$i,
                                'at' => [100 * $i, $i % 2 === 0 ? 30 : -30, 200],
                                'axis' => [1, 0, 0],
                                'bore' => 12,
                                'width' => 10,
                            ],
                            range(1, $n),
                        ),
                        'route' => [
                            'kind' => 'spring',
                            'length' => 130 * ($n + 1),
                            'through' => array_map(static fn (int $i): array => ['clamp' => 'c'.$i], range(1, $n)),
                        ],
                    ],
                ),
            ),
        ],
        'stops brought to one length' => [
            [100, 200, 400],
            static fn (int $n): Closure => solving(
                Jobs::file(
                    array_map(static fn (int $i): array => ['at' => [100 * $i, ($i % 2) * 100, 200]], range(0, $n - 1)),
                    ['at' => [100 * $n, 0, 200]],
                    [
                        'fixed_length' => [
                            'length' => 165 * $n,
                            'tolerance' => 1,
                            'adjust' => ['stops' => range(1, $n - 1, 2), 'along' => [0, 1, 0]],
                        ],
                    ],
                ),
            ),
        ],
        'values in a chain' => [
            [10000, 20000, 40000],
            static function (int $n): Closure {
                $file = Jobs::file([], ['at' => [0, 0, 300]]);
                $file->values = (object) ['v0' => 1];
                for ($i = 1; $i < $n; $i++) {
                    $file->values->{'v'.$i} = 'v'.($i - 1).' + 1';
                }

                return solving($file);
            },
        ],
        'runs wound on one another' => [
            [1, 2, 4, 5],
            static function (int $n): Closure {
                $file = Jobs::file([], ['at' => [0, 0, 1000]]);
                for ($i = 0; $i < $n; $i++) {
                    $file->runs[] = Jobs::object([
                        'id' => 'w'.$i,
                        'stock' => 't12',
                        'route' => [
                            'kind' => 'wrap',
                            'host' => $i === 0 ? 'run' : 'w'.($i - 1),
                            'from_length' => 20,
                            'to_length' => 400,
                            'pitch' => 60,
                        ],
                    ]);
                }

                return solving($file);
            },
        ],
    ] as $name => [$sizes, $make]
) {
    $times = [];
    $said = '';
    foreach ($sizes as $size) {
        $work = $make($size);
        $start = hrtime(true);
        try {
            $work();
            $times[$size] = (hrtime(true) - $start) / 1e9;
        } catch (JobError $limit) {
            $said = sprintf('; at %d: “%s”', $size, $limit->getMessage());
        }
    }
    // Least squares of log time over log size.
    $x = array_map(log(...), array_keys($times));
    $y = array_map(log(...), array_values($times));
    [$mx, $my] = [array_sum($x) / count($x), array_sum($y) / count($y)];
    $exponent =
        array_sum(array_map(static fn (float $a, float $b): float => ($a - $mx) * ($b - $my), $x, $y)) /
        array_sum(array_map(static fn (float $a): float => ($a - $mx) ** 2, $x));
    printf(
        "%-32s %s  exponent %5.2f%s\n",
        $name,
        implode(
            '  ',
            array_map(
                static fn (int $size, float $time): string => sprintf('%5d: %6.3f s', $size, $time),
                array_keys($times),
                $times,
            ),
        ),
        $exponent,
        $said,
    );
    [$least, $most] = [array_key_first($times), array_key_last($times)];
    recordRatio(
        sprintf('%s, %d', $name, $most),
        $times[$most] / $times[$least],
        sprintf('%.3f s', $times[$most]),
        sprintf('%d of them, %.3f s; size × %.3g', $least, $times[$least], $most / $least),
    );
}
