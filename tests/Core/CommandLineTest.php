<?php

declare(strict_types=1);

use Bowline\Console\CommandLine;
use Bowline\Console\NoJob;
use Bowline\Console\TwoJobs;
use Bowline\Job\Schema;
use Tests\Blocks;
use Tests\Cases;
use Tests\Jobs;
use Tests\RandomScenes;
use Tests\Tees;

it('solves one run of several', function (): void {
    [$exit, $out] = Cases::bowline('solve', Cases::file('corners-radius-levels'), '--run', 'stock-level');
    $solution = json_decode($out);

    expect($exit)->toBe(0)->and(array_map(fn ($run) => $run->id, $solution->runs))->toBe(['stock-level']);
});

it('writes what the solution’s schema says', function (string $case): void {
    [, $out] = Cases::bowline('solve', Cases::file($case));
    Schema::check(json_decode($out), 'solution.json');
    expect(json_decode($out)->format)->toBe('bowline-solution');
})->with(['corners-solid', 'rule-bend-radius', 'rule-reversal', 'fixed-out-of-reach']);

it('writes tables and bodies', function (): void {
    expect(Cases::bowline('bends', Cases::file('corners-straight'), '--run=feed')[1])->toStartWith('bend,straight_mm')
        ->and(Cases::bowline('vertices', Cases::file('corners-straight'))[1])->toStartWith('vertex,x_mm')
        ->and(strlen(Cases::bowline('stl', Cases::file('corners-straight'), '--chord', '0.5')[1]) % 50)->toBe(84 % 50)
        ->and(Cases::bowline('step', Cases::file('corners-straight'))[1])->toStartWith("ISO-10303-21;\nHEADER;\n")
        ->and(Cases::bowline('3mf', Cases::file('corners-straight'))[1])->toStartWith("PK\x03\x04")
        ->and(Cases::bowline('glb', Cases::file('corners-straight'))[1])->toStartWith('glTF')
        ->and(Cases::bowline('obj', Cases::file('corners-straight'))[1])->toContain("\no ");
});

it('weighs bodies with their ends', function (): void {
    // Two legs of 200 and 400 in tube 12 × 1.5 of 7980 kg/m³ with R 30 between, and a plate of 40 × 5 on the last.
    $path = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($path, json_encode(Jobs::file(
        [['at' => [0, 0, 250]]],
        ['at' => [400, 0, 250], 'end' => ['type' => 'flange', 'od' => 40, 'thickness' => 5, 'bore' => 13]],
    ), JSON_THROW_ON_ERROR));
    [$exit, $out] = Cases::bowline('mass', $path, '--run', 'run');
    unlink($path);
    $run = json_decode($out, true, 32, JSON_THROW_ON_ERROR)['runs'][0];
    $length = 200 + 400 - 60 + 15 * M_PI;
    $volume = M_PI / 4 * (144 - 81) * $length + M_PI / 4 * (1600 - 144) * 5;
    expect($exit)->toBe(0)
        ->and($run['volume'])->toEqualWithDelta($volume, 1e-9 * $volume)
        ->and($run['mass'])->toEqualWithDelta($volume * 7980e-9, 1e-9)
        ->and($run['contents'])->toEqualWithDelta(M_PI / 4 * 81 * $length, 1e-5)
        ->and($run['centre'])->toHaveCount(3)
        ->and($run['spools'])->toHaveCount(1)
        ->and($run['spools'][0]['volume'])->toBe($run['volume']);
});

