<?php

declare(strict_types=1);

use Bowline\Materials\Nesting\Bar;
use Bowline\Materials\Nesting\CuttingPlan;
use Bowline\Materials\Nesting\Nesting;
use Bowline\Materials\Nesting\Piece;

/**
 * @param  list<float>  $lengths
 * @return list<Piece>
 */
function piecesOf(array $lengths): array
{
    return array_map(
        static fn (float $length, int $i): Piece => new Piece('p'.$i, $length), $lengths, array_keys($lengths),
    );
}

/**
 * The least length of bars for pieces, by trying every way of putting each into every bar that is begun, or a new one.
 *
 * @param  list<float>  $lengths
 * @param  list<float>  $bars
 */
function leastLength(array $lengths, array $bars, float $kerf): float
{
    rsort($lengths);
    $best = INF;
    $put = function (int $at, array $free, float $bought) use (&$put, &$best, $lengths, $bars, $kerf): void {
        if ($bought >= $best) {
            return;
        }
        if (! isset($lengths[$at])) {
            $best = $bought;

            return;
        }
        $seen = [];
        foreach ($free as $i => $room) {
            if ($room >= $lengths[$at] - 1e-9 && ! in_array($room, $seen, true)) {
                $seen[] = $room;
                $put($at + 1, [...$free, $i => $room - $lengths[$at] - $kerf], $bought);
            }
        }
        foreach ($bars as $bar) {
            if ($bar >= $lengths[$at] - 1e-9) {
                $put($at + 1, [...$free, $bar - $lengths[$at] - $kerf], $bought + $bar);
            }
        }
    };
    $put(0, [], 0.0);

    return $best;
}

/** What holds of every plan: each piece is cut once, no bar holds more than it is long, offcuts are what is left. */
function isPlanFor(CuttingPlan $plan, array $pieces, float $kerf): void
{
    $marks = array_merge(...array_map(
        static fn (Bar $bar): array => array_map(static fn (Piece $one): string => $one->mark, $bar->pieces),
        $plan->bars,
    ));
    expect($marks)->toEqualCanonicalizing(array_map(static fn (Piece $one): string => $one->mark, $pieces));
    foreach ($plan->bars as $bar) {
        $used = array_sum(array_map(static fn (Piece $one): float => $one->length, $bar->pieces))
            + $kerf * (count($bar->pieces) - 1);
        expect($used)->toBeLessThanOrEqual($bar->length + 1e-6)
            // What is left is cut off the last piece, too.
            ->and($bar->offcut)->toEqualWithDelta(max(0.0, $bar->length - $used - $kerf), 1e-6);
    }
}

it('cuts what fits exactly without an offcut', function (): void {
    // 3 × 1998 and two cuts of 3 are 6000: two bars for six pieces, nothing left.
    $pieces = piecesOf(array_fill(0, 6, 1998.0));
    $plan = Nesting::of($pieces, [6000.0], 3.0);
    isPlanFor($plan, $pieces, 3.0);
    expect($plan->bars)->toHaveCount(2)->and($plan->gap())->toBe(0.0)
        ->and($plan->bars[0]->offcut)->toEqualWithDelta(0.0, 1e-6);
});

it('needs a bar more where the cuts take too much', function (): void {
    expect(Nesting::of(piecesOf(array_fill(0, 6, 1998.5)), [6000.0], 3.0)->bars)->toHaveCount(3);
});

it('finds what taking the longest first misses', function (): void {
    // 600 + 400, 500 + 500, and 300 + 300 + 200 + 200; the longest first puts 300 beside 600, and needs a fourth bar.
    $lengths = [600.0, 500.0, 500.0, 400.0, 300.0, 300.0, 200.0, 200.0];
    $plan = Nesting::of(piecesOf($lengths), [1000.0], 0.0);
    expect($plan->bars)->toHaveCount(3)->and($plan->length())->toBe(leastLength($lengths, [1000.0], 0.0));
});

it('is as good as an exhaustive search', function (int $seed): void {
    mt_srand($seed);
    $bars = $seed % 3 === 0 ? [1500.0, 2500.0] : [2000.0];
    $lengths = array_map(static fn (): float => (float) mt_rand(180, 1300), range(1, 7 + $seed % 3));
    $plan = Nesting::of($pieces = piecesOf($lengths), $bars, 3.0);
    isPlanFor($plan, $pieces, 3.0);
    $least = leastLength($lengths, $bars, 3.0);

    expect($plan->length())->toEqualWithDelta($least, 1e-6)
        // Of so few the best is known to be the best.
        ->and($plan->bound)->toEqualWithDelta($least, 1e-6);
})->with(range(1, 24));

it('is within one per cent of the bound for many pieces', function (int $seed, array $bars): void {
    mt_srand($seed);
    $lengths = [];
    for ($i = 0; $i < 90; $i++) {
        $lengths[] = (float) mt_rand(250, 2600);
    }
    /** @var non-empty-list<float> $bars */
    $plan = Nesting::of($pieces = piecesOf($lengths), $bars, 3.0);
    isPlanFor($plan, $pieces, 3.0);
    // Some twenty bars: one more would be five per cent.
    expect($plan->gap())->toBeLessThanOrEqual(0.01);
})->with([[1, [6000.0]], [2, [6000.0]], [3, [6000.0]], [4, [4000.0, 6000.0]], [5, [3000.0, 6000.0]]]);

it('leaves out what is longer than every bar, and says so', function (): void {
    $plan = Nesting::of(piecesOf([7000.0, 2000.0]), [6000.0], 3.0);
    expect($plan->tooLong)->toHaveCount(1)->and($plan->tooLong[0]->length)->toBe(7000.0)
        ->and($plan->bars)->toHaveCount(1);
    expect(Nesting::of([], [6000.0], 3.0)->bars)->toBe([])->and(Nesting::of([], [6000.0], 3.0)->gap())->toBe(0.0);
});
