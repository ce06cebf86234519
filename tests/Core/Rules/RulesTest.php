<?php

declare(strict_types=1);

use Bowline\Rules\Severity;
use Tests\Jobs;

$to = ['at' => [400, 0, 200]];
$clamp = fn (float $bore = 12): array => [
    ['id' => 'c', 'name' => 'Clamp', 'at' => [200, 0, 200], 'axis' => [1, 0, 0], 'bore' => $bore, 'width' => 20],
];
$flange = fn (array $more = []): array => [
    'type' => 'flange',
    'od' => 60,
    'thickness' => 8,
    'bore' => 13,
    'holes' => ['count' => 4, 'circle' => 42, 'diameter' => 9],
    ...$more,
];

it('finds nothing in a good run', function () use ($to, $clamp, $flange): void {
    expect(
        Jobs::broken(
            Jobs::file(
                [['at' => [0, 0, 200]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
                [...$to, 'end' => $flange()],
                ['clamps' => $clamp()],
            ),
        ),
    )->toBe([]);
});

it('takes exactly enough as enough', function (): void {
    // Radius 24 where 24 is the least; a leg of 30 + 20 + 30 where that is needed.
    expect(Jobs::broken(Jobs::file([['at' => [0, 0, 200], 'corner' => ['radius' => 24]]], ['at' => [400, 0, 200]])))
        ->toBe([])
        ->and(Jobs::broken(Jobs::file([['at' => [0, 0, 200]], ['at' => [80, 0, 200]]], ['at' => [80, 300, 200]])))
        ->toBe([]);
});

it('judges a bend by the radius asked for, not by what was drawn', function (): void {
    // No room for R 30 before the end, so less is drawn; that is leg-room and not bend-radius.
    $solved = Jobs::solve(Jobs::file([['at' => [0, 0, 200]]], ['at' => [20, 0, 200]]));

    expect($solved->laid->bends[0]->radius)
        ->toEqualWithDelta(20, 1e-9)
        ->and(array_map(fn ($finding) => $finding->rule, $solved->findings))
        ->toBe(['leg-room'])
        ->and($solved->findings[0]->measured)
        ->toEqualWithDelta(20, 1e-9)
        ->and($solved->findings[0]->required)
        ->toEqualWithDelta(30, 1e-9);
});

it('finds a run that enters its port off the axis', function (): void {
    $file = Jobs::file([['at' => [0, 0, 200]]], ['port' => 'filter.in']);
    $file->fittings[] = Jobs::decoded([
        'format' => 'bowline-job',
        'version' => 1,
        'fittings' => [
            [
                'id' => 'filter',
                'pose' => ['at' => [400, 7, 200]],
                'ports' => [['id' => 'in', 'at' => [0, 0, 0], 'axis' => [-1, 0, 0]]],
            ],
        ],
    ])->fittings[0];
    $finding = Jobs::solve($file)->findings[0];

    expect($finding->rule)->toBe('off-axis')->and($finding->measured)->toEqualWithDelta(rad2deg(atan(7 / 400)), 1e-9);
});

it('finds a bend that reaches into a clamp', function (float $before, bool $inside) use ($clamp): void {
    // A right angle of R 30 needs 30 of the straight; half the clamp's width is 10.
    $rules = Jobs::broken(
        Jobs::file(
            [['at' => [140, 0, 50]], ['clamp' => 'c', 'before' => $before, 'after' => 60]],
            ['at' => [400, 0, 200]],
            [
                'clamps' => $clamp(),
                'from' => ['at' => [200 - $before, 0, 0]],
                'route' => ['kind' => 'corners', 'stops' => [['clamp' => 'c', 'before' => $before, 'after' => 60]]],
            ],
        ),
    );

    expect(in_array('off-axis', $rules, true))->toBe($inside);
})->with([[40.0, false], [39.0, true], [60.0, false], [5.0, true]]);

it('judges how a flange fits', function (array $change, Severity $severity, string $words) use ($to, $flange): void {
    $findings = Jobs::solve(Jobs::file([['at' => [0, 0, 200]]], [...$to, 'end' => $flange($change)]))->findings;

    expect($findings)
        ->not->toBe([])
        ->and($findings[0]->rule)
        ->toBe('flange-fit')
        ->and($findings[0]->severity)
        ->toBe($severity)
        ->and($findings[0]->message)
        ->toContain($words);
})->with([
    'the tube does not go in' => [['bore' => 11.5], Severity::Violation, '11.5 mm'],
    'too wide to weld' => [['bore' => 20], Severity::Warning, 'gap'],
    // A circle of 54 with holes of 9 reaches to 63, in a plate of 60: 1.5 mm over at each side.
    'holes break out' => [['holes' => ['count' => 4, 'circle' => 54, 'diameter' => 9]], Severity::Violation, '1.5 mm'],
    'holes run into the tube' => [
        ['holes' => ['count' => 4, 'circle' => 20, 'diameter' => 9]],
        Severity::Violation,
        'run into the tube',
    ],
    // 12 holes of 12 on a circle of 42: neighbours are 42·sin 15° = 10.87 apart.
    'holes run into each other' => [
        ['holes' => ['count' => 12, 'circle' => 42, 'diameter' => 12]],
        Severity::Violation,
        '1.13 mm',
    ],
    'thicker than the straight' => [['thickness' => 380], Severity::Violation, 'only 370 mm'],
]);

/*
 * Every remedy offered for a job that is broken in many ways is taken, and must cure.
 */
it('offers remedies that cure', function (stdClass $file, string $rule, int $least): void {
    $solved = Jobs::solve($file);
    $count = fn ($run): int => count(array_filter($run->findings, fn ($finding): bool => $finding->rule === $rule));
    $all = fn ($run): int => count($run->findings);
    $finding = array_values(array_filter($solved->findings, fn ($finding): bool => $finding->rule === $rule))[0];

    expect(count($finding->remedies))->toBeGreaterThanOrEqual($least);
    foreach ($finding->remedies as $remedy) {
        $cured = json_decode(json_encode($file));
        foreach ($cured->{$remedy->list} as $index => $item) {
            if ($item->id === $remedy->item->id) {
                $cured->{$remedy->list}[$index] = $remedy->item;
            }
        }
        $after = Jobs::solve($cured);
        expect($count($after))
            ->toBeLessThan($count($solved), $remedy->label)
            ->and($all($after))
            ->toBeLessThan($all($solved), $remedy->label);
    }
})->with([
    'a tight bend with room' => fn () => [
        Jobs::file([['at' => [0, 0, 200], 'corner' => ['radius' => 18]]], ['at' => [400, 0, 200]]),
        'bend-radius',
        1,
    ],
    'a tight bend without room' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200], 'corner' => ['radius' => 24]], ['at' => [60, 0, 200], 'corner' => ['radius' => 16]]],
            ['at' => [60, 300, 200]],
        ),
        'bend-radius',
        1,
    ],
    'two bends too near, one to ease' => fn () => [
        Jobs::file([['at' => [0, 0, 200]], ['at' => [75, 0, 200]]], ['at' => [75, 300, 200]]),
        'leg-room',
        3,
    ],
    'two bends too near, corners to move' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200]], ['along' => '+x', 'length' => 50], ['by' => [0, 300, 0]]],
            ['at' => [300, 300, 200]],
        ),
        'leg-room',
        1,
    ],
    'a lead too short' => fn () => [
        Jobs::file([['by' => [200, 0, 0]]], ['at' => [200, 300, 70]], ['from' => ['port' => 'pump.out', 'lead' => 20]]),
        'leg-room',
        1,
    ],
    'a fold' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200], 'corner' => ['radius' => 6]]],
            ['at' => [400, 0, 200]],
            ['stock.min_radius' => 5],
        ),
        'section-fold',
        1,
    ],
    'off the axis' => fn () => [Jobs::file([['at' => [12, 0, 200]]], ['at' => [400, 0, 200]]), 'off-axis', 2],
    'a turn back' => fn () => [Jobs::file([['at' => [0, 0, 9050]]], ['at' => [75, 0, 50]]), 'reversal', 1],
    'a length nobody may give' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200]], ['at' => [300, 0, 200]]],
            ['at' => [300, 0, 50]],
            ['fixed_length' => ['length' => 700, 'tolerance' => 0.5]],
        ),
        'fixed-length',
        2,
    ],
    'a length out of reach' => fn () => [
        Jobs::file(
            [['at' => [150, 0, 200]]],
            ['at' => [400, 0, 50]],
            [
                'from' => ['at' => [0, 0, 50]],
                'fixed_length' => ['length' => 300, 'tolerance' => 0.5, 'adjust' => ['stops' => [0], 'along' => '+z']],
            ],
        ),
        'fixed-length',
        2,
    ],
    'a clamp of another size' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200]], ['clamp' => 'c', 'before' => 60, 'after' => 60]],
            ['at' => [400, 0, 200]],
            ['clamps' => $clamp(15)],
        ),
        'clamp-size',
        1,
    ],
    'a bend inside a clamp' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 100]], ['at' => [165, 0, 100]], ['clamp' => 'c', 'before' => 35, 'after' => 60]],
            ['at' => [400, 0, 200]],
            ['clamps' => $clamp()],
        ),
        'off-axis',
        1,
    ],
    'a flange too small for its tube' => fn () => [
        Jobs::file([['at' => [0, 0, 200]]], ['at' => [400, 0, 200], 'end' => $flange(['bore' => 10])]),
        'flange-fit',
        1,
    ],
    'holes that break out' => fn () => [
        Jobs::file(
            [['at' => [0, 0, 200]]],
            ['at' => [400, 0, 200], 'end' => $flange(['holes' => ['count' => 4, 'circle' => 54, 'diameter' => 9]])],
        ),
        'flange-fit',
        2,
    ],
]);