it('weighs, cuts, measures, lists and writes a block with channels', function (): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($path, json_encode(Blocks::around([
        Blocks::through([0, 0, -30], [], [0, 0, 30]), Blocks::through([-100, 20, 0], [[-50, 20, 0]], [-50, 50, 0]),
    ]), JSON_THROW_ON_ERROR));
    $json = static fn (string ...$args): array => json_decode(
        Cases::bowline(array_shift($args), $path, ...$args)[1], true, 64, JSON_THROW_ON_ERROR,
    );
    $mass = $json('mass');
    $cut = $json('cut', '--at', '0,0,0', '--normal', '0,0,1');
    $walls = $json('walls', '--body', 'block');
    [, $list] = Cases::bowline('drillings', $path, '--body', 'block');
    [$exit, $step] = Cases::bowline('step', $path);
    [$alone, , $why] = Cases::bowline('step', $path, '--run', 'c1');
    [, $around] = Cases::bowline('step', $path, '--with', 'around');
    unlink($path);
    // 60 through; 50 and 30 less 2 × 20, and a quarter of a circle of R 20.
    $held = [16 * M_PI * 60, 16 * M_PI * (40 + 10 * M_PI)];

    expect(array_column($mass['runs'], 'contents'))->toEqualWithDelta($held, 1e-6)
        ->and(array_column($mass['runs'], 'mass'))->toEqual([0, 0])
        ->and($mass['bodies'][0]['id'])->toBe('block')
        ->and($mass['bodies'][0]['volume'])->toEqualWithDelta(1_200_000 - array_sum($held), 1e-5)
        ->and($mass['bodies'][0]['mass'])->toEqualWithDelta($mass['bodies'][0]['volume'] * 1e-6, 1e-12)
        ->and($cut['runs'])->toBe([])
        // In the plane of both: a circle, and a strip of 8 along the bent one.
        ->and($cut['bodies'][0]['area'])->toEqualWithDelta(200 * 100 - 16 * M_PI - 8 * (40 + 10 * M_PI), 1e-3)
        // To +y, where the bend has turned by 45° out of going along it: 30 − 20 (1 − cos 45°), less 4 sin 45°.
        ->and($walls['least']['wall'])->toEqualWithDelta(10 + 16 * M_SQRT1_2, 0.2)
        ->and($walls['findings'])->toBe([])
        ->and(substr_count($list, "\n"))->toBe(2)
        ->and($list)->toContain('the −z face')
        ->and($exit)->toBe(0)
        ->and(substr_count($step, 'MANIFOLD_SOLID_BREP'))->toBe(1)
        // The block is not there a second time, as it was before.
        ->and(substr_count($around, 'MANIFOLD_SOLID_BREP'))->toBe(1)
        ->and($alone)->not->toBe(0)
        ->and($why)->toContain('Channel 1 is taken out of Block, and is written with that');
});

it('measures the wall of a body of several runs, and writes it alone', function (): void {
    $path = (string) tempnam(sys_get_temp_dir(), 'job');
    file_put_contents($path, json_encode(Tees::file([[]], [], [60, 3], [40, 3]), JSON_THROW_ON_ERROR));
    [$exit, $out] = Cases::bowline('walls', $path, '--body', 'tee', '--chord', '2');
    [$written, $step] = Cases::bowline('step', $path, '--body=tee');
    unlink($path);
    $walls = json_decode($out, true, 32, JSON_THROW_ON_ERROR);
    // Not rounded: 3 everywhere but in the corners, where outsides and bores meet a wall's √2 apart at most.
    expect([$exit, $written])->toBe([0, 0])
        ->and($walls['least']['wall'])->toEqualWithDelta(3, 1e-4)
        ->and($walls['most']['wall'])->toBeLessThan(3 * M_SQRT2 + 1e-3)
        ->and($walls['most']['wall'])->toBeGreaterThan(3.5)
        ->and(substr_count($step, 'MANIFOLD_SOLID_BREP'))->toBe(1);
});

it('says what is wrong with the command', function (array $arguments, string $words): void {
    [$exit, $out, $err] = Cases::bowline(...$arguments);
    expect($exit)->toBe(2)->and($out)->toBe('')->and($err)->toContain($words);
})->with([
    'nothing' => [[], 'bowline solve FILE'],
    'no such file' => [['solve', '/nowhere.json'], 'cannot be read'],
    'no such run' => [['solve', Cases::file('corners-straight'), '--run', 'x'], 'no run “x”'],
    'an option of another command' => [
        ['solve', Cases::file('corners-straight'), '--lines', 'x.dxf'],
        'bowline solve takes no --lines; it takes --run.',
    ],
    'an option of no command' => [
        ['stl', Cases::file('corners-straight'), '--fine=1'],
        'bowline stl takes no --fine; it takes --run, --spool, --body, --chord, --with.',
    ],
    'an option without its value' => [['bends', Cases::file('corners-straight'), '--run'], '--run needs a value.'],
    'bodies with something else' => [
        ['stl', Cases::file('corners-straight'), '--with', 'air'],
        '--with is followed by “around”',
    ],
    'a body of several runs and one of them' => [
        ['stl', Cases::file('corners-straight'), '--body', 'tee', '--run', 'feed'], 'leave --run and --spool out',
    ],
    'no such body' => [['step', Cases::file('corners-straight'), '--body', 'tee'], 'there is no body “tee”'],
    'the walls of no body' => [['walls', Cases::file('corners-straight'), '--body', 'tee'], 'there is no body “tee”'],
    'an option twice' => [
        ['bends', Cases::file('corners-straight'), '--run', 'feed', '--run=feed'],
        '--run is given twice.',
    ],
    'no file' => [['bends', '--run', 'feed'], 'takes one job file, and none is named'],
    'two files' => [
        ['solve', Cases::file('corners-straight'), Cases::file('corners-solid')],
        'takes one job file, and 2 are named',
    ],
    'nothing to change' => [
        ['change', Cases::file('corners-straight'), '--run', 'feed'],
        'bowline change needs --change JSON',
    ],
    'a change that is none' => [
        ['change', Cases::file('corners-straight'), '--run', 'feed', '--change', '{"do": "weld"}'],
        '/do: “weld” is no change',
    ],
    'a change of the wrong shape' => [
        [
            'change',
            Cases::file('corners-straight'),
            '--run',
            'feed',
            '--change',
            '{"do": "move-corner", "vertex": 1, "by": 5}',
        ],
        '/by',
    ],
    'no such command' => [['weld', Cases::file('corners-straight')], 'no command “weld”'],
    ...array_map(
        static fn (string $chord): array => [
            ['stl', Cases::file('corners-straight'), '--chord', $chord],
            '--chord is a number from 0.0001 to 1000 mm',
        ],
        [
            'a chord of nothing' => '0',
            'a chord too fine' => '0.00009',
            'finer than floats' => '1e-300',
            'too coarse' => '1001',
            'infinite' => '1e999',
            'no number' => 'fine',
            'a unit' => '0.1mm',
        ],
    ),
]);

