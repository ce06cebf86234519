<?php

declare(strict_types=1);

use Bowline\Bending\BendTable;
use Bowline\Exchange\MassWriter;
use Bowline\Exchange\Parts;
use Bowline\Exchange\RepeatWriter;
use Bowline\Exchange\SolutionWriter;
use Bowline\Exchange\SpoolWriter;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Routing\Spool;
use Bowline\Rules\Finding;
use Bowline\Solving\SolvedRun;
use Tests\Jobs;

/*
 * A run whose stock changes on the way: 800 along x, 600 along y, 400 up. DN 50 (60.3 × 3.9, R 150) up to a weld on the
 * second leg, 300 from its corner; DN 25 (33.7 × 2.6, R 80) behind it.
 */

/**
 * @param  array<string, mixed>  $joint
 * @param  array<string, mixed>  $run
 */
function narrowedFile(array $joint = [], array $run = []): stdClass
{
    $pipe = static fn (string $id, float $od, float $wall, array $bend): array => [
        'id' => $id, 'kind' => 'pipe', 'name' => $id, 'section' => ['shape' => 'round', 'od' => $od, 'wall' => $wall],
        'bend' => $bend, 'density' => 7850,
    ];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'Narrowed',
        'stock' => [
            $pipe('big', 60.3, 3.9, ['radius' => 150, 'min_radius' => 120, 'min_straight' => 50]),
            $pipe('small', 33.7, 2.6, [
                'radius' => 80, 'min_radius' => 70, 'min_straight' => 40,
                'springback' => ['ratio' => 0.02, 'offset' => 0.5],
            ]),
            [
                'id' => 'square', 'kind' => 'pipe', 'density' => 7850,
                'section' => ['shape' => 'rectangle', 'width' => 30, 'height' => 30, 'wall' => 3, 'corner_radius' => 5],
                'bend' => ['radius' => 80, 'min_radius' => 70, 'min_straight' => 40],
            ],
        ],
        'clamps' => [['id' => 'c', 'at' => [800, 600, 200], 'axis' => [0, 0, 1], 'bore' => 33.7, 'width' => 20]],
        'runs' => [[
            'id' => 'feed', 'stock' => 'big', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [800, 600, 400]],
            'route' => ['kind' => 'corners', 'stops' => [['at' => [800, 0, 0]], ['at' => [800, 600, 0]]]],
            'joints' => [['at' => ['leg' => 2, 'from_start' => 300], 'kind' => 'weld', 'gap' => 2, 'stock' => 'small',
                ...$joint]],
            ...$run,
        ]],
    ]);
}

/** @return list<string> */
function rulesOf(SolvedRun $solved): array
{
    return array_map(static fn (Finding $finding): string => $finding->rule, $solved->findings);
}

it('bends each corner as the stock that it is of', function (): void {
    $solved = Jobs::solve(narrowedFile());
    $laid = $solved->laid;
    expect(array_column($laid->bends, 'radius'))->toBe([150.0, 80.0])
        ->and(rulesOf($solved))->toBe([])
        // The springback is that of the small pipe: 90·1.02 + 0.5.
        ->and(array_map(static fn ($row): float => rad2deg($row->setAngle), BendTable::of($laid)->rows))
        ->toEqualWithDelta([90, 92.3], 1e-9)
        // A radius that the big pipe does not stand is none for the small one.
        ->and(rulesOf(Jobs::solve(narrowedFile(run: ['route' => ['kind' => 'corners', 'stops' => [
            ['at' => [800, 0, 0], 'corner' => ['radius' => 80]], ['at' => [800, 600, 0]],
        ]]]))))->toContain('bend-radius')
        // Twice as wide: 60.3 · 2 and 33.7 · 2.
        ->and(array_column(Jobs::laid(narrowedFile(run: ['route' => [
            'kind' => 'corners', 'corner' => ['ratio' => 2],
            'stops' => [['at' => [800, 0, 0]], ['at' => [800, 600, 0]]],
        ]]))->bends, 'radius'))->toEqualWithDelta([120.6, 67.4], 1e-9);
});

