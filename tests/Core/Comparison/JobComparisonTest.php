<?php

declare(strict_types=1);

use Bowline\Comparison\BendChange;
use Bowline\Comparison\Change;
use Bowline\Comparison\JobComparison;
use Bowline\Comparison\RunComparison;
use Bowline\Comparison\SpoolChange;
use Bowline\Comparison\SpoolWork;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Solving\Solver;
use Tests\Cases;
use Tests\Jobs;

/** Corners of the run that is compared: up 200, along x 300, along y 250; R 30, so two bends of 90°. */
const CORNERS = [[0, 0, 50], [0, 0, 250], [300, 0, 250], [300, 250, 250]];

/** Of a 90° bend of R 1: both tangents less the arc. */
const SAVED = 2 - M_PI / 2;

/**
 * A run through given corners.
 *
 * @param  list<array<float>>  $corners
 * @param  array<string, mixed>  $more
 */
function through(array $corners, array $more = []): stdClass
{
    $last = array_pop($corners);
    $from = ['at' => array_shift($corners), ...($more['start'] ?? [])];

    return Jobs::file(
        array_map(static fn (array $at): array => ['at' => $at], $corners), ['at' => $last, ...($more['end'] ?? [])],
        ['from' => $from, ...array_diff_key($more, ['start' => 0, 'end' => 0])],
    );
}

function compared(stdClass $before, stdClass $after): JobComparison
{
    [$one, $two] = [Job::read($before), Job::read($after)];

    return JobComparison::of($one, (new Solver($one))->all(), $two, (new Solver($two))->all());
}

function runCompared(stdClass $before, stdClass $after): RunComparison
{
    return compared($before, $after)->runs[0];
}

/** @return list<array{string, int|null, int|null}> what has become of which bend, numbers from 1 */
function bendsOf(RunComparison $run): array
{
    return array_map(static fn (BendChange $bend): array => [
        $bend->word(), $bend->was === null ? null : $bend->was + 1, $bend->is === null ? null : $bend->is + 1,
    ], $run->bends);
}

/** @return list<list<float>> the corners after a turn about an axis and a shift */
function turned(Vector $about, float $degrees, Vector $by): array
{
    $pose = Pose::turned($by, $about, deg2rad($degrees));

    return array_map(static fn (array $at): array => $pose->point(new Vector(...$at))->toArray(), CORNERS);
}

it('tells what has become of a run', function (
    array $after,
    Change $change,
    float $moved,
    array $bends,
    array $lengths,
    bool $isRemade,
): void {
    $run = runCompared(through(CORNERS), through(...$after));

    expect($run->change)->toBe($change)->and($run->moved)->toEqualWithDelta($moved, 1e-3)
        ->and(bendsOf($run))->toBe($bends)
        ->and([$run->before?->bendTable->length, $run->after?->bendTable->length])
        ->toEqualWithDelta($lengths, 1e-6)
        ->and($run->isRemade())->toBe($isRemade);
})->with(static function (): array {
    $length = 750 - 60 * SAVED;

    return [
        'nothing' => [[CORNERS], Change::Same, 0.0, [], [$length, $length], false],
        'told otherwise: a point in the middle of a leg' => [
            [[[0, 0, 50], [0, 0, 150], [0, 0, 250], [300, 0, 250], [300, 250, 250]]],
            Change::Same, 0.0, [], [$length, $length], false,
        ],
        'shifted' => [
            [turned(new Vector(0, 0, 1), 0.0, new Vector(3, 4, 12))], Change::Moved, 13.0, [], [$length, $length],
            false,
        ],
        // About z its first leg stays. The end goes to (−250, 300, 250); nearest to it is a place on the first bend,
        // whose circle lies about (30, 0, 220) in the plane of x and z: in that plane it is √(280² + 30²) − 30 off.
        'turned about its first leg' => [
            [turned(new Vector(0, 0, 1), 90.0, Vector::zero())], Change::Moved, hypot(hypot(280, 30) - 30, 300), [],
            [$length, $length], false,
        ],
        'a leg longer' => [
            [[[0, 0, 50], [0, 0, 250], [325, 0, 250], [325, 250, 250]]], Change::Changed, 25.0,
            [['changed', 2, 2]], [$length, $length + 25], true,
        ],
        // An arc of R 36 lies (36 − 30)(√2 − 1) inside that of R 30.
        'a larger radius' => [
            [CORNERS, ['route' => ['kind' => 'corners', 'stops' => [
                ['at' => CORNERS[1], 'corner' => ['radius' => 36]], ['at' => CORNERS[2]],
            ]]]],
            Change::Changed, 6 * (M_SQRT2 - 1), [['changed', 1, 1], ['changed', 2, 2]],
            [$length, $length - 6 * SAVED], true,
        ],
        'a corner more at the end' => [
            [[...CORNERS, [300, 250, 450]]], Change::Changed, 200.0, [['added', null, 3]],
            [$length, $length + 200 - 30 * SAVED], true,
        ],
        'the last corner taken out' => [
            [array_slice(CORNERS, 0, 3)], Change::Changed, 250.0, [['removed', 2, null]],
            [$length, 500 - 30 * SAVED], true,
        ],
        'a thicker wall' => [
            [CORNERS, ['section' => ['shape' => 'round', 'od' => 12, 'wall' => 2]]], Change::Changed, 0.0, [],
            [$length, $length], true,
        ],
        'trimmed at its end' => [
            [CORNERS, ['end' => ['trim' => 5]]], Change::Changed, 0.0, [], [$length, $length], true,
        ],
    ];
});

