<?php

declare(strict_types=1);

use Bowline\Editing\Loosening;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\References;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\Tees;

/*
 * A run that begins or ends on another. The pipe goes 400 along x, 60 × 3; the branch is a tube 40 × 2 that goes up
 * from its middle.
 */

it('begins on the centreline of its host and follows it', function (): void {
    $file = Tees::file([['from' => ['on' => ['run' => 'main', 'length' => 200], 'lead' => 80]]]);
    $branch = static fn (): array => Job::read($file)->runs['b1']->route->lay(Job::read($file)->runs['b1'])->vertices;
    expect($branch()[0]->at->toArray())->toEqualWithDelta([200, 0, 0], 1e-9)
        // Upwards when no axis is told.
        ->and($branch()[1]->at->toArray())->toEqualWithDelta([200, 0, 80], 1e-9);
    $file->runs[0]->from->at = [0, 50, 20];
    $file->runs[0]->to->at = [400, 50, 20];
    expect($branch()[0]->at->toArray())->toEqualWithDelta([200, 50, 20], 1e-9)
        ->and($branch()[1]->at->toArray())->toEqualWithDelta([200, 50, 100], 1e-9);
});

it('is cut to where its tube begins', function (string $kind, array $axis, float $begins): void {
    $branch = Tees::branch(200, $axis);
    $branch['from']['on']['kind'] = $kind;
    $solved = Jobs::solve(Tees::file([$branch]), 1);

    expect($solved->bendTable->length)->toEqualWithDelta(150, 1e-9)
        ->and($solved->bendTable->cutLength)->toEqualWithDelta(150 - $begins, 1e-9);
})->with([
    // The lowest point of the saddle: √(30² − 20²), and √(27² − 20²) at the bore.
    ['set-on', [0, 0, 1], sqrt(500)],
    ['set-in', [0, 0, 1], sqrt(27 ** 2 - 20 ** 2)],
    ['set-on', [0, 1, 0], sqrt(500)],
    // A plane square to the branch still touches the saddle there: √500 · cos 45° < 20 · sin 45° is false, so its end.
    ['set-on', [1, 0, 1], (30 - 20 * M_SQRT1_2) / M_SQRT1_2],
]);

it('may end on another run too', function (): void {
    $file = Tees::file([[
        'from' => ['at' => [200, 0, 150]], 'to' => ['on' => ['run' => 'main', 'length' => 120], 'axis' => [0, 0, 1]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [120, 0, 150]]], 'corner' => ['radius' => 40]],
    ]]);
    $solved = Jobs::solve($file, 1);
    expect($solved->laid->path->pointAt(1e9)->toArray())->toEqualWithDelta([120, 0, 0], 1e-9)
        ->and($solved->findings)->toBe([]);
});

it('is refused with the place of what is wrong', function (array $on, string $pointer, string $words): void {
    try {
        Job::read(Tees::file([['from' => ['on' => $on]]]));
        $said = ['', ''];
    } catch (JobError $error) {
        $said = [$error->pointer, $error->getMessage()];
    }
    expect($said[0])->toBe('/runs/1/from/on'.$pointer)->and($said[1])->toContain($words);
})->with([
    'no such run' => [['run' => 'none', 'length' => 9], '/run', 'there is no run “none”'],
    'before its start' => [['run' => 'main', 'length' => -1], '/length', 'the length to the branch'],
    'itself' => [['run' => 'b1', 'length' => 9], '/run', 'comes back to itself'],
]);

it('stands on no run that hangs on itself', function (): void {
    $file = Tees::file([[]], ['from' => ['like' => ['run' => 'b1', 'end' => 'from', 'offset' => [-200, 0, 0]]]]);
    expect(fn () => Job::read($file))->toThrow(JobError::class, 'comes back to itself');
});

it('is known as depending on its host', function (): void {
    $file = Tees::file();
    expect(References::runsOn($file->runs, [], ItemRef::run('main')))->toBe(['main', 'b1']);
});

