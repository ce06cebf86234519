<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Body\Tessellation;
use Bowline\Exchange\MassWriter;
use Bowline\Exchange\Parts;
use Bowline\Exchange\Step\StepWriter;
use Tests\Jobs;

/*
 * Caps and reducers by hand, on 400 mm of a tube 40 × 2 (bore 36). A spherical cap of radius R and height h holds
 * πh²(3R − h)/3; a frustum πh/3·(a² + ab + b²).
 */
function cappedRun(
    array $end,
    string $which = 'to',
    array $section = ['shape' => 'round', 'od' => 40, 'wall' => 2],
): stdClass {
    $ends = ['from' => ['at' => [0, 0, 0]], 'to' => ['at' => [400, 0, 0]]];
    $ends[$which]['end'] = $end;

    return Jobs::file([], $ends['to'], [
        'from' => $ends['from'], 'section' => $section, 'stock.radius' => 100, 'stock.min_radius' => 90,
    ]);
}

/**
 * What a torispherical dome with crown R and knuckle r on a cylinder of radius a holds, by discs over the angle of
 * both.
 */
function domeVolume(float $a, float $crown, float $knuckle): float
{
    $meets = acos(($a - $knuckle) / ($crown - $knuckle));
    $steps = 20_000;
    $volume = 0.0;
    foreach ([[0.0, $meets, $a - $knuckle, $knuckle], [$meets, M_PI / 2, 0.0, $crown]] as [$from, $to, $centre, $r]) {
        for ($i = 0; $i < $steps; $i++) {
            $at = $from + ($to - $from) * ($i + 0.5) / $steps;
            $volume += M_PI * ($centre + $r * cos($at)) ** 2 * $r * cos($at) * ($to - $from) / $steps;
        }
    }

    return $volume;
}

dataset('caps', function (): array {
    $frustum = static fn (float $a, float $b, float $h): float => M_PI * $h / 3 * ($a ** 2 + $a * $b + $b ** 2);
    $tube = M_PI * (20 ** 2 - 18 ** 2);

    return [
        // what it is, mm³ of material that it adds, mm³ that it lets the run hold more, holes through the whole
        'a flat cap' => [['type' => 'cap', 'shape' => 'flat', 'thickness' => 3], M_PI * 400 * 3, 0, 0],
        'a hemisphere' => [
            ['type' => 'cap', 'shape' => 'domed'], 2 * M_PI / 3 * (20 ** 3 - 18 ** 3), 2 * M_PI / 3 * 18 ** 3, 0,
        ],
        // As of DIN 28011: R = D, r = D/10; inside R − s, r − s.
        'a torispherical dome' => [
            ['type' => 'cap', 'shape' => 'domed', 'crown' => 40, 'knuckle' => 4],
            domeVolume(20, 40, 4) - domeVolume(18, 38, 2), domeVolume(18, 38, 2), 0,
        ],
        'a stepped cap' => [
            ['type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 50, 'depth' => 10],
            M_PI * 25 ** 2 * 3 + M_PI * 18 ** 2 * 10, -M_PI * 18 ** 2 * 10, 0,
        ],
        // Within the length of the run: what it has in place of 50 of tube.
        'a reducer' => [
            ['type' => 'reducer', 'od' => 60, 'length' => 50],
            $frustum(20, 30, 50) - $frustum(18, 28, 50) - $tube * 50, $frustum(18, 28, 50) - M_PI * 18 ** 2 * 50, 1,
        ],
        'with a wall of its own' => [
            ['type' => 'reducer', 'od' => 30, 'wall' => 3, 'length' => 40],
            $frustum(20, 15, 40) - $frustum(18, 12, 40) - $tube * 40, $frustum(18, 12, 40) - M_PI * 18 ** 2 * 40, 1,
        ],
        'a collar' => [
            ['type' => 'collar', 'od' => 56, 'width' => 6, 'from_end' => 10], M_PI * (28 ** 2 - 20 ** 2) * 6, 0, 1,
        ],
        'a collar at the very end' => [
            ['type' => 'collar', 'od' => 56, 'width' => 6], M_PI * (28 ** 2 - 20 ** 2) * 6, 0, 1,
        ],
        // An oblique cone holds as much as an upright one (Cavalieri).
        'an eccentric one' => [
            ['type' => 'reducer', 'od' => 60, 'length' => 50, 'eccentric' => true],
            $frustum(20, 30, 50) - $frustum(18, 28, 50) - $tube * 50, $frustum(18, 28, 50) - M_PI * 18 ** 2 * 50, 1,
        ],
    ];
});

it('adds to its tube what it is made of, and holds what it holds', function (
    array $end,
    float $adds,
    float $holds,
): void {
    foreach (['from', 'to'] as $which) {
        $facts = MassWriter::write(Jobs::solve(cappedRun($end, $which)), '/runs/0');

        expect($facts['volume'])->toEqualWithDelta(M_PI * (20 ** 2 - 18 ** 2) * 400 + $adds, 2e-4)
            ->and($facts['contents'])->toEqualWithDelta(M_PI * 18 ** 2 * 400 + $holds, 2e-4);
    }
})->with('caps');

it('is covered by triangles without a gap', function (array $end, float $adds, float $holds, int $genus): void {
    $solid = RunBody::of(Jobs::laid(cappedRun($end)))->solid() ?? throw new LogicException;
    $exact = MassProperties::of($solid);
    expect($solid->isClosed())->toBeTrue();
    foreach ([0.5, 0.02] as $chord) {
        $mesh = Tessellation::of($solid, $chord);
        $sides = [];
        foreach ($mesh->triangles as [$a, $b, $c]) {
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $sides[min($from, $to).' '.max($from, $to)][] = $from < $to;
            }
        }
        expect(array_filter($sides, static fn (array $used): bool => array_sum($used) !== 1 || count($used) !== 2))
            ->toBe([])
            ->and(count($mesh->vertices) - count($mesh->triangles) / 2)->toEqual(2 - 2 * $genus)
            ->and(abs($mesh->volume() - $exact->volume))->toBeLessThan($chord * $exact->surface);
    }
})->with('caps');

