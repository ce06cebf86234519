<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Proposals\Division\TrunkBreak;
use Bowline\Proposals\Division\TrunkJoin;
use Bowline\Routing\LaidRun;
use Tests\Harnesses;

/*
 * Trunks that are curves, broken and joined: they lie as they did, by closed forms where there are some, and wires keep
 * their lengths.
 */

/** A trunk t1 from the panel to the pump, 1000 along x, laid by a route, with a splice, a cover and three wires. */
$curved = static fn (array $route, array $first = [], array $clamps = []): stdClass => (object) [
    ...get_object_vars(Harnesses::file(
        [
            'wires' => [
                Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['via' => ['t1']]),
                Harnesses::wire('W2', 'S', 'pump.M.2'), Harnesses::wire('W3', 'panel.X.2', 'S'),
            ],
            'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 700]]],
            'covers' => [['run' => 't1', 'kind' => 'sleeve', 'from' => 100, 'to' => 800, 'thickness' => 1]],
        ], [], [], ['route' => $route, ...$first],
    )),
    'clamps' => json_decode(json_encode($clamps, JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR),
];

$hung = ['kind' => 'hang', 'length' => 1200];
$smooth = ['kind' => 'flow', 'points' => [[250, 80, 0], [500, -60, 40], [750, 60, 120]]];
// A quarter of a circle of 500 from the panel, upwards into the pump.
$sprung = ['kind' => 'spring', 'length' => 250 * M_PI];
$quarter = [
    'from' => ['at' => [0, 0, 0], 'axis' => [1, 0, 0]], 'to' => ['at' => [500, 0, 500], 'axis' => [0, 0, -1]],
];

$laid = static function (Job $job, string $id): LaidRun {
    return $job->runs[$id]->route->lay($job->runs[$id]);
};

$wires = static fn (stdClass $file): array => array_map(
    static fn ($wire): ?float => $wire->length(), Harnesses::solved($file)->laid->wires,
);

