<?php

declare(strict_types=1);

use Bowline\Rules\Remedy;
use Bowline\Rules\Rules;
use Bowline\Rules\Severity;
use Tests\Blocks;
use Tests\Jobs;
use Tests\Limits;
use Tests\Words;

/*
 * What the rules of channels in a block of 200 × 100 × 60 about the origin, of sections that are not round, and of
 * hoses say, where, by which numbers, and all that they suggest.
 */

/** A groove of a tube of 8, half of it deep. */
$groove = static fn (array $channel): array => [
    ...$channel, 'body' => ['as' => 'groove', 'in' => 'block', 'depth' => 4, 'over' => 5],
];
/** A hose over 1000 that slides to where it spans 700. */
$sliding = static function (array $route, array $stock = []): stdClass {
    $file = Limits::sliding($route['length'], $stock);
    $file->runs[0]->route = Jobs::object($route);

    return $file;
};
// Up in a bend of R 20 at x −60, along the top at z 25, and down again: the leg along it is from −40 to 40.
$bridge = Blocks::around([Blocks::through(
    [-100, 0, 0], [[-60, 0, 0], [-60, 0, 25], [60, 0, 25], [60, 0, 0]], [100, 0, 0],
)]);
$sag = static fn (float $a): float => $a * (cosh(350 / $a) - 1);
$tight = Limits::catenaryParameter(700, 1100);
$bad = Severity::Violation;

it('says what is wrong, where and by how much, and what might cure it', function (mixed ...$said): void {
    Words::expect(...$said);
})->with([
    // The bottom of the groove is at z 26, the top of the channel at 25.
    'a channel under a groove' => [
        'thin-wall', Blocks::around([
            Blocks::through([0, -50, 21], [], [0, 50, 21]), $groove(Blocks::through([-100, 0, 30], [], [100, 0, 30])),
        ]), $bad, 'Thin wall to Channel 2. 1 mm is left; 2 mm is needed.', [0, 0, 26], [50, 50], [1, 2], [], 'leg 1',
    ],
    'a groove over a channel' => [
        'thin-wall', Blocks::around([
            $groove(Blocks::through([-100, 0, 30], [], [100, 0, 30])), Blocks::through([0, -50, 21], [], [0, 50, 21]),
        ]), $bad, 'Thin wall to Channel 2. 1 mm is left; 2 mm is needed.', [0, 0, 26], [100, 100], [1, 2], [], 'leg 1',
    ],
    'a groove into a channel' => [
        'thin-wall', Blocks::around([
            $groove(Blocks::through([-100, 0, 30], [], [100, 0, 30])), Blocks::through([0, -50, 25], [], [0, 50, 25]),
        ]), $bad, 'It cuts into Channel 2. By 3 mm; a wall of 2 mm is needed.', [0, 0, 26], [100, 100], [-3, 2],
        ['Let it open into Channel 2'], 'leg 1',
    ],
    'channels that are drilled straight' => [
        'thin-wall', Blocks::around([
            Blocks::through([-100, 0, 0], [], [0, 0, 0]), Blocks::through([-50, -50, 3], [], [-50, 50, 3]),
        ]), $bad, 'It cuts into Channel 2. By 5 mm; a wall of 2 mm is needed.', [-50, 0, 0], [50, 50], [-5, 2],
        ['Let it open into Channel 2'], 'leg 1',
    ],
    // 30 wide and 20 high: the hard way it needs half as much again.
    'a bend the hard way' => [
        'bend-radius', Jobs::file([['at' => [0, 0, 300]], ['at' => [400, 0, 300]]], ['at' => [400, 400, 300]], [
            'section' => ['shape' => 'rectangle', 'width' => 30, 'height' => 20, 'wall' => 2, 'corner_radius' => 3],
        ]), $bad, 'Bend 2 is too tight. R 30; this tube needs at least R 36.', [400, 0, 300],
        [560 + 15 * M_PI, 560 + 30 * M_PI], [30, 36], ['Use R 36', 'Use R 36 at every corner'], 'bend 1',
    ],
    // 13.4 short, and 2, 8 and 20 % of 1003, in whole millimetres.
    'a cable that is short' => [
        'too-short', Limits::line(1003, ['kind' => 'hang', 'length' => 989.6]), $bad,
        'It does not reach. There are 989.6 mm to span 1003 mm; it is drawn straight.', [501.5, 0, 0], [0, 1003],
        [989.6, 1003], ['Make it 34 mm longer', 'Make it 94 mm longer', 'Make it 214 mm longer'], 'run',
    ],
    'a cable that is too short to follow' => [
        'moving-reach', $sliding(['kind' => 'hang', 'length' => 990]), $bad,
        'It does not reach over the whole movement. At 0 % of the movement there are 990 mm to span 1000 mm.',
        [1000, 0, 0], [0, 1000], [990, 1000], [], 'run',
    ],
    // As it is drawn it is 1000: 2, 5, 10, 20, 35 and 60 % more.
    'a hose that is too short to follow' => [
        'moving-reach', $sliding(['kind' => 'spring', 'length' => 990]), $bad,
        'It does not reach over the whole movement. At 0 % of the movement there are 990 mm to span 1000 mm.',
        [1000, 0, 0], [0, 1000], [990, 1000], [
            'Use a hose of 1020 mm', 'Use a hose of 1050 mm', 'Use a hose of 1100 mm', 'Use a hose of 1200 mm',
            'Use a hose of 1350 mm', 'Use a hose of 1600 mm',
        ], 'run',
    ],
    'a hose that is sold in some lengths' => [
        'moving-reach', $sliding(['kind' => 'spring', 'length' => 990], ['lengths' => [900, 1500, 1200]]), $bad,
        'It does not reach over the whole movement. At 0 % of the movement there are 990 mm to span 1000 mm.',
        [1000, 0, 0], [0, 1000], [990, 1000], ['Use a hose of 1200 mm', 'Use a hose of 1500 mm'], 'run',
    ],
]);

