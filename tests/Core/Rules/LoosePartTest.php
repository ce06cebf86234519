<?php

declare(strict_types=1);

use Bowline\Exchange\Parts;
use Bowline\Rules\Finding;
use Bowline\Rules\Remedy;
use Bowline\Solving\SolvedRun;
use Tests\Jobs;

/** @param  array<string, mixed>  $run  of a tube of 12 outside, 400 along x */
function solvedLoose(array $run, array $section = ['shape' => 'round', 'od' => 12, 'wall' => 1.5]): SolvedRun
{
    $file = Jobs::file([], ['at' => [400, 0, 0]], ['from' => ['at' => [0, 0, 0]], 'section' => $section]);
    $file->version = 3;
    foreach (get_object_vars(Jobs::object($run)) as $key => $value) {
        $file->runs[0]->{$key} = $value;
    }

    return Jobs::solve($file);
}

/** @return list<Finding> */
function loose(SolvedRun $solved): array
{
    return array_values(array_filter(
        $solved->findings, static fn (Finding $finding): bool => $finding->rule === 'loose-part',
    ));
}

it('finds a sleeve that holds nothing, says why, and has a cure for it', function (
    array $joint,
    array $section,
    string $words,
    array $cures,
): void {
    $solved = solvedLoose(['joints' => [['at' => ['length' => 200], ...$joint]]], $section);
    $found = loose($solved);
    expect($found)->toHaveCount(1)->and($found[0]->message)->toContain($words)
        ->and(array_map(static fn (Remedy $one): string => $one->label, $found[0]->remedies))
        ->toBe($cures);
})->with([
    'narrower than the tube' => [
        ['kind' => 'coupling', 'sleeve' => ['od' => 11, 'length' => 30]], ['shape' => 'round', 'od' => 12, 'wall' => 1],
        'Its sleeve is 11 mm outside; the tube is 12 mm.',
        // 12 and a wall of a fifth of it on both sides; twice as long as wide.
        ['Use a sleeve of 16.8 mm, 24 mm long', 'Weld it'],
    ],
    'shorter than its gap' => [
        ['kind' => 'union', 'gap' => 10, 'sleeve' => ['od' => 20, 'length' => 8]],
        ['shape' => 'round', 'od' => 12, 'wall' => 1],
        'Its sleeve is 8 mm long, and the gap between the tubes is 10 mm.',
        ['Use a sleeve of 16.8 mm, 24 mm long', 'Weld it'],
    ],
    'on a square tube' => [
        ['kind' => 'coupling'],
        ['shape' => 'rectangle', 'width' => 20, 'height' => 20, 'wall' => 2, 'corner_radius' => 3],
        'A coupling goes over what is round.', ['Weld it'],
    ],
]);

it('finds an outline that leaves the tube, and writes none of it', function (array $outline, bool $isLoose): void {
    $solved = solvedLoose(['repeats' => [['kind' => 'clip', 'pitch' => 100, 'outline' => $outline]]]);
    expect(loose($solved))->toHaveCount($isLoose ? 1 : 0)
        ->and(Parts::over($solved->laid) === [])->toBe($isLoose);
})->with([
    // Squares about the path: the tube is 6 from the middle to its outside.
    'a square of 20' => [[[-10, -10], [10, -10], [10, 10], [-10, 10]], false],
    'a square of 11' => [[[-5.5, -5.5], [5.5, -5.5], [5.5, 5.5], [-5.5, 5.5]], true],
    'a block beside it' => [[[8, -5], [20, -5], [20, 5], [8, 5]], true],
]);

it('looks at an outline where the run is widest among the places of it', function (float $along, bool $isLoose): void {
    // 12 wide up to a weld at 200, 20 wide behind it; the square leaves 8 from its middle to its sides.
    $file = Jobs::file([], ['at' => [400, 0, 0]], [
        'from' => ['at' => [0, 0, 0]], 'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
    ]);
    $file->version = 3;
    $file->stock[] = Jobs::object([
        ...(array) $file->stock[0], 'id' => 'wide', 'section' => ['shape' => 'round', 'od' => 20, 'wall' => 1],
    ]);
    $file->runs[0]->joints = [
        Jobs::object(['at' => ['leg' => 1, 'from_start' => 200], 'kind' => 'weld', 'stock' => 'wide']),
    ];
    $file->runs[0]->repeats = [Jobs::object([
        'kind' => 'clip', 'count' => 1, 'from' => $along, 'to' => 400 - $along,
        'outline' => [[-8, -8], [8, -8], [8, 8], [-8, 8]],
    ])];
    expect(loose(Jobs::solve($file)))->toHaveCount($isLoose ? 1 : 0);
})->with(['before it' => [100, false], 'behind it' => [300, true]]);
