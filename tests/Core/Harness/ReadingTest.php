<?php

declare(strict_types=1);

use Bowline\Exchange\HarnessTables;
use Bowline\Harness\Nets;
use Bowline\Harness\Reels;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Bowline\Job\Schema;
use Tests\Cases;
use Tests\Harnesses;

/*
 * What a job file says of harnesses, what is wrong with it and where, and the lists that come out.
 */
it('says where a harness is wrong', function (array $harness, string $pointer, string $words): void {
    try {
        Job::read(Harnesses::file($harness));
        $said = ['', ''];
    } catch (JobError $error) {
        $said = [$error->pointer, $error->getMessage()];
    }
    expect($said)->toBe([$pointer, $words]);
})->with(function (): array {
    $wire = static fn (array $more): array => [
        'wires' => [Harnesses::wire('W1', $more['from'] ?? 'panel.X.1', $more['to'] ?? 'pump.M.1', $more)],
    ];
    $at = '/harnesses/0';

    return [
        'no such trunk' => [['trunks' => ['t9']], $at.'/trunks/0', 'there is no run “t9”'],
        'no such pin' => [
            $wire(['to' => 'pump.M.9']), $at.'/wires/0/to', 'pump.M has no pin “9”; it has 1, 2, 3, 4',
        ],
        'a connector without its pin' => [
            $wire(['to' => 'pump.M']), $at.'/wires/0/to', 'pump.M has pins: say which, as “pump.M.1”',
        ],
        'no such port' => [$wire(['from' => 'panel.Y.1']), $at.'/wires/0/from', 'there is no port “panel.Y”'],
        'no such splice' => [$wire(['from' => 'S7']), $at.'/wires/0/from', 'there is no splice “S7”'],
        'no such stock' => [$wire(['stock' => 'w9']), $at.'/wires/0/stock', 'there is no stock “w9”'],
        'a bundle for a wire' => [
            $wire(['stock' => 'bundle']), $at.'/wires/0/stock', '“bundle” is a bundle, and no wire',
        ],
        'by way of what is no trunk' => [
            $wire(['via' => ['t9']]), $at.'/wires/0/via/0', '“t9” is no trunk of the harness',
        ],
        'a core that the cable has not' => [
            [
                ...$wire(['cable' => 'K', 'core' => 'blue']),
                'cables' => [['id' => 'K', 'stock' => 'w4', 'cores' => ['red']]],
            ],
            $at.'/wires/0/core', 'K has no core “blue”; it has red',
        ],
        'in no such cable' => [$wire(['cable' => 'K']), $at.'/wires/0/cable', 'there is no cable “K” in the harness'],
        'as long as itself' => [
            $wire(['length' => ['same_as' => 'W1']]), $at.'/wires/0/length/same_as',
            'there is no other wire “W1” in the harness',
        ],
        'a cover that ends before it begins' => [
            ['covers' => [['run' => 't1', 'kind' => 'tape', 'from' => 300, 'to' => 200]]], $at.'/covers/0/to',
            'the cover ends before it begins',
        ],
        'tape that lies wholly over itself' => [
            ['covers' => [['run' => 't1', 'kind' => 'tape', 'overlap' => 100]]], $at.'/covers/0/overlap',
            'the overlap is a share in percent, below 100',
        ],
        'a step of nothing' => [['step' => 0], $at.'/step', 'the step of lengths must be more than 0'],
    ];
});

it('takes a trunk once, and only of a bundle', function (): void {
    $file = Harnesses::file();
    $file->harnesses[] = (object) ['id' => 'other', 'trunks' => ['t1']];
    expect(fn () => Job::read($file))->toThrow(JobError::class, '“t1” is a trunk of a harness already');
    $file->harnesses = [(object) ['id' => 'h', 'trunks' => ['t1']]];
    $file->runs[0]->stock = 'w2';
    expect(fn () => Job::read($file))->toThrow(JobError::class, '“t1” is no bundle; a trunk is a run of a bundle');
});

