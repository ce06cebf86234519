<?php

declare(strict_types=1);

use Bowline\Drawing\Plan\PlanPath;
use Bowline\Drawing\Plan\PlanText;
use Bowline\Drawing\Sheet\Canvas;
use Bowline\Drawing\Sheet\DimensionLine;
use Bowline\Drawing\Sheet\Labels;
use Bowline\Drawing\Sheet\Paper;
use Bowline\Drawing\Sheet\Table;
use Bowline\Drawing\Sheet\TextBox;
use Bowline\Drawing\Sheet\TextMetrics;
use Bowline\Drawing\View\Projection;
use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Tests\Sheets;

const WHOLE_SHEET = [0.0, 0.0, 210.0, 297.0];

function canvas(): Canvas
{
    return new Canvas(Paper::upright('a4'), new TextMetrics);
}

/** @return list<string> */
function wordsOn(Canvas $canvas): array
{
    return array_map(static fn (PlanText $one): string => $one->text, Sheets::texts($canvas->plan('')));
}

/** @return list<PlanPath> */
function strokesOn(Canvas $canvas): array
{
    return array_values(array_filter(
        $canvas->plan('')->shapes, static fn (object $one): bool => $one instanceof PlanPath,
    ));
}

it('has the papers of ISO 216 and of ASME Y14.1', function (string $name, float $short, float $long): void {
    [$upright, $across] = [Paper::upright($name), Paper::across(strtoupper($name))];
    expect([$upright->width, $upright->height])->toEqualWithDelta([$short, $long], 1e-9)
        ->and([$across->width, $across->height])->toEqualWithDelta([$long, $short], 1e-9);
})->with([
    // Each ISO size is half the one before, rounded down; A0 has one square metre.
    ['a0', 841, 1189], ['a1', 594, 841], ['a2', 420, 594], ['a3', 297, 420], ['a4', 210, 297],
    // 8.5 × 11, 11 × 17, 17 × 22, 22 × 34, 34 × 44 inches.
    ['letter', 8.5 * 25.4, 11 * 25.4], ['b', 11 * 25.4, 17 * 25.4], ['c', 17 * 25.4, 22 * 25.4],
    ['d', 22 * 25.4, 34 * 25.4], ['e', 34 * 25.4, 44 * 25.4],
]);

it('names the papers there are where there is none of a name', function (): void {
    expect(fn () => Paper::usual('a7'))->toThrow(JobError::class, 'there is no paper “a7”; a4, a3');
});

it('holds a small sheet upright and lays a large one across', function (string $name, bool $isUpright): void {
    $paper = Paper::usual($name);
    expect($paper->height > $paper->width)->toBe($isUpright);
})->with([['a4', true], ['letter', true], ['a3', false], ['e', false]]);

it('looks at a job from its sides', function (string $view, array $right, array $up): void {
    foreach ([[0, 0, 1], [0, 1, 0], [1, 0, 0]] as $i => $upright) {
        $projection = Projection::{$view}(new Vector(...$upright));
        // In a job that stands on z. The others are checked for being square and right-handed.
        if ($i === 0) {
            expect($projection->right->toArray())->toEqualWithDelta($right, 1e-12)
                ->and($projection->up->toArray())->toEqualWithDelta($up, 1e-12);
        }
        $square = $projection->right->cross($projection->up);
        expect($projection->right->dot($projection->up))->toEqualWithDelta(0.0, 1e-12)
            ->and($square->minus($projection->towards)->length())->toBeLessThan(1e-12);
    }
})->with([
    'from above x is to the right and y up' => ['above', [1, 0, 0], [0, 1, 0]],
    'from the front one sees x to the right and z up' => ['front', [1, 0, 0], [0, 0, 1]],
    'from the right the front is to the left' => ['right', [0, 1, 0], [0, 0, 1]],
    'from the left the front is to the right' => ['left', [0, -1, 0], [0, 0, 1]],
]);

it('shows of a length the part that is not along the view', function (): void {
    $view = Projection::above(new Vector(0, 0, 1));
    // A leg that rises by 30° is seen from above at cos 30° of its length.
    expect($view->share((new Vector(3 ** 0.5, 0, 1))->unit()))->toEqualWithDelta(cos(M_PI / 6), 1e-12)
        ->and($view->flat(new Vector(3, 4, 5)))->toEqualWithDelta([3.0, 4.0], 1e-12);
});

it('draws a dimension with its text over the line, readable from below or from the right', function (
    float $x,
    float $y,
    float $angle,
): void {
    $canvas = canvas();
    expect((new DimensionLine($canvas, WHOLE_SHEET))->draw([100.0, 150.0], [$x, $y], '410.0', 8.0, []))->toBeTrue();
    [$text] = Sheets::texts($canvas->plan(''));
    expect($text->text)->toBe('410.0')->and(rad2deg($text->angle))->toEqualWithDelta($angle, 1e-6);
    // Two extension lines, the line itself, two arrows.
    expect(strokesOn($canvas))->toHaveCount(5);
})->with([
    'to the right' => [160.0, 150.0, 0], 'to the left' => [40.0, 150.0, 0], 'up' => [100.0, 210.0, 90],
    'down' => [100.0, 90.0, 90], 'up to the right' => [150.0, 200.0, 45], 'down to the right' => [150.0, 100.0, -45],
    'up to the left' => [50.0, 200.0, -45],
]);

