<?php

declare(strict_types=1);

use Bowline\Curves\Catenary;
use Bowline\Curves\Elastica;
use Bowline\Curves\Spline;
use Bowline\Curves\Winding;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Shape\MeshTriangles;
use Bowline\Job\Surrounding;
use Bowline\Job\Values;
use Bowline\Routing\Flexible\Bodies;
use Bowline\Routing\Flexible\DrapedEnd;
use Bowline\Routing\Flexible\Draping;

/*
 * How long one solution of each curve takes: php bench/curves.php
 * Asked for: a sprung hose of 64 segments in under 15 ms; what is draped may take longer than a second.
 */

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/record.php';

$box = static fn (string $id, array $size, array $at): Surrounding => Surrounding::read(new Node((object) [
    'id' => $id, 'shape' => 'box', 'size' => $size, 'pose' => (object) ['at' => $at],
]), Values::read(null));
$bodies = new Bodies([
    'floor' => $box('floor', [4000, 4000, 20], [0, 0, -10]),
    'box' => $box('box', [300, 600, 200], [0, 0, 100]),
]);
// The same box as 1,200 triangles.
$triangles = '';
foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as [$u, $v, $w]) {
    foreach ([-1, 1] as $side) {
        for ($i = 0; $i < 100; $i++) {
            $corners = array_map(
                static function (array $corner) use ($u, $v, $w, $side, $i): array {
                    $at = [0, 0, 0];
                    [$at[$u], $at[$v], $at[$w]] = [
                        ($corner[0] + ($i % 10)) / 10 - 0.5,
                        ($corner[1] + intdiv($i, 10)) / 10 - 0.5,
                        $side / 2,
                    ];

                    return [300 * $at[0], 600 * $at[1], 200 * $at[2]];
                },
                [[0, 0], [1, 0], [1, 1], [0, 1]],
            );
            foreach ([[0, 1, 2], [0, 2, 3]] as $triangle) {
                $triangles .= pack(
                    'g9',
                    ...array_merge(
                        ...array_map(
                            static fn (int $k): array => $corners[$k],
                            $side > 0 ? $triangle : array_reverse($triangle),
                        ),
                    ),
                );
            }
        }
    }
}
$mesh = Surrounding::read(
    new Node(
        (object) [
            'id' => 'box',
            'shape' => 'mesh',
            'mesh' => 'box',
            'extent' => [[-150, -300, -100], [150, 300, 100]],
            'pose' => (object) ['at' => [0, 0, 100]],
        ],
    ),
    Values::read(null),
    ['box' => new MeshTriangles(static fn (): string => $triangles)],
);
$overMesh = new Bodies(['floor' => $box('floor', [4000, 4000, 20], [0, 0, -10]), 'box' => $mesh]);
$up = new Vector(0, 0, 1);
mt_srand(7);
$somewhere = static fn (): Vector => new Vector(mt_rand(-400, 400), mt_rand(-400, 400), mt_rand(250, 500));
$out = static fn (): Vector => (new Vector(mt_rand(-9, 9), mt_rand(-9, 9), mt_rand(1, 9)))->unit();

$draped = static fn (Bodies $over): Closure => static fn (Vector $a, Vector $b): mixed => Draping::between(
    DrapedEnd::pinned($a),
    DrapedEnd::pinned($b),
    $up,
    $a->distanceTo($b) * 1.3 + 400,
    6,
    60,
    30,
    $over,
);
$reference = 1000 * medianTime(9, addSquareRoots(...));

foreach (
    [
        [
            'hang',
            200,
            static fn (Vector $a, Vector $b): mixed => Catenary::between($a, $b, $up, $a->distanceTo($b) * 1.3 + 10),
        ],
        [
            'flow, 6 points',
            50,
            static fn (Vector $a, Vector $b): mixed => Spline::through(
                [$a, ...array_map($somewhere, range(1, 6)), $b],
                $out(),
                $out(),
            ),
        ],
        [
            'spring',
            100,
            static fn (Vector $a, Vector $b): mixed => Elastica::between(
                $a,
                $b,
                $out(),
                $out(),
                $a->distanceTo($b) * 1.3 + 10,
                1,
            ),
        ],
        [
            'spring, moved on',
            100,
            static function (Vector $a, Vector $b) use ($out): mixed {
                [$along, $into, $length] = [$out(), $out(), $a->distanceTo($b) * 1.3 + 10];

                return [
                    Elastica::between($a, $b, $along, $into, $length, 1)[0]->curve,
                    $a,
                    $b->plus(new Vector(4, 3, 2)),
                    $along,
                    $into,
                    $length,
                ];
            },
        ],
        [
            'wrap, 20 turns',
            30,
            static fn (Vector $a, Vector $b): mixed => Winding::round(
                new Path([new Line($a, $b), Catenary::between($b, $a, $up, $a->distanceTo($b) * 1.3 + 10)->curve]),
                0.0,
                $a->distanceTo($b) * 2,
                20.0,
                $a->distanceTo($b) / 10,
                0.0,
                $up,
            ),
        ],
        [
            'drape',
            12,
            $draped($bodies),
        ],
        [
            'drape, on a mesh',
            8,
            $draped($overMesh),
        ],
    ] as [$kind, $times, $solve]
) {
    $took = [];
    for ($i = 0; $i < $times; $i++) {
        [$a, $b] = [$somewhere(), $somewhere()];
        if ($kind === 'spring, moved on') {
            // From the shape it has to that of its end a little elsewhere: a step of a movement.
            $before = $solve($a, $b);
            $start = hrtime(true);
            Elastica::after(...$before);
            $took[] = (hrtime(true) - $start) / 1e6;

            continue;
        }
        $start = hrtime(true);
        $solve($a, $b);
        $took[] = (hrtime(true) - $start) / 1e6;
    }
    sort($took);
    printf(
        "%-16s median %7.2f ms, 95th percentile %7.2f ms\n",
        $kind,
        $took[intdiv($times, 2)],
        $took[(int) ($times * 0.95) - 1],
    );
    recordRatio(
        "one solution of $kind",
        $took[intdiv($times, 2)] / $reference,
        sprintf('%.2f ms', $took[intdiv($times, 2)]),
        sprintf('100 000 square roots added up in PHP, %.2f ms', $reference),
    );
}