it('is written as version 4, and a job without any of it as before', function (): void {
    $file = Harnesses::file();
    expect(json_decode(JobFile::encode($file))->version)->toBe(4);
    unset($file->harnesses);
    expect(json_decode(JobFile::encode($file))->version)->toBe(4);
    $file->stock = array_slice($file->stock, 1);
    $file->runs = [];
    foreach ($file->fittings as $fitting) {
        unset($fitting->ports[0]->pins);
    }
    expect(json_decode(JobFile::encode($file))->version)->toBeLessThan(4);
});

it('joins pins by wires, splices and pins with several wires', function (): void {
    $harness = Job::read(Harnesses::file([
        'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 100]]],
        'wires' => [
            Harnesses::wire('A', 'panel.X.1', 'S'), Harnesses::wire('B', 'panel.X.2', 'pump.M.2'),
            Harnesses::wire('C', 'pump.M.1', 'pump.M.3'), Harnesses::wire('D', 'S', 'pump.M.3'),
        ],
    ]))->harnesses['h'];
    $nets = array_map(static fn ($net): array => [$net->pins, $net->wires], Nets::of($harness));

    expect($nets)->toEqualCanonicalizing([
        [['panel.X.1', 'pump.M.3', 'pump.M.1'], ['A', 'D', 'C']], [['panel.X.2', 'pump.M.2'], ['B']],
    ]);
});

it('lists wires, what is cut of each stock, and every pin', function (): void {
    $solved = Harnesses::solved(Harnesses::file(['step' => 10, 'allowance' => ['strip' => 7], 'wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['signal' => '24 V', 'colour' => 'red']),
        Harnesses::wire('W2', 'panel.X.2', 'pump.M.1'),
    ]]));
    $tables = HarnessTables::all($solved, Job::read(Harnesses::file())->site->units);

    expect($tables['wires']->rows[0])->toBe([
        'W1', '24 V', 'panel.X', '1', 'pump.M', '1', 'w2', 'red', '', '', 1000.0, 0.0, 0.0, 0.0, 14.0, 1000.0, 1020.0,
        'T1',
    ])
        ->and($tables['cuts']->rows)->toBe([['w2', 2, 2040.0, '1020 1020', null, null, '']])
        ->and(array_map(static fn (array $row): array => [$row[0], $row[1], $row[3]], $tables['connectors']->rows))
        ->toBe([
            ['panel.X', '1', 'W1'], ['panel.X', '2', 'W2'], ['panel.X', '3', ''], ['panel.X', '4', ''],
            ['pump.M', '1', 'W1'], ['pump.M', '1', 'W2'], ['pump.M', '2', ''], ['pump.M', '3', ''], ['pump.M', '4', ''],
        ])
        ->and($tables['continuity']->rows)->toBe([[1, 'panel.X.1 pump.M.1 panel.X.2', 'W1 W2']]);
});

it('comes out of the command line', function (): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($path, json_encode(Harnesses::file(['wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['length' => ['at_most' => 900]]),
    ]]), JSON_THROW_ON_ERROR));
    [$exit, $out] = Cases::bowline('solve', $path);
    [$listed, $wires] = Cases::bowline('wires', $path);
    [, $bundles] = Cases::bowline('bundles', $path, '--harness', 'h');
    [$unknown, , $error] = Cases::bowline('wires', $path, '--list', 'pegs');
    unlink($path);
    $solution = json_decode($out, false, 64, JSON_THROW_ON_ERROR);
    Schema::check($solution, 'solution.json');
    $wire = $solution->harnesses[0]->wires[0];

    // It is too long, which is a violation.
    expect([$exit, $listed, $unknown])->toBe([1, 1, 2])
        ->and($wire->length)->toEqualWithDelta(1000, 1e-9)->and($wire->lead_offs)->toEqual([0, 0])
        ->and($solution->harnesses[0]->findings[0]->rule)->toBe('wire-length')
        ->and($wires)->toStartWith('wire,signal,from,from_pin,')
        ->and($bundles)->toStartWith('trunk,from_mm,to_mm,count,diameter_mm')
        ->and($error)->toContain('there is no list “pegs”');
});