it('has spools of both stocks, the first with a reducer, which add up to the run', function (): void {
    $solved = Jobs::solve(narrowedFile());
    $laid = $solved->laid;
    // 650 to the bend, 75π in it, 150 of the second leg to the middle of the gap.
    $joint = 650 + 75 * M_PI + 150;
    $whole = 650 + 75 * M_PI + (600 - 150 - 80) + 40 * M_PI + 320;
    expect($laid->length())->toEqualWithDelta($whole, 1e-9)
        ->and(SpoolWriter::tube($laid))->toEqualWithDelta([
            // The reducer is 65 long: 60.3 up to a whole 5.
            ['from' => 0.0, 'to' => $joint - 1 - 65, 'stock' => 'big'],
            ['from' => $joint + 1, 'to' => $whole, 'stock' => 'small'],
        ], 1e-9);

    $mass = MassWriter::write($solved, '/runs/0');
    $area = static fn (float $od, float $wall): float => M_PI / 4 * ($od ** 2 - ($od - 2 * $wall) ** 2);
    $cone = static fn (float $a, float $b): float => M_PI * 65 / 12 * ($a ** 2 + $a * $b + $b ** 2);
    expect($mass['spools'][0]['volume'])->toEqualWithDelta(
        $area(60.3, 3.9) * ($joint - 66) + $cone(60.3, 33.7) - $cone(52.5, 28.5), 1e-3,
    )
        ->and($mass['spools'][1]['volume'])->toEqualWithDelta($area(33.7, 2.6) * ($whole - $joint - 1), 1e-3)
        ->and($mass['mass'])->toEqualWithDelta($mass['volume'] * 7850e-9, 1e-9)
        ->and($solved->mass())->toEqualWithDelta(
            (($joint - 1) * $area(60.3, 3.9) + ($whole - $joint - 1) * $area(33.7, 2.6)) * 7850e-9, 1e-9,
        );
    foreach (Parts::of($solved, '/runs/0') as $part) {
        expect($part->solid->isClosed())->toBeTrue();
    }
});

it('is of the pipe that is there in every part of it', function (): void {
    $laid = Jobs::laid(narrowedFile());
    // To the middle of the gap, as above; a part lies wholly before it or behind it.
    $joint = 650 + 75 * M_PI + 150;
    $parts = [[0, 100, 'big'], [600, 640, 'big'], [0, $joint - 10, 'big'], [$joint + 10, $joint + 30, 'small']];
    foreach ($parts as [$from, $to, $stock]) {
        expect(Spool::part($laid, $from, $to)->run->stock->id)->toBe($stock);
    }
    expect(Spool::part($laid, $laid->length() - 200, $laid->length())->run->stock->id)->toBe('small');
});

it('knows the size of the run at its end, at a clamp and where something repeats', function (): void {
    // The clamp on the last leg is for the small pipe, and a clip there goes round it.
    $run = ['repeats' => [['kind' => 'clip', 'count' => 2, 'from' => 100, 'to' => 100, 'height' => 4]]];
    $run['route'] = ['kind' => 'corners', 'stops' => [
        ['at' => [800, 0, 0]], ['at' => [800, 600, 0]], ['clamp' => 'c', 'before' => 50, 'after' => 50],
    ]];
    $solved = Jobs::solve(narrowedFile(run: $run));
    expect(rulesOf($solved))->toBe([])
        ->and(array_column(RepeatWriter::write($solved->laid), 'outer'))->toEqualWithDelta([68.3, 41.7], 1e-9)
        ->and(array_column(RepeatWriter::write($solved->laid), 'words'))->toBe(['1 clip', '1 clip'])
        ->and(Parts::over($solved->laid))->toHaveCount(2);
});

it('finds a reducer that is longer than its straight', function (): void {
    // 60 of the second leg are straight before a joint at 211: 150 are in the bend, 1 is the gap.
    $solved = Jobs::solve(narrowedFile(['at' => ['leg' => 2, 'from_start' => 211]]));
    $found = array_values(array_filter($solved->findings, static fn (Finding $one): bool => $one->rule === 'end-fit'));
    expect($found)->toHaveCount(1)->and($found[0]->title)->toBe('The reducer at joint 1 does not fit')
        ->and($found[0]->measured)->toEqualWithDelta(60, 1e-9)->and($found[0]->required)->toEqualWithDelta(65, 1e-9);
});

