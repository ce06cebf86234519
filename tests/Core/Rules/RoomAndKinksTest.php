<?php

declare(strict_types=1);

use Bowline\Rules\Finding;
use Bowline\Rules\Remedy;
use Bowline\Rules\Rules;
use Tests\Jobs;
use Tests\Limits;

/*
 * The kink of a cable at its clamps, by the angle at which a catenary ends; and all that is suggested where a leg has
 * no room or a bend is too tight, in its order, with the amounts worked out by hand.
 */

/** Length of a cable over a level span that hangs so deep that it ends at this angle: d·sinh u / u, sinh u = tan θ. */
function hung(float $span, float $degrees): float
{
    $u = asinh(tan(deg2rad($degrees)));

    return $span * sinh($u) / $u;
}

/**
 * What is found of the kinks of a cable over three level spans of 400, 300 and 500, through clamps of 20.
 *
 * @param  array<float>  $degrees  at which each span ends
 * @return list<Finding>
 */
function kinksOf(array $degrees, bool $isLoose): array
{
    $width = $isLoose ? 0 : 20;
    $clamps = [[400 + $width / 2, 'near'], [700 + 3 * $width / 2, 'far']];
    $file = Limits::line(1200 + 2 * $width, [
        'kind' => 'hang',
        'length' => hung(400, $degrees[0]) + hung(300, $degrees[1]) + hung(500, $degrees[2]) + 2 * $width,
        'through' => [
            ['clamp' => 'near', 'length' => hung(400, $degrees[0]), ...($isLoose ? ['loose' => true] : [])],
            ['clamp' => 'far', 'length' => hung(300, $degrees[1]), ...($isLoose ? ['loose' => true] : [])],
        ],
    ]);
    $file->clamps = array_map(static fn (array $one): stdClass => Jobs::object([
        'id' => $one[1], 'name' => ucfirst($one[1]), 'at' => [$one[0], 0, 0], 'axis' => '+x', 'bore' => 12,
        'width' => 20,
    ]), $clamps);

    return Rules::all()['kink']->check(Jobs::laid($file));
}

it('kinks by the steeper side where it goes along the axis, by both together where it is loose', function (
    array $degrees,
    bool $isLoose,
    array $kinks,
): void {
    $found = kinksOf($degrees, $isLoose);
    $measured = [];
    foreach ($found as $finding) {
        $measured[$finding->subject->name ?? ''] = $finding->measured;
        expect($finding->severity->value)->toBe('warning')
            ->and($finding->required)->toBe(10.0)
            ->and($finding->title)->toBe('It kinks at '.ucfirst($finding->subject->name ?? ''))
            ->and($finding->message)->toBe(sprintf(
                'It hangs there %.0f° off %s. With less slack it kinks less; one that lies over what it meets keeps '.
                'its radius.',
                $finding->measured, $isLoose ? 'the way it came' : 'the axis',
            ));
    }
    expect($measured)->toEqualWithDelta($kinks, 1e-6);
})->with([
    'nowhere' => [[9.0, 8.0, 9.9], false, []],
    'ahead of the first' => [[30.0, 5.0, 5.0], false, ['near' => 30.0]],
    'behind the last' => [[5.0, 5.0, 25.0], false, ['far' => 25.0]],
    'on both sides of the middle' => [[5.0, 20.0, 5.0], false, ['near' => 20.0, 'far' => 20.0]],
    'each by its steeper side' => [[12.0, 15.0, 40.0], false, ['near' => 15.0, 'far' => 40.0]],
    'loose, neither by itself' => [[6.0, 7.0, 2.0], true, ['near' => 13.0]],
    'loose, both' => [[20.0, 20.0, 30.0], true, ['near' => 40.0, 'far' => 50.0]],
    'loose and straight enough' => [[4.0, 5.9, 4.0], true, []],
]);

it('marks the clamp that it kinks at, over what is in it', function (): void {
    [$finding] = kinksOf([30.0, 5.0, 5.0], false);
    $first = hung(400, 30.0);
    expect($finding->span)->toEqualWithDelta([$first, $first + 20], 1e-6)
        ->and($finding->at->toArray())->toEqualWithDelta([410, 0, 0], 1e-9)
        ->and($finding->subject->toArray())->toBe(['kind' => 'clamp', 'name' => 'near']);
});

it('does not speak of kinks in a run that bends', function (): void {
    $through = [['clamp' => 'c', 'loose' => true]];
    $file = Limits::line(1020, ['kind' => 'spring', 'length' => 1300, 'through' => $through]);
    $file->clamps = [Jobs::object(['id' => 'c', 'at' => [510, 0, 0], 'axis' => '+x', 'bore' => 12, 'width' => 20])];
    expect(Rules::all()['kink']->check(Jobs::laid($file)))->toBe([]);
});

/**
 * Labels of all remedies of the first finding of a rule, whether or not they turn out to help.
 *
 * @param  list<array<string, mixed>>  $stops
 * @param  list<int>  $to
 * @return array{string, string, list<string>} its title and message, and the labels
 */
