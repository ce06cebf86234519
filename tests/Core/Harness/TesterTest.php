<?php

declare(strict_types=1);

use Bowline\Harness\ContinuityReport;
use Bowline\Harness\SimulatedTester;
use Bowline\Harness\WiringFault;
use Bowline\Job;
use Bowline\Job\Harness\Harness;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Tests\Harnesses;
use Tests\Jobs;

/*
 * What a tester finds of a harness with faults in it. Pins of two connectors joined one to one, a splice to three, and
 * two wires on one pin.
 */
$harness = static fn (): Harness => Job::read(Harnesses::file([
    'splices' => [['id' => 'S', 'on' => ['run' => 't1', 'length' => 100]]],
    'wires' => [
        Harnesses::wire('W1', 'panel.X.1', 'pump.M.1'), Harnesses::wire('W2', 'panel.X.2', 'pump.M.2'),
        Harnesses::wire('W3', 'panel.X.3', 'S'), Harnesses::wire('W4', 'S', 'pump.M.3'),
        Harnesses::wire('W5', 'S', 'pump.M.4'),
    ],
]))->harnesses['h'];
$pins = ['panel.X.1', 'panel.X.2', 'panel.X.3', 'pump.M.1', 'pump.M.2', 'pump.M.3', 'pump.M.4'];

it('finds what is wrong, and nothing where nothing is', function (
    array $faults,
    array $words,
) use ($harness, $pins): void {
    $one = $harness();
    $read = array_map(
        static fn (array $fault): WiringFault => WiringFault::read(new Node(Jobs::object($fault)), $one->wires, $pins),
        array_values($faults),
    );
    $found = ContinuityReport::of($one, SimulatedTester::measure($one, $read));

    expect(array_column($found, 'words'))->toBe($words);
})->with([
    'nothing' => [[], []],
    'an open wire' => [[['kind' => 'open', 'wire' => 'W2']], ['pump.M.2 is not joined to panel.X.2.']],
    'an open wire at a splice' => [[['kind' => 'open', 'wire' => 'W4']], ['pump.M.3 is not joined to panel.X.3.']],
    'the wire to a splice' => [[['kind' => 'open', 'wire' => 'W3']], ['panel.X.3 is not joined to pump.M.3.']],
    'swapped' => [
        [['kind' => 'swapped', 'pins' => ['pump.M.1', 'pump.M.2']]],
        // Of two wires by themselves nobody can tell at which end.
        ['panel.X.1 and panel.X.2 are swapped, here or at their other ends.'],
    ],
    // The splice tells the end: its other pins are where they should be.
    'swapped beside a splice' => [
        [['kind' => 'swapped', 'pins' => ['pump.M.2', 'pump.M.3']]], ['pump.M.2 and pump.M.3 are swapped.'],
    ],
    // Both are of one net: what is swapped makes no difference.
    'swapped within a net' => [[['kind' => 'swapped', 'pins' => ['pump.M.3', 'pump.M.4']]], []],
    'a short' => [
        [['kind' => 'short', 'pins' => ['pump.M.1', 'pump.M.3']]],
        ['panel.X.1 and panel.X.3 are joined, and should not be.'],
    ],
    'two at once' => [
        [['kind' => 'open', 'wire' => 'W5'], ['kind' => 'short', 'pins' => ['panel.X.1', 'panel.X.2']]],
        ['pump.M.4 is not joined to panel.X.3.', 'panel.X.1 and panel.X.2 are joined, and should not be.'],
    ],
]);

it('answers with joined pins alone', function () use ($harness): void {
    expect(SimulatedTester::measure($harness(), []))->toEqualCanonicalizing([
        ['panel.X.1', 'pump.M.1'], ['panel.X.2', 'pump.M.2'], ['panel.X.3', 'pump.M.3', 'pump.M.4'],
    ]);
});

it('refuses a fault of what is not there', function (array $fault, string $words) use ($harness, $pins): void {
    expect(fn () => WiringFault::read(new Node(Jobs::object($fault)), $harness()->wires, $pins))
        ->toThrow(JobError::class, $words);
})->with([
    [['kind' => 'open', 'wire' => 'W9'], 'there is no wire “W9”'],
    [['kind' => 'short', 'pins' => ['panel.X.1', 'panel.X.9']], 'no wire ends at “panel.X.9”'],
    [['kind' => 'swapped', 'pins' => ['panel.X.1', 'panel.X.1']], 'two pins are swapped or joined'],
]);
