<?php

declare(strict_types=1);

use Bowline\Editing\EditError;
use Bowline\Exchange\BoardWriter;
use Bowline\Exchange\Plan\Boards;
use Bowline\Harness\BoardChanges;
use Bowline\Job;
use Bowline\Proposals\Division\TrunkBreak;
use Bowline\Proposals\Division\TrunkJoin;
use Tests\Harnesses;

/*
 * Trunks broken in two and joined: every wire keeps its way in space and its length, and so does all that is on them.
 */

/**
 * A trunk of three straights with a branch on it and a cover over its first bend, beside one that is longer.
 *
 * @param  array<string, mixed>  $first  over the trunk
 */
function trunkWithAll(array $first = []): stdClass
{
    return Harnesses::file(
        [
            'wires' => [
                Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['via' => ['t1']]),
                Harnesses::wire('W2', 'pump.M.2', 'lamp.L.1'), Harnesses::wire('W3', 'S', 'pump.M.3'),
                Harnesses::wire('W4', 'lamp.L.2', 'panel.X.2', ['via' => ['t2', 't1']]),
            ],
            'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 950]]],
            'covers' => [
                ['run' => 't1', 'kind' => 'sleeve', 'from' => 100, 'to' => 900, 'thickness' => 1],
                ['run' => 't1', 'kind' => 'sleeve', 'from' => 1000, 'thickness' => 2],
            ],
        ],
        [Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 700], 'axis' => [0, 0, 1]], ['port' => 'lamp.L'])],
        [Harnesses::connector('lamp', 'L', [700, 300, 200], ['1', '2'])],
        ['route' => ['kind' => 'corners', 'stops' => [
            ['along' => '+y', 'length' => 300], ['along' => '+x', 'length' => 1000],
        ]], ...$first],
    );
}

/** @param  list<array{list: string, id: string, item: stdClass|null}>  $edits */
function edited(stdClass $file, array $edits): stdClass
{
    foreach ($edits as ['list' => $list, 'id' => $id, 'item' => $item]) {
        $kept = array_column($file->{$list}, null, 'id');
        unset($kept[$id]);
        $file->{$list} = array_values($item === null ? $kept : [...$kept, $id => $item]);
    }

    // As it is saved and read.
    return json_decode(json_encode($file, JSON_THROW_ON_ERROR), false, 512, JSON_THROW_ON_ERROR);
}

/** @return array<string, float|null> */
function lengthsIn(stdClass $file): array
{
    return array_map(static fn ($wire): ?float => $wire->length(), Harnesses::solved($file)->laid->wires);
}

/** @return float thickness of covers over the lengths that they cover, mm² */
function covered(stdClass $file): float
{
    $sum = 0.0;
    foreach (Harnesses::solved($file)->bundles as $spans) {
        foreach ($spans as $span) {
            $sum += ($span->to - $span->from) * ($span->diameter - $span->bare);
        }
    }

    return $sum;
}

it('breaks a trunk in two, and nothing else changes', function (?float $at, float $expected): void {
    $before = trunkWithAll();
    $job = Job::read($before);
    $after = edited(trunkWithAll(), TrunkBreak::of($job, $job->runs['t1'], $at));
    $read = Job::read($after);
    $first = $read->runs['t1'];
    $lengths = lengthsIn($before);

    expect($first->route->lay($first)->length())->toEqualWithDelta($expected, 1e-6)
        ->and($read->harnesses['h']->trunks)->toBe(['t1', 't1-2', 't2'])
        ->and(min($lengths))->toBeGreaterThan(300)->and(lengthsIn($after))->toEqualWithDelta($lengths, 1e-6)
        ->and(covered($after))->toEqualWithDelta(covered($before), 1e-6)
        ->and(Harnesses::found(Harnesses::solved($after)))->toBe([]);
})->with([
    'before the branch' => [500.0, 500.0],
    'behind it' => [800.0, 800.0],
    'on its first straight' => [150.0, 150.0],
    // R 30: 600 of the 1,000 between the bends, and the bends take off 30 on either side.
    'in the middle of its longest' => [null, 270 + 30 * M_PI / 2 + 470],
]);

