<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\PartTolerances;
use Bowline\Job\Units;
use Bowline\Shop\BendFilm;
use Bowline\Shop\BendProgram;
use Bowline\Shop\BendStep;
use Bowline\Shop\FilmFrame;
use Bowline\Shop\MachineSpace;
use Bowline\Shop\MadeTube;
use Bowline\Shop\MeasuredTube;
use Bowline\Shop\PartReport;
use Tests\Jobs;

/** Legs of 200 up, 300 along x and 250 along y, with two bends of 90° and R 30. */
function twoBends(): BendProgram
{
    return BendProgram::of(Jobs::laid(Jobs::file(
        [['at' => [0, 0, 250]], ['at' => [300, 0, 250]]], ['at' => [300, 250, 250]],
    )));
}

/** Measures a tube without noise. */
function measuredAs(MadeTube $tube): MeasuredTube
{
    /** @var non-empty-list<non-empty-list<Vector>> $points */
    $points = array_map(static fn (array $straight): array => $straight, $tube->straights());

    return MeasuredTube::of($points);
}

/** @param  array<int, float>  $angles  degrees more, by bend; $straights likewise mm */
function partOff(array $angles = [], array $straights = [], ?Units $units = null): PartReport
{
    $wanted = twoBends()->wanted();
    $bends = [];
    foreach ($wanted->bends as $i => [$straight, $turn, $angle, $radius]) {
        $bends[] = [$straight + ($straights[$i] ?? 0.0), $turn, $angle + deg2rad($angles[$i] ?? 0.0), $radius];
    }

    return PartReport::of(
        twoBends(), measuredAs(new MadeTube($bends, $wanted->tail + ($straights[2] ?? 0.0), 12.0)),
        new PartTolerances(1.0), $units ?? Units::millimetres(),
    );
}

it('says of a part whether it is good, can be saved, or is scrap', function (
    array $angles,
    array $straights,
    string $advice,
    ?string $reason,
): void {
    $report = partOff($angles, $straights);
    expect($report->advice())->toMatch("/^$advice/")->and($report->isGood())->toBe($reason === null)
        ->and(str_starts_with($report->reasons[0] ?? '', $reason ?? ''))->toBeTrue($report->reasons[0] ?? '');
})->with([
    'as it should be' => [[], [], 'Good', null],
    'within half a degree and a millimetre' => [[0 => 0.1, 1 => -0.1], [1 => 0.4], 'Good', null],
    'a bend that is short can be bent on' => [
        [1 => -0.8], [], 'It can be saved: bend on bend 2 by 0.80°', 'Bend 2 is 0.80° short: it can be bent on.',
    ],
    // Of 4° that are short, 4°·30 = 2.09 mm of tube are straight behind the bend: bent on, they are round the die.
    'what sprang back is drawn again' => [[0 => -4.0], [1 => 2.09], 'It can be saved: bend on bend 1 by 4.00°',
        'Bend 1 is 4.00° short: it can be bent on.'],
    'a straight that is short for that' => [[0 => -4.0], [1 => 0.5], 'Scrap', 'Bend 1 is 4.00° short'],
    'two of them' => [[0 => -0.6, 1 => -0.7], [], 'It can be saved: bend on bend 1 by 0.60°, bend 2 by 0.70°',
        'Bend 1 is 0.60° short: it can be bent on.'],
    'one that is too far cannot be bent back' => [
        [0 => 0.9], [], 'Scrap', 'Bend 1 is 0.90° too far: it cannot be bent back.',
    ],
    'one short and one too far' => [[0 => -0.9, 1 => 0.9], [], 'Scrap', 'Bend 1 is 0.90° short: it can be bent on.'],
    'a straight that is too short stays so' => [[], [1 => -1.5], 'Scrap', 'Straight 2 is 1.50 mm too short.'],
    'a tail that is too long' => [
        [], [2 => 2.5], 'It can be saved: cut 2.50 mm off straight 3',
        'Straight 3 is 2.50 mm too long: it can be cut off.',
    ],
    'a tail that is too short' => [[], [2 => -2.5], 'Scrap', 'Straight 3 is 2.50 mm too short.'],
    'both ends too long' => [[], [0 => 3.0, 2 => 1.5],
        'It can be saved: cut 3.00 mm off straight 1, cut 1.50 mm off straight 3', 'Straight 1 is 3.00 mm too long'],
    'one between bends that is too long' => [[], [1 => 1.5], 'Scrap', 'Straight 2 is 1.50 mm too long.'],
    // Bent on by 4°, 2.09 mm of the tail are drawn round the die: 5 mm more than that are too many.
    'a bend that is short and a tail that is long' => [[1 => -4.0], [2 => 7.09],
        'It can be saved: bend on bend 2 by 4.00°, cut 5.00 mm off straight 3', 'Bend 2 is 4.00° short'],
    // 0.49° over a leg of 300 is 2.6 mm, of which laying it onto the design leaves more than one.
    'all within their limits, but not together' => [
        [0 => 0.49, 1 => 0.49], [0 => 0.9, 1 => 0.9], 'Scrap',
        'Each bend and straight is within its limit, but together',
    ],
]);