it('puts the worst first', function (): void {
    $findings = Jobs::solve(
        Jobs::file(
            [
                ['at' => [0, 0, 200]],
                ['clamp' => 'c', 'before' => 60, 'after' => 60],
                ['at' => [400, 0, 200], 'corner' => ['radius' => 20]],
            ],
            ['at' => [400, 300, 200]],
            ['clamps' => [['id' => 'c', 'at' => [200, 0, 200], 'axis' => [1, 0, 0], 'bore' => 15, 'width' => 20]]],
        ),
    )->findings;

    expect(array_map(fn ($finding) => $finding->rule, $findings))->toBe(['bend-radius', 'clamp-size']);
});

it('says what is nonsense in a stock', function (array $bend, array $rules): void {
    // One right angle at R 30: its arc is 47.12 long, 0.5236 a degree.
    $file = Jobs::file(
        [['at' => [0, 0, 200]]],
        ['at' => [400, 0, 200]],
        array_combine(array_map(static fn (string $key): string => 'stock.'.$key, array_keys($bend)), $bend),
    );
    expect(Jobs::broken($file))->toBe($rules);
})->with([
    'as much stretch as there is' => [['stretch_per_degree' => 0.5237], ['cut-length']],
    'a little less' => [['stretch_per_degree' => 0.5235], []],
    'more than there is of the tube' => [['stretch_per_degree' => 100], ['cut-length']],
    // 90° · 1.35 + 15° is 136.5°.
    'an offset of a whole turn' => [['springback' => ['ratio' => 0, 'offset' => 360]], ['set-angle']],
    'a little more than any tube springs back' => [['springback' => ['ratio' => 0, 'offset' => 46.6]], ['set-angle']],
    'a little less than that' => [['springback' => ['ratio' => 0, 'offset' => 46.4]], []],
    'bent back' => [['springback' => ['ratio' => -1.2, 'offset' => 0]], ['set-angle']],
    'a radius that it does not stand' => [['radius' => 23.9], ['bend-radius', 'stock-radius']],
    'one that it just stands' => [['radius' => 24], []],
]);
