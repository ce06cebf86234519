<?php

declare(strict_types=1);

use Bowline\Harness\BundleSections;
use Bowline\Harness\BundleSpan;
use Bowline\Harness\FoundPackings;
use Bowline\Job;
use Bowline\Job\JobFile;
use Bowline\Solving\HarnessSolver;
use Tests\Harnesses;

/*
 * What lies in a trunk from place to place. Wires of 2 and 4 mm; 7 equal circles pack into one of three times their
 * size, and 3 into one of 1 + 2/√3.
 */
it('has the wires that go that way in each span, and is as thick as they pack', function (): void {
    $branch = Harnesses::trunk('t2', ['on' => ['run' => 't1', 'length' => 400], 'axis' => [0, 0, 1]], [
        'port' => 'lamp.L',
    ]);
    $file = Harnesses::file(
        ['wires' => [
            Harnesses::wire('A', 'panel.X.1', 'pump.M.1'), Harnesses::wire('B', 'panel.X.2', 'pump.M.2'),
            Harnesses::wire('C', 'panel.X.3', 'lamp.L.1'),
        ]], [$branch], [Harnesses::connector('lamp', 'L', [400, 0, 300], ['1'])],
    );
    $bundles = Harnesses::solved($file)->bundles;
    $spans = array_map(
        static fn (BundleSpan $one): array => [$one->from, $one->to, $one->wires], $bundles['t1'],
    );

    expect($spans)->toBe([[0.0, 400.0, ['A', 'B', 'C']], [400.0, 1000.0, ['A', 'B']]])
        ->and($bundles['t1'][0]->diameter)->toEqualWithDelta(2 * (1 + 2 / sqrt(3)), 1e-3)
        ->and($bundles['t1'][1]->diameter)->toEqualWithDelta(4, 1e-6)
        ->and($bundles['t2'][0]->diameter)->toEqualWithDelta(2, 1e-9)
        // 0.02 kg a metre each.
        ->and($bundles['t1'][0]->mass)->toEqualWithDelta(3 * 0.4 * 0.02, 1e-9)
        ->and($bundles['t1'][1]->mass)->toEqualWithDelta(2 * 0.6 * 0.02, 1e-9);
});

it('may be bent as the wire that may be bent least', function (array $stocks, float $radius): void {
    $wires = array_map(
        static fn (string $stock, int $i): array => Harnesses::wire(
            "W$i", "panel.X.$i", "pump.M.$i", ['stock' => $stock],
        ), $stocks, range(1, count($stocks)),
    );
    $spans = Harnesses::solved(Harnesses::file(['wires' => $wires]))->bundles['t1'];

    expect($spans[0]->leastRadius)->toBe($radius);
})->with([[['w2', 'w2'], 10.0], [['w2', 'w4'], 25.0]]);

it('counts a cable once for all of its cores, and twisted wires as what goes round them', function (): void {
    $wires = static fn (array $more): array => array_map(
        static fn (int $i): array => Harnesses::wire("W$i", "panel.X.$i", "pump.M.$i", $more), [1, 2],
    );
    $span = static fn (array $harness): BundleSpan => Harnesses::solved(Harnesses::file($harness))->bundles['t1'][0];

    expect($span([
        'cables' => [['id' => 'K', 'stock' => 'w4']], 'wires' => $wires(['cable' => 'K']),
    ])->diameter)->toEqualWithDelta(4, 1e-9)
        ->and($span([
            'pairs' => [['id' => 'p', 'lay' => 20]],
            'wires' => [...$wires(['pair' => 'p']), Harnesses::wire('W3', 'panel.X.3', 'pump.M.3', ['stock' => 'w4'])],
        ])->diameter)->toEqualWithDelta(8, 1e-6);
});

it('is thicker under what covers it', function (array $cover, array $diameters): void {
    $file = Harnesses::file(['covers' => [['run' => 't1', ...$cover]]]);
    $spans = Harnesses::solved($file)->bundles['t1'];

    expect(array_map(static fn (BundleSpan $one): float => $one->diameter, $spans))
        ->toEqualWithDelta($diameters, 1e-9);
})->with([
    'a sleeve over a length' => [['kind' => 'sleeve', 'from' => 200, 'to' => 700, 'thickness' => 0.5], [2, 3, 2]],
    'a sleeve all along' => [['kind' => 'sleeve', 'thickness' => 0.5], [3]],
    // Turns that lie half over each other are twice as thick.
    'tape' => [['kind' => 'tape', 'from' => 500, 'thickness' => 0.15, 'overlap' => 50], [2, 2.6]],
    'a conduit wider than what is in it' => [['kind' => 'conduit', 'bore' => 12, 'thickness' => 1], [14]],
]);