it('keeps dimensions of the same length apart', function (): void {
    $canvas = canvas();
    $dimension = new DimensionLine($canvas, WHOLE_SHEET);
    foreach (['1', '2', '3', '4'] as $text) {
        expect($dimension->draw([60.0, 150.0], [120.0, 150.0], $text, 8.0, []))->toBeTrue();
    }
    // 5.5 mm from one to the next, on both sides of what is measured.
    $heights = array_map(static fn (PlanText $one): float => $one->at[1] - 150.0, Sheets::texts($canvas->plan('')));
    sort($heights);
    expect($heights[1] - $heights[0])->toEqualWithDelta(5.5, 1e-6)
        ->and($heights[3] - $heights[2])->toEqualWithDelta(5.5, 1e-6)
        ->and($heights[1])->toBeLessThan(0.0)->and($heights[2])->toBeGreaterThan(0.0);
});

it('writes a dimension by a leader where the line has no room', function (): void {
    $canvas = canvas();
    // Both sides are taken, as far as places are tried, but for what is over and under the middle.
    foreach ([70.0, 110.0] as $x) {
        $canvas->keep(new TextBox([$x, 150.0], [3.0, 60.0], 0.0));
    }
    $dimension = new DimensionLine($canvas, WHOLE_SHEET);
    expect($dimension->draw([60.0, 150.0], [120.0, 150.0], '60.0', 8.0, []))->toBeTrue()
        ->and(wordsOn($canvas))->toBe(['60.0'])
        // One line, which begins at the middle of what is measured.
        ->and(strokesOn($canvas))->toHaveCount(1)
        ->and(strokesOn($canvas)[0]->points[0])->toEqualWithDelta([90.0, 150.0], 1e-9);
});

it('says when there is no room for a label, and writes nothing', function (): void {
    $canvas = canvas();
    $canvas->keep(new TextBox([105.0, 148.0], [110.0, 150.0], 0.0));
    $labels = new Labels($canvas, WHOLE_SHEET, []);
    $dimension = new DimensionLine($canvas, WHOLE_SHEET);
    expect($labels->note('notes', [100.0, 100.0], 0.0, ['Clamp'], 1.9))->toBeFalse()
        ->and($labels->balloon('bends', [100.0, 100.0], 0.0, '3', 4.0))->toBeFalse()
        ->and($dimension->draw([60.0, 150.0], [120.0, 150.0], '60.0', 8.0, []))->toBeFalse()
        ->and($canvas->plan('')->shapes)->toBe([]);
});

it('keeps labels off lines, off each other and on the sheet', function (): void {
    $canvas = canvas();
    $pipe = [[20.0, 150.0], [190.0, 150.0]];
    $within = [10.0, 100.0, 200.0, 200.0];
    $labels = new Labels($canvas, $within, [$pipe]);
    for ($i = 0; $i < 24; $i++) {
        expect($labels->note('notes', [60.0 + 4.0 * $i, 150.0], M_PI / 2, ['Clamp '.$i], 1.9))->toBeTrue();
    }
    $boxes = array_map(
        static fn (PlanText $text): TextBox => TextBox::of($text, new TextMetrics), Sheets::texts($canvas->plan('')),
    );
    foreach ($boxes as $i => $box) {
        expect($box->isWithin(...$within))->toBeTrue()->and($box->isCrossedBy(...$pipe))->toBeFalse();
        foreach (array_slice($boxes, $i + 1) as $other) {
            expect($box->overlaps($other))->toBeFalse();
        }
    }
});

it('divides tables over pages, no row lost and none over the height', function (int $rows, float $height): void {
    $table = new Table('Bends', ['No.', 'Angle'], array_map(
        static fn (int $i): array => [(string) $i, '90.0'], $rows === 0 ? [] : range(1, $rows),
    ), [1.0, 1.0]);
    $pages = Table::divided([$table, $table], $height, 4.0);
    foreach ($pages as $page) {
        $high = array_sum(array_map(static fn (Table $one): float => $one->height(), $page)) + 4.0 * (count($page) - 1);
        expect($high)->toBeLessThanOrEqual($height + 1e-9);
    }
    $parts = array_merge(...$pages);
    expect(array_sum(array_map(static fn (Table $one): int => $one->count(), $parts)))->toBe(2 * $rows);
})->with([[0, 100.0], [1, 100.0], [7, 60.0], [40, 100.0], [200, 250.0], [13, 30.0]]);

it('draws a table with a heading that is told again where it goes on', function (): void {
    $canvas = canvas();
    $table = new Table('Bends', ['No.', 'Angle'], [['1', '90.0'], ['2', '45.0']], [1.0, 1.0]);
    $table->part(1, 5)->draw($canvas, 20.0, 200.0, 60.0);
    expect(wordsOn($canvas))->toBe(['Bends, continued', 'No.', 'Angle', '2', '45.0']);
    $last = Sheets::texts($canvas->plan(''))[4];
    // Numbers end at the right edge of their column, in the second half of the width.
    expect($last->at[0])->toBeGreaterThan(77.0)->toBeLessThan(80.0);
});