it('does not write a body that folds over, and says why', function (): void {
    [$exit, $out, $err] = Cases::bowline('stl', Cases::file('rule-section-fold'));
    expect($exit)->toBe(2)->and($out)->toBe('')->and($err)->toContain('/runs/0')->toContain('folds');
});

it('writes no file in which there is nothing, in any format', function (string $ending): void {
    $wiring = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/wiring.json'), true);
    // A trunk alone.
    [$wiring['runs'], $wiring['harnesses'], $wiring['waivers']] = [[$wiring['runs'][0]], [], []];
    $harness = Cases::written($wiring);
    [$exit, $out, $err] = Cases::bowline($ending, $harness);
    expect($exit)->toBe(2)->and($out)->toBe('')->and($err)->toContain('no run here has a body to write');
    // Its enclosures and the boat round them have bodies.
    [, $around] = Cases::bowline($ending, $harness, '--with', 'around', '--chord', '5');
    expect(strlen($around))->toBeGreaterThan(1000);
})->with(['step', '3mf', 'glb', 'obj', 'stl']);

it('draws and lists by itself, without the framework', function (array $arguments, string $begins): void {
    $job = Cases::file('corners-straight');
    [$exit, $out, $err] = Cases::bowline($arguments[0], $job, ...array_slice($arguments, 1));
    expect($exit)->toBe(0)->and($err)->toBe('')->and(str_starts_with($out, $begins))->toBeTrue();
})->with([
    [['sheet'], '%PDF-'], [['sheet', '--as', 'svg'], '<svg '],
    [['sheet', '--as', 'dxf', '--tape', 'yes'], "  0\r\nSECTION\r\n"],
    [['isometric'], '%PDF-'], [['isometric', '--as', 'svg'], '<svg '],
    [['arrangement'], '%PDF-'], [['arrangement', '--as', 'dxf'], "  0\r\nSECTION\r\n"],
    [['pack'], '%PDF-'], [['pack', '--of', 'lists'], '%PDF-'], [['list', '--list', 'cutting'], 'stock'],
]);

it('says of every command what it takes', function (string $command): void {
    $line = 'bowline '.$command::name().match (true) {
        is_subclass_of($command, TwoJobs::class) => ' BEFORE AFTER',
        is_subclass_of($command, NoJob::class) => ' --port',
        default => ' FILE',
    };
    [$exit, $out, $err] = Cases::bowline($command::name(), '--help');
    expect($exit)
        ->toBe(0)
        ->and($err)
        ->toBe('')
        ->and($out)
        ->toStartWith($line)
        ->toContain($command::summary() === '' ? '-' : ucfirst($command::summary()));
    foreach ($command::options() as $option) {
        expect($out)->toContain('--'.$option->name.' '.$option->value)->toContain($option->summary);
    }
    // And the help of all has a line of it.
    expect(Cases::bowline('--help')[1])->toContain($line);
})->with(CommandLine::COMMANDS);

/** A file with two pairs of ports in a new place, and a box that stands in the way of the second. */
function portsToLay(): string
{
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = [];
    $ports = ['a' => [0, 0, 0], 'b' => [600, 200, 0], 'c' => [0, 500, 0], 'd' => [600, 500, 0]];
    foreach ($ports as $id => $at) {
        $axis = $at[0] === 0 ? '+x' : '-x';
        $file['fittings'][] = ['id' => $id, 'ports' => [['id' => 'p', 'at' => $at, 'axis' => $axis]]];
    }
    $file['surroundings'] = [
        ['id' => 'cap', 'name' => 'Cap', 'shape' => 'box', 'pose' => ['at' => [620, 500, 0]], 'size' => [80, 80, 80]],
    ];

    return Cases::written($file);
}