it('joins what was broken again as it was', function (float $at, string $keeps): void {
    $before = trunkWithAll();
    $job = Job::read($before);
    $broken = edited(trunkWithAll(), TrunkBreak::of($job, $job->runs['t1'], $at));
    $job = Job::read($broken);
    [$one, $other] = $keeps === 't1' ? ['t1', 't1-2'] : ['t1-2', 't1'];
    $joined = edited($broken, TrunkJoin::of($job, $job->runs[$one], $job->runs[$other]));
    $read = Job::read($joined);
    $length = $read->runs[$keeps]->route->lay($read->runs[$keeps])->length();
    $was = Job::read($before)->runs['t1'];

    expect(array_keys($read->runs))->not->toContain($other)
        ->and($length)->toEqualWithDelta($was->route->lay($was)->length(), 1e-6)
        ->and(lengthsIn($joined))->toEqualWithDelta(lengthsIn($before), 1e-6)
        ->and(covered($joined))->toEqualWithDelta(covered($before), 1e-6);
})->with([[500.0, 't1'], [800.0, 't1'], [500.0, 't1-2'], [150.0, 't1-2']]);

it('joins trunks whichever way they go', function (bool $isFirstTurned, bool $isSecondTurned): void {
    $turned = static fn (bool $is, array $from, array $to): array => $is ? [$to, $from] : [$from, $to];
    [$from, $to] = $turned($isFirstTurned, ['port' => 'panel.X'], ['at' => [400, 0, 0]]);
    [$second, $end] = $turned($isSecondTurned, ['at' => [400, 0, 0]], ['port' => 'pump.M']);
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['via' => ['t1', 't2']])]],
        [Harnesses::trunk('t2', $second, $end)], [], ['from' => $from, 'to' => $to],
    );
    $job = Job::read($file);
    $after = edited(clone $file, TrunkJoin::of($job, $job->runs['t1'], $job->runs['t2']));

    expect(lengthsIn($after))->toEqualWithDelta(['W1' => 1000.0], 1e-9)
        ->and($after->harnesses[0]->trunks)->toBe(['t1'])->and($after->harnesses[0]->wires[0]->via)->toBe(['t1']);
})->with([[false, false], [true, false], [false, true], [true, true]]);

it('puts a bend where two trunks meet at an angle', function (): void {
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1')]],
        [Harnesses::trunk('t2', ['at' => [400, 0, 0]], ['port' => 'lamp.L'])],
        [Harnesses::connector('lamp', 'L', [400, 300, 0], ['1'])], ['to' => ['at' => [400, 0, 0]]],
    );
    $job = Job::read($file);
    $after = edited(clone $file, TrunkJoin::of($job, $job->runs['t1'], $job->runs['t2']));

    // A bend of R 30 in place of a corner.
    expect(lengthsIn($after)['W1'])->toEqualWithDelta(700 - 60 + 30 * M_PI / 2, 1e-6);
});

it('keeps what is noted as built when a trunk is broken, and when it is joined again', function (float $at): void {
    $file = trunkWithAll();
    $solved = Harnesses::solved($file);
    $built = BoardWriter::write($solved, Boards::laid($solved), Job::read($file)->site->units, [])['now'];
    $file->harnesses[0]->board = json_decode(json_encode(['built' => $built], JSON_THROW_ON_ERROR));
    $job = Job::read($file);
    $broken = edited(clone $file, TrunkBreak::of($job, $job->runs['t1'], $at));
    $job = Job::read($broken);
    $joined = edited(clone $broken, TrunkJoin::of($job, $job->runs['t1'], $job->runs['t1-2']));

    expect(BoardChanges::of(Harnesses::solved($broken)->laid))->toBe([])
        ->and(BoardChanges::of(Harnesses::solved($joined)->laid))->toBe([]);
})->with([
    'before the splice and the branch, in a sleeve' => [500.0], 'between both' => [800.0],
    'behind the splice' => [1200.0],
]);

it('says why a trunk cannot be broken or joined', function (array $first, ?float $at, string $words): void {
    $job = Job::read(trunkWithAll($first));
    expect(static fn (): array => TrunkBreak::of($job, $job->runs['t1'], $at))->toThrow(EditError::class, $words);
})->with([
    'in a bend' => [[], 290.0, 'At 290 mm there is a bend, or an end; break it on a straight.'],
    'beyond it' => [[], 5000.0, 'there is a bend, or an end'],
    'whose length is held' => [
        ['fixed_length' => ['length' => 1600, 'tolerance' => 1]], 500.0, 'The length of T1 is held',
    ],
]);