it('lays the part onto its design: what is off by a bend is shared by both sides of it', function (): void {
    $report = partOff([0 => 2.0]);
    // Start, corners, end of the design are 200, 300 and 250 apart.
    $legs = array_map(
        static fn (Vector $to, Vector $from): float => $to->distanceTo($from), array_slice($report->design, 1),
        array_slice($report->design, 0, -1),
    );
    expect($legs)->toEqualWithDelta([200.0, 300.0, 250.0], 1e-9)->and($report->off)->toHaveCount(4)
        // Held at its start, the second corner would be 300·2° = 10.5 off; laid on as well as can be, less than that.
        ->and(max(array_column($report->off, 'by')))->toBeGreaterThan(1.0)->toBeLessThan(deg2rad(2.0) * 300);
});

it('bends the same tube from its other end', function (int $seed): void {
    $program = BendProgram::of(Jobs::laid(Jobs::wandering($seed, 5)));
    $forth = $program->wanted()->corners();
    $back = array_reverse($program->reversed()->wanted()->corners());
    foreach ($forth as $i => $one) {
        foreach ($forth as $j => $other) {
            expect($back[$i]->distanceTo($back[$j]))->toEqualWithDelta($one->distanceTo($other), 1e-6);
        }
    }
    // No mirror image of it: three legs have the same triple product.
    $triple = static fn (array $at): float => $at[1]->minus($at[0])->cross($at[2]->minus($at[1]))
        ->dot($at[3]->minus($at[2]));
    expect($triple($back))->toEqualWithDelta($triple($forth), abs($triple($forth)) * 1e-6)
        ->and($program->reversed()->reversed())->toEqual($program);
})->with([1, 2, 3, 4, 5]);

it('finds that a tube hits what of it is still behind the die', function (
    float $degrees,
    float $behind,
    ?string $hit,
): void {
    // Bent right back round R 30, 100 of it lie 60 beside the straight, ending at (−70, 60) when 30 more are fed. Bent
    // on by φ the same way, that end is at y = 30 − 70·sin φ + 30·cos φ: 34 at 20°, within two radii of 6 from 39° on.
    $space = new MachineSpace(0.0, -1e6, -1e6, -1e6);
    $front = $space->after([], 100.0, 0.0, M_PI, 30.0);
    $angle = deg2rad($degrees);
    $step = new BendStep(30.0, 30.0, 0.0, $angle, $angle, 30.0);
    expect($space->hit($front, $step, 6.0, $behind))->toBe($hit);
})->with([
    'not as far as that' => [20.0, 2000.0, null], 'across the straight' => [60.0, 2000.0, 'tube'],
    'nothing is behind' => [60.0, 0.0, null],
]);

it('shows the bending from the raw tube to the finished one', function (int $seed): void {
    $program = BendProgram::of(Jobs::laid(Jobs::wandering($seed, 4)));
    $frames = BendFilm::of($program);
    $length = static fn (FilmFrame $frame): float => array_sum(array_map(
        static fn (Vector $to, Vector $from): float => $to->distanceTo($from), array_slice($frame->points, 1),
        array_slice($frame->points, 0, -1),
    ));
    foreach ($frames as $frame) {
        // Chords of 10° are shorter than their arcs by (10°)²/24: 0.13 %.
        expect($length($frame))->toBeLessThan($program->cut + 1e-6)->toBeGreaterThan($program->cut * 0.997);
    }
    // At the end it has been bent as far as it is set, which is what springs back to be wanted; here nothing does.
    $last = $frames[count($frames) - 1];
    $wanted = $program->wanted()->corners();
    $ends = [$last->points[0], $last->points[count($last->points) - 1]];
    expect($ends[0]->distanceTo($ends[1]))
        ->toEqualWithDelta($wanted[0]->distanceTo($wanted[count($wanted) - 1]), 1e-3)
        ->and(array_unique(array_map(static fn (FilmFrame $one): int => $one->step, $frames)))
        ->toHaveCount(count($program->steps));
})->with([2, 5, 9]);

it('tells a part in the units of its job', function (): void {
    // 2.54 mm are a tenth of an inch.
    $report = partOff([], [2 => 2.54], Units::inches());
    expect($report->reasons)->toBe(['Straight 3 is 0.1000 in too long: it can be cut off.'])
        ->and($report->advice())->toContain('cut 0.1000 in off straight 3');
});

it('is scrap where it is off at its end even when that is cut off', function (): void {
    // Each bend 0.49° too far, which is within its limit, turns the last leg by about 1° over 250: by more than 4 mm.
    $report = partOff([0 => 0.49, 1 => 0.49], [2 => 5.0]);
    expect($report->cuts)->toBe([])->and($report->advice())->toStartWith('Scrap')
        ->and($report->reasons[0])->toStartWith('Straight 3 is 5.00 mm too long')
        ->and($report->reasons[1])->toStartWith('Each bend and straight is within its limit');
});

it('lays a part whose end is cut off onto its design by all but that', function (): void {
    // As long as designed but for 8 mm at its end: only that end is off.
    $off = array_column(partOff([], [2 => 8.0])->off, 'by');
    expect(max(array_slice($off, 0, 3)))->toBeLessThan(1e-6)->and($off[3])->toEqualWithDelta(8.0, 1e-6);
});
