<?php

declare(strict_types=1);

use Bowline\Bending\CutList;
use Bowline\Bending\CutPart;
use Bowline\Job;
use Bowline\Job\Section;
use Bowline\Job\TeeSize;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Tees;

/*
 * A pipe DN 50 of 1000 along x and a branch DN 25 of 300 up at 400, by a bought tee. ASME B16.9: 64 to the end of its
 * run, 51 to that of its outlet; each weld has a root gap of 2.
 */

/** @param  array<string, mixed>  $branch  over the branch; $main over the pipe */
function atTee(array $branch = [], array $main = [], float $along = 400, array $pipe = [60.3, 2.9]): stdClass
{
    $file = Tees::file([[
        'from' => ['on' => ['run' => 'main', 'length' => $along, 'kind' => 'tee'], 'axis' => [0, 0, 1]],
        'to' => ['at' => [$along, 0, 300]], ...$branch,
    ]], ['to' => ['at' => [1000, 0, 0]], ...$main], $pipe, [33.7, 2.6]);
    unset($file->bodies);

    return $file;
}

/** The same with a second branch, downwards by a tee at 500. */
function besideTee(float $along, string $kind = 'tee'): stdClass
{
    $file = atTee([], [], $along);
    $file->runs[1]->from->on->kind = $kind;
    $file->runs[] = Jobs::object([
        ...(array) $file->runs[1], 'id' => 'b2', 'name' => 'Drain',
        'from' => ['on' => ['run' => 'main', 'length' => 500, 'kind' => 'tee'], 'axis' => [0, 0, -1]],
        'to' => ['at' => [500, 0, -300]],
    ]);

    return $file;
}

function laidRun(stdClass $file, string $run): LaidRun
{
    $core = Job::read($file);

    return $core->runs[$run]->route->lay($core->runs[$run]);
}

/** @return list<array{string, string, float|null}> */
function teeCuts(?CutList $list): array
{
    return array_map(static fn (CutPart $part): array => [
        $part->kind, $part->words, $part->length === null ? null : round($part->length, 6),
    ], $list->parts ?? []);
}

it('is cut on both sides of the tee, and the branch from its outlet', function (): void {
    expect(teeCuts(CutList::of(laidRun(atTee(), 'main'))))->toBe([
        ['pipe', 'pipe', 400 - 64 - 2.0], ['tee', 'reducing tee DN 50 × 25', null],
        ['pipe', 'pipe', 1000 - 400 - 64 - 2.0],
    ])
        ->and(teeCuts(CutList::of(laidRun(atTee(), 'b1'))))->toBe([['pipe', 'tube', 300 - 51 - 2.0]])
        ->and((new Solver(Job::read(atTee())))->run(Job::read(atTee())->runs['main'])->bendTable->cutLength)
        ->toEqualWithDelta(334 + 534, 1e-9);
});

it('stands among elbows and joints in the order along the run', function (): void {
    // 90° at 600 by an elbow of 76 radius; a weld with a gap of 2 at 200.
    $file = atTee([], [
        'to' => ['at' => [600, 500, 0]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [600, 0, 0]]], 'corner' => ['elbow' => 'long']],
        'joints' => [['at' => ['length' => 200], 'kind' => 'weld']],
    ]);
    $laid = laidRun($file, 'main');
    expect(teeCuts(CutList::of($laid)))->toBe([
        ['pipe', 'pipe', 199.0], ['pipe', 'pipe', 400 - 64 - 201 - 2.0], ['tee', 'reducing tee DN 50 × 25', null],
        ['pipe', 'pipe', 600 - 76 - 464 - 4.0], ['elbow', 'elbow 90°, long radius', null],
        ['pipe', 'pipe', 500 - 76 - 2.0],
    ]);
    [$first, $second] = Spool::all($laid);
    expect(teeCuts(CutList::of($first->laid)))->toBe([])
        ->and(array_column(teeCuts(CutList::of($second->laid)), 0))->toBe(['pipe', 'tee', 'pipe', 'elbow', 'pipe']);
});

it('takes both tees of a run, and none where it is set on', function (): void {
    $file = atTee();
    $file->runs[] = Jobs::object([
        ...(array) $file->runs[1], 'id' => 'b2',
        'from' => ['on' => ['run' => 'main', 'length' => 800, 'kind' => 'tee'], 'axis' => [0, 0, -1]],
        'to' => ['at' => [800, 0, -300]],
    ]);
    expect(array_column(teeCuts(CutList::of(laidRun($file, 'main'))), 2))
        ->toBe([334.0, null, 800 - 464 - 64 - 4.0, null, 1000 - 864 - 2.0]);
    foreach (['set-on', 'set-in'] as $kind) {
        $file = atTee();
        $file->runs[1]->from->on->kind = $kind;
        expect(CutList::of(laidRun($file, 'main')))->toBeNull()->and(CutList::of(laidRun($file, 'b1')))->toBeNull();
    }
});