it('says why trunks cannot be joined', function (): void {
    $job = Job::read(trunkWithAll());
    expect(static fn (): array => TrunkJoin::of($job, $job->runs['t1'], $job->runs['t2']))
        ->toThrow(EditError::class, 'T1 and T2 have no ends that lie together in the open.');
});

/**
 * A spine of corners with branches square to it at random places, each to a connector, and wires between all of those.
 *
 * @return array{stdClass, float} the job, and the length of the spine
 */
function randomSpine(int $seed): array
{
    mt_srand($seed);
    $stops = [];
    $axes = ['+x', '+y', '+x', '-y'];
    foreach (range(0, 3) as $i) {
        $stops[] = ['along' => $axes[$i], 'length' => mt_rand(200, 500)];
    }
    $spine = Harnesses::trunk('t1', ['port' => 'panel.X'], ['at' => [3000, 0, 0]], $stops);
    $file = Harnesses::file([], [], [], ['to' => $spine['to'], 'route' => $spine['route']]);
    $run = Job::read($file)->runs['t1'];
    $path = $run->route->lay($run)->path;
    $trunks = $fittings = $wires = [];
    foreach (range(1, 5) as $i) {
        // On a straight, away from its bends.
        $straights = $path->straights();
        [$from, $to] = $straights[mt_rand(0, count($straights) - 1)];
        $at = round($from + ($to - $from) * mt_rand(20, 80) / 100, 1);
        $end = $path->pointAt($at)->toArray();
        $end[2] = mt_rand(100, 300);
        $trunks[] = Harnesses::trunk("b$i", ['on' => ['run' => 't1', 'length' => $at], 'axis' => [0, 0, 1]], [
            'port' => "c$i.X",
        ]);
        $fittings[] = Harnesses::connector("c$i", 'X', $end, ['1', '2', '3']);
        $wires[] = Harnesses::wire("P$i", 'panel.X.'.(1 + $i % 4), "c$i.X.1", $i % 2 === 0 ? ['via' => ['t1']] : []);
        if ($i > 1) {
            $wires[] = Harnesses::wire("W$i", "c$i.X.2", 'c'.mt_rand(1, $i - 1).'.X.3');
        }
    }
    $covers = [[
        'run' => 't1', 'kind' => 'sleeve', 'from' => mt_rand(0, 300), 'to' => mt_rand(500, 900), 'thickness' => 1,
    ]];

    return [
        Harnesses::file(['wires' => $wires, 'covers' => $covers], $trunks, $fittings, [
            'to' => $spine['to'], 'route' => $spine['route'],
        ]),
        $run->route->lay($run)->length(),
    ];
}

it('keeps every wire through any breaks, and through joining all of it again', function (int $seed): void {
    [$file] = randomSpine($seed);
    $lengths = lengthsIn($file);
    $covered = covered($file);
    $broken = $file;
    foreach (range(1, 3) as $time) {
        $job = Job::read($broken);
        $spines = array_values(array_filter(
            $job->harnesses['h']->trunks, static fn (string $id): bool => str_starts_with($id, 't1'),
        ));
        $one = $job->runs[$spines[mt_rand(0, count($spines) - 1)]];
        $broken = edited(clone $broken, TrunkBreak::of($job, $one, null));
        // What is nearer than 0.01 is put together.
        expect(lengthsIn($broken))->toEqualWithDelta($lengths, 0.01)
            ->and(covered($broken))->toEqualWithDelta($covered, 1e-6);
    }
    expect(Job::read($broken)->harnesses['h']->trunks)->toHaveCount(count($file->harnesses[0]->trunks) + 3);
    while (count(Job::read($broken)->harnesses['h']->trunks) > count($file->harnesses[0]->trunks)) {
        $job = Job::read($broken);
        $spines = array_values(array_filter(
            $job->harnesses['h']->trunks, static fn (string $id): bool => str_starts_with($id, 't1'),
        ));
        $edits = null;
        foreach (array_slice($spines, 1) as $other) {
            try {
                $edits ??= TrunkJoin::of($job, $job->runs[$spines[0]], $job->runs[$other]);
            } catch (EditError) {
                // Another lies between them.
            }
        }
        $broken = edited(clone $broken, $edits ?? []);
        expect($edits)->not->toBeNull()->and(lengthsIn($broken))->toEqualWithDelta($lengths, 0.01)
            ->and(covered($broken))->toEqualWithDelta($covered, 1e-6);
    }
    $was = Job::read($file)->runs['t1'];
    $is = Job::read($broken)->runs['t1'];
    expect($is->route->lay($is)->length())->toEqualWithDelta($was->route->lay($was)->length(), 1e-6);
})->with([1, 2, 3, 4, 5, 6]);