it('cuts wires off reels, and lists all that is bought', function (): void {
    $wires = [];
    // 1000 each off reels of 2500, two on each; one from the lamp is 700.
    foreach (range(1, 3) as $i) {
        $wires[] = Harnesses::wire("W$i", "panel.X.$i", "pump.M.$i");
    }
    $file = Harnesses::file([
        'wires' => [...$wires, Harnesses::wire('W4', 'panel.X.4', 'lamp.L.1')],
        'covers' => [
            ['run' => 't1', 'kind' => 'sleeve', 'from' => 100, 'to' => 400, 'thickness' => 1],
            ['run' => 't2', 'kind' => 'sleeve', 'thickness' => 1],
        ],
        'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 50]]],
    ], [Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], [
        'port' => 'lamp.L',
    ])], [Harnesses::connector('lamp', 'L', [400, 0, 300], ['1', '2'])]);
    foreach ($file->stock as $stock) {
        if ($stock->id === 'w2') {
            $stock->lengths = [1000, 2500];
        }
    }
    $tables = HarnessTables::all(Harnesses::solved($file), Job::read($file)->site->units);

    expect($tables['cuts']->rows)->toBe([['w2', 4, 3700.0, '1000 1000 1000 700', 2500.0, 2, '500 800']])
        ->and($tables['parts']->rows)->toBe([
            ['wire', 'w2', 4, 3700.0], ['sleeve', 'Sleeve', 2, 600.0], ['connector', 'lamp.L, 2 pins', 1, null],
            ['connector', 'panel.X, 4 pins', 1, null], ['connector', 'pump.M, 4 pins', 1, null],
            ['splice', '', 1, null], ['label', '', 8, null],
        ]);
});

it('lands a shield on pins, and names the cores of a cable', function (): void {
    $file = Harnesses::file([
        'wires' => [
            Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['cable' => 'K', 'core' => 'red']),
            Harnesses::wire('W2', 'panel.X.2', 'pump.M.2', ['cable' => 'K', 'core' => 'black']),
        ],
        'cables' => [[
            'id' => 'K', 'stock' => 'w4', 'cores' => ['red', 'black', 'blue'], 'shield' => ['panel.X.4', 'pump.M.4'],
        ]],
    ]);
    $harness = Job::read($file)->harnesses['h'];
    $tables = HarnessTables::all(Harnesses::solved($file), Job::read($file)->site->units);
    $ofShield = array_values(array_filter(
        $tables['connectors']->rows, static fn (array $row): bool => $row[3] === 'K shield',
    ));

    expect($harness->cables['K']->spares)->toBe(1)
        ->and(array_map(static fn (array $row): array => [$row[0], $row[1]], $ofShield))
        ->toBe([['panel.X', '4'], ['pump.M', '4']])
        ->and(array_map(static fn ($net): array => $net->pins, Nets::of($harness)))
        ->toContain(['panel.X.4', 'pump.M.4']);
});

it('cuts the longest first, and leaves out what no reel has', function (array $lengths, array $reels): void {
    expect(Reels::of(array_values($lengths), 10.0))->toBe($reels);
})->with([
    [[], []], [[4.0, 7.0, 3.0], [[7.0, 3.0], [4.0]]], [[11.0, 10.0], [[10.0]]],
    [[6.0, 5.0, 5.0, 4.0], [[6.0, 4.0], [5.0, 5.0]]],
]);

it('wastes no reel: all is cut, none is too full, and no two could be one', function (int $seed): void {
    mt_srand($seed);
    $lengths = array_map(static fn (): float => mt_rand(100, 900) / 1.0, range(1, mt_rand(5, 60)));
    $reels = Reels::of($lengths, 1000.0);
    $all = array_merge(...$reels);
    $filled = array_map(array_sum(...), $reels);
    sort($lengths);
    sort($all);
    sort($filled);

    expect($all)->toBe($lengths)->and(max($filled))->toBeLessThanOrEqual(1000.0)
        // What lies on the two that are least full would else have gone on one.
        ->and(count($filled) < 2 || $filled[0] + $filled[1] > 1000.0)->toBeTrue()
        ->and(count($reels))->toBeGreaterThanOrEqual((int) ceil(array_sum($lengths) / 1000.0));
})->with(range(1, 8));

