<?php

declare(strict_types=1);

use Bowline\Exchange\BroughtIn;
use Bowline\Harness\Bundles;
use Bowline\Harness\LaidHarness;
use Bowline\Harness\LaidWire;
use Bowline\Harness\Way;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Tests\Harnesses;
use Tests\Jobs;
use Tests\Seeds;

/*
 * Ways and lengths of wires along trunks: worked out by hand, and on random backbones by another method.
 */

/** @return list<array{string, float, float}> */
function waysOf(LaidWire $wire): array
{
    return array_map(static fn (Way $way): array => [$way->run, $way->from, $way->to], $wire->ways());
}

it('goes along its trunk from end to end', function (): void {
    $wire = Harnesses::solved(Harnesses::file())->laid->wires['W1'];

    expect($wire->length())->toEqualWithDelta(1000, 1e-9)->and(waysOf($wire))->toBe([['t1', 0.0, 1000.0]])
        ->and($wire->leadOffs[0]->length ?? null)->toBe(0.0);
});

it('follows the centreline round bends, backwards too', function (): void {
    // Up 400 and along 1000 with R 30 between: 60 − 15π less than both legs.
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'pump.M.1', 'panel.X.1')]], [], [],
        ['to' => ['at' => [1000, 0, 400]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 0, 400]]]]],
    );
    $file->fittings[1]->pose->at = [1000, 0, 400];
    $file->runs[0]->to = (object) ['port' => 'pump.M'];
    $wire = Harnesses::solved($file)->laid->wires['W1'];
    $length = 1400 - 60 + 15 * M_PI;

    expect($wire->length())->toEqualWithDelta($length, 1e-6)
        ->and(waysOf($wire)[0][1])->toEqualWithDelta($length, 1e-6)->and(waysOf($wire)[0][2])->toBe(0.0);
});

it('goes on from trunk to trunk where they branch and where their ends are put together', function (): void {
    $branch = Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 600], 'axis' => [0, 0, 1]], [
        'at' => [600, 0, 300],
    ]);
    $next = Harnesses::trunk('t3', ['at' => [600, 0, 300]], ['at' => [600, 250, 300]]);
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1')]], [$branch, $next],
        [Harnesses::connector('lamp', 'L', [600, 250, 300], ['1'])],
    );
    $wire = Harnesses::solved($file)->laid->wires['W1'];

    expect($wire->length())->toEqualWithDelta(600 + 300 + 250, 1e-9)
        ->and(waysOf($wire))->toBe([['t1', 0.0, 600.0], ['t2', 0.0, 300.0], ['t3', 0.0, 250.0]]);
    // The branch moved by 100: 100 more along the trunk, and the corner of the others stays behind.
    $file->runs[1]->from->on->length = 700;
    $file->runs[1]->to->at = [700, 0, 300];
    $file->runs[2]->from->at = [700, 0, 300];
    $file->runs[2]->to->at = [700, 250, 300];
    $file->fittings[2]->pose->at = [700, 250, 300];
    expect(Harnesses::solved($file)->laid->wires['W1']->length())->toEqualWithDelta(1250, 1e-9);
});

it('is led off square to where it leaves, within reach', function (float $reach, ?float $length): void {
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'lamp.L.1', 'pump.M.1')], 'reach' => $reach], [],
        [Harnesses::connector('lamp', 'L', [400, 90, 120], ['1'])],
    );
    $solved = Harnesses::solved($file);

    // 90 and 120 are 150 off the trunk, and 600 are left of that.
    expect($solved->laid->wires['W1']->length())->toEqualWithDelta($length, 1e-9)
        ->and(Harnesses::found($solved))->toBe($length !== null ? [] : [
            'W1 has no way. The backbone is 150 mm from lamp.L.1, and wires are led for 149 mm at most.',
        ]);
})->with([[150.0, 750.0], [149.0, null]]);

it('says where the backbone ends', function (): void {
    // A trunk by itself, 200 beyond the end of the other.
    $lone = Harnesses::trunk('t2', ['at' => [1200, 0, 0]], ['port' => 'lamp.L']);
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1')]], [$lone],
        [Harnesses::connector('lamp', 'L', [1500, 0, 0], ['1'])],
    );
    $solved = Harnesses::solved($file);

    expect(Harnesses::found($solved))
        ->toBe(['W1 has no way. The backbone from panel.X.1 ends 500 mm from where that of lamp.L.1 begins.'])
        ->and($solved->findings[0]->at->toArray())->toEqualWithDelta([1000, 0, 0], 1e-9)
        ->and($solved->isViolated())->toBeTrue();
});