it('stays where it is when its host is taken away', function (): void {
    $before = Tees::file([['from' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1], 'lead' => 60]]]);
    $after = clone $before;
    $after->runs = [$before->runs[1]];
    $fitted = Loosening::of($before)->fit($after);

    expect($fitted->runs[0]->from)->toEqual((object) ['at' => [200, 0, 0], 'axis' => [0, 0, 1], 'lead' => 60])
        // A body of one run is none.
        ->and($fitted->bodies ?? [])->toBe([]);
});

it('is put on a run by an edit, square to it, and moved along it', function (): void {
    $file = Tees::file([['from' => ['at' => [100, 0, 0], 'axis' => [1, 0, 0]]]]);
    $file->runs = array_reverse($file->runs);
    $put = ['do' => 'stand-on', 'end' => 'from', 'run' => 'main', 'along' => 120];
    $file->runs[0] = Jobs::edited($file, $put);
    expect($file->runs[0]->from)->toEqual((object) [
        'axis' => [0, 0, 1], 'on' => (object) ['run' => 'main', 'length' => 120],
    ]);
    unset($file->runs[0]->from->axis);
    expect(Jobs::edited($file, $put)->from->axis)->toEqual([0, 0, 1]);
    $file->runs[0]->from->axis = [0, 1, 0];
    $file->runs[0]->from->on->kind = 'set-in';
    expect(Jobs::edited($file, [...$put, 'along' => 90])->from)->toEqual((object) [
        'on' => (object) ['run' => 'main', 'length' => 90, 'kind' => 'set-in'], 'axis' => [0, 1, 0],
    ]);
});

it('is found where it cannot stand, with where it can', function (
    array $branch,
    array $main,
    string $words,
    array $cures,
): void {
    $file = Tees::file([$branch], $main);
    $solved = (new Solver(Job::read($file)))->all()[1];
    $found = array_values(array_filter($solved->findings, static fn ($one): bool => $one->rule === 'branch-place'));
    expect($found[0]->title.'. '.$found[0]->message)->toBe($words)
        ->and(array_map(static fn ($one): string => $one->label, $found[0]->remedies))->toBe($cures);
})->with(fn () => [
    'past its end' => [
        ['from' => ['on' => ['run' => 'main', 'length' => 450], 'lead' => 200], 'to' => ['at' => [400, 300, 200]]], [],
        'The branch on Main is past its end. It stands at 450 mm; Main is 400 mm long.', ['Put it at 378 mm of Main'],
    ],
    // R 100: 300 straight, an arc of 50π, and 300 straight.
    'in a bend' => [
        ['from' => ['on' => ['run' => 'main', 'length' => 350], 'lead' => 100]],
        ['to' => ['at' => [400, 400, 0]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [400, 0, 0]]]]],
        'The branch on Main stands in a bend. At 350 mm Main bends.',
        ['Put it at 278 mm of Main'],
    ],
    'over a joint' => [
        Tees::branch(210, [0, 0, 1]), ['joints' => [['at' => ['length' => 200], 'kind' => 'weld', 'gap' => 2]]],
        'The branch on Main has no room. With its weld it takes 188 mm to 232 mm of Main, and lies over joint 1.',
        ['Put it at 223 mm of Main', 'Put it at 177 mm of Main'],
    ],
    // A coupling of 80, its middle at 200, goes from 160 to 240; the branch takes 22 to each side.
    'over the end of a coupling' => [
        Tees::branch(250, [0, 0, 1]),
        ['joints' => [['at' => ['length' => 200], 'kind' => 'coupling', 'sleeve' => ['length' => 80, 'od' => 75]]]],
        'The branch on Main has no room. With its weld it takes 228 mm to 272 mm of Main, and lies over joint 1.',
        ['Put it at 262 mm of Main', 'Put it at 138 mm of Main'],
    ],
    'over the flange at its start' => [
        Tees::branch(30, [0, 0, 1]),
        ['from' => ['at' => [0, 0, 0], 'end' => ['type' => 'flange', 'od' => 120, 'thickness' => 12, 'bore' => 61]]],
        'The branch on Main has no room. With its weld it takes 8 mm to 52 mm of Main, and lies over the start.',
        ['Put it at 34 mm of Main'],
    ],
    'along its host' => [
        ['from' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [1, 0, 0]]], [],
        'The branch on Main goes along it. It leaves in the direction of the run that it stands on.', [],
    ],
]);

