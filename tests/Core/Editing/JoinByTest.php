<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Exchange\MassWriter;
use Bowline\Job;
use Tests\Jobs;

/*
 * Joints of a tube 12 × 1.5 that goes 400 along x and 300 along y: put in, changed to another kind, taken out.
 */

/** @param  list<array<string, mixed>>  $joints */
function joinedRun(array $joints = [], array $end = []): stdClass
{
    $file = Jobs::file([['at' => [400, 0, 0]]], ['at' => [400, 300, 0], ...$end], ['from' => ['at' => [0, 0, 0]]]);
    if ($joints !== []) {
        $file->runs[0]->joints = Jobs::object(['joints' => $joints])->joints;
    }

    return $file;
}

it('changes the kind of a joint, with the gap and the sleeve that are usual for it, and leaves its place', function (
    string $kind,
    array $more,
): void {
    $at = ['leg' => 1, 'from_start' => 120];
    $file = joinedRun([['at' => $at, 'kind' => $kind === 'weld' ? 'union' : 'weld', 'gap' => 7]]);
    $run = Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => $kind]);

    expect(json_decode((string) json_encode($run->joints), true))
        ->toEqual([['at' => $at, 'kind' => $kind, ...$more]]);
    // What came of it is a job.
    $file->runs[0] = $run;
    expect(Job::read($file)->runs['run']->joints)->toHaveCount(1);
})->with([
    'a weld' => ['weld', ['gap' => 2]],
    // Twice as long as the tube is wide, its wall a fifth of that width: 12 + 2 · 2.4.
    'a coupling' => ['coupling', ['gap' => 0, 'sleeve' => ['length' => 24, 'od' => 16.8]]],
    'a union' => ['union', ['gap' => 0, 'sleeve' => ['length' => 24, 'od' => 16.8]]],
]);

it('takes the flange of an end for a joint of flanges', function (): void {
    $flange = ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13];
    $file = joinedRun([['at' => ['length' => 120], 'kind' => 'weld', 'gap' => 2]], ['end' => $flange]);
    $joint = Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => 'flanges'])->joints[0];

    expect([$joint->flange->od, $joint->flange->thickness, $joint->flange->bore])->toEqual([60, 8, 13]);
    // Back to a weld, and nothing of the flange is left.
    $file->runs[0]->joints = [$joint];
    expect(Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => 'weld'])->joints[0])
        ->not->toHaveProperty('flange');
});

it('closes no joint with the blind flange of an end', function (): void {
    $blind = ['type' => 'flange', 'od' => 60, 'thickness' => 8, 'bore' => 13, 'blind' => true];
    $file = joinedRun([['at' => ['length' => 120], 'kind' => 'weld', 'gap' => 2]], ['end' => $blind]);
    $joint = Jobs::edited($file, ['do' => 'join-by', 'joint' => 0, 'kind' => 'flanges'])->joints[0];
    expect($joint->flange)->not->toHaveProperty('blind')
        ->and(Jobs::edited(joinedRun([], ['end' => $blind]), ['do' => 'break-run'])->joints[0]->kind)->toBe('weld');

    // Nor where the file tells no flange: the bore, 12 − 2 · 1.5 wide, goes on through both plates of the joint;
    // that of 8 at the end closes it.
    $file->runs[0]->joints[0] = Jobs::object(['at' => ['length' => 120], 'kind' => 'flanges', 'gap' => 2]);
    $mass = MassWriter::write(Jobs::solve($file), '/runs/0');
    $length = 370 + 270 + 15 * M_PI - 2 - 8;
    expect($mass['contents'])->toEqualWithDelta(M_PI / 4 * 81 * $length, 1e-5);
});

it('is as it was once every joint that was put in is taken out', function (int $seed): void {
    mt_srand($seed);
    $file = joinedRun();
    $before = json_encode($file->runs[0]);
    foreach (range(1, $number = mt_rand(1, 5)) as $_) {
        $file->runs[0] = Jobs::edited($file, ['do' => 'break-run']);
    }
    expect($file->runs[0]->joints)->toHaveCount($number);
    for ($left = $number; $left > 0; $left--) {
        $file->runs[0] = Jobs::edited($file, ['do' => 'take-out-joint', 'joint' => mt_rand(0, $left - 1)]);
    }
    expect(json_encode($file->runs[0]))->toBe($before);
})->with(range(1, 6));

it('refuses a joint that is not there', function (array $edit): void {
    $file = joinedRun([['at' => ['length' => 120], 'kind' => 'weld']]);
    expect(fn () => Jobs::edited($file, [...$edit, 'joint' => 1]))->toThrow(EditError::class, 'no joint 2');
})->with([
    'to change' => [['do' => 'join-by', 'kind' => 'union']],
    'to take out' => [['do' => 'take-out-joint']],
]);

it('moves a joint along the run, and tells it on the leg on which it then is', function (
    float $along,
    array $at,
): void {
    // A bend of R 30 begins at 370 and ends at 370 + 15π.
    $file = joinedRun([['at' => ['leg' => 1, 'from_start' => 120], 'kind' => 'weld']]);
    $joint = Jobs::edited($file, ['do' => 'move-joint', 'joint' => 0, 'along' => $along])->joints[0];
    expect((array) $joint->at)->toEqualWithDelta($at, 1e-9)->and($joint->kind)->toBe('weld');
})->with([
    'along its leg' => [60.0, ['leg' => 1, 'from_start' => 60]],
    // 30 of the second leg are taken by the bend.
    'over the bend' => [370 + 15 * M_PI + 100, ['leg' => 2, 'from_start' => 130]],
    'into the bend, where no leg is' => [380.0, ['length' => 380]],
]);

it('moves no joint that is not there', function (): void {
    Jobs::edited(joinedRun([]), ['do' => 'move-joint', 'joint' => 0, 'along' => 60]);
})->throws(EditError::class, 'There is no joint 1.');