it('takes the shorter of two ways, and the other by way of a trunk of that', function (): void {
    // Two trunks beside t1 that make a detour of 2 × 300.
    $detour = Harnesses::trunk('t2', ['port' => 'panel.X'], ['port' => 'pump.M'], [
        ['at' => [0, 0, 300], 'corner' => ['radius' => 30]], ['at' => [1000, 0, 300], 'corner' => ['radius' => 30]],
    ]);
    $wires = [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'),
        Harnesses::wire('W2', 'panel.X.2', 'pump.M.2', ['via' => ['t2']]),
    ];
    $laid = Harnesses::solved(Harnesses::file(['wires' => $wires], [$detour]))->laid;

    expect($laid->wires['W1']->length())->toEqualWithDelta(1000, 1e-9)
        ->and($laid->wires['W2']->length())->toEqualWithDelta(1600 - 2 * (60 - 15 * M_PI), 1e-6);
});

it('keeps classes apart where there is another way, and says so where there is none', function (bool $hasOther): void {
    $detour = Harnesses::trunk('t2', ['port' => 'panel.X'], ['port' => 'pump.M'], [
        ['at' => [0, 0, 300]], ['at' => [1000, 0, 300]],
    ]);
    $solved = Harnesses::solved(Harnesses::file([
        'apart' => [['data', 'power']],
        'wires' => [
            Harnesses::wire('D', 'panel.X.1', 'pump.M.1', ['class' => 'data']),
            Harnesses::wire('P', 'panel.X.2', 'pump.M.2', ['class' => 'power']),
        ],
    ], $hasOther ? [$detour] : []));

    expect(waysOf($solved->laid->wires['P'])[0][0])->toBe('t1')
        ->and(waysOf($solved->laid->wires['D'])[0][0])->toBe($hasOther ? 't2' : 't1')
        ->and(Harnesses::found($solved))->toBe($hasOther ? [] : [
            'D lies beside P. data is kept off power, and there is no other way than beside P.',
        ])
        ->and($solved->isViolated())->toBeFalse();
})->with(['another way' => true, 'none' => false]);

it('is cut with what its ends need, rounded up to the step', function (float $step, float $cut): void {
    $file = Harnesses::file(['allowance' => ['strip' => 6, 'crimp' => 2.5, 'loop' => 30], 'step' => $step]);
    // The pump has its own: 10 stripped and no loop.
    $file->fittings[1]->ports[0]->allowance = (object) ['strip' => 10];
    $wire = Harnesses::solved($file)->laid->wires['W1'];

    // 1000 + 38.5 + 10.
    expect($wire->length())->toEqualWithDelta(1000, 1e-9)->and($wire->cutLength())->toEqualWithDelta($cut, 1e-9);
})->with([[1.0, 1049.0], [0.5, 1048.5], [25.0, 1050.0], [100.0, 1100.0]]);

it('is longer where it is twisted', function (): void {
    $file = Harnesses::file([
        'pairs' => [['id' => 'p', 'lay' => 25]],
        'wires' => [
            Harnesses::wire('H', 'panel.X.1', 'pump.M.1', ['pair' => 'p']),
            Harnesses::wire('L', 'panel.X.2', 'pump.M.2', ['pair' => 'p']),
        ],
    ]);
    $wire = Harnesses::solved($file)->laid->wires['H'];

    // Both are 2 thick, so their centrelines are helices 2 across: a turn of 25 takes √(25² + (2π)²).
    expect($wire->length())->toEqualWithDelta(1000 * sqrt(625 + 4 * M_PI ** 2) / 25, 1e-6)
        ->and($wire->twist())->toEqualWithDelta($wire->length() - 1000, 1e-9);
});

it('ends at splices on a trunk', function (): void {
    $file = Harnesses::file([
        'splices' => [['id' => 'S1', 'on' => ['run' => 't1', 'length' => 350]]],
        'wires' => [
            Harnesses::wire('A', 'panel.X.1', 'S1'), Harnesses::wire('B', 'S1', 'pump.M.1'),
            Harnesses::wire('C', 'S1', 'pump.M.2'),
        ],
    ]);
    $wires = Harnesses::solved($file)->laid->wires;

    expect($wires['A']->length())->toEqualWithDelta(350, 1e-9)->and($wires['B']->length())->toEqualWithDelta(650, 1e-9)
        ->and($wires['C']->length())->toEqualWithDelta(650, 1e-9);
});

