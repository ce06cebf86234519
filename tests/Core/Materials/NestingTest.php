<?php

declare(strict_types=1);

use Bowline\Materials\Nesting\Bar;
use Bowline\Materials\Nesting\CuttingPlan;
use Bowline\Materials\Nesting\GridKnapsack;
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

it('says no more is needed than is, where whole bars were cut into many different pieces', function (
    int $bars,
    int $parts,
    int $seed,
): void {
    mt_srand($seed);
    $lengths = [];
    for ($i = 0; $i < $bars; $i++) {
        // Parts of 6000 less the cuts between them, none alike.
        $shares = array_map(static fn (): float => mt_rand(1, 1000) / 1000, range(1, $parts));
        foreach ($shares as $share) {
            $lengths[] = (6000.0 - 3.0 * ($parts - 1)) * $share / array_sum($shares);
        }
    }
    $plan = Nesting::of($pieces = piecesOf($lengths), [6000.0], 3.0);
    isPlanFor($plan, $pieces, 3.0);
    expect($plan->bound)->toBeLessThanOrEqual(6000.0 * $bars + 1e-6)
        ->and($plan->length())->toBeGreaterThanOrEqual(6000.0 * $bars - 1e-6);
})->with([[3, 12, 1], [8, 10, 4]]);

it('knows that of pieces of more than a third of a bar only two fit', function (): void {
    // 60 from 2020 to 2964 mm: two to a bar are 30 bars, though their material is that of 25.
    $lengths = array_map(static fn (int $i): float => 2020.0 + 16.0 * $i, range(0, 59));
    $plan = Nesting::of($pieces = piecesOf($lengths), [6000.0], 3.0);
    isPlanFor($plan, $pieces, 3.0);
    expect($plan->bars)->toHaveCount(30)->and($plan->bound)->toEqualWithDelta(180000.0, 1e-6);
});

it('fills a room with what is worth the most, as trying all does', function (int $seed): void {
    mt_srand($seed);
    $widths = array_map(static fn (): float => mt_rand(50, 400) / 10, range(1, 5));
    $worths = array_map(static fn (): float => mt_rand(0, 100) / 10, range(1, 5));
    $most = array_map(static fn (): int => mt_rand(0, 5), range(1, 5));
    $best = 0.0;
    $try = function (int $at, float $free, float $worth) use (&$try, &$best, $widths, $worths, $most): void {
        $best = max($best, $worth);
        for ($n = 0; isset($widths[$at]) && $n <= $most[$at] && $n * $widths[$at] <= $free + 1e-9; $n++) {
            $try($at + 1, $free - $n * $widths[$at], $worth + $n * $worths[$at]);
        }
    };
    $try(0, 100.0, 0.0);
    [$worth, $counts] = GridKnapsack::best(100.0, $widths, $worths, $most);
    $sum = static fn (array $each): float => array_sum(array_map(
        static fn (float $one, int $n): float => $one * $n, $each, $counts,
    ));
    expect($worth)->toEqualWithDelta($best, 1e-9)->and($sum($worths))->toEqualWithDelta($worth, 1e-9)
        ->and($sum($widths))->toBeLessThanOrEqual(100.0 + 1e-9);
    foreach ($counts as $i => $n) {
        expect($n)->toBeLessThanOrEqual($most[$i]);
    }
})->with(range(1, 20));

it('gives the same plan each time, and leaves random numbers of others alone', function (): void {
    mt_srand(7);
    $next = mt_rand();
    mt_srand(7);
    $pieces = piecesOf(array_map(static fn (int $i): float => 300.0 + ($i * 577) % 1900, range(1, 60)));
    $plan = Nesting::of($pieces, [6000.0], 3.0);
    expect(mt_rand())->toBe($next)->and(Nesting::of($pieces, [6000.0], 3.0))->toEqual($plan);
});

it('leaves out what is longer than every bar, and says so', function (): void {
    $plan = Nesting::of(piecesOf([7000.0, 2000.0]), [6000.0], 3.0);
    expect($plan->tooLong)->toHaveCount(1)->and($plan->tooLong[0]->length)->toBe(7000.0)
        ->and($plan->bars)->toHaveCount(1);
    expect(Nesting::of([], [6000.0], 3.0)->bars)->toBe([])->and(Nesting::of([], [6000.0], 3.0)->gap())->toBe(0.0);
});
