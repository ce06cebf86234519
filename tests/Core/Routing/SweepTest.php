<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Routing\MovedPosition;
use Tests\Jobs;
use Tests\Seeds;

/**
 * A hose from a thing that moves to a block that stands.
 *
 * @param  array<string, mixed>  $moves
 * @param  array<string, mixed>  $route
 * @param  array<string, mixed>  $more  over the stock
 */
function movingHose(array $moves, array $route, array $more = [], array $arm = [], array $surroundings = []): stdClass
{
    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 2,
        'stock' => [
            [
                'id' => 'h',
                'kind' => 'hose',
                'section' => ['shape' => 'round', 'od' => 20, 'wall' => 5],
                'bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0],
                'density' => 1500,
                ...$more,
            ],
        ],
        'fittings' => [
            [
                'id' => 'arm',
                'ports' => [['id' => 'a', 'at' => [200, 0, 0], 'axis' => [0, 1, 0]]],
                'moves' => $moves,
                ...$arm,
            ],
            ['id' => 'block', 'ports' => [['id' => 'p', 'at' => [0, 500, 0], 'axis' => [1, 0, 0]]]],
        ],
        'surroundings' => $surroundings,
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'h',
                'from' => ['port' => 'arm.a'],
                'to' => ['port' => 'block.p'],
                'route' => $route,
            ],
        ],
    ]);
}

/** The same where the thing stands, and does not move. */
function stillHose(array $route, array $more = [], array $arm = []): stdClass
{
    $file = movingHose(['to' => (object) []], $route, $more, $arm);
    unset($file->fittings[0]->moves);

    return $file;
}

$swing = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -20, 'to' => 30]];

it('swings a port about its axis, in the plane of the hose without a twist', function () use ($swing): void {
    $movement = Jobs::written(movingHose($swing, ['kind' => 'spring', 'length' => 700]))['movement'];
    foreach ($movement['positions'] as $position) {
        $angle = deg2rad($position['angle']);
        expect($position['points'][0])->toEqualWithDelta([200 * cos($angle), 200 * sin($angle), 0], 0.006)
            ->and($position['twist'])->toEqualWithDelta(0.0, 1e-6)
            // How far the ends are apart, by the cosine rule, of 700.
            ->and($position['taut'])
            ->toEqualWithDelta(sqrt(200 ** 2 + 500 ** 2 - 2 * 200 * 500 * sin($angle)) / 700, 1e-9);
    }
    expect($movement['positions'][0]['angle'])
        ->toBe(-20)
        ->and(end($movement['positions'])['angle'])
        ->toEqualWithDelta(30, 1e-9)
        ->and($movement['tautest'])
        ->toBe(0);
});

it('is at each end of its movement as it is when the thing stands there', function (): void {
    $second = ['at' => [60, -40, 30], 'turn' => ['about' => [1, 2, 3], 'by' => 25]];
    $movement = Jobs::written(movingHose(['to' => $second], ['kind' => 'spring', 'length' => 760]))['movement'];
    $there = Jobs::written(stillHose(['kind' => 'spring', 'length' => 760], [], ['pose' => $second]));
    expect(end($movement['positions'])['min_radius'])
        ->toEqualWithDelta($there['min_radius'], 1e-4 * $there['min_radius'])
        ->and($movement['positions'][0]['min_radius'])
        ->toEqualWithDelta(Jobs::written(stillHose(['kind' => 'spring', 'length' => 760]))['min_radius'], 1e-6);
});

it('has the position in which it is placed among those of its movement', function (float $from, float $to): void {
    $laid = Jobs::laid(movingHose(
        ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => $from, 'to' => $to]],
        ['kind' => 'spring', 'length' => 700],
    ));
    $placed = array_values(array_filter(
        $laid->sweep()->positions ?? [], static fn (MovedPosition $one): bool => abs($one->angle ?? 1.0) < 1e-12,
    ));
    expect($placed)->toHaveCount(1)
        ->and($placed[0]->leastRadius())->toEqualWithDelta($laid->path->leastRadius(), 1e-6);
})->with([[-20.0, 37.0], [-11.0, 2.0], [0.0, 30.0]]);

it('is twisted by as much as its end is turned about its own axis', function (float $by): void {
    $written = Jobs::written(
        movingHose(
            ['swing' => ['at' => [200, 0, 0], 'axis' => [0, 1, 0], 'from' => 0, 'to' => $by]],
            ['kind' => 'spring', 'length' => 700],
        ),
    );
    $movement = $written['movement'];
    $twists = array_map(static fn (array $one): float => abs($one['twist']), $movement['positions']);
    expect(max($twists))
        ->toEqualWithDelta(abs($by), 1e-4)
        ->and($movement['positions'][0]['min_radius'])
        ->toEqualWithDelta(end($movement['positions'])['min_radius'], 1e-4)
        ->and(in_array('twist', array_column($written['findings'], 'rule'), true))->toBe(abs($by) > 2.0);
})->with([1.0, 12.0, -40.0]);