it('leaves the other half to what stands on it', function (): void {
    [$file, $length] = randomSpine(2);
    $job = Job::read($file);
    $at = Job::read($file)->runs['t1']->route->lay($job->runs['t1'])->path->straights()[1][0] + 40.0;
    $after = Job::read(edited(clone $file, TrunkBreak::of($job, $job->runs['t1'], $at)));
    foreach (range(1, 5) as $i) {
        $was = $job->runs["b$i"]->from->branch;
        $is = $after->runs["b$i"]->from->branch;
        expect($is->host)->toBe($was->told > $at ? 't1-2' : 't1')
            ->and($is->told)->toEqualWithDelta($was->told > $at ? $was->told - $at : $was->told, 1e-6);
    }
    $second = $after->runs['t1-2'];
    expect($second->route->lay($second)->length())->toEqualWithDelta($length - $at, 1e-6);
});

it('keeps angles on the board of trunks that stay, and drops those of one that goes', function (): void {
    $file = trunkWithAll();
    $angle = static fn (string $run): stdClass => (object) ['run' => $run, 'angle' => 40];
    $file->harnesses[0]->board = (object) ['angles' => [$angle('t1'), $angle('t2')]];
    $job = Job::read($file);
    $broken = edited(clone $file, TrunkBreak::of($job, $job->runs['t1'], 500.0));
    $broken->harnesses[0]->board->angles[] = $angle('t1-2');
    $job = Job::read($broken);
    $joined = edited(clone $broken, TrunkJoin::of($job, $job->runs['t1'], $job->runs['t1-2']));

    expect(array_column($broken->harnesses[0]->board->angles, 'run'))->toBe(['t1', 't2', 't1-2'])
        ->and(array_column($joined->harnesses[0]->board->angles, 'run'))->toBe(['t1', 't2'])
        ->and(array_keys(Job::read($joined)->harnesses['h']->angles))->toBe(['t1', 't2']);
});

it('takes trunks whose ids are numbers', function (): void {
    $text = str_replace(['"t1"', '"t2"'], ['"1"', '"2"'], json_encode(trunkWithAll(), JSON_THROW_ON_ERROR));
    $file = static fn (): stdClass => json_decode($text, false, 512, JSON_THROW_ON_ERROR);
    $job = Job::read($file());
    $solved = Harnesses::solved($file());
    $built = BoardWriter::write($solved, Boards::laid($solved), $job->site->units, [])['now'];
    $with = $file();
    $with->harnesses[0]->board = (object) [
        'angles' => [(object) ['run' => '2', 'angle' => 60]], 'built' => json_decode(json_encode($built)),
    ];
    $broken = edited(clone $with, TrunkBreak::of(Job::read($with), array_values($job->runs)[0], 500.0));
    $joined = Job::read($broken);
    $joined = edited(clone $broken, TrunkJoin::of($joined, array_values($joined->runs)[0], $joined->runs['1-2']));
    $moved = clone $with;
    $moved->harnesses[0]->trunks = ['1'];
    $moved->harnesses[0]->board->angles = [];
    $moved->harnesses[0]->wires = [$moved->harnesses[0]->wires[0]];

    expect($broken->harnesses[0]->trunks)->toBe(['1', '1-2', '2'])->and($joined->harnesses[0]->trunks)->toBe(['1', '2'])
        ->and(lengthsIn($joined))->toEqualWithDelta(lengthsIn($file()), 1e-6)
        ->and(array_column(BoardChanges::of(Harnesses::solved($moved)->laid), 'kind'))->toContain('gone');
});