it('matches the bends of a run that has got two in its middle', function (): void {
    // A jog of 80 between the second and the third bend: the bends behind it are those that were behind it before.
    $before = [[0, 0, 50], [0, 0, 250], [300, 0, 250], [300, 500, 250], [600, 500, 250]];
    $after = [
        [0, 0, 50], [0, 0, 250], [300, 0, 250], [300, 250, 250], [300, 250, 330], [300, 500, 330], [600, 500, 330],
    ];
    $run = runCompared(through($before), through($after, ['stock.min_straight' => 0]));

    expect(bendsOf($run))->toBe([['added', null, 3], ['added', null, 4], ['changed', 3, 5]])
        ->and($run->bends[2]->before?->straight)->toEqualWithDelta(440.0, 1e-9)
        ->and($run->bends[2]->after?->straight)->toEqualWithDelta(190.0, 1e-9);
});

it('tells new runs and those that are gone', function (): void {
    $before = through(CORNERS);
    $after = through(CORNERS);
    $after->runs[0]->id = 'other';
    $runs = compared($before, $after)->runs;

    expect(array_map(static fn (RunComparison $run): array => [
        $run->id, $run->change, $run->moved, $run->isRemade(), $run->before === null, $run->after === null,
    ], $runs))->toBe([
        ['other', Change::New, null, true, true, false], ['run', Change::Gone, null, false, false, true],
    ]);
});

it('compares a run that goes nowhere yet, or no more', function (
    array $before, array $after, Change $change, float $moved,
): void {
    $run = runCompared(through($before), through($after));
    expect($run->change)->toBe($change)->and($run->moved)->toEqualWithDelta($moved, 1e-9);
})->with([
    'neither goes anywhere' => [[[0, 0, 50], [0, 0, 50]], [[0, 0, 50], [0, 0, 50]], Change::Same, 0.0],
    'elsewhere' => [[[0, 0, 50], [0, 0, 50]], [[40, 30, 50], [40, 30, 50]], Change::Moved, 50.0],
    'goes on from there' => [[[0, 0, 50], [0, 0, 50]], [[0, 0, 50], [0, 0, 350]], Change::Changed, 300.0],
    'goes nowhere any more' => [[[0, 0, 50], [0, 0, 350]], [[0, 0, 50], [0, 0, 50]], Change::Changed, 300.0],
]);

it('knows whether bolt holes still stand to the bends as they did', function (float $degrees, Change $change): void {
    // Four holes, half a step off the upright. The first leg lies along x, about which the whole of it is turned.
    $flange = ['end' => ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 12.4, 'holes' => [
        'count' => 4, 'circle' => 44, 'diameter' => 7,
    ]]];
    $corners = [[0, 0, 0], [200, 0, 0], [200, 300, 0]];
    $pose = Pose::turned(Vector::zero(), new Vector(1, 0, 0), deg2rad($degrees));
    $after = array_map(static fn (array $at): array => $pose->point(new Vector(...$at))->toArray(), $corners);
    $run = runCompared(through($corners, ['start' => $flange]), through($after, ['start' => $flange]));

    expect($run->change)->toBe($change)->and($run->isRemade())->toBe($change === Change::Changed);
})->with([
    'not turned' => [0.0, Change::Same], 'by a step of the holes' => [90.0, Change::Moved],
    'by half a step' => [45.0, Change::Changed],
]);

it('keeps the spools that are made as before, and tells which are only bent again', function (): void {
    $corners = [[0, 0, 0], [0, 0, 400], [400, 0, 400], [400, 400, 400]];
    $longer = [[0, 0, 0], [0, 0, 400], [400, 0, 400], [400, 460, 400]];
    $joints = [['at' => ['length' => 600], 'kind' => 'weld', 'gap' => 0]];
    $run = runCompared(through($corners, ['joints' => $joints]), through($longer, ['joints' => $joints]));

    expect(array_map(
        static fn (SpoolChange $one): array => [$one->mark, $one->work, $one->was], $run->spools,
    ))->toBe([['run-1', SpoolWork::Keep, 'run-1'], ['run-2', SpoolWork::Bend, 'run-2']]);
});