it('keeps the length of a cable that hangs with a slack, wherever its end goes', function (): void {
    $written = Jobs::written(movingHose(['to' => ['at' => [0, -150, 0]]], ['kind' => 'hang', 'slack' => 0.1]));
    $length = 1.1 * hypot(200, 500);
    expect($written['movement']['lengths'])->toEqualWithDelta([$length, $length], 1e-6);
    $last = end($written['movement']['positions']);
    // 680 apart at the end of it, of 592 there are.
    expect($last['taut'])->toEqualWithDelta(hypot(200, 650) / $length, 1e-9)
        ->and(array_column($written['findings'], 'rule'))->toContain('moving-reach');
});

it(
    'finds the tightest radius of the whole movement, and asks for the radius a hose needs where it moves',
    function () use ($swing): void {
        $file = movingHose(
            $swing,
            ['kind' => 'spring', 'length' => 620],
            ['bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0, 'moving_radius' => 400]],
        );
        $written = Jobs::written($file);
        $radii = array_column($written['movement']['positions'], 'min_radius');
        $finding =
            $written['findings'][array_search('moving-radius', array_column($written['findings'], 'rule'), true)];
        expect($finding['measured'])->toBe(min($radii))->and($finding['required'])->toBe(400);
        // No position between those looked at is tighter: each angle by itself, as a job of its own.
        foreach (range(-20, 30, 5) as $angle) {
            $still = stillHose(
                ['kind' => 'spring', 'length' => 620],
                [],
                ['pose' => ['turn' => ['about' => [0, 0, 1], 'by' => $angle]]],
            );
            expect(Jobs::written($still)['min_radius'])->toBeGreaterThan(min($radii) * 0.995);
        }
    },
);

it('tells how near it comes to what stands around', function (): void {
    // A floor 300 under the ends of a cable that hangs, one of them carried farther away.
    $wall = ['id' => 'sole', 'shape' => 'box', 'size' => [2000, 2000, 20], 'pose' => ['at' => [0, 0, -310]]];
    $movement = Jobs::written(
        movingHose(['to' => ['at' => [100, 0, 0]]], ['kind' => 'hang', 'length' => 600], [], [], [$wall]),
    )['movement'];
    $nearest = $movement['positions'][$movement['nearest']]['nearest'];
    // Lowest when its ends are nearest: as placed. By the closed form of the catenary, half a diameter off.
    $solved = Jobs::written(movingHose(['to' => ['at' => [100, 0, 0]]], ['kind' => 'hang', 'length' => 600]));
    expect($nearest['id'])
        ->toBe('sole')
        ->and($nearest['distance'])
        ->toEqualWithDelta(300 - $solved['shape']['sag'] - 10, 0.1);
});

it('comes as near to what stands around as where the arm stands at one of many positions', function (
    array $at, float $length,
): void {
    // A cable over a box beside its way; the box is square to the axes, so that its distance is that of a box.
    $size = [60, 60, 60];
    $swing = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -45, 'to' => 40]];
    $route = ['kind' => 'hang', 'length' => $length];
    $box = ['id' => 'box', 'shape' => 'box', 'size' => $size, 'pose' => ['at' => $at]];
    $movement = Jobs::written(movingHose($swing, $route, [], [], [$box]))['movement'];
    $outside = static function (Vector $point) use ($at, $size): float {
        $over = array_map(
            static fn (float $x, float $middle, float $size): float => abs($x - $middle) - $size / 2,
            $point->toArray(), $at, $size,
        );

        return max($over) <= 0.0
            ? max($over)
            : sqrt(array_sum(array_map(static fn (float $one): float => max(0.0, $one) ** 2, $over)));
    };
    $least = INF;
    foreach (range(-45, 40) as $degrees) {
        $laid = Jobs::laid(stillHose($route, [], [
            'pose' => ['at' => [0, 0, 0], 'turn' => ['about' => [0, 0, 1], 'by' => $degrees]],
        ]));
        for ($along = 30.0; $along <= $length - 30.0; $along += 5.0) {
            $least = min($least, $outside($laid->path->pointAt($along)) - 10.0);
        }
    }
    expect($movement['positions'][$movement['nearest']]['nearest']['distance'])->toEqualWithDelta($least, 0.5);
})->with([
    'before it' => [[200, 230, -90], 600.0],
    'under it' => [[90, 250, -290], 620.0],
    'behind it' => [[40, 180, -100], 640.0],
]);

