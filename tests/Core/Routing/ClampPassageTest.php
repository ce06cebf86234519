<?php

declare(strict_types=1);

use Bowline\Routing\ClampPassage;
use Tests\Jobs;

/** A cable from (0, 0, 0) to (1000, 0, 0) through a clamp of 20 at 300 and a loose tie at 700. */
function clampedCable(): stdClass
{
    $file = Jobs::file([], ['at' => [1000, 0, 0], 'axis' => [-1, 0, 0]], [
        'clamps' => [
            ['id' => 'clamp', 'at' => [300, 0, 0], 'axis' => [1, 0, 0], 'bore' => 12, 'width' => 20],
            ['id' => 'tie', 'at' => [700, 0, 0], 'axis' => [0, 1, 0], 'bore' => 12, 'width' => 20],
        ],
        'from' => ['at' => [0, 0, 0], 'axis' => [1, 0, 0]],
    ]);
    $file->runs[0]->route = Jobs::object([
        'kind' => 'hang', 'length' => 1100,
        'through' => [['clamp' => 'clamp', 'reverse' => true], ['clamp' => 'tie', 'loose' => true]],
    ]);

    return $file;
}

it('passes the clamps of a cable on their axes, and ties in whatever direction', function (): void {
    $passages = ClampPassage::of(Jobs::laid(clampedCable()));
    // It goes into the clamp at 310 and comes out of it at 290: 310, 410 and 300 between them, which share 1080.
    $first = 310 * 1080 / 1020;
    $tie = $first + 20 + 410 * 1080 / 1020;
    expect(array_map(static fn (ClampPassage $one): string => $one->clamp->id, $passages))->toBe(['clamp', 'tie'])
        ->and(array_column($passages, 'stop'))->toBe([0, 1])
        ->and(array_column($passages, 'isLoose'))->toBe([false, true])
        ->and(array_map(static fn (ClampPassage $one): array => $one->travel->toArray(), $passages))
        ->toEqualWithDelta([[-1, 0, 0], [0, 1, 0]], 1e-12)
        ->and(array_column($passages, 'span'))->toEqualWithDelta([[$first, $first + 20], [$tie, $tie]], 1e-9);
    foreach ($passages as $one) {
        expect([$one->offAxis, $one->turnsBefore, $one->turnsAfter, $one->lacksBefore, $one->lacksAfter])
            ->toBe([0.0, 0.0, 0.0, 0.0, 0.0]);
    }
});

it('keeps within the run what is inside a clamp at its end', function (float $at, array $span): void {
    // A straight of 250, up from (0, 0, 50).
    $laid = Jobs::laid(Jobs::file([['clamp' => 'c', 'before' => 0, 'after' => 0]], ['at' => [0, 0, 300]], [
        'clamps' => [['id' => 'c', 'at' => [0, 0, $at], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 40]],
    ]));
    expect(ClampPassage::of($laid)[0]->span)->toEqualWithDelta($span, 1e-9);
})->with([
    'in the middle' => [200.0, [130.0, 170.0]],
    'beside its start' => [60.0, [0.0, 30.0]],
    'beside its end' => [290.0, [220.0, 250.0]],
]);

it('knows no clamp where there is none', function (): void {
    expect(ClampPassage::of(Jobs::laid(Jobs::file([['at' => [0, 0, 200]]], ['at' => [100, 0, 200]]))))->toBe([]);
});