it('finds ways from port to port', function (): void {
    [$exit, $out, $err] = Cases::bowline(
        'lay', portsToLay(), '--from', 'a.p', '--to', 'b.p', '--stock', 't12', '--ways', '2',
    );
    $ways = json_decode($out)->ways;

    expect($exit)->toBe(0)->and($err)->toBe('')->and($ways)->toHaveCount(2)
        ->and($ways[0]->bends)->toBe(2)
        ->and($ways[0]->length)->toEqualWithDelta(800 - 2 * (2 - M_PI_2) * 36, 1e-6)
        ->and($ways[0]->run->route->stops)->toEqual($ways[0]->stops);
});

it('says why there is no way', function (): void {
    [$exit, $out, $err] = Cases::bowline('lay', portsToLay(), '--from', 'c.p', '--to', 'd.p', '--stock', 't12');

    expect($exit)->toBe(1)->and(json_decode($out)->ways)->toBe([])
        ->and($err)->toContain('No way from c.p to d.p.')->toContain('Cap');
});

it('lays all pairs of a list, and tells those it could not', function (): void {
    $file = portsToLay();
    $pairs = Cases::written("from,to,stock\na.p,b.p,t12\nc.p,d.p,t12\nc.p,x.p,t12\n");
    [$exit, $out, $err] = Cases::bowline('lay-all', $file, '--pairs', $pairs);

    expect($exit)->toBe(1)->and(json_decode($out)->runs)->toHaveCount(1)
        ->and(json_decode($out)->runs[0]->from->port)->toBe('a.p')
        ->and($err)->toContain('No way from c.p to d.p.')->toContain('Line 4, “c.p,x.p,t12”: there is no port “x.p”')
        ->and(Cases::bowline('solve', Cases::written($out))[0])->toBe(0);
});

it('says what is wrong with what is to be laid', function (array $more, string $words): void {
    [$exit, $out, $err] = Cases::bowline('lay', portsToLay(), ...$more);
    expect($exit)->toBe(2)->and($out)->toBe('')->and($err)->toContain($words);
})->with([
    [['--from', 'a.q', '--to', 'b.p', '--stock', 't12'], '/from: there is no port “a.q”'],
    [['--from', 'a.p', '--to', 'b.p'], 'bowline lay needs --stock ID'],
    [['--from', 'a.p', '--to', 'b.p', '--stock', 't12', '--ways', '6'], '--ways is at most 5'],
    [
        ['--from', 'a.p', '--to', 'b.p', '--stock', 't12', '--seconds', 'long'],
        '--seconds is a number from 0 up, not “long”',
    ],
]);

it('tells by its exit code of things that stand in each other, but not of what is waived', function (
    array $more,
    int $code,
    ?string $rule,
): void {
    $tube = static fn (string $id, array $from, array $to): array => [
        'id' => $id, 'stock' => 't12', 'from' => ['at' => $from], 'to' => ['at' => $to],
        'route' => ['kind' => 'corners', 'stops' => []],
    ];
    $file = Jobs::file([], ['at' => [0, 0, 300]], ['clamps' => []]);
    // The second is 8 off the axis of the first: both are 12 thick, and 4 inside each other.
    $file->runs = [$tube('one', [-200, 0, 0], [200, 0, 0]), $tube('other', [0, -200, 8], [0, 200, 8])];
    $file->version = 5;
    foreach ($more as $key => $value) {
        $file->{$key} = $value;
    }
    [$exit, $out] = Cases::bowline('solve', Cases::written((string) json_encode($file)));

    expect($exit)->toBe($code)
        ->and(json_decode($out, true)['clearances'][0]['rule'] ?? null)->toBe($rule);
})->with([
    'a clash' => [[], 1, 'clash'],
    'one that is waived' => [['waivers' => [[
        'a' => ['list' => 'runs', 'id' => 'one'], 'b' => ['list' => 'runs', 'id' => 'other'], 'distance' => -4,
        'reason' => 'Welded there',
    ]]], 0, 'clash'],
    'too near only' => [['runs' => [
        ['id' => 'one', 'stock' => 't12', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [200, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []]],
        ['id' => 'other', 'stock' => 't12', 'from' => ['at' => [0, 20, 0]], 'to' => ['at' => [200, 20, 0]],
            'route' => ['kind' => 'corners', 'stops' => []]],
    ], 'clearances' => ['usual' => 10]], 0, 'clearance'],
    'far apart' => [['runs' => [
        ['id' => 'one', 'stock' => 't12', 'from' => ['at' => [0, 0, 0]], 'to' => ['at' => [200, 0, 0]],
            'route' => ['kind' => 'corners', 'stops' => []]],
    ]], 0, null],
]);