/** Changes of a job as they are stored and read. */
$after = static function (stdClass $file, array $edits): stdClass {
    $copy = json_decode(json_encode($file, JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
    foreach ($edits as ['list' => $list, 'id' => $id, 'item' => $item]) {
        $kept = array_column($copy->{$list}, null, 'id');
        unset($kept[$id]);
        $copy->{$list} = array_values($item === null ? $kept : [...$kept, $id => $item]);
    }

    return json_decode(json_encode($copy, JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
};

it('breaks a hanging trunk into two parts of one catenary', function (
    float $at,
) use ($curved, $hung, $laid, $after, $wires): void {
    $file = $curved($hung);
    $job = Job::read($file);
    $broken = Job::read($after($file, TrunkBreak::of($job, $job->runs['t1'], $at)));
    // 2 a sinh(500/a) = 1200, by bisection.
    [$a, $low, $high] = [0.0, 100.0, 5000.0];
    for ($i = 0; $i < 200; $i++) {
        $a = ($low + $high) / 2;
        [$low, $high] = 2 * $a * sinh(500 / $a) > 1200 ? [$a, $high] : [$low, $a];
    }
    $place = static function (float $s) use ($a): array {
        $x = $a * asinh(($s - 600) / $a);

        return [$x + 500, 0.0, $a * (cosh($x / $a) - cosh(500 / $a))];
    };
    foreach ([['t1', 0.0, $at], ['t1-2', $at, 1200.0]] as [$id, $from, $to]) {
        $piece = $laid($broken, $id);
        expect($piece->length())->toEqualWithDelta($to - $from, 1e-6);
        foreach ([0.0, 0.3, 0.6, 1.0] as $share) {
            expect($piece->path->pointAt($piece->length() * $share)->toArray())
                ->toEqualWithDelta($place($from + ($to - $from) * $share), 0.01);
        }
    }
    expect($wires($after($file, TrunkBreak::of($job, $job->runs['t1'], $at))))->toEqualWithDelta($wires($file), 1e-3);
})->with([200.0, 600.0, 1100.0]);

it('breaks a sprung trunk into two arcs of one circle', function (
    float $at,
) use ($curved, $sprung, $quarter, $laid, $after): void {
    $file = $curved($sprung, $quarter);
    $job = Job::read($file);
    $broken = Job::read($after($file, TrunkBreak::of($job, $job->runs['t1'], $at)));
    foreach (['t1', 't1-2'] as $id) {
        $piece = $laid($broken, $id);
        foreach ([0.0, 0.25, 0.5, 0.75, 1.0] as $share) {
            [$x, $y, $z] = $piece->path->pointAt($piece->length() * $share)->toArray();
            expect(hypot($x, $z - 500))->toEqualWithDelta(500.0, 0.01)->and($y)->toEqualWithDelta(0.0, 0.01);
        }
    }
    expect($laid($broken, 't1')->length())->toEqualWithDelta($at, 1e-3)
        ->and($laid($broken, 't1-2')->length())->toEqualWithDelta(250 * M_PI - $at, 1e-3);
})->with([150.0, 392.0, 600.0]);

it('breaks a smooth trunk into parts of the same spline', function (
    ?float $at,
) use ($curved, $smooth, $laid, $after, $wires): void {
    $file = $curved($smooth);
    $job = Job::read($file);
    $whole = $laid($job, 't1');
    // At its second point, where no length is told.
    $at ??= $whole->path->closestTo(new Vector(500.0, -60.0, 40.0));
    $edited = $after($file, TrunkBreak::of($job, $job->runs['t1'], $at));
    $broken = Job::read($edited);
    foreach ([['t1', 0.0, $at], ['t1-2', $at, $whole->length()]] as [$id, $from, $to]) {
        $piece = $laid($broken, $id);
        for ($i = 0; $i <= 50; $i++) {
            expect($piece->path->pointAt($piece->length() * $i / 50)->distanceTo(
                $whole->path->pointAt($from + ($to - $from) * $i / 50),
            ))->toBeLessThan(0.002);
        }
    }
    expect($wires($edited))->toEqualWithDelta($wires($file), 0.002)
        ->and(Harnesses::found(Harnesses::solved($edited)))->toBe([]);
})->with([
    'at a point' => [null], 'near its start' => [120.0], 'between two' => [400.0], 'near its end' => [1000.0],
]);

it('breaks what was broken again, and keeps the spline through all of it', function () use (
    $curved, $smooth, $laid, $after,
): void {
    $file = $curved($smooth);
    $whole = $laid(Job::read($file), 't1');
    // Three times within its first span, the middle piece between two places that are no points.
    foreach ([['t1', 200.0], ['t1', 120.0], ['t1-2', 40.0]] as [$id, $at]) {
        $job = Job::read($file);
        $file = $after($file, TrunkBreak::of($job, $job->runs[$id], $at));
    }
    $job = Job::read($file);
    $from = 0.0;
    foreach (['t1', 't1-2', 't1-2-2', 't1-3'] as $id) {
        if (! isset($job->runs[$id])) {
            continue;
        }
        $piece = $laid($job, $id);
        $near = $whole->path->closestTo($piece->path->pointAt(0.0));
        for ($i = 0; $i <= 20; $i++) {
            expect($piece->path->pointAt($piece->length() * $i / 20)->distanceTo(
                $whole->path->pointAt($near + $piece->length() * $i / 20),
            ))->toBeLessThan(0.002);
        }
        $from += $piece->length();
    }
    expect($from)->toEqualWithDelta($whole->length(), 0.002);
});

it('breaks a trunk that goes through clamps', function (array $route, float $at) use ($curved, $laid, $after): void {
    $file = $curved($route, [], [[
        'id' => 'k', 'at' => [500, 0, -150], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20,
    ]]);
    $job = Job::read($file);
    $whole = $laid($job, 't1');
    $broken = Job::read($after($file, TrunkBreak::of($job, $job->runs['t1'], $at)));
    foreach ([['t1', 0.0, $at], ['t1-2', $at, $whole->length()]] as [$id, $from, $to]) {
        $piece = $laid($broken, $id);
        foreach ([0.1, 0.4, 0.7, 0.95] as $share) {
            expect($piece->path->pointAt($piece->length() * $share)->distanceTo(
                $whole->path->pointAt($from + ($to - $from) * $share),
            ))->toBeLessThan(0.05);
        }
        expect(count($piece->gates))->toBe($at < 550 ? ($id === 't1' ? 0 : 1) : ($id === 't1' ? 1 : 0));
    }
})->with([
    'hanging, before it' => [['kind' => 'hang', 'slack' => 0.1, 'through' => [['clamp' => 'k']]], 250.0],
    'hanging, behind it' => [['kind' => 'hang', 'slack' => 0.1, 'through' => [['clamp' => 'k']]], 900.0],
    'smooth, before it' => [['kind' => 'flow', 'points' => [[200, 60, 0], ['clamp' => 'k']]], 300.0],
    'smooth, behind it' => [['kind' => 'flow', 'points' => [[200, 60, 0], ['clamp' => 'k']]], 850.0],
]);

it('joins what was broken again as it was', function (
    array $route,
    array $first,
    float $at,
    bool $isTurned,
) use ($curved, $laid, $after, $wires): void {
    $file = $curved($route, $first);
    $job = Job::read($file);
    $whole = $laid($job, 't1');
    $broken = $after($file, TrunkBreak::of($job, $job->runs['t1'], $at));
    $job = Job::read($broken);
    [$keeps, $other] = $isTurned ? ['t1-2', 't1'] : ['t1', 't1-2'];
    $joined = $after($broken, TrunkJoin::of($job, $job->runs[$keeps], $job->runs[$other]));
    $again = $laid(Job::read($joined), $keeps);

    expect($again->length())->toEqualWithDelta($whole->length(), 0.05)
        ->and($wires($joined))->toEqualWithDelta($wires($file), 0.05);
    for ($i = 0; $i <= 40; $i++) {
        expect($again->path->pointAt($again->length() * $i / 40)->distanceTo(
            $whole->path->pointAt($whole->length() * $i / 40),
        ))->toBeLessThan(0.1);
    }
})->with([
    'hanging' => [$hung, [], 500.0, false], 'hanging, kept as the other' => [$hung, [], 900.0, true],
    'sprung' => [$sprung, $quarter, 300.0, false], 'smooth' => [$smooth, [], 420.0, false],
    'smooth, kept as the other' => [$smooth, [], 420.0, true],
]);

it('joins trunks that hang to one that is as long as both, whichever way they go', function (
    bool $isTurned,
) use ($laid, $after, $wires): void {
    [$from, $to] = $isTurned
        ? [['port' => 'pump.M'], ['at' => [400, 0, 0]]]
        : [['at' => [400, 0, 0]], ['port' => 'pump.M']];
    $file = Harnesses::file(
        [
            'wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'), Harnesses::wire('W2', 'panel.X.2', 'S')],
            'splices' => [['id' => 'S', 'on' => ['run' => 't2', 'length' => $isTurned ? 600 : 100]]],
        ],
        [[...Harnesses::trunk('t2', $from, $to), 'route' => ['kind' => 'hang', 'length' => 700]]], [],
        ['to' => ['at' => [400, 0, 0]], 'route' => ['kind' => 'hang', 'length' => 500]],
    );
    $job = Job::read($file);
    $joined = $after($file, TrunkJoin::of($job, $job->runs['t1'], $job->runs['t2']));

    // 500 + 700, and 500 + 100 to the splice.
    expect($laid(Job::read($joined), 't1')->length())->toEqualWithDelta(1200.0, 1e-6)
        ->and($wires($joined))->toEqualWithDelta(['W1' => 1200.0, 'W2' => 600.0], 1e-3)
        ->and($joined->harnesses[0]->trunks)->toBe(['t1']);
})->with([false, true]);

it('says why a trunk that is a curve cannot be broken there', function (
    array $route,
    float $at,
    string $words,
) use ($curved): void {
    $job = Job::read($curved($route, [], [[
        'id' => 'k', 'at' => [500, 0, -150], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20,
    ]]));
    expect(static fn (): array => TrunkBreak::of($job, $job->runs['t1'], $at))->toThrow(EditError::class, $words);
})->with([
    'at its end' => [$hung, 1199.5, 'At 1199.5 mm there is a clamp, or an end; break it where it is free.'],
    'beyond it' => [$smooth, 5000.0, 'there is a clamp, or an end'],
    'too short' => [['kind' => 'hang', 'length' => 900], 300.0, 'T1 is too short for where its ends are'],
    'on other things' => [
        ['kind' => 'drape', 'length' => 1200], 300.0, 'T1 lies on other things; turn it into points first.',
    ],
]);

it('does not break beside a point whose direction is held, where that would change it', function () use (
    $curved,
): void {
    $job = Job::read($curved(['kind' => 'flow', 'points' => [
        [250, 80, 0], ['at' => [500, -60, 40], 'along' => [1, 0, 1]], [750, 60, 120],
    ]]));
    expect(static fn (): array => TrunkBreak::of($job, $job->runs['t1'], 650.0))
        ->toThrow(EditError::class, 'Beside a point whose direction is held it would not stay in its shape')
        ->and(TrunkBreak::of($job, $job->runs['t1'], 150.0))->toHaveCount(3);
});

it('joins no trunks that behave in different ways', function () use (
    $hung,
): void {
    $file = Harnesses::file(
        [], [Harnesses::trunk('t2', ['at' => [400, 0, 0]], ['port' => 'pump.M'])], [],
        ['to' => ['at' => [400, 0, 0]], 'route' => $hung],
    );
    $job = Job::read($file);
    expect(static fn (): array => TrunkJoin::of($job, $job->runs['t1'], $job->runs['t2']))
        ->toThrow(EditError::class, 'T1 and T2 behave in different ways; let both behave alike first.');
});

it('knows with which trunks one can be joined, however they are laid', function (array $route, array $first) use (
    $curved,
    $after,
): void {
    $file = $curved($route, $first);
    $job = Job::read($file);
    $whole = $job->runs['t1'];
    $broken = Job::read($after($file, TrunkBreak::of($job, $whole, 350.0)));

    expect(TrunkJoin::partners($job, $whole))->toBe([])
        ->and(TrunkJoin::partners($broken, $broken->runs['t1']))->toBe(['t1-2'])
        ->and(TrunkJoin::partners($broken, $broken->runs['t1-2']))->toBe(['t1']);
})->with([
    'hanging' => [$hung, []], 'sprung' => [$sprung, $quarter], 'smooth' => [$smooth, []],
    'with corners' => [['kind' => 'corners', 'stops' => []], []],
]);