it('is as short as Floyd and Warshall say, on random backbones', function (int $seed, int $tenths): void {
    mt_srand($seed);
    // A grid of 4 × 4 places, 100 to 400 apart, with a trunk on a share of its sides: with loops, or few or none.
    $xs = $ys = [0];
    for ($i = 1; $i < 4; $i++) {
        $xs[] = $xs[$i - 1] + mt_rand(100, 400);
        $ys[] = $ys[$i - 1] + mt_rand(100, 400);
    }
    $trunks = $lengths = [];
    $at = static fn (int $i, int $j): array => ['at' => [$xs[$i], $ys[$j], 500]];
    foreach (range(0, 3) as $i) {
        foreach (range(0, 3) as $j) {
            foreach ([[$i + 1, $j], [$i, $j + 1]] as [$k, $l]) {
                if ($k < 4 && $l < 4 && mt_rand(0, 9) < $tenths) {
                    $id = "g$i$j$k$l";
                    $trunks[] = mt_rand(0, 1) === 0
                        ? Harnesses::trunk($id, $at($i, $j), $at($k, $l))
                        : Harnesses::trunk($id, $at($k, $l), $at($i, $j));
                    $lengths[4 * $i + $j][4 * $k + $l] = $lengths[4 * $k + $l][4 * $i + $j]
                        = $xs[$k] - $xs[$i] + $ys[$l] - $ys[$j];
                }
            }
        }
    }
    for ($k = 0; $k < 16; $k++) {
        for ($i = 0; $i < 16; $i++) {
            for ($j = 0; $j < 16; $j++) {
                $lengths[$i][$j] = min(
                    $i === $j ? 0 : $lengths[$i][$j] ?? INF, ($lengths[$i][$k] ?? INF) + ($lengths[$k][$j] ?? INF),
                );
            }
        }
    }
    $fittings = $wires = [];
    foreach (range(0, 15) as $place) {
        [$i, $j] = [intdiv($place, 4), $place % 4];
        $isJoined = false;
        foreach ($trunks as $trunk) {
            $isJoined = $isJoined || in_array($at($i, $j), [$trunk['from'], $trunk['to']], true);
        }
        if ($isJoined) {
            $fittings[$place] = Harnesses::connector("c$place", 'X', [$xs[$i], $ys[$j], 500], ['1']);
        }
    }
    foreach (array_keys($fittings) as $one) {
        foreach (array_keys($fittings) as $other) {
            if ($one < $other) {
                $wires[] = Harnesses::wire("W$one-$other", "c$one.X.1", "c$other.X.1");
            }
        }
    }
    $laid = Harnesses::solved(Harnesses::file(['wires' => $wires], $trunks, array_values($fittings)))->laid;
    foreach ($wires as $wire) {
        [$one, $other] = array_map(intval(...), explode('-', substr($wire['id'], 1)));
        $length = $lengths[$one][$other];
        expect($laid->wires[$wire['id']]->length() ?? INF)->toEqualWithDelta($length, 1e-6);
    }
    expect(count($wires))->toBeGreaterThan(20);
})->with(fn (): array => Seeds::of(1, 8))->with([7, 3]);

