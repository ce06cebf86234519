<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\Node;
use Bowline\Proposals\Comb;
use Bowline\Proposals\RunsBetweenPorts;
use Bowline\Solving\Solver;
use Tests\Jobs;

/** A panel of ports at x = 0 and one at x = 2000, and cables of 8 and 12 mm. */
function twoPanels(array $runs = []): stdClass
{
    $ports = static fn (string $axis): array => array_map(
        static fn (int $i): array => ['id' => 'p'.$i, 'at' => [0, 60 * $i, 0], 'axis' => $axis],
        range(1, 14),
    );
    $cable = static fn (string $id, float $od): array => [
        'id' => $id,
        'kind' => 'cable',
        'section' => ['shape' => 'round', 'od' => $od],
        'bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0],
        'density' => 2000,
    ];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 2, 'stock' => [$cable('thin', 8), $cable('thick', 12)],
        'fittings' => [
            ['id' => 'left', 'name' => 'Left panel', 'pose' => ['at' => [0, 0, 500]], 'ports' => $ports('+x')],
            ['id' => 'right', 'name' => 'Right panel', 'pose' => ['at' => [2000, 0, 500]], 'ports' => $ports('-x')],
        ],
        'runs' => $runs,
    ]);
}

/** @return list<stdClass> */
function laidSeveral(string $behaves, string $stock, array $numbers, float $slack = 0.05): array
{
    $file = twoPanels();
    $job = Job::read($file);

    return RunsBetweenPorts::runs(
        new Node(
            Jobs::object([
                'stock' => $stock,
                'behaves' => $behaves,
                'slack' => $slack,
                'pairs' => array_map(
                    static fn (int $i): array => ['from' => 'left.p'.$i, 'to' => 'right.p'.$i],
                    $numbers,
                ),
            ]),
        ),
        $job->site,
        [],
    );
}

it('lays a run between each pair of ports, all with the same slack', function (): void {
    $file = twoPanels();
    $file->runs = laidSeveral('hang', 'thin', range(1, 5));
    expect(array_unique(array_column($file->runs, 'id')))
        ->toHaveCount(5)
        ->and($file->runs[0]->name)
        ->toBe('Left panel p1 to Right panel p1');
    foreach ((new Solver(Job::read($file)))->all() as $solved) {
        expect($solved->laid->length())->toEqualWithDelta(2000 * 1.05, 1e-6)->and($solved->findings)->toBe([]);
    }
    // Sprung, with sockets of two diameters: 2000 less 2 × 16 between them, 5 % more, and the sockets.
    expect(laidSeveral('spring', 'thin', [1])[0]->route->length)->toEqualWithDelta((2000 - 32) * 1.05 + 32, 0.06);
});

it('combs runs into a bundle in which no two touch', function (): void {
    $file = twoPanels();
    $file->runs = [
        ...laidSeveral('flow', 'thick', [7]),
        ...laidSeveral('hang', 'thin', [1, 2, 3, 4, 5, 6, 8, 9, 10]),
        ...laidSeveral('hang', 'thick', [11, 12, 13]),
    ];
    $file->runs[0]->route->points = [[600, 420, 650], [1200, 500, 420]];
    $ids = array_column($file->runs, 'id');
    $combed = Comb::runs(Job::read($file), $ids[0], array_slice($ids, 1), 400.0, 1500.0, 1.5);
    $file->runs = [$file->runs[0], ...$combed];
    $solved = (new Solver(Job::read($file)))->all();
    $bundle = array_map(static function ($one): array {
        $curves = array_values(
            array_filter(
                $one->laid->path->segments,
                static fn ($segment): bool => $segment instanceof Bowline\Geometry\Curve,
            ),
        );

        return [$one->laid->run->stock->section->outsideDiameter, count($curves) === 1 ? $curves[0] : $curves[1]];
    }, $solved);
    expect($combed)->toHaveCount(12);
    foreach ($bundle as $i => [$od, $curve]) {
        foreach (array_slice($bundle, $i + 1) as [$otherOd, $other]) {
            $nearest = INF;
            foreach (range(1, 30) as $step) {
                $point = $curve->pointAt($curve->length() * $step / 31);
                $nearest = min(
                    $nearest,
                    min(array_map(static fn (Vector $one): float => $one->distanceTo($point), $other->points)),
                );
            }
            expect($nearest)->toBeGreaterThan(($od + $otherOd) / 2 + 1.0);
        }
    }
    // They still begin and end at their ports.
    expect($solved[1]->laid->path->segments[0]->start()->x)
        ->toEqualWithDelta(0.0, 1e-6)
        ->and($solved[1]->laid->run->from->port)
        ->toStartWith('left.');
});

it('turns round what runs the other way, and refuses what cannot be combed', function (): void {
    $file = twoPanels();
    $file->runs = [...laidSeveral('flow', 'thick', [1]), ...laidSeveral('hang', 'thin', [2])];
    [$file->runs[1]->from, $file->runs[1]->to] = [$file->runs[1]->to, $file->runs[1]->from];
    $job = Job::read($file);
    [$one, $other] = array_column($file->runs, 'id');
    expect(Comb::runs($job, $one, [$other], null, null, 1.0)[0]->from->port)->toBe('left.p2')
        ->and(static fn () => Comb::runs($job, $one, [$one], null, null, 1.0))
        ->toThrow(EditError::class, 'cannot be combed')
        ->and(static fn () => Comb::runs($job, $one, [$other], 100.0, 5000.0, 1.0))
        ->toThrow(EditError::class, 'lies between 0 and');
});