it('does not count what stands about its ends, as its fittings do', function (array $at): void {
    // A box of 10, whose underside is 15 over an end: 5 from the outside of the cable there. Three radii on, 30 along
    // the cable, which leads down at more than 30° from there, it is 15 sideways and 15 and more down from there.
    $box = ['id' => 'box', 'shape' => 'box', 'size' => [10, 10, 10], 'pose' => ['at' => $at]];
    $movement = Jobs::written(
        movingHose(['to' => ['at' => [100, 0, 0]]], ['kind' => 'hang', 'length' => 600], [], [], [$box]),
    )['movement'];
    $nearest = $movement['positions'][$movement['nearest']]['nearest'];
    expect($nearest['id'])->toBe('box')->and($nearest['distance'])->toBeGreaterThan(20.0)->toBeLessThan(40.0);
})->with(['at its start' => [[200, 0, 20]], 'at its end' => [[0, 500, 20]]]);

it('lets only what is flexible hang on a thing that moves', function () use ($swing): void {
    expect(Jobs::broken(movingHose($swing, ['kind' => 'corners', 'stops' => []])))->toContain('moving-reach');
});

it('looks at both ends of what pressure does to the length of a hose', function (
    array $pressure,
    float $length,
    array $rules,
): void {
    // Straight across: 500 between two ports that look at each other.
    $file = stillHose(
        ['kind' => 'spring', 'length' => $length],
        ['pressure' => $pressure],
        ['ports' => [['id' => 'a', 'at' => [0, 0, 0], 'axis' => [0, 1, 0]]]],
    );
    $file->fittings[1]->ports[0]->axis = [0, -1, 0];
    expect(Jobs::broken($file))->toBe($rules);
})->with([
    '4 % shorter than 515 is less than 500' => [['shortest' => -4, 'longest' => 2], 515.0, ['pressure']],
    '2 % shorter is not' => [['shortest' => -2, 'longest' => 2], 515.0, []],
    'tight without pressure is said once' => [['shortest' => -2, 'longest' => 60], 1000.0, []],
]);

it('offers the lengths a hose is sold in, the nearest first', function (): void {
    $file = stillHose(['kind' => 'spring', 'length' => 730], ['lengths' => [1000, 600, 800]]);
    $finding = Jobs::written($file)['findings'][0];
    expect($finding['rule'])
        ->toBe('sold-length')
        ->and($finding['measured'])
        ->toBe(730)
        ->and($finding['nearest'])
        ->toBe(800)
        ->and($finding['remedies'][0])
        ->toBe('Use the hose of 800 mm')
        ->and($finding['cures'][0]['item']['route']['length'])
        ->toBe(800);
});

it('refuses what is no movement', function (array $moves): void {
    movingHose($moves, ['kind' => 'spring', 'length' => 700]);
    Jobs::written(movingHose($moves, ['kind' => 'spring', 'length' => 700]));
})
    ->with([
        'none' => [['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 20, 'to' => 20]]],
        'both' => [
            ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 20], 'to' => ['at' => [0, 0, 0]]],
        ],
    ])
    ->throws(JobError::class);

it('keeps clear of fittings too, but for those that hold it or move with it', function () use ($swing): void {
    $near = static function (array $more) use ($swing): ?array {
        $file = movingHose($swing, ['kind' => 'spring', 'length' => 700]);
        array_push($file->fittings, ...array_map(Jobs::object(...), $more));
        $movement = Jobs::written($file)['movement'];

        return $movement['nearest'] === null ? null : $movement['positions'][$movement['nearest']]['nearest'];
    };
    $tank = [
        'id' => 'tank',
        'pose' => ['at' => [600, 300, 0]],
        'body' => ['shape' => 'box', 'size' => [200, 200, 200]],
    ];
    expect($near([]))->toBeNull()->and($near([$tank])['id'])->toBe('tank')
        ->and($near([[...$tank, 'moves' => ['to' => ['at' => [700, 300, 0]]]]]))->toBeNull();
});

it('is drawn straight between its sockets where it does not reach, and nowhere else', function (): void {
    // Sockets of 50 that look at each other over 500: 400 between their ends, for a hose of 490 in all or of 515.
    $ports = ['ports' => [['id' => 'a', 'at' => [0, 0, 0], 'axis' => [0, 1, 0]]]];
    $hose = static function (float $length) use ($ports): array {
        $file = stillHose(['kind' => 'spring', 'length' => $length], [], $ports);
        $file->fittings[1]->ports[0]->axis = [0, -1, 0];
        $file->runs[0]->from->lead = $file->runs[0]->to->lead = 50;

        return Jobs::written($file);
    };
    [$short, $long] = [$hose(490), $hose(515)];
    expect($short['min_radius'])
        ->toBeNull()
        ->and($short['findings'][0]['rule'])
        ->toBe('too-short')
        ->and($short['findings'][0]['measured'])
        ->toBe(390)
        ->and($short['findings'][0]['required'])
        ->toEqualWithDelta(400, 1e-9)
        ->and(count($long['path'][1]['points']))
        ->toBeGreaterThan(20)
        ->and($long['length'])
        ->toEqualWithDelta(515, 1e-6);
});

