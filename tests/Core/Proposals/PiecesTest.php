<?php

declare(strict_types=1);

use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;
use Bowline\Proposals\Joint;
use Bowline\Proposals\Pieces;
use Tests\Jobs;

/** @param  array<mixed>  $ends  of each piece */
function pieces(array $ends, float $radius = 30.0): Pieces
{
    $lines = array_map(
        static fn (array $piece): Line => new Line(new Vector(...$piece[0]), new Vector(...$piece[1])),
        array_values($ends),
    );
    assert($lines !== []);

    return Pieces::join(
        $lines,
        $radius, Jobs::laid(Jobs::file([], ['at' => [0, 0, 500]]))->run->stock,
    );
}

$corners = fn (Pieces $pieces): array => array_map(fn (Vector $corner): array => $corner->toArray(), $pieces->corners);

it('joins pieces with the fewest corners', function (array $ends, array $expected) use ($corners): void {
    expect($corners(pieces($ends)))->toEqualWithDelta($expected, 1e-9);
})->with([
    'one behind the other: none' => [[[[0, 0, 0], [100, 0, 0]], [[150, 0, 0], [300, 0, 0]]], []],
    'lines that meet: one' => [[[[0, 0, 0], [100, 0, 0]], [[200, 50, 0], [200, 300, 0]]], [[200, 0, 0]]],
    'lines that meet at a slant: one' => [[[[0, 0, 0], [100, 0, 0]], [[250, 50, 0], [350, 150, 0]]], [[200, 0, 0]]],
    'skew lines: two' => [[[[0, 0, 0], [100, 0, 0]], [[200, 50, 80], [200, 300, 80]]], [[100, 0, 0], [200, 50, 80]]],
    'side by side: two' => [[[[0, 0, 0], [100, 0, 0]], [[200, 70, 0], [300, 70, 0]]], [[100, 0, 0], [200, 70, 0]]],
    // They would meet behind the start of the first: going there would be going back.
    'lines that meet behind it: two' => [
        [[[0, 0, 0], [100, 0, 0]], [[-50, 50, 0], [-50, 200, 0]]],
        [[100, 0, 0], [-50, 50, 0]],
    ],
]);

it('says which joints lack room and how far to pull a piece', function (): void {
    // A right angle of R 30 wants 30 of each leg; 18 are left of the second.
    $joint = pieces([[[0, 0, 0], [100, 0, 0]], [[200, 50, 0], [200, 18, 0]]])->joints[0];
    expect($joint->short)->toBeGreaterThan(0);
    $short = pieces([[[0, 0, 0], [100, 0, 0]], [[200, 0, 0], [200, 18, 0]]])->joints[0];
    expect($short->short)
        ->toEqualWithDelta(12, 1e-9)
        ->and($short->pull?->piece)
        ->toBe(1)
        ->and($short->pull?->atEnd)
        ->toBeTrue()
        ->and($short->pull?->by)
        ->toEqualWithDelta(12, 0.11);
    $fits = pieces([[[0, 0, 0], [100, 0, 0]], [[200, 0, 0], [200, 30, 0]]])->joints[0];
    expect($fits->short)->toBe(0.0)->and($fits->pull)->toBeNull();
});

it('gives skew pieces at random a run with room once the pull it names is made', function (int $seed): void {
    mt_srand($seed);
    $u = (new Vector(1, 0.2 * Jobs::random(), 0.2 * Jobs::random()))->unit();
    $v = (new Vector(0.3 * Jobs::random(), 1, 0.3 * Jobs::random()))->unit();
    $start = new Vector(330 + 20 * Jobs::random(), 20 + 15 * Jobs::random(), 25 + 20 * Jobs::random());
    $ends = [[[0, 0, 0], $u->times(300)->toArray()], [$start->toArray(), $start->plus($v->times(300))->toArray()]];
    $joint = pieces($ends)->joints[0];
    expect($joint)->toBeInstanceOf(Joint::class);
    if ($joint->pull !== null) {
        [$piece, $by] = [$joint->pull->piece, $joint->pull->by];
        $from = new Vector(...$ends[$piece][0]);
        $to = new Vector(...$ends[$piece][1]);
        $move = $to->minus($from)->unit()->times($by);
        $ends[$piece] = $joint->pull->atEnd
            ? [$from->toArray(), $to->plus($move)->toArray()]
            : [$from->minus($move)->toArray(), $to->toArray()];
    }
    $pulled = pieces($ends);
    expect($pulled->joints[0]->short)->toBeLessThan(1e-6);
    // The solver, which knows nothing of pieces, says so too.
    $file = Jobs::file(
        array_map(static fn (stdClass $stop): array => ['at' => $stop->at], $pulled->stops()),
        ['at' => $ends[1][1]],
        ['from' => ['at' => $ends[0][0]]],
    );
    expect(Jobs::broken($file))->toBe([]);
})->with(range(1, 12));