it('takes flanges, sleeves and plates for the pipe that is there', function (): void {
    $standard = ['type' => 'flange', 'standard' => 'EN 1092-1 type 11 PN 16'];
    $file = narrowedFile(run: [
        'from' => ['at' => [0, 0, 0], 'end' => $standard], 'to' => ['at' => [800, 600, 400], 'end' => $standard],
    ]);
    expect(array_column(SolutionWriter::run(Jobs::solve($file))['ends'], 'name'))
        ->toBe(['EN 1092-1 type 11 PN 16 DN 50', 'EN 1092-1 type 11 PN 16 DN 25'])
        ->and(rulesOf(Jobs::solve($file)))->toBe([]);

    // A coupling behind the reducer: twice as long as the small pipe is wide, with a wall of a fifth of that.
    $file->runs[0]->joints[] = Jobs::object(['at' => ['leg' => 3, 'from_start' => 200], 'kind' => 'weld']);
    $joints = Jobs::edited($file, ['do' => 'join-by', 'joint' => 1, 'kind' => 'coupling'])->joints;
    expect((array) $joints[1]->sleeve)->toEqualWithDelta(['length' => 67.4, 'od' => 47.18], 1e-9);
    $plate = Jobs::edited($file, ['do' => 'finish-end', 'end' => 'to', 'type' => 'flange'])->to->end;
    // The bore of a plate that slips over is 1 wider than its pipe.
    expect($plate->bore)->toEqualWithDelta(34.7, 1e-9);
});

it('finds a reducer and a flange that need more than the straight between them', function (): void {
    // 150 of the second leg are in the bend; up to 289 there are 138 of pipe with a plate of 80 and a reducer of 65.
    $plate = ['type' => 'flange', 'od' => 165, 'thickness' => 80, 'bore' => 61];
    $file = narrowedFile(['at' => ['leg' => 2, 'from_start' => 289]]);
    $file->runs[0]->joints[] = Jobs::object([
        'at' => ['leg' => 2, 'from_start' => 151], 'kind' => 'flanges', 'gap' => 2, 'flange' => $plate,
    ]);
    $solved = Jobs::solve($file);
    $found = array_column($solved->findings, 'measured', 'title');
    // The spool between is 289 − 1 − 152 = 136 long: 56 are left for the reducer, 71 for the plate.
    expect($found['The reducer at joint 1 does not fit'] ?? null)->toEqualWithDelta(56, 1e-9)
        ->and(rulesOf($solved))->toContain('flange-fit');
});

it('needs no reducer between pipes as wide as each other', function (): void {
    $laid = Jobs::laid(narrowedFile());
    expect($laid->run->joints[0]->near->type())->toBe('reducer');
    $file = narrowedFile();
    $file->stock[1]->section = Jobs::object(['shape' => 'round', 'od' => 60.3, 'wall' => 5]);
    expect(Jobs::laid($file)->run->joints[0]->near->type())->toBe('open');
});

it('puts the reducer on the wider spool, whichever comes first', function (): void {
    $file = narrowedFile(['stock' => 'big'], ['stock' => 'small']);
    $joint = Jobs::laid($file)->run->joints[0];
    expect($joint->near->type())->toBe('open')->and($joint->far->type())->toBe('reducer')
        // 80 of the second leg are in the first bend: the joint is 220 behind it, and 65 of the wide pipe taper.
        ->and(SpoolWriter::tube(Jobs::laid($file)))->toEqualWithDelta([
            ['from' => 0.0, 'to' => 720 + 40 * M_PI + 220 - 1, 'stock' => 'small'],
            ['from' => 720 + 40 * M_PI + 220 + 1 + 65, 'to' => 720 + 115 * M_PI + 370 + 250, 'stock' => 'big'],
        ], 1e-9);
});

it('refuses it on a run that has no legs', function (): void {
    expect(fn () => Job::read(narrowedFile(run: ['route' => ['kind' => 'hang', 'length' => 2000]])))
        ->toThrow(JobError::class, 'on its legs, and this one has none');
});

it('refuses a change of stock that cannot be', function (array $joint, string $pointer, string $words): void {
    try {
        Job::read(narrowedFile($joint));
    } catch (JobError $error) {
        expect($error->pointer)->toBe($pointer)->and($error->getMessage())->toContain($words);

        return;
    }
    throw new LogicException('it was taken');
})->with([
    'at flanges' => [['kind' => 'flanges'], '/runs/0/joints/0/stock', 'behind a weld only'],
    'told by its length' => [['at' => ['length' => 900]], '/runs/0/joints/0/at', 'told on a leg'],
    'of what is not round' => [['stock' => 'square'], '/runs/0/joints/0/stock', 'where both are round'],
    'of nothing' => [['stock' => 'none'], '/runs/0/joints/0/stock', 'none'],
]);