it('offers a hose that is sold in lengths no other, and names none while it does not reach', function (): void {
    $broken = static fn (float $length): array => Jobs::written(stillHose(['kind' => 'spring', 'length' => $length], [
        'lengths' => [600, 1000], 'bend' => ['radius' => 300, 'min_radius' => 300, 'min_straight' => 0],
    ]))['findings'];
    // R 300 is more than any hose keeps here: from 1100 there is none longer to be had, from 600 there is one.
    $offered = static fn (array $findings): array => array_merge(...array_column($findings, 'remedies'), ...[[]]);
    expect(
        array_filter(
            $offered($broken(1100)),
            static fn (string $one): bool => ! in_array(
                $one,
                ['Use the hose of 1000 mm', 'Use the hose of 600 mm'],
                true,
            ),
        ),
    )
        ->toBe([])
        ->and(array_column($broken(500), 'rule'))->toBe(['too-short']);
});

it('finds the one place of a wide swing where a cable does not reach', function (): void {
    // The port goes round (400, 0, 0) at 200.000, farthest from the origin straight behind it: 600.000, with 597 mm to
    // span it.
    $file = movingHose(
        ['swing' => ['at' => [400, 0, 0], 'axis' => [0, 1, 0], 'from' => -160, 'to' => 160]],
        ['kind' => 'hang', 'length' => 597],
        [],
        [
            'ports' => [['id' => 'a', 'at' => [587.939, 0, 68.404], 'axis' => [0, 1, 0]]],
        ],
    );
    $file->fittings[1]->ports[0]->at = [0, 0, 0];
    $written = Jobs::written($file);
    $taut = $written['movement']['positions'][$written['movement']['tautest']];
    expect(array_column($written['findings'], 'rule'))
        ->toContain('moving-reach')
        ->and($taut['taut'])
        ->toEqualWithDelta((400 + hypot(187.939, 68.404)) / 597, 1e-7);
});

it('is not moved by a trillionth', function (): void {
    $told = static function (float $by): array {
        $file = movingHose(
            ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -25, 'to' => 25]],
            ['kind' => 'spring', 'length' => 900],
            [],
            [
                'pose' => ['at' => [630 + $by, 780, 0]],
                'ports' => [['id' => 'a', 'at' => [0, -240 + $by, 0], 'axis' => [$by, -1, -$by]]],
            ],
        );
        $file->fittings[1]->ports[0] = Jobs::object(['id' => 'p', 'at' => [0, $by, 0], 'axis' => [1, -$by, $by]]);
        foreach (['from', 'to'] as $end) {
            $file->runs[0]->{$end}->lead = 45;
        }
        $written = Jobs::written($file);
        $movement = $written['movement'];

        return [
            array_column($written['findings'], 'rule'), $movement['tightest'], $movement['tautest'], $movement['snaps'],
            array_map(
                static fn (array $one): array => [
                    round($one['min_radius'] ?? 0.0, 4),
                    round($one['taut'], 6),
                    round($one['twist'], 4) + 0.0,
                ],
                $movement['positions'],
            ),
        ];
    };
    // Nearly taut, where its plane shape was lost by rounding before: it stays in its plane, and is not twisted.
    $rest = $told(0.0);
    foreach (Seeds::someOf([-1e-12, 1e-12, 3e-13], 1) as $by) {
        expect($told($by))->toEqual($rest);
    }
    expect(array_unique(array_column($rest[4], 2)))->toBe([0.0]);
});

it(
    'says where it snaps over to another shape, on the way from where it was to where that had become unstable',
    function (): void {
        $file = movingHose(
            ['to' => ['at' => [-211.6, 271.16, 206.07], 'turn' => ['about' => [0.44, -0.75, 0.36], 'by' => 155]]],
            ['kind' => 'spring', 'length' => 1200],
            [],
            [
                'ports' => [['id' => 'a', 'at' => [180, -240, 60], 'axis' => [-0.8, 0.5, 0.2]]],
            ],
        );
        $found = null;
        for ($length = 900; $length <= 1700 && $found === null; $length += 50) {
            $file->runs[0]->route->length = $length;
            $written = Jobs::written($file);
            $found = $written['movement']['snaps'] === [] ? null : $written;
        }
        expect($found)->not->toBeNull();
        $position = $found['movement']['positions'][$found['movement']['snaps'][0]];
        expect(array_column($found['findings'], 'rule'))
            ->toContain('snaps')
            ->and($position['part'])
            ->toBeGreaterThan(0.0);
    },
);
