<?php

declare(strict_types=1);

use Bowline\Drawing\BoardDrawing;
use Bowline\Drawing\BoardTables;
use Bowline\Drawing\Plan\PlanCircle;
use Bowline\Exchange\BoardWriter;
use Bowline\Exchange\Plan\PlanSvg;
use Bowline\Harness\Board;
use Bowline\Harness\BoardChanges;
use Bowline\Harness\BoardLayout;
use Bowline\Harness\BoardSegment;
use Bowline\Job\Units;
use Tests\Harnesses;
use Tests\Seeds;

/*
 * The board: every trunk as long as it is in space, nothing across anything else, whatever the harness.
 */

/** @param  array<string, float>  $angles */
function boardOf(stdClass $file, float $longest = INF, array $angles = []): Board
{
    $solved = Harnesses::solved($file);

    return BoardLayout::of($solved->laid, $solved->bundles, $longest, $angles);
}

/**
 * Trunks in space: each stands somewhere on an earlier one, square to it, and ends at a connector. Some close rings,
 * as one meets another by chance.
 */
function treeOfTrunks(int $seed): stdClass
{
    mt_srand($seed);
    $count = mt_rand(4, 4 + $seed % 30);
    $axes = [[1, 0, 0], [0, 1, 0], [0, 0, 1], [-1, 0, 0], [0, -1, 0], [0, 0, -1]];
    $trunks = $fittings = [];
    $laid = [['t1', [0, 0, 0], [1, 0, 0], 1000]];
    for ($i = 2; $i <= $count; $i++) {
        [$host, $at, $along, $length] = $laid[mt_rand(0, count($laid) - 1)];
        do {
            $axis = $axes[mt_rand(0, 5)];
        } while (abs($axis[0] * $along[0] + $axis[1] * $along[1] + $axis[2] * $along[2]) > 0.5);
        $place = mt_rand(10, $length - 10);
        $own = mt_rand(40, 600);
        $foot = array_map(static fn (int $one, int $way): int => $one + $way * $place, $at, $along);
        $end = array_map(static fn (int $one, int $way): int => $one + $way * $own, $foot, $axis);
        $trunks[] = Harnesses::trunk("t$i", ['on' => ['run' => $host, 'length' => $place], 'axis' => $axis], [
            'port' => "c$i.X",
        ]);
        $fittings[] = Harnesses::connector("c$i", 'X', array_map(floatval(...), $end), ['1', '2']);
        $laid[] = ["t$i", $foot, $axis, $own];
    }

    return Harnesses::file(['wires' => array_map(
        static fn (int $i): array => Harnesses::wire("W$i", 'panel.X.1', "c$i.X.1"), range(2, $count),
    )], $trunks, $fittings);
}

it('lays every length of trunk as long as it is, once, and nothing over anything', function (int $seed): void {
    $file = treeOfTrunks($seed);
    // On every third board there is room for short straights only.
    $longest = $seed % 3 === 0 ? 100.0 + $seed : INF;
    $solved = Harnesses::solved($file);
    $board = BoardLayout::of($solved->laid, $solved->bundles, $longest);
    $sums = [];
    foreach ($board->segments as $segment) {
        expect($segment->length())->toEqualWithDelta(abs($segment->to - $segment->from), 1e-6);
        $sums[$segment->run] = ($sums[$segment->run] ?? 0.0) + $segment->length();
    }
    foreach ($solved->laid->trunks() as $trunk) {
        expect($sums[$trunk->run->id] ?? 0.0)->toEqualWithDelta($trunk->length(), 1e-6);
    }
    $crossings = 0;
    foreach ($board->segments as $i => $one) {
        foreach (array_slice($board->segments, $i + 1) as $other) {
            $meet = false;
            foreach ([$one->start, $one->end] as $end) {
                foreach ([$other->start, $other->end] as $second) {
                    $meet = $meet || hypot($end[0] - $second[0], $end[1] - $second[1]) < 1e-6;
                }
            }
            $crossings += ! $meet && $one->distanceTo($other) < 1.0 ? 1 : 0;
        }
    }
    expect($crossings)->toBe(0);
    // Both ends of every break are marked.
    $letters = array_count_values(array_map(
        static fn ($mark): string => $mark->name,
        array_filter($board->marks, static fn ($mark): bool => $mark->kind === 'break'),
    ));
    expect(array_filter($letters, static fn (int $times): bool => $times !== 2))->toBe([]);
})->with(fn (): array => Seeds::of(1, 200));