it('makes a hose as long as it says', function (string $rule, stdClass $file, array $lengths): void {
    $laid = Jobs::laid($file);
    [$finding] = Rules::all()[$rule]->check($laid);
    $found = [];
    /** @var Remedy $remedy */
    foreach (Rules::all()[$rule]->remedies($finding, $laid) as $remedy) {
        $found[$remedy->label] = $remedy->item->route->length;
    }
    expect($found)->toBe($lengths);
})->with([
    // It spans 1000: 2, 5, 10, 20, 35 and 60 % more.
    'that is too short to follow' => ['moving-reach', $sliding(['kind' => 'spring', 'length' => 990]), [
        'Use a hose of 1020 mm' => 1020, 'Use a hose of 1050 mm' => 1050, 'Use a hose of 1100 mm' => 1100,
        'Use a hose of 1200 mm' => 1200, 'Use a hose of 1350 mm' => 1350, 'Use a hose of 1600 mm' => 1600,
    ]],
    'that is too short to follow, of some lengths' => [
        'moving-reach', $sliding(['kind' => 'spring', 'length' => 300], ['lengths' => [800, 900, 1120]]),
        ['Use a hose of 1120 mm' => 1120],
    ],
    // Those in which it is sold, and then 2, 8 and 20 % more than it spans.
    'that is far too short, of some lengths' => [
        'too-short', Limits::line(1000, ['kind' => 'spring', 'length' => 300], ['lengths' => [900, 1400, 1120]]), [
            'Use a hose of 1120 mm' => 1120, 'Use a hose of 1400 mm' => 1400, 'Make it 720 mm longer' => 1020,
            'Make it 780 mm longer' => 1080, 'Make it 900 mm longer' => 1200,
        ],
    ],
]);

it('offers one of each way, and no more lengths than can be read', function (
    string $rule,
    stdClass $file,
    array $suggested,
): void {
    $laid = Jobs::laid($file);
    [$finding] = Rules::all()[$rule]->check($laid);
    $found = [];
    /** @var Remedy $remedy */
    foreach (Rules::all()[$rule]->remedies($finding, $laid) as $remedy) {
        $found[] = [$remedy->label, $remedy->way];
    }
    expect($found)->toBe($suggested);
})->with([
    'a short leg' => [
        'leg-room',
        Jobs::file([['at' => [0, 0, 300]], ['at' => [75, 0, 300]]], ['at' => [75, 400, 300]]),
        [
            ['Ease bend 1 by 5 mm to R 25', null], ['Ease bend 2 by 5 mm to R 25', null],
            ['Move corner 2 5 mm along +x', 'corner 2+x'], ['Move corner 2 5.8 mm along +x', 'corner 2+x'],
            ['Move corner 2 7.5 mm along +x', 'corner 2+x'], ['Move corner 1 5 mm along −x', 'corner 1−x'],
            ['Move corner 1 5.8 mm along −x', 'corner 1−x'], ['Move corner 1 7.5 mm along −x', 'corner 1−x'],
            ['Ease bend 1 to R 27.5 and bend 2 to R 27.5', null],
        ],
    ],
    // Of 10, 110, 290, 310 and 790 off the nearest three.
    'a hose that is sold in five lengths' => [
        'sold-length',
        Limits::line(1000, ['kind' => 'spring', 'length' => 1210], ['lengths' => [1200, 1500, 900, 2000, 1100]]),
        [['Use the hose of 1200 mm', null], ['Use the hose of 1100 mm', null], ['Use the hose of 1500 mm', null]],
    ],
]);