it('needs version 3 of the job file', function (): void {
    $file = Tees::file();
    unset($file->bodies);
    expect(JobFile::encode($file))->toContain('"version": 3');
});

it('names the place of what is wrong with a body', function (array $bodies, string $pointer, string $words): void {
    $file = Tees::file();
    $file->bodies = array_map(Jobs::object(...), $bodies);
    try {
        Job::read($file);
        $said = ['', ''];
    } catch (JobError $error) {
        $said = [$error->pointer, $error->getMessage()];
    }
    expect($said[0])->toBe($pointer)->and($said[1])->toContain($words);
})->with([
    'of a run that is not there' => [
        [['id' => 'a', 'runs' => ['main', 'x']]], '/bodies/0/runs/1', 'there is no run “x”',
    ],
    'of one run' => [[['id' => 'a', 'runs' => ['main']]], '/bodies/0/runs', 'two at least'],
    'of a run twice' => [[['id' => 'a', 'runs' => ['main', 'main']]], '/bodies/0/runs/1', 'in a body already'],
    'two of one id' => [
        [['id' => 'a', 'runs' => ['main', 'b1']], ['id' => 'a', 'runs' => []]], '/bodies/1/id', 'used twice',
    ],
]);

it('is found over another branch on its side, and cured beside it', function (
    array $one,
    array $other,
    ?string $words,
    array $cures,
): void {
    // Feet of 20 to both sides with a weld of 2.
    $solved = (new Solver(Job::read(Tees::file([$one, $other]))))->all()[2];
    $found = array_values(array_filter($solved->findings, static fn ($one): bool => $one->rule === 'branch-place'));
    expect(array_map(static fn ($one): string => $one->message, $found))->toBe($words === null ? [] : [$words])
        ->and(array_map(static fn ($one): string => $one->label, $found[0]->remedies ?? []))->toBe($cures);
})->with([
    'in one place' => [
        Tees::branch(200, [0, 0, 1]), Tees::branch(230, [0, 0, 1]),
        'With its weld it takes 208 mm to 252 mm of Main, and lies over Branch 1.',
        ['Put it at 244 mm of Main', 'Put it at 156 mm of Main'],
    ],
    'beside each other in a row' => [Tees::branch(200, [0, 0, 1]), Tees::branch(244, [0, 0, 1]), null, []],
    // Each takes asin(22/30) = 47.2° to both sides.
    'turned by 94°' => [
        Tees::branch(200, [0, 0, 1]), Tees::branch(210, [0, sin(deg2rad(94)), cos(deg2rad(94))]),
        'With its weld it takes 188 mm to 232 mm of Main, and lies over Branch 1.',
        ['Put it at 244 mm of Main', 'Put it at 156 mm of Main'],
    ],
    'turned by 95°' => [
        Tees::branch(200, [0, 0, 1]), Tees::branch(210, [0, sin(deg2rad(95)), cos(deg2rad(95))]), null, [],
    ],
    'opposite' => [Tees::branch(200, [0, 0, 1]), Tees::branch(200, [0, 0, -1]), null, []],
    // The foot of the leaning one reaches from 200 + 30 − 20√2 to 200 + 30 + 20√2.
    'over one that leans' => [
        Tees::branch(200, [1, 0, 1]), Tees::branch(275, [0, 0, 1]),
        'With its weld it takes 253 mm to 297 mm of Main, and lies over Branch 1.',
        ['Put it at 282.28 mm of Main', 'Put it at 177.72 mm of Main'],
    ],
]);

it('hangs on the other branches of its host', function (): void {
    $runs = Tees::file([Tees::branch(100, [0, 0, 1]), Tees::branch(300, [0, 0, 1])])->runs;

    expect(References::runsOn($runs, [], ItemRef::run('b1')))->toContain('b2')
        ->and(References::runsOn($runs, [], ItemRef::run('b1')))->not->toContain('main');
});