it('has every connector, where its trunk ends or at the end of its way from one', function (): void {
    $file = Harnesses::file(
        ['wires' => [
            Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'), Harnesses::wire('W2', 'lamp.L.1', 'pump.M.2'),
        ]], [],
        [Harnesses::connector('lamp', 'L', [400, 90, 120], ['1'])],
    );
    $board = boardOf($file);
    $places = array_column(array_map(static fn ($mark): array => [$mark->name, $mark->at], $board->marks), 1, 0);
    $apart = static fn (string $one, string $other): float => hypot(
        $places[$one][0] - $places[$other][0], $places[$one][1] - $places[$other][1],
    );

    expect(array_keys($places))->toEqualCanonicalizing(['panel.X', 'pump.M', 'lamp.L'])
        ->and($apart('panel.X', 'pump.M'))->toEqualWithDelta(1000, 1e-6)
        // 150 off the trunk, 400 along it.
        ->and($apart('panel.X', 'lamp.L'))->toEqualWithDelta(hypot(400, 150), 1e-6);
});

it('breaks what is longer than the board, and goes on with all of it', function (): void {
    $board = boardOf(Harnesses::file(), 300.0);
    $lengths = array_map(static fn (BoardSegment $one): float => $one->length(), $board->segments);
    $breaks = array_filter($board->marks, static fn ($mark): bool => $mark->kind === 'break');

    expect($lengths)->toEqualWithDelta([300, 300, 300, 100], 1e-6)->and($breaks)->toHaveCount(6)
        ->and($board->width)->toEqualWithDelta(300, 1e-6);
});

it('turns a branch as it is told', function (float $degrees): void {
    $branch = Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], [
        'port' => 'lamp.L',
    ]);
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1')]], [$branch],
        [Harnesses::connector('lamp', 'L', [400, 0, 300], ['1'])],
    );
    $turned = array_values(array_filter(
        boardOf($file, INF, ['t2' => $degrees])->segments, static fn (BoardSegment $one): bool => $one->run === 't2',
    ))[0];

    expect(rad2deg(atan2($turned->end[1] - $turned->start[1], $turned->end[0] - $turned->start[0])))
        ->toEqualWithDelta($degrees, 1e-9);
})->with([30.0, -60.0, 112.5]);

it('lays a ring open, with one letter at both ends', function (): void {
    $ring = [
        Harnesses::trunk('a', ['port' => 'panel.X'], ['at' => [0, 500, 0]]),
        Harnesses::trunk('b', ['at' => [0, 500, 0]], ['port' => 'pump.M']),
    ];
    $board = boardOf(Harnesses::file([], $ring));
    $breaks = array_values(array_filter($board->marks, static fn ($mark): bool => $mark->kind === 'break'));

    expect($breaks)->toHaveCount(2)->and($breaks[0]->name)->toBe($breaks[1]->name);
});

/*
 * A trunk of 1000 along which t2 leaves at 400 and t3 at 600, each 300 long.
 */
$withTwo = static fn (array $first = [], array $harness = []): stdClass => Harnesses::file(
    ['wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1'), Harnesses::wire('W2', 'panel.X.2', 'horn.H.1'),
        Harnesses::wire('W3', 'panel.X.3', 'pump.M.1'),
    ], ...$harness],
    [
        Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], ['port' => 'lamp.L']),
        Harnesses::trunk('t3', ['on' => ['run' => 't1', 'length' => 600], 'axis' => [0, 0, 1]], ['port' => 'horn.H']),
    ],
    [
        Harnesses::connector('lamp', 'L', [400, 0, 300], ['1']),
        Harnesses::connector('horn', 'H', [600, 0, 300], ['1']),
    ], $first,
);