it('is found where it does not fit', function (
    array $harness,
    array $first,
    array $words,
    array $cures,
): void {
    $file = Harnesses::file($harness, [], [], $first);
    $solved = Harnesses::solved($file);

    expect(Harnesses::found($solved))->toBe($words)
        ->and(array_map(static fn ($one): string => $one->label, $solved->findings[0]->remedies))->toBe($cures);
})->with([
    // (2/5)² is 16 % of the bore; √(16/10) as wide is 6.325.
    'a conduit too full' => [
        ['covers' => [['run' => 't1', 'kind' => 'conduit', 'bore' => 5, 'thickness' => 1, 'fill' => 10]]], [],
        ['The conduit on T1 is too full. Its wires take 16 % of its bore; they may take 10 %.'],
        ['Take one of bore 6.4 mm'],
    ],
    'a wire longer than it may be' => [
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['length' => ['at_most' => 950]])]], [],
        ['W1 is too long. It is 1000 mm; it may be 950 mm.'], ['Let it be 1000 mm'],
    ],
    'a wire that is made too short' => [
        [
            'wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['length' => ['is' => 1010]])],
            'allowance' => ['strip' => 8],
        ], [],
        ['W1 is too long. With what its ends need it takes 1016 mm; it is made 1010 mm long.'],
        ['Make it 1016 mm long'],
    ],
    'a trunk bent tighter than a wire may be' => [
        ['wires' => [Harnesses::wire('W1', 'panel.X.1', 'pump.M.1', ['stock' => 'w4'])]],
        ['route' => ['kind' => 'corners', 'corner' => ['radius' => 12], 'stops' => [
            ['at' => [0, 0, 200]], ['at' => [1000, 0, 200]],
        ]]],
        [
            'T1 is bent too tight. R 12; W1 needs at least R 25.',
            'T1 is bent too tight. R 12; W1 needs at least R 25.',
        ],
        ['Use R 25', 'Use R 25 at every corner'],
    ],
]);

it('matches the lengths of two wires within a tolerance', function (float $tolerance, bool $isFound): void {
    $file = Harnesses::file(['wires' => [
        Harnesses::wire('H', 'panel.X.1', 'pump.M.1'),
        Harnesses::wire('L', 'lamp.L.1', 'pump.M.2', ['length' => ['same_as' => 'H', 'tolerance' => $tolerance]]),
    ]], [], [Harnesses::connector('lamp', 'L', [100, 60, 0], ['1'])]);

    // 60 to the trunk and 900 along it: 40 shorter.
    expect(Harnesses::found(Harnesses::solved($file)))->toBe(! $isFound ? [] : [
        'L is too short. It is 960 mm, and H is 1000 mm: 40 mm apart, where 39 mm are allowed.',
    ]);
})->with([[40.0, false], [39.0, true]]);

/*
 * The door of the demo's panel, with a loop of 430 whose least radius over the swing is R 50.1 (found by its sweep).
 */
$door = static function (float $movingRadius): stdClass {
    $file = JobFile::decode((string) file_get_contents(__DIR__.'/../../../database/demo/wiring.json'));
    foreach ($file->stock as $stock) {
        if ($stock->kind !== 'bundle') {
            $stock->bend->moving_radius = $movingRadius;
        }
    }

    return $file;
};

it('keeps the radius in motion of the wires over a hinge', function (float $movingRadius, bool $isFound) use (
    $door,
): void {
    $job = Job::read($door($movingRadius));
    $solver = new HarnessSolver($job);
    $found = array_values(array_filter(
        $solver->all()[0]->findings, static fn ($one): bool => $one->rule === 'bundle-moving',
    ));
    $run = $job->runs['door-loop'];
    $tightest = $run->route->lay($run)->sweep()?->tightest()->leastRadius();

    expect($found !== [])->toBe($isFound)->and($tightest)->toBeGreaterThan(49.0)->toBeLessThan(51.0);
    if ($isFound) {
        expect($found[0]->run)->toBe('door-loop')->and($found[0]->measured)->toEqualWithDelta($tightest, 1e-6)
            ->and($found[0]->required)->toEqualWithDelta($movingRadius, 1e-9);
    }
})->with([[49.0, false], [52.0, true]]);

it('cures a loop that is too tight by a longer one', function () use ($door): void {
    $solver = new HarnessSolver(Job::read($door(52.0)));
    $cured = $solver->cured($solver->all()[0])->findings[0];
    $file = $door(52.0);
    foreach ($file->runs as $i => $run) {
        if ($run->id === 'door-loop') {
            $file->runs[$i] = $cured->remedies[0]->item;
        }
    }

    expect($cured->remedies[0]->label)->toMatch('/^Make it \d+ mm long$/')->and($cured->remedies)->toHaveCount(1)
        ->and((new HarnessSolver(Job::read($file)))->all()[0]->findings)->toBe([]);
});

it('lays the wires of each span beside each other, and keeps their places from span to span', function (): void {
    $job = Job::read(JobFile::decode(
        (string) file_get_contents(__DIR__.'/../../../database/demo/wiring.json'),
    ));
    $solved = (new HarnessSolver($job))->all()[0];
    $sections = (new BundleSections(new FoundPackings))->of($solved->laid, $solved->bundles);
    $moved = $spans = 0;
    foreach ($sections as $run => $ofRun) {
        $before = null;
        foreach ($ofRun as [$span, $circles]) {
            $spans++;
            $wires = array_merge(...array_column($circles, 0));
            expect($wires)->toEqualCanonicalizing($span->wires);
            foreach ($circles as $i => [, $radius, [$x, $y]]) {
                expect(hypot($x, $y) + $radius)->toBeLessThan($span->bare / 2 + 1e-4);
                foreach (array_slice($circles, $i + 1) as [, $other, $at]) {
                    expect(hypot($x - $at[0], $y - $at[1]))->toBeGreaterThan($radius + $other - 1e-6);
                }
            }
            // The same wires lie as they lay, where a cover begins.
            if ($before !== null && $before[0]->wires === $span->wires) {
                $moved += (int) ($before[1] !== $circles);
            }
            $before = [$span, $circles];
        }
    }

    expect($spans)->toBeGreaterThan(8)->and($moved)->toBe(0);
});