it('encloses what is capped at both ends', function (): void {
    $file = cappedRun(['type' => 'cap', 'shape' => 'domed']);
    $file->runs[0]->from->end = (object) ['type' => 'cap', 'shape' => 'domed', 'crown' => 40, 'knuckle' => 4];
    $solid = RunBody::of(Jobs::laid($file))->solid();
    $shape = 2 * M_PI / 3 * (20 ** 3 - 18 ** 3) + domeVolume(20, 40, 4) - domeVolume(18, 38, 2);

    expect($solid?->shells)->toHaveCount(2)
        ->and(MassWriter::write(Jobs::solve($file), '')['volume'])
        ->toEqualWithDelta(M_PI * (20 ** 2 - 18 ** 2) * 400 + $shape, 2e-4)
        ->and(StepWriter::write('caps', Parts::of(Jobs::solve($file), ''), 0.1))->toContain('BREP_WITH_VOIDS');
});

it('lays the tube of an eccentric reducer under its port, so that the bottom is one line', function (): void {
    $file = cappedRun(['type' => 'reducer', 'od' => 60, 'length' => 50, 'eccentric' => true]);
    $file->runs[0]->to->axis = [-1, 0, 0];
    $laid = Jobs::laid($file);

    // Half of 60 − 40 below, and still straight: its bottom is at −30 all along.
    expect($laid->run->to->at->toArray())->toEqualWithDelta([400, 0, -10], 1e-9);
    $low = static fn (stdClass $file): float => min(array_map(
        static fn ($at): float => $at->z, RunBody::of(Jobs::laid($file))->mesh(0.01)->vertices,
    ));
    $file->runs[0]->from->at = [0, 0, -10];
    expect($low($file))->toEqualWithDelta(-30, 0.02);
});

it('finds a port that is made for another size, and offers what fits', function (): void {
    $file = Jobs::file([['at' => [0, 0, 250]]], ['at' => [400, 0, 250]]);
    $file->fittings[0]->ports[0]->size = 28;
    $file->stock[] = Jobs::object([
        'id' => 't28', 'name' => 'Tube 28 x 2', 'kind' => 'tube', 'density' => 7980,
        'section' => ['shape' => 'round', 'od' => 28, 'wall' => 2],
        'bend' => ['radius' => 60, 'min_radius' => 50, 'min_straight' => 20],
    ]);
    $solved = Jobs::solve($file);
    expect($solved->findings[0]->rule)->toBe('port-size')
        ->and($solved->findings[0]->message)->toBe('It is made for 28 mm; the tube is 12 mm outside.')
        ->and([$solved->findings[0]->measured, $solved->findings[0]->required])->toEqual([12, 28])
        ->and(array_map(static fn ($one): string => $one->label, $solved->findings[0]->remedies))
        ->toBe(['Take Tube 28 x 2', 'Put in a reducer to 28 mm'])
        ->and($solved->findings[0]->remedies[1]->item->from->end)
        ->toEqual((object) ['type' => 'reducer', 'od' => 28, 'length' => 30]);
    $file->runs[0] = $solved->findings[0]->remedies[1]->item;
    expect(Jobs::broken($file))->toBe([]);
});