/** @return array<string, float> direction of each trunk on the board, from its start to its end, degrees */
$directions = static function (Board $board): array {
    $found = [];
    foreach ($board->segments as $one) {
        if ($one->run !== null) {
            [$x, $y] = [$one->end[0] - $one->start[0], $one->end[1] - $one->start[1]];
            $found[$one->run] = rad2deg($one->to > $one->from ? atan2($y, $x) : atan2(-$y, -$x));
        }
    }

    return $found;
};

it('turns against the direction of the trunk, whichever end of that is laid first', function (array $first) use (
    $withTwo,
    $directions,
): void {
    $found = $directions(boardOf($withTwo($first), INF, ['t2' => 40.0, 't3' => -70.0]));
    $turned = static fn (string $run): float => fmod($found[$run] - $found['t1'] + 540.0, 360.0) - 180.0;

    expect($turned('t2'))->toEqualWithDelta(40, 1e-9)->and($turned('t3'))->toEqualWithDelta(-70, 1e-9);
})->with([
    'from the panel' => [[]],
    'from the pump' => [['from' => ['port' => 'pump.M'], 'to' => ['port' => 'panel.X']]],
]);

it('says what is in the way of an angle, and lies at another', function () use ($withTwo): void {
    // 200 apart, 300 long: at 20° and 160° they cross.
    $board = boardOf($withTwo(), INF, ['t2' => 20.0, 't3' => 160.0]);
    $turns = array_column(array_map(
        static fn ($turn): array => [$turn->run, $turn->inWay?->run, rad2deg($turn->angle)], $board->turns,
    ), null, 0);

    expect($turns['t2'][1])->toBeNull()->and($turns['t2'][2])->toEqualWithDelta(20, 1e-9)
        ->and($turns['t3'][1])->toBe('t2')->and($turns['t3'][2])->not->toEqualWithDelta(160, 1.0);
});

it('turns both parts of a trunk that goes on both ways', function (array $angles, array $expected): void {
    // t2 meets t1, which is longer, with its middle.
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1'), Harnesses::wire('W2', 'panel.X.2', 'horn.H.1')]],
        [Harnesses::trunk('t2', ['port' => 'lamp.L'], ['port' => 'horn.H'])],
        [
            Harnesses::connector('lamp', 'L', [1000, -300, 0], ['1']),
            Harnesses::connector('horn', 'H', [1000, 300, 0], ['1']),
        ],
    );
    $angle = [];
    foreach (boardOf($file, INF, $angles)->turns as $turn) {
        $angle[$turn->isForward ? 'end' : 'start'] = rad2deg($turn->angle);
    }

    expect($angle)->toEqualWithDelta($expected, 1e-9);
})->with([
    [['t2>' => 30.0, 't2<' => -45.0], ['end' => 30.0, 'start' => -45.0]],
    [['t2>' => 120.0, 't2<' => 80.0], ['end' => 120.0, 'start' => 80.0]],
]);