it('lists of each stock as much as is cut of it', function (): void {
    $file = JobFile::decode((string) file_get_contents(__DIR__.'/../../../database/demo/wiring.json'));
    $job = Job::read($file);
    $solved = Harnesses::solved($file);
    $tables = HarnessTables::all($solved, $job->site->units);
    $cut = 0.0;
    foreach ($solved->laid->wires as $wire) {
        $cut += $wire->cutLength() ?? 0.0;
    }
    $ofWires = array_filter($tables['parts']->rows, static fn (array $row): bool => $row[0] === 'wire');

    // 44 wires, each with a label at both ends.
    expect(array_sum(array_column($ofWires, 3)))->toEqualWithDelta($cut, 1e-6)
        ->and(array_sum(array_column($tables['cuts']->rows, 2)))->toEqualWithDelta($cut, 1e-6)
        ->and(array_sum(array_column($ofWires, 2)))->toBe(44)
        ->and(array_column($tables['parts']->rows, 2, 0)['label'])->toBe(88);
    foreach ($tables['cuts']->rows as [, , $total, , $reel, $reels, $offcuts]) {
        $left = array_sum(array_map(floatval(...), explode(' ', (string) $offcuts)));
        expect($reel === null ? 0.0 : (int) $reels * (float) $reel - (float) $total)->toEqualWithDelta($left, 1e-6);
    }
});

it('has pins in the order in which people count', function (): void {
    $file = Harnesses::file(
        ['wires' => array_map(
            static fn (string $pin): array => Harnesses::wire("W$pin", "box.B.$pin", 'panel.X.1'),
            ['10', '2', '1', 'PE'],
        )], [], [Harnesses::connector('box', 'B', [0, 0, 0], ['1', '2', '10', 'PE'])],
    );
    $pins = Job::read($file)->harnesses['h']->pinsOf('box.B');

    expect(array_column($pins, 0))->toBe(['1', '2', '10', 'PE'])
        ->and(array_map(static fn (array $one): string => $one[1]->id, $pins))->toBe(['W1', 'W2', 'W10', 'WPE']);
});

it('is the same wire only while all that is told of it is the same', function (array $changed, bool $isSame): void {
    $harness = [
        'cables' => [['id' => 'K', 'stock' => 'w4', 'cores' => ['red', 'blue']]],
        'pairs' => [['id' => 'P', 'lay' => 40]],
    ];
    $told = ['signal' => '24 V', 'class' => 'power', 'length' => ['at_most' => 2000]];
    $job = Job::read(Harnesses::file([
        ...$harness, 'wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', $told)],
    ]));
    $after = $job->withHarnesses(Harnesses::file([
        ...$harness, 'wires' => [[...Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', $told), ...$changed]],
    ]));

    expect($job->harnesses['h']->wires['W1']->isSame($after->harnesses['h']->wires['W1']))->toBe($isSame);
})->with([
    'nothing' => [[], true], 'its end' => [['to' => 'pump.M.2'], false], 'its stock' => [['stock' => 'w4'], false],
    'its signal' => [['signal' => '0 V'], false], 'its class' => [['class' => 'data'], false],
    'its way' => [['via' => ['t1']], false], 'its cable' => [['cable' => 'K'], false],
    'its pair' => [['pair' => 'P'], false], 'how long it may be' => [['length' => ['at_most' => 2001]], false],
]);

it('says where a cable is wrong', function (array $wires, array $cable, string $pointer, string $words): void {
    try {
        Job::read(Harnesses::file(['wires' => $wires, 'cables' => [['id' => 'K', 'stock' => 'w4', ...$cable]]]));
        $error = null;
    } catch (JobError $error) {
    }
    expect($error?->pointer)->toBe('/harnesses/0'.$pointer)->and($error?->getMessage())->toContain($words);
})->with([
    'one core twice' => [[
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['cable' => 'K', 'core' => 'red']),
        Harnesses::wire('W2', 'panel.X.2', 'pump.M.2', ['cable' => 'K', 'core' => 'red']),
    ], ['cores' => ['red', 'blue']], '/wires/1/core', 'core “red” of K is W1 already'],
    'a shield on no pin' => [[], ['shield' => ['panel.X.9']], '/cables/0/shield/0', 'panel.X has no pin “9”'],
    'a shield on a whole connector' => [[], ['shield' => ['panel.X']], '/cables/0/shield/0', 'panel.X has pins'],
]);