it('takes a hose by its bore or by its outside, and cables by neither', function (
    string $kind,
    float $size,
    bool $fits,
): void {
    $file = Jobs::file([], ['at' => [0, 0, 400]]);
    $file->stock[0]->kind = $kind;
    $file->fittings[0]->ports[0]->size = $size;

    expect(in_array('port-size', Jobs::broken($file), true))->toBe(! $fits);
})->with([
    ['tube', 12, true], ['tube', 12.5, true], ['tube', 12.6, false], ['tube', 9, false],
    ['hose', 12, true], ['hose', 9, true], ['hose', 10, false], ['cable', 28, true],
]);

it('finds caps and reducers that cannot be made, and offers what can', function (
    array $end,
    ?string $says,
    array $cures = [],
    array $section = ['shape' => 'round', 'od' => 40, 'wall' => 2],
): void {
    $findings = Jobs::solve(cappedRun($end, 'to', $section))->findings;
    expect($findings[0]->message ?? null)->toBe($says)
        ->and(array_map(static fn ($one): string => $one->label, $findings[0]->remedies ?? []))->toBe($cures);
})->with(function (): array {
    $box = ['shape' => 'rectangle', 'width' => 40, 'height' => 20, 'wall' => 2];
    $caps = ['Close it with a flat cap', 'Leave the end open'];

    return [
        'a hemisphere' => [['type' => 'cap', 'shape' => 'domed'], null],
        'a knuckle of a tenth of the crown' => [['type' => 'cap', 'shape' => 'domed', 'crown' => 40], null],
        'a knuckle within the wall' => [
            ['type' => 'cap', 'shape' => 'domed', 'crown' => 40, 'knuckle' => 2],
            'Its crown is at least R 20 mm, and its knuckle between the wall of 2 mm and that.',
            ['Make it half round', ...$caps],
        ],
        'a collar as wide as its tube' => [
            ['type' => 'collar', 'od' => 40, 'width' => 6], 'It is 40 mm outside; the tube is 40 mm.',
            ['Leave the end open', 'Take a collar that fits'],
        ],
        'a collar longer than its tube' => [
            ['type' => 'collar', 'od' => 50, 'width' => 6, 'from_end' => 395],
            'It reaches 401 mm back from the end; only 400 mm of the tube is straight there.',
            ['Leave the end open', 'Take a collar that fits'],
        ],
        'a round collar on a box' => [['type' => 'collar', 'od' => 50, 'width' => 6], null, [], $box],
        'a dome on a box' => [
            ['type' => 'cap', 'shape' => 'domed'], 'A dome goes round; the tube does not.', $caps, $box,
        ],
        'a disc on a box' => [['type' => 'cap', 'shape' => 'flat', 'thickness' => 3], null, [], $box],
        'a spigot longer than the run' => [
            ['type' => 'cap', 'shape' => 'stepped', 'thickness' => 3, 'diameter' => 50, 'depth' => 500],
            'It goes 500 mm into the bore; only 400 mm is straight there.', ['Make it 400 mm long', ...$caps],
        ],
        'a reducer longer than the run' => [
            ['type' => 'reducer', 'od' => 60, 'length' => 500],
            'It is 500 mm long; only 400 mm of the tube is straight there.', ['Make it 400 mm long'],
        ],
        'a reducer without a bore' => [
            ['type' => 'reducer', 'od' => 4, 'length' => 50],
            'It is 4 mm outside with a wall of 2 mm: nothing is left of its bore.',
        ],
        'a reducer on a box' => [
            ['type' => 'reducer', 'od' => 60, 'length' => 50], 'A reducer goes round; the tube does not.', [], $box,
        ],
    ];
});