it('says what differs from the board that was built', function (
    array $fittings,
    array $harness,
    array $words,
) use ($withTwo): void {
    $units = Units::millimetres();
    $before = Harnesses::solved($withTwo())->laid;
    $built = BoardWriter::write(Harnesses::solved($withTwo()), boardOf($withTwo()), $units, [])['now'];
    $file = $withTwo([], [...$harness, 'board' => ['built' => $built]]);
    foreach ($fittings as $id => $at) {
        foreach ($file->fittings as $fitting) {
            $fitting->pose->at = $fitting->id === $id ? $at : $fitting->pose->at;
        }
    }
    $said = array_map(
        static fn ($change): string => $change->say($units), BoardChanges::of(Harnesses::solved($file)->laid),
    );

    expect($said)->toBe($words)->and(BoardChanges::of($before))->toBe([]);
})->with([
    'nothing' => [[], [], []],
    'a lamp that is 25 higher' => [['lamp' => [400, 0, 325]], [], ['T2: 325 mm, was 300 mm']],
    'a pump that is 100 farther' => [['pump' => [1100, 0, 0]], [], ['T1: 500 mm, was 400 mm']],
    'less than a hand sees' => [['lamp' => [400, 0, 300.4]], [], []],
    'a wire to another pin' => [[], ['wires' => [
        Harnesses::wire('W1', 'panel.X.4', 'lamp.L.1'), Harnesses::wire('W2', 'panel.X.2', 'horn.H.1'),
        Harnesses::wire('W3', 'panel.X.3', 'pump.M.1'),
    ]], ['panel.X: other wires on pins 1, 4']],
    'a trunk that is gone' => [[], ['trunks' => ['t1', 't2']], [
        'T1: branches at other places', 't3 is gone',
    ]],
]);