it('is after a change as if it were solved anew, what did not change being kept', function (int $seed): void {
    mt_srand($seed);
    // A spine of six pieces with a branch square to each, at whose ends are connectors.
    $trunks = $fittings = $wires = [];
    for ($i = 0; $i < 6; $i++) {
        $trunks[] = Harnesses::trunk("s$i", ['at' => [100 * $i, 300, 0]], ['at' => [100 * ($i + 1), 300, 0]]);
        $trunks[] = Harnesses::trunk("b$i", ['at' => [100 * $i, 300, 0]], ['port' => "c$i.X"]);
        $fittings[] = Harnesses::connector("c$i", 'X', [100 * $i, mt_rand(320, 500), 0], ['1', '2']);
    }
    for ($i = 0; $i < 12; $i++) {
        [$one, $other] = [mt_rand(0, 5), mt_rand(0, 5)];
        $wires[] = Harnesses::wire("W$i", "c$one.X.1", "c$other.X.2", [
            ...mt_rand(0, 3) === 0 ? ['class' => mt_rand(0, 1) === 0 ? 'data' : 'power'] : [],
            ...mt_rand(0, 3) === 0 ? ['stock' => 'w4'] : [],
        ]);
    }
    $covers = [['run' => 's1', 'kind' => 'sleeve', 'thickness' => 1]];
    $file = static fn (array $harness): stdClass => Harnesses::file(
        ['wires' => $wires, 'covers' => $covers, ...$harness], $trunks, $fittings,
    );
    $changed = $wires;
    $changed[3] = [...$changed[3], 'to' => 'c0.X.1', 'stock' => 'w4', 'class' => 'data'];
    array_splice($changed, 7, 1);
    $job = Job::read($file([]));
    $bundles = new Bundles;
    $laid = LaidHarness::of($job->harnesses['h'], array_map(static fn ($run) => $run->route->lay($run), $job->runs));
    $bundles->of($laid);
    $harnesses = [
        ['wires' => $changed], ['covers' => [['run' => 's2', 'kind' => 'sleeve', 'thickness' => 3]]],
        ['apart' => [['data', 'power']]], ['reach' => 1], ['step' => 100],
    ];
    foreach ($harnesses as $harness) {
        $after = $laid->with($job->withHarnesses($file($harness))->harnesses['h']);
        $anew = Harnesses::solved($file($harness));
        expect(array_map(waysOf(...), $after->wires))->toBe(array_map(waysOf(...), $anew->laid->wires))
            ->and(array_map(static fn ($one) => $one->cutLength(), $after->wires))
            ->toEqual(array_map(static fn ($one) => $one->cutLength(), $anew->laid->wires))
            ->and($bundles->of($after))->toEqual($anew->bundles);
    }
})->with([1, 2, 3]);

it('goes over where the end of a trunk lies on another', function (float $off, ?float $length): void {
    $branch = Harnesses::trunk('t2', ['at' => [350, $off, 0]], ['at' => [350, $off, 200]]);
    $file = Harnesses::file(
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'lamp.L.1')]], [$branch],
        [Harnesses::connector('lamp', 'L', [350, $off, 200], ['1'])],
    );

    expect(Harnesses::solved($file)->laid->wires['W1']->length())->toEqualWithDelta($length, 1e-3);
})->with([[0.0, 550.0], [0.009, 550.0], [0.1, null]]);

it('makes trunks of lines that meet, and each wire finds its way through them', function (): void {
    $line = static fn (array $from, array $to): string => sprintf(
        "  0\nLINE\n  8\n0\n 10\n%d\n 20\n%d\n 30\n%d\n 11\n%d\n 21\n%d\n 31\n%d\n", ...[...$from, ...$to],
    );
    // A spine of two lines with a branch where they meet, and another from its middle.
    $drawing = "  0\nSECTION\n  2\nENTITIES\n".$line([0, 0, 0], [500, 0, 0]).$line([500, 0, 0], [1000, 0, 0])
        .$line([500, 0, 0], [500, 300, 0]).$line([800, 0, 0], [800, 0, 200])."  0\nENDSEC\n  0\nEOF\n";
    $file = Harnesses::file();
    [$routes, $remarks] = BroughtIn::of($drawing, Values::read(null), Units::millimetres(), true);
    $file->runs = array_map(static fn (array $route, int $i): stdClass => Jobs::object([
        'id' => "l$i", 'stock' => 'bundle', ...$route,
    ]), $routes, array_keys($routes));
    array_push($file->fittings, ...array_map(Jobs::object(...), [
        Harnesses::connector('lamp', 'L', [500, 300, 0], ['1']),
        Harnesses::connector('horn', 'H', [800, 0, 200], ['1']),
    ]));
    $file->harnesses = [Jobs::object(['id' => 'h', 'trunks' => array_map(
        static fn (int $i): string => "l$i", array_keys($routes),
    ), 'wires' => [
        Harnesses::wire('A', 'panel.X.1', 'lamp.L.1'), Harnesses::wire('B', 'lamp.L.1', 'horn.H.1'),
        Harnesses::wire('C', 'panel.X.2', 'pump.M.1'),
    ]])];
    $wires = Harnesses::solved($file)->laid->wires;

    expect($routes)->toHaveCount(4)->and($remarks)->toBe([])
        ->and(array_map(static fn (LaidWire $one): ?float => $one->length(), $wires))
        ->toEqualWithDelta(['A' => 800, 'B' => 800, 'C' => 1000], 1e-6);
});