it('has the size of the standard', function (float $run, float $branch, ?array $size): void {
    $tee = TeeSize::of(Section::tube($run, 2), Section::tube($branch, 2));
    expect($tee === null ? null : [$tee->name, $tee->run, $tee->outlet])->toBe($size);
})->with([
    [21.3, 21.3, ['tee DN 15', 25.0, 25.0]], [60.3, 60.3, ['tee DN 50', 64.0, 64.0]],
    [60.3, 48.3, ['reducing tee DN 50 × 40', 64.0, 60.0]], [88.9, 60.3, ['reducing tee DN 80 × 50', 86.0, 76.0]],
    [168.3, 114.3, ['reducing tee DN 150 × 100', 143.0, 130.0]], [323.9, 323.8, ['tee DN 300', 254.0, 254.0]],
    // Of inch pipe of another diameter; not made so far apart, or larger than the run; of no such pipe.
    [26.7, 21.3, ['reducing tee DN 20 × 15', 29.0, 29.0]], [219.1, 60.3, null], [48.3, 60.3, null], [50, 21.3, null],
]);

it('is found where it cannot be', function (stdClass $file, ?string $title, ?float $required): void {
    $core = Job::read($file);
    $found = array_values(array_filter(
        (new Solver($core))->run($core->runs['b1'])->findings,
        static fn ($finding): bool => $finding->rule === 'branch-place',
    ));
    $told = $found[0]->required ?? null;
    expect($found[0]->title ?? null)->toBe($title)
        ->and($told === null ? null : round($told, 9))->toBe($required);
})->with([
    'in place' => fn () => [atTee(), null, null],
    'as near to the start as it goes' => fn () => [atTee([], [], 64), null, null],
    // A tee needs 64 on either side; 64 is the nearest place.
    'too near to the start' => fn () => [atTee([], [], 60), 'The branch on Main has no room', 64.0],
    'too near to the end' => fn () => [atTee([], [], 950), 'The branch on Main has no room', 936.0],
    'aslant' => fn () => [
        atTee(['from' => ['on' => ['run' => 'main', 'length' => 400, 'kind' => 'tee'], 'axis' => [1, 0, 1]],
            'to' => ['at' => [700, 0, 300]]]), 'The branch on Main is not square', 90.0,
    ],
    'of no size' => fn () => [atTee(pipe: [50, 2]), 'The branch on Main has no tee', null],
    // Another tee at 500 takes 436 to 564: from 372 on there is no room for 64.
    'as near to another as it goes' => fn () => [besideTee(372), null, null],
    'over another' => fn () => [besideTee(380), 'The branch on Main has no room', 372.0],
    // Set on, 17 of foot and a weld of 2.6.
    'set on over the tee of another' => fn () => [
        besideTee(430, 'set-on'), 'The branch on Main has no room', round(436 - 33.7 / 2 - 2.6, 9),
    ],
    // Its outlet ends at 51; the bend of R 100 begins at 40.
    'bent too early' => fn () => [atTee([
        'to' => ['at' => [400, 300, 140]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 140]]]],
    ]), 'The branch on Main bends too early', 51.0],
]);

it('grows with the pipe, and is no longer at its outlet than a straight one', function (): void {
    $sizes = [21.3, 26.9, 33.7, 42.4, 48.3, 60.3, 76.1, 88.9, 101.6, 114.3, 139.7, 168.3, 219.1, 273.0, 323.9];
    $before = 0.0;
    foreach ($sizes as $run) {
        $straight = TeeSize::of(Section::tube($run, 2), Section::tube($run, 2)) ?? throw new LogicException;
        // The outlet of a straight tee is as long as its run; its centre is clear of its own pipe.
        expect($straight->outlet)->toBe($straight->run)
            ->and($straight->run)->toBeGreaterThan($before)->toBeGreaterThan($run / 2 + 10);
        $outlet = 0.0;
        foreach ($sizes as $branch) {
            $tee = TeeSize::of(Section::tube($run, 2), Section::tube($branch, 2));
            if ($branch > $run || $tee === null) {
                expect($tee)->toBeNull();

                continue;
            }
            expect($tee->run)->toBe($straight->run)
                ->and($tee->outlet)->toBeGreaterThanOrEqual($outlet)->toBeLessThanOrEqual($straight->outlet)
                ->toBeGreaterThan($run / 2 + 5);
            $outlet = $tee->outlet;
        }
        $before = $straight->run;
    }
});

it('is found where the branch leaves off its way out, however it is let in', function (string $kind): void {
    // From 622 to the end at 400, 300 above: off upright by the arc tangent of 222/300.
    $file = atTee();
    $file->runs[1]->from->on = (object) ['run' => 'main', 'length' => 622, 'kind' => $kind];
    $core = Job::read($file);
    $found = array_values(array_filter(
        (new Solver($core))->run($core->runs['b1'])->findings,
        static fn ($finding): bool => $finding->rule === 'off-axis',
    ));
    expect($found)->toHaveCount(1)
        ->and($found[0]->title)->toBe('The run leaves Main off its way out')
        ->and($found[0]->measured)->toEqualWithDelta(rad2deg(atan(222 / 300)), 1e-9);
    // A lead takes it straight out; it bends behind that.
    $file->runs[1]->from->lead = 120;
    $core = Job::read($file);
    expect(array_column((new Solver($core))->run($core->runs['b1'])->findings, 'rule'))->not->toContain('off-axis');
})->with(['set-on', 'set-in', 'tee']);