function suggested(string $rule, array $stops, array $to, array $more = []): array
{
    $laid = Jobs::laid(Jobs::file($stops, ['at' => $to], $more));
    [$finding] = Rules::all()[$rule]->check($laid);
    $labels = [];
    /** @var Remedy $remedy */
    foreach (Rules::all()[$rule]->remedies($finding, $laid) as $remedy) {
        $labels[] = $remedy->label;
    }

    return [$finding->title, $finding->message, $labels];
}

it('eases a bend, moves corners on either side, or eases both, for a leg without room', function (
    int $leg,
    string $needs,
    array $more,
    array $labels,
): void {
    // Up 250, across, up 300, two bends of R 30: their tangents of 30 and a straight between.
    [$title, $message, $found] = suggested(
        'leg-room', [['at' => [0, 0, 300]], ['at' => [$leg, 0, 300]]], [$leg, 0, 600], $more,
    );
    expect($title)->toBe('No room between bends 1 and 2')
        ->and($message)->toBe(sprintf('Corner to corner it is %d mm; %s.', $leg, $needs))
        ->and($found)->toBe($labels);
})->with([
    '10 short' => [70, 'its two bends, with 20 mm straight between them, need 80 mm', [], [
        'Ease bend 1 by 10 mm to R 20', 'Ease bend 2 by 10 mm to R 20',
        'Move corner 2 10 mm along +x', 'Move corner 2 11.5 mm along +x', 'Move corner 2 15 mm along +x',
        'Move corner 1 10 mm along −x', 'Move corner 1 11.5 mm along −x', 'Move corner 1 15 mm along −x',
        'Ease bend 1 to R 25 and bend 2 to R 25',
    ]],
    'as much short as one bend has' => [50, 'its two bends, with 20 mm straight between them, need 80 mm', [], [
        'Move corner 2 30 mm along +x', 'Move corner 2 34.5 mm along +x', 'Move corner 2 45 mm along +x',
        'Move corner 1 30 mm along −x', 'Move corner 1 34.5 mm along −x', 'Move corner 1 45 mm along −x',
        'Ease bend 1 to R 15 and bend 2 to R 15',
    ]],
    'no straight asked for' => [50, 'its two bends need 60 mm', ['stock.min_straight' => 0], [
        'Ease bend 1 by 10 mm to R 20', 'Ease bend 2 by 10 mm to R 20',
        'Move corner 2 10 mm along +x', 'Move corner 2 11.5 mm along +x', 'Move corner 2 15 mm along +x',
        'Move corner 1 10 mm along −x', 'Move corner 1 11.5 mm along −x', 'Move corner 1 15 mm along −x',
        'Ease bend 1 to R 25 and bend 2 to R 25',
    ]],
]);

it('takes along up to three corners beyond the one it moves', function (): void {
    // A stair of seven corners; its third leg, 60 along x, is 20 short.
    [, , $found] = suggested('leg-room', array_map(static fn (array $at): array => ['at' => $at], [
        [0, 0, 200], [200, 0, 200], [200, 0, 400], [260, 0, 400], [260, 0, 600], [260, 200, 600], [460, 200, 600],
    ]), [460, 200, 800]);
    $moves = array_values(preg_grep('/^Move .* 20 mm/', $found) ?: []);
    expect($moves)->toBe([
        'Move corner 4 20 mm along +x', 'Move corners 4–5 20 mm along +x', 'Move corners 4–6 20 mm along +x',
        'Move corners 4–7 20 mm along +x',
        'Move corner 3 20 mm along −x', 'Move corners 2–3 20 mm along −x', 'Move corners 1–3 20 mm along −x',
    ]);
});

it('uses a wider radius, with as much room as that wants and the leg has not', function (
    int $leg,
    array $labels,
): void {
    // The first bend is R 20 where 24 is the least: its tangent grows by 4. The leg behind needs 20 + 30 + 20 as it is.
    [$title, , $found] = suggested(
        'bend-radius', [['at' => [0, 0, 300], 'corner' => ['radius' => 20]], ['at' => [$leg, 0, 300]]], [$leg, 0, 600],
    );
    expect($title)->toBe('Bend 1 is too tight')->and($found)->toBe($labels);
})->with([
    'room for it' => [74, ['Use R 24', 'Use R 24 at every corner']],
    '3 short of it' => [71, [
        'Use R 24',
        'Use R 24 and move corner 2 3 mm along +x', 'Use R 24 and move corner 2 3.5 mm along +x',
        'Use R 24 and move corner 2 4.5 mm along +x',
        'Use R 24 and move corner 1 3 mm along −x', 'Use R 24 and move corner 1 3.5 mm along −x',
        'Use R 24 and move corner 1 4.5 mm along −x',
        'Use R 24 at every corner',
    ]],
    'short before: no more than it grows by' => [65, [
        'Use R 24',
        'Use R 24 and move corner 2 4 mm along +x', 'Use R 24 and move corner 2 4.6 mm along +x',
        'Use R 24 and move corner 2 6 mm along +x',
        'Use R 24 and move corner 1 4 mm along −x', 'Use R 24 and move corner 1 4.6 mm along −x',
        'Use R 24 and move corner 1 6 mm along −x',
        'Use R 24 at every corner',
    ]],
]);