it('finds a spool again under another number', function (): void {
    // A weld put into the first leg divides the first spool; the last is what it was.
    $corners = [[0, 0, 0], [0, 0, 400], [400, 0, 400], [400, 400, 400]];
    $late = ['at' => ['length' => 600], 'kind' => 'weld', 'gap' => 0];
    $early = ['at' => ['length' => 150], 'kind' => 'weld', 'gap' => 0];
    $run = runCompared(through($corners, ['joints' => [$late]]), through($corners, ['joints' => [$early, $late]]));

    expect($run->change)->toBe(Change::Changed)
        ->and(array_map(static fn (SpoolChange $one): array => [$one->mark, $one->work, $one->was], $run->spools))
        ->toBe([
            ['run-1', SpoolWork::Bend, 'run-1'], ['run-2', SpoolWork::Make, null],
            ['run-3', SpoolWork::Keep, 'run-2'],
        ]);
});

it('makes a host anew whose branch stands elsewhere', function (float $along, Change $change): void {
    $job = static function (float $along): stdClass {
        $file = through([[0, 0, 0], [800, 0, 0]], ['section' => ['shape' => 'round', 'od' => 60, 'wall' => 3]]);
        $file->runs[] = Jobs::object([
            'id' => 'branch', 'stock' => 't12', 'from' => ['on' => ['run' => 'run', 'length' => $along]],
            'to' => ['at' => [$along, 0, 300]], 'route' => ['kind' => 'corners', 'stops' => []],
        ]);

        return $file;
    };

    expect(runCompared($job(300), $job($along))->change)->toBe($change);
})->with(['where it stood' => [300.0, Change::Same], '10 further' => [310.0, Change::Changed]]);

it('holds of random runs: moved as a whole they are the same part, and with a figure changed they are not', function (
    int $seed,
): void {
    $before = Jobs::wandering($seed, 5);
    mt_srand($seed + 1000);
    $axis = (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();
    $pose = Pose::turned(new Vector(40, -30, 20), $axis, 2 * Jobs::random());
    /** @var list<array<float>> $points */
    $points = [[0.0, 0.0, 50.0], ...array_map(
        static fn (stdClass $stop): array => $stop->at, [...$before->runs[0]->route->stops, $before->runs[0]->to],
    )];
    $all = ['stock.min_straight' => 0];
    $moved = array_map(static fn (array $at): array => $pose->point(new Vector(...$at))->toArray(), $points);
    $changed = $points;
    $changed[3][1] += 0.5;

    $there = runCompared(through($points, $all), through($moved, $all));
    $other = runCompared(through($points, $all), through($changed, $all));
    $most = max(array_map(
        static fn (array $one, array $two): float => (new Vector(...$one))->distanceTo(new Vector(...$two)),
        $points, $moved,
    ));
    expect($there->change)->toBe(Change::Moved)->and($there->isRemade())->toBeFalse()
        ->and($there->moved)->toBeGreaterThan(0.0)->toBeLessThanOrEqual($most + 1e-6)
        ->and($other->change)->toBe(Change::Changed)->and($other->isRemade())->toBeTrue()
        ->and($other->moved)->toBeLessThanOrEqual(0.5 + 1e-6);
})->with(range(1, 12));

it('compares hoses by their shape, and makes only those anew that are cut to another length', function (): void {
    $file = Cases::json('hang-length');
    $longer = json_decode($file, false, 512, JSON_THROW_ON_ERROR);
    $longer->runs[0]->route->length += 20;
    expect(compared(JobFile::decode($file), JobFile::decode($file))->differs())->toBeFalse();
    $found = compared(JobFile::decode($file), JobFile::decode(json_encode($longer, JSON_THROW_ON_ERROR)))->runs[0];
    expect($found->change)->toBe(Change::Changed)->and($found->isRemade())->toBeTrue();
});

it('prints it as JSON and says by the exit code whether anything differs', function (): void {
    $before = Cases::written(json_encode(through(CORNERS), JSON_THROW_ON_ERROR));
    $moved = through(turned(new Vector(0, 0, 1), 0.0, new Vector(0, 0, 9)));
    $after = Cases::written(json_encode($moved, JSON_THROW_ON_ERROR));
    [$same] = Cases::bowline('compare', $before, $before);
    [$code, $out] = Cases::bowline('compare', $before, $after);
    $run = json_decode($out, true, 64, JSON_THROW_ON_ERROR)['runs'][0];

    expect($same)->toBe(0)->and($code)->toBe(1)
        ->and([$run['id'], $run['change'], $run['bends'], $run['remake']])->toBe(['run', 'moved', [], false])
        ->and($run['moved'])->toEqualWithDelta(9.0, 1e-6)
        ->and($run['length'])->toEqualWithDelta([750 - 60 * SAVED, 750 - 60 * SAVED], 1e-6)
        ->and($run['cut_length'])->toEqualWithDelta([750 - 60 * SAVED, 750 - 60 * SAVED], 1e-6);
    expect(Cases::bowline('compare', $before)[0])->toBe(2)
        ->and(Cases::bowline('compare', $before)[2])->toContain('takes two job files, and one is named');
});