it('says where a cable is bent too tightly while it moves', function () use ($sag, $tight): void {
    // A catenary is tightest at its lowest point, with R = a; the thing is 700 off at the end of its movement.
    $laid = Jobs::laid(Limits::sliding(1100, [
        'bend' => ['radius' => 60, 'min_radius' => 24, 'min_straight' => 0, 'moving_radius' => 300],
    ]));
    [$finding] = Rules::all()['moving-radius']->check($laid);
    expect($finding->title)->toBe('It is bent too tightly while it moves')
        ->and($finding->message)->toBe(sprintf(
            'At 100 %% of the movement its radius is %s mm; a hose that moves needs at least R 300.', round($tight, 2),
        ))
        // As near as the length of the catenary is solved.
        ->and($finding->at->toArray())->toEqualWithDelta([650, 0, -$sag($tight)], 1e-7)
        ->and($finding->span)->toEqualWithDelta([550, 550], 1e-9)
        ->and([$finding->measured, $finding->required])->toEqualWithDelta([$tight, 300], 1e-7)
        ->and($finding->severity)->toBe(Severity::Violation)
        ->and([...Rules::all()['moving-radius']->remedies($finding, $laid)])->toBe([]);
});

it('says by how much a movement twists it, and where', function (): void {
    // Its start is turned by 12° about its own axis.
    $file = Limits::sliding(1100);
    $file->runs[0]->route = Jobs::object(['kind' => 'spring', 'length' => 1100]);
    $file->fittings[0]->moves = Jobs::object(
        ['swing' => ['at' => [0, 0, 0], 'axis' => [1, 0, 0], 'from' => 0, 'to' => 12]],
    );
    $laid = Jobs::laid($file);
    [$finding] = Rules::all()['twist']->check($laid);
    expect($finding->title)->toBe('The movement twists it by 12°')
        ->and($finding->message)->toBe(
            'At 12° it leaves the plane the hose bends in. Turn the fittings so that all moves in one plane, or give '.
            'one end a swivel.',
        )
        ->and([$finding->measured, $finding->required])->toEqualWithDelta([12, 2], 1e-4)
        ->and($finding->at->toArray())->toEqualWithDelta([1000, 0, 0], 1e-9)
        ->and($finding->span)->toEqualWithDelta([0, 1100], 1e-3)
        ->and($finding->severity)->toBe(Severity::Warning);
});

it('moves what is near a wall by what is missing and a tenth, or more', function () use ($bridge): void {
    $laid = Jobs::laid($bridge);
    [$finding] = Rules::all()['thin-wall']->check($laid);
    $labels = $ways = [];
    /** @var Remedy $remedy */
    foreach (Rules::all()['thin-wall']->remedies($finding, $laid) as $remedy) {
        $labels[] = $remedy->label;
        $ways[$remedy->way][] = $remedy;
    }
    // 1 is missing. Of its four corners the two that are nearest.
    $wanted = [];
    foreach (['leg 2', 'leg 3', 'corner 2', 'corner 1'] as $what) {
        array_push($wanted, ...array_map(
            static fn (string $by): string => "Move $what $by mm along −z", ['1.1', '1.65', '2.75'],
        ));
    }
    // A single one of each way is offered.
    expect($labels)->toBe($wanted)->and(array_map(count(...), array_values($ways)))->toBe([3, 3, 3, 3]);
    // Leg 3 is taken along with both of its corners.
    expect(array_map(
        static fn (stdClass $stop): float => (float) $stop->at[2], $ways['leg 3along −z'][2]->item->route->stops,
    ))->toEqualWithDelta([0, 22.25, 22.25, 0], 1e-9);
});

it('opens a channel into one more, and leaves those that it opens into already', function (): void {
    $first = Blocks::through([-100, 0, 0], [], [0, 0, 0]);
    $laid = Jobs::laid(Blocks::around([
        [...$first, 'body' => ['as' => 'channel', 'in' => 'block', 'over' => 5, 'meets' => ['c3']]],
        Blocks::through([-50, -50, 3], [], [-50, 50, 3]), Blocks::through([-20, -50, 0], [], [-20, 50, 0]),
    ]));
    $found = Rules::all()['thin-wall']->check($laid);
    expect($found)->toHaveCount(1);
    [$open] = [...Rules::all()['thin-wall']->remedies($found[0], $laid)];
    expect($open->item->body->meets)->toBe(['c3', 'c2']);
});