it('says which splices and covers are not as they were built', function (
    array $harness,
    array $words,
    array $labels,
) use ($withTwo): void {
    $units = Units::millimetres();
    $all = [
        'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 200]]],
        'covers' => [
            ['run' => 't1', 'kind' => 'sleeve', 'from' => 100, 'to' => 300, 'thickness' => 1],
            ['run' => 't1', 'kind' => 'sleeve', 'from' => 700, 'thickness' => 1],
            ['run' => 't2', 'kind' => 'tape', 'thickness' => 0.2],
        ],
    ];
    $solved = Harnesses::solved($withTwo([], $all));
    $built = BoardWriter::write($solved, boardOf($withTwo([], $all)), $units, [])['now'];
    $changed = $withTwo([], [
        ...$all, ...array_diff_key($harness, ['pump' => 0]), 'board' => ['built' => $built],
    ]);
    foreach ($changed->fittings as $fitting) {
        $fitting->pose->at[0] = $fitting->id === 'pump' ? $harness['pump'] ?? 1000 : $fitting->pose->at[0];
    }
    $changes = BoardChanges::of(Harnesses::solved($changed)->laid);
    $picture = PlanSvg::write(BoardDrawing::of(Harnesses::solved($changed), boardOf($changed), $units, []));

    expect(array_map(static fn ($change): string => $change->say($units), $changes))->toBe($words);
    foreach ($labels as $label) {
        expect($picture)->toContain($label);
    }
})->with([
    'nothing' => [[], [], []],
    // That covers go as far as it does follows from the trunk.
    'a trunk that is 100 longer, with covers to its end' => [[
        'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 200]]], 'pump' => 1100,
    ], ['T1: 500 mm, was 400 mm'], []],
    'a splice 35 farther along' => [
        ['splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 235]]]],
        ['Splice S: 235 mm along, was 200 mm'], [],
    ],
    'less than a hand sees' => [['splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 200.4]]]], [], []],
    'a splice on another trunk' => [
        ['splices' => [['id' => 'S', 'on' => ['run' => 't2', 'length' => 50]]]],
        ['Splice S: 50 mm along T2, was 200 mm along T1'], [],
    ],
    'another splice in its place' => [
        ['splices' => [['id' => 'R', 'on' => ['run' => 't1', 'length' => 200]]]],
        ['Splice R is new', 'Splice S is gone'], ['Splice S is gone'],
    ],
    'a sleeve that is 20 longer, one that is gone, and tape that is thicker' => [
        ['covers' => [
            ['run' => 't1', 'kind' => 'sleeve', 'from' => 100, 'to' => 320, 'thickness' => 1],
            ['run' => 't2', 'kind' => 'tape', 'thickness' => 0.4],
        ]],
        [
            'Sleeve on T1, 100 mm to 320 mm: was 100 mm to 300 mm', 'Tape on T2, 0 mm to 300 mm: was 0.2 mm thick',
            'Sleeve on T1, 700 mm to 1000 mm: gone',
        ],
        ['was 100 mm to 300 mm', 'was 0.2 mm thick', 'sleeve gone'],
    ],
    'conduit in place of the first sleeve' => [
        ['covers' => [
            ['run' => 't1', 'kind' => 'conduit', 'from' => 100, 'to' => 300, 'thickness' => 1, 'bore' => 20],
            ['run' => 't1', 'kind' => 'sleeve', 'from' => 700, 'thickness' => 1],
            ['run' => 't2', 'kind' => 'tape', 'thickness' => 0.2],
        ]],
        ['Conduit on T1, 100 mm to 300 mm: new', 'Sleeve on T1, 100 mm to 300 mm: gone'],
        ['new conduit', 'sleeve gone'],
    ],
]);

it('rings a splice that has moved', function () use ($withTwo): void {
    $splices = static fn (float $length): array => [
        'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => $length]]],
        'wires' => [Harnesses::wire('W1', 'panel.X.1', 'S'), Harnesses::wire('W2', 'S', 'pump.M.1')],
    ];
    $circles = static fn (stdClass $file): int => count(array_filter(
        BoardDrawing::of(Harnesses::solved($file), boardOf($file), Units::millimetres(), [])->shapes,
        static fn ($shape): bool => $shape instanceof PlanCircle && $shape->layer === 'CHANGES',
    ));
    $before = $withTwo([], $splices(200.0));
    $built = BoardWriter::write(
        Harnesses::solved($before), boardOf($before), Units::millimetres(), [],
    )['now'];

    expect($circles($withTwo([], [...$splices(200.0), 'board' => ['built' => $built]])))->toBe(0)
        ->and($circles($withTwo([], [...$splices(235.0), 'board' => ['built' => $built]])))->toBe(2);
});

it('compares no splices and covers with a board of which they were not noted', function () use ($withTwo): void {
    $built = BoardWriter::write(
        Harnesses::solved($withTwo()), boardOf($withTwo()), Units::millimetres(), [],
    )['now'];
    unset($built['splices'], $built['covers']);
    $file = $withTwo([], [
        'covers' => [['run' => 't1', 'kind' => 'sleeve', 'thickness' => 1]], 'board' => ['built' => $built],
    ]);

    expect(BoardChanges::of(Harnesses::solved($file)->laid))->toBe([]);
});

it('puts tables beside what lies there, and beside each other', function (int $seed): void {
    $board = boardOf(treeOfTrunks($seed));
    $tables = new BoardTables($board);
    $placed = [];
    foreach ($board->marks as $mark) {
        if ($mark->kind === 'connector') {
            [$left, $low] = $tables->place($mark, 30.0, 10.0);
            $placed[] = [$left, $low, $left + 30.0, $low + 10.0];
        }
    }
    $covered = 0;
    foreach ($placed as $i => [$left, $low, $right, $top]) {
        foreach (array_slice($placed, $i + 1) as $other) {
            $covered += (int) ($left < $other[2] && $other[0] < $right && $low < $other[3] && $other[1] < $top);
        }
        foreach ($board->segments as $segment) {
            // Walked along in steps of a millimetre.
            for ($at = 0.0; $at <= 1.0; $at += 1.0 / max(1.0, $segment->length())) {
                $x = $segment->start[0] + $at * ($segment->end[0] - $segment->start[0]);
                $y = $segment->start[1] + $at * ($segment->end[1] - $segment->start[1]);
                if ($left < $x && $x < $right && $low < $y && $y < $top) {
                    $covered++;
                    break;
                }
            }
        }
    }

    expect(count($placed))->toBeGreaterThan(3)->and($covered)->toBe(0);
})->with(range(1, 12));

/*
 * Boards of random trees, as they are written for the hand.
 */
it('is the same board when every angle is told as it is', function (int $seed): void {
    $file = treeOfTrunks($seed);
    $board = boardOf($file);
    $told = [];
    foreach ($board->turns as $turn) {
        $told[$turn->run.($turn->isForward ? '>' : '<')] = rad2deg($turn->angle);
    }
    $again = boardOf($file, INF, $told);
    $ends = static fn (Board $of): array => array_map(
        static fn (BoardSegment $one): array => [$one->run, ...$one->start, ...$one->end], $of->segments,
    );

    expect(array_column($ends($again), 0))->toBe(array_column($ends($board), 0));
    foreach ($ends($again) as $i => $segment) {
        expect(array_slice($segment, 1))->toEqualWithDelta(array_slice($ends($board)[$i], 1), 1e-6);
    }
    foreach ($again->turns as $turn) {
        expect($turn->inWay)->toBeNull();
    }
})->with(range(1, 12));

it('lays nothing over anything, whatever angles are told', function (int $seed): void {
    $file = treeOfTrunks($seed);
    mt_srand(1000 + $seed);
    $told = [];
    foreach ($file->harnesses[0]->trunks as $run) {
        assert(is_string($run));
        $told[$run] = (float) mt_rand(-170, 170);
    }
    $board = boardOf($file, INF, $told);
    $sum = 0.0;
    foreach ($board->segments as $i => $one) {
        $sum += $one->run === null ? 0.0 : $one->length();
        foreach (array_slice($board->segments, $i + 1) as $other) {
            $meet = array_filter([$one->start, $one->end], static fn (array $at): bool => min(
                hypot($at[0] - $other->start[0], $at[1] - $other->start[1]),
                hypot($at[0] - $other->end[0], $at[1] - $other->end[1]),
            ) < 1e-6);
            expect($meet !== [] || $one->distanceTo($other) > 1.0 - 1e-9)->toBeTrue();
        }
    }
    $lengths = array_sum(array_map(
        static fn ($trunk): float => $trunk->length(), Harnesses::solved($file)->laid->trunks(),
    ));
    $isAsTold = 0;
    foreach ($board->turns as $turn) {
        $isAsTold += (int) ($turn->inWay === null && abs(
            fmod(rad2deg($turn->angle) - $told[$turn->run] + 540.0, 360.0) - 180.0,
        ) < 1e-6);
    }

    expect($sum)->toEqualWithDelta($lengths, 1e-6)->and($isAsTold)->toBeGreaterThan(0);
})->with(range(1, 12));

it('is written in the coordinates of its picture', function (int $seed): void {
    $solved = Harnesses::solved(treeOfTrunks($seed));
    $board = BoardLayout::of($solved->laid, $solved->bundles);
    $written = BoardWriter::write($solved, $board, Units::millimetres(), []);
    $svg = simplexml_load_string($written['picture']) ?: throw new LogicException;
    $drawn = [];
    foreach ($svg->line as $line) {
        $drawn[] = array_map(floatval(...), [$line['x1'], $line['y1'], $line['x2'], $line['y2']]);
    }
    expect($written['turns'])->not->toBe([]);
    foreach ($written['turns'] as $turn) {
        [$x, $y] = [$turn['end'][0] - $turn['at'][0], $turn['end'][1] - $turn['at'][1]];
        $angle = deg2rad($turn['along'] + $turn['angle']);
        // As long as it is told, in the direction that is told, with y downwards.
        expect(hypot($x, $y))->toEqualWithDelta($turn['length'], 1e-6)
            ->and($x)->toEqualWithDelta($turn['length'] * cos($angle), 1e-3)
            ->and($y)->toEqualWithDelta(-$turn['length'] * sin($angle), 1e-3)
            ->and($turn['at'][0])->toBeGreaterThan(0)->toBeLessThan($written['width'])
            ->and($turn['at'][1])->toBeGreaterThan(0)->toBeLessThan($written['height']);
        $begins = array_filter($drawn, static fn (array $line): bool => min(
            hypot($line[0] - $turn['at'][0], $line[1] - $turn['at'][1]),
            hypot($line[2] - $turn['at'][0], $line[3] - $turn['at'][1]),
        ) < 1e-3);
        expect($begins)->not->toBe([]);
    }
})->with([1, 5, 9]);
