<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\RouteBook;
use Bowline\Routing\TieSolution;
use Bowline\Routing\TieSolver;
use Tests\Jobs;

/** Ties to a clamp that lies anywhere, read as a file has them. */
function randomTies(int $seed, array $which): array
{
    mt_srand($seed);
    $v = fn (): array => [100 * Jobs::random(), 100 * Jobs::random(), 100 * Jobs::random()];
    $file = Jobs::file(
        [],
        ['at' => [0, 0, 0]],
        [
            'clamps' => [
                ['id' => 'c', 'at' => $v(), 'axis' => $v(), 'bore' => 12, 'width' => 10],
                ['id' => 'd', 'at' => $v(), 'axis' => $v(), 'bore' => 12, 'width' => 10],
            ],
        ],
    );
    $file->surroundings = [
        Jobs::object([
            'id' => 'wall',
            'shape' => 'panel',
            'width' => 100,
            'height' => 100,
            'pose' => ['at' => $v(), 'turn' => ['about' => $v(), 'by' => 77]],
        ]),
    ];
    $site = RouteBook::site(new Node($file));
    $all = [
        'level' => ['level' => $v(), 'with' => 'c', 'distance' => 30 * Jobs::random()],
        'off' => ['away' => 20, 'from' => ['face' => 'front', 'of' => 'wall']],
        'axis' => ['on_axis' => 'd'],
        'far' => ['away' => 400 + 50 * abs(Jobs::random()), 'from' => 'c'],
        'along' => ['parallel' => 'c'],
        'slant' => ['angle' => 20 + 50 * abs(Jobs::random()), 'to' => 'd'], 'square' => ['square' => 'c'],
    ];

    return [
        array_map(fn (string $one): Tie => Tie::read(new Node(Jobs::object($all[$one])), $site, null), $which),
        new Vector(...$v()),
        new Vector(...$v()),
    ];
}

it('keeps what it says it keeps, and leaves free only what changes nothing', function (int $seed, array $which): void {
    [$ties, $told, $last] = randomTies($seed, $which);
    $held = TieSolver::solve($ties, $told, $last);
    expect($held->broken)->toBe([]);
    // From where it stands it stays.
    expect(TieSolver::solve($ties, $held->at, $last)->at->distanceTo($held->at))->toBeLessThan(1e-6);
    foreach ($held->free as $i => $free) {
        // A hair along a free direction misses the ties by the square of it at most.
        $near = TieSolver::solve($ties, $held->at->plus($free->times(1e-3)), $last);
        expect($near->at->distanceTo($held->at->plus($free->times(1e-3))))->toBeLessThan(5e-5);
        foreach (array_slice($held->free, $i + 1) as $other) {
            expect(abs($free->dot($other)))->toBeLessThan(1e-9);
        }
    }
    // No place nearer to the told one keeps them: the way there is square to all that is free.
    foreach ($held->free as $free) {
        expect(abs($told->minus($held->at)->dot($free)))->toBeLessThan(1e-4 * max(1.0, $told->distanceTo($held->at)));
    }
})
    ->with(range(1, 4))
    ->with([
        [['level']],
        [['off']],
        [['axis']],
        [['far']],
        [['along']],
        [['square']],
        [['slant']],
        [['level', 'off']],
        [['off', 'far']],
        [['level', 'square']],
        [['level', 'off', 'square']],
    ]);

it('keeps the first of two that cannot both hold', function (int $seed): void {
    [$ties, $told, $last] = randomTies($seed, ['axis', 'along']);
    $held = TieSolver::solve($ties, $told, $last);
    // Two skew lines have no point in common.
    expect($held->broken)
        ->toBe([1])
        ->and($held->missed[0])
        ->toBe(0.0)
        ->and($held->missed[1])
        ->toBeGreaterThan(0.0)
        ->and(count($held->free))
        ->toBe(1);
})->with(range(1, 5));

it('lets through of a move what the ties leave open', function (): void {
    $free = [new Vector(1, 0, 0), new Vector(0, 0.6, 0.8)];
    expect(TieSolution::allowed(new Vector(3, 5, 0), $free)->toArray())
        ->toEqualWithDelta([3, 1.8, 2.4], 1e-12)
        ->and(TieSolution::allowed(new Vector(3, 5, 0), [])->length())
        ->toBe(0.0);
});
