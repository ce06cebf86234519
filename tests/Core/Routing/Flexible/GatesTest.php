<?php

declare(strict_types=1);

use Bowline\Curves\Catenary;
use Bowline\Editing\Edit\AsPoints;
use Bowline\Editing\Edit\Ease;
use Bowline\Editing\Edit\ThroughClamp;
use Bowline\Editing\Loosening;
use Bowline\Editing\RunDraft;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Routing\DrapeRoute;
use Bowline\Routing\Flexible\Watch;
use Tests\Jobs;

/** A cable of 10 mm from (0, 0, 0) to (1000, 0, 0), with two clamps of 20 between, both on +x: at 300 and at 700. */
function led(array $route, array $more = []): stdClass
{
    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 2,
        'stock' => [
            [
                'id' => 'c',
                'kind' => 'cable',
                'section' => ['shape' => 'round', 'od' => 10],
                'bend' => ['radius' => 60, 'min_radius' => 20, 'min_straight' => 0],
                'density' => 2000,
            ],
        ],
        'clamps' => [
            ['id' => 'near', 'at' => [300, 0, 0], 'axis' => '+x', 'bore' => 10, 'width' => 20],
            ['id' => 'far', 'at' => [700, 0, 0], 'axis' => '-x', 'bore' => 12, 'width' => 20],
        ],
        'runs' => [
            [
                'id' => 'r',
                'stock' => 'c',
                'from' => ['at' => [0, 0, 0], 'axis' => '+x'],
                'to' => ['at' => [1000, 0, 0], 'axis' => '-x'],
                'route' => $route,
                ...$more,
            ],
        ],
    ]);
}

$both = [['clamp' => 'near'], ['clamp' => 'far', 'reverse' => true]];

it('shares out what is slack by how far the spans reach', function () use ($both): void {
    // Between the faces of the clamps: 290, 380 and 290; 1100 long, less the 40 inside.
    $written = Jobs::written(led(['kind' => 'hang', 'length' => 1100, 'through' => $both]));
    $spans = array_column(
        array_values(array_filter($written['path'], static fn (array $one): bool => $one['kind'] === 'curve')),
        'length',
    );
    expect($spans)
        ->toEqualWithDelta([(1060 * 290) / 960, (1060 * 380) / 960, (1060 * 290) / 960], 1e-9)
        ->and($written['length'])
        ->toEqualWithDelta(1100, 1e-9)
        ->and(array_column($written['clamps'], 'span'))
        ->toEqualWithDelta(
            [[(1060 * 290) / 960, (1060 * 290) / 960 + 20], [(1060 * 670) / 960 + 20, (1060 * 670) / 960 + 40]],
            1e-9,
        );
    // Each hangs as a line of its own would.
    $lowest = min(array_map(static fn (array $point): float => $point[2], $written['path'][2]['points']));
    expect($lowest)->toEqualWithDelta(
        Catenary::between(new Vector(310, 0, 0), new Vector(690, 0, 0), new Vector(0, 0, 1), (1060 * 380) / 960)->lowest
            ->z,
        0.01,
    );
});

it('says how deep each span hangs and how hard it pulls at its clamps', function () use ($both): void {
    // Level, of span h with sinh(x)/x = L/h and a = h/2x: sag a·(cosh x − 1), pull w·a·cosh x, slope atan(sinh x).
    $x = 0.5;
    $part = sinh($x) / $x;
    // 10 mm of 2000 kg/m³: 2e-6·π·25 kg/mm.
    $weight = 2e-6 * M_PI * 25 * 9.80665;
    $shape = Jobs::written(led(['kind' => 'hang', 'length' => 960 * $part + 40, 'through' => $both]))['shape'];
    foreach ([290, 380, 290] as $i => $h) {
        $a = $h / (2 * $x);
        expect($shape['spans'][$i]['length'])
            ->toEqualWithDelta($h * $part, 1e-6)
            ->and($shape['spans'][$i]['sag'])
            ->toEqualWithDelta($a * (cosh($x) - 1), 1e-6)
            ->and($shape['spans'][$i]['pull'])
            ->toEqualWithDelta([$weight * $a * cosh($x), $weight * $a * cosh($x)], 1e-6)
            ->and($shape['spans'][$i]['angles'])
            ->toEqualWithDelta([rad2deg(atan(sinh($x))), rad2deg(atan(sinh($x)))], 1e-6);
    }
    expect($shape['sag'])
        ->toBe($shape['spans'][1]['sag'])
        ->and($shape['lowest'])
        ->toEqualWithDelta([500, 0, -380 * (cosh($x) - 1)], 1e-6)
        ->and($shape['pull'])->toBe([$shape['spans'][0]['pull'][0], $shape['spans'][2]['pull'][1]]);
});

it('tells of one span as of the whole', function (): void {
    expect(Jobs::written(led(['kind' => 'hang', 'length' => 1100]))['shape'])->not->toHaveKey('spans');
});

it('tells of its own ends what the first and the last span do there', function () use ($both): void {
    // Spans of 290·sinh x/x for x = 0.4 and 0.9, with what is left between them; slopes and pulls as above.
    [$first, $last] = [0.4, 0.9];
    [$near, $far] = $both;
    $length = static fn (float $x): float => 290 * sinh($x) / $x;
    $weight = 2e-6 * M_PI * 25 * 9.80665;
    $shape = Jobs::written(led([
        'kind' => 'hang', 'length' => $length($first) + 400 + $length($last) + 40,
        'through' => [[...$near, 'length' => $length($first)], [...$far, 'length' => 400]],
    ]))['shape'];
    expect($shape['angles'])->toEqualWithDelta([rad2deg(atan(sinh($first))), rad2deg(atan(sinh($last)))], 1e-6)
        ->and($shape['pull'])->toEqualWithDelta([
            $weight * 145 / $first * cosh($first), $weight * 145 / $last * cosh($last),
        ], 1e-6)
        ->and($shape['sag'])->toEqualWithDelta(145 / $last * (cosh($last) - 1), 1e-6);
});

it('warns of the kink at which a cable hangs out of a clamp', function (float $part, array $rules) use ($both): void {
    // Level spans leave at atan(sinh x), 27.5° for x = 0.5 and 8.6° for 0.15; the other clamp is of 12 for a cable of
    // 10.
    $x = $part;
    $solved = Jobs::solve(led(['kind' => 'hang', 'length' => 960 * sinh($x) / $x + 40, 'through' => $both]));
    expect(array_map(static fn ($finding): string => $finding->rule, $solved->findings))->toBe($rules);
    foreach (array_filter($solved->findings, static fn ($finding): bool => $finding->rule === 'kink') as $finding) {
        expect($finding->measured)
            ->toEqualWithDelta(rad2deg(atan(sinh($x))), 1e-6)
            ->and($finding->severity->value)
            ->toBe('warning');
    }
})->with([[0.5, ['kink', 'clamp-size', 'kink']], [0.15, ['clamp-size']]]);

it('tells who watches how much of all spans has settled', function () use ($both): void {
    $watch = new class implements Watch
    {
        /** @var list<float> */
        public array $parts = [];

        /** @var list<list<Vector>> */
        public array $shapes = [];

        public function settles(float $part, callable $points): void
        {
            $this->parts[] = $part;
            $this->shapes[] = $points();
        }
    };
    $run = Job::read(led(['kind' => 'drape', 'length' => 1600, 'through' => $both]))->runs['r'];
    assert($run->route instanceof DrapeRoute);
    $run->route->watchedBy($watch)->lay($run);
    $sorted = $watch->parts;
    sort($sorted);
    expect($watch->parts)
        ->toBe($sorted)
        ->and(min($watch->parts))
        ->toBeLessThan(0.1)
        ->and(max($watch->parts))
        ->toBeGreaterThan(0.9)
        ->toBeLessThanOrEqual(1.0);
    // Each time how one span lies, from end to end.
    $spans = [];
    foreach ($watch->shapes as $shape) {
        $spans[] = json_encode([$shape[0]->toArray(), $shape[count($shape) - 1]->toArray()]);
    }
    expect(array_values(array_unique($spans)))
        ->toBe(['[[0,0,0],[290,0,0]]', '[[310,0,0],[690,0,0]]', '[[710,0,0],[1000,0,0]]']);
});

it('gives a span the length that is said of it, and says which does not reach', function () use ($both): void {
    [$near, $far] = $both;
    // 1100 less 500 and 40 leave 280 for each of the others, which span 290: drawn straight.
    $written = Jobs::written(
        led(['kind' => 'hang', 'length' => 1100, 'through' => [$near, [...$far, 'length' => 500]]]),
    );
    expect(array_column($written['path'], 'length'))->toEqualWithDelta([290, 20, 500, 20, 290], 1e-9)
        ->and($written['findings'][0]['rule'])->toBe('too-short')
        ->and(Jobs::broken(led(['kind' => 'hang', 'length' => 1160, 'through' => [$near, [...$far, 'length' => 500]]])))
        ->not->toContain('too-short');
});

it('says how much there is, and how much more than what has to be spanned it would take', function (
    array $route, array $more, ?array $short,
): void {
    $finding = array_filter(
        Jobs::solve(led($route, $more))->findings, static fn ($one): bool => $one->rule === 'too-short',
    );
    expect(array_values(array_map(static fn ($one): array => [$one->measured, $one->required], $finding)))
        ->toEqualWithDelta($short === null ? [] : [$short], 1e-9);
})->with(static function () use ($both): array {
    [$near, $far] = $both;
    $leads = ['from' => ['at' => [0, 0, 0], 'axis' => '+x', 'lead' => 30], 'to' => [
        'at' => [1000, 0, 0], 'axis' => '-x', 'lead' => 50,
    ]];

    return [
        // 290 + 20 + 380 + 20 + 290.
        'all spans share' => [['kind' => 'hang', 'length' => 980, 'through' => $both], [], [980, 1000]],
        'just enough' => [['kind' => 'hang', 'length' => 1000.001, 'through' => $both], [], null],
        'not quite' => [['kind' => 'hang', 'length' => 1000, 'through' => $both], [], [1000, 1000]],
        // 500 in the middle leave 560 of 1100 for both others, which span 580.
        'two spans share what one leaves' => [
            ['kind' => 'hang', 'length' => 1100, 'through' => [$near, [...$far, 'length' => 500]]], [], [1100, 1120],
        ],
        'a span by its own length' => [
            ['kind' => 'hang', 'length' => 1500, 'through' => [$near, [...$far, 'length' => 370]]], [], [370, 380],
        ],
        'the last span by its own length' => [
            ['kind' => 'hang', 'length' => 1500, 'through' => $both, 'last_span' => 280], [], [280, 290],
        ],
        'a hose without its leads' => [['kind' => 'spring', 'length' => 990, 'through' => $both], $leads, [910, 920]],
        'a span of a hose between clamps' => [
            ['kind' => 'spring', 'length' => 1500, 'through' => [$near, [...$far, 'length' => 370]]], $leads,
            [370, 380],
        ],
        'a span of a hose with its lead' => [
            ['kind' => 'spring', 'length' => 1500, 'through' => [[...$near, 'length' => 280], $far]], $leads,
            [250, 260],
        ],
    ];
});

it('makes a span longer that is short by a length of its own, and all of it where the others lack that', function (
    array $route, array $cured, array $labels, string $message,
): void {
    $solved = Jobs::solve(led($route));
    [$finding] = array_values(array_filter($solved->findings, static fn ($one): bool => $one->rule === 'too-short'));
    expect($finding->message)->toBe($message)
        ->and(array_column($finding->remedies, 'label'))->toBe($labels)
        ->and(json_decode((string) json_encode($finding->remedies[0]->item->route), true))->toEqual($cured);
})->with(static function () use ($both): array {
    [$near, $far] = $both;

    // 2, 8 and 20 % more than 380 is 387.6, 410.4 and 456, in whole millimetres more than 370: 18, 41 and 86.
    return [
        'in the middle' => [
            ['kind' => 'hang', 'length' => 1500, 'through' => [$near, [...$far, 'length' => 370]]],
            ['kind' => 'hang', 'length' => 1500, 'through' => [$near, [...$far, 'length' => 388]]],
            ['Make span 2 18 mm longer', 'Make span 2 41 mm longer', 'Make span 2 86 mm longer'],
            'Span 2 has 370 mm to span 380 mm; it is drawn straight.',
        ],
        // 1000 less 40 and 280 leave 680 for spans of 670, and 16 less where the last has 296: 295.8 is 2 % more than
        // 290. So do not 34 less.
        'the last, of one that is hardly longer than it must be' => [
            ['kind' => 'hang', 'length' => 1000, 'through' => $both, 'last_span' => 280],
            ['kind' => 'hang', 'length' => 1016, 'through' => $both, 'last_span' => 296],
            [
                'Make span 3 16 mm longer, and all of it', 'Make span 3 34 mm longer, and all of it',
                'Make span 3 68 mm longer, and all of it',
            ],
            'Span 3 has 280 mm to span 290 mm; it is drawn straight.',
        ],
        'as it is written' => [
            ['kind' => 'hang', 'slack' => 0.5, 'through' => [[...$near, 'length' => '100 + 150'], $far]],
            ['kind' => 'hang', 'slack' => 0.5, 'through' => [[...$near, 'length' => '100 + 150 + 46'], $far]],
            ['Make span 1 46 mm longer', 'Make span 1 64 mm longer', 'Make span 1 98 mm longer'],
            'Span 1 has 250 mm to span 290 mm; it is drawn straight.',
        ],
    ];
});

it('springs straight through a clamp on its axis, and turns as it will in a loose tie', function () use ($both): void {
    $path = Jobs::solve(led(['kind' => 'spring', 'length' => 1100, 'through' => $both]))->laid->path;
    expect($path->length)->toEqualWithDelta(1100, 1e-6);
    foreach ($path->segments as $index => $segment) {
        $next = $path->segments[$index + 1] ?? null;
        expect($segment->directionAt($segment->length())->toArray())->toEqualWithDelta([1, 0, 0], 1e-6);
        if ($next !== null) {
            expect($segment->end()->distanceTo($next->start()))->toBeLessThan(1e-5);
        }
    }
    // A tie is no longer than a point, and wider than the cable is no fault of it.
    expect(
        Jobs::broken(led(['kind' => 'spring', 'length' => 1100, 'through' => [['clamp' => 'far', 'loose' => true]]])),
    )
        ->toBe([])
        ->and(
            Jobs::written(
                led(['kind' => 'spring', 'length' => 1100, 'through' => [['clamp' => 'far', 'loose' => true]]]),
            )['clamps'][0]['span'],
        )
        ->toHaveCount(2);
});

it('knows whether its end is free', function (array $held, bool $isFree): void {
    $route = Job::read(led(['kind' => 'drape', 'length' => 1100, ...$held]))->runs['r']->route;
    assert($route instanceof DrapeRoute);
    expect($route->endsFree())->toBe($isFree);
})->with([
    [[], false], [['end_held' => 'free'], true], [['end_held' => 'clamped'], false],
    [['start_held' => 'clamped', 'end_held' => 'free'], true],
]);

it('says where it is led, by the middles of its clamps', function (string $kind) use ($both): void {
    $route = Job::read(led(['kind' => $kind, 'length' => 1100, 'through' => $both]))->runs['r']->route;
    $points = array_map(static fn (Vector $one): array => $one->toArray(), $route->saidPoints(Vector::zero()));
    expect($points)->toEqual([[300.0, 0.0, 0.0], [700.0, 0.0, 0.0]]);
})->with(['hang', 'drape', 'spring']);

it('says which span of a line that settles is too short by its own length', function () use ($both): void {
    [$near, $far] = $both;
    $laid = Jobs::laid(led(['kind' => 'drape', 'length' => 1300, 'through' => [[...$near, 'length' => 250], $far]]));
    assert($laid->run->route instanceof DrapeRoute);
    $short = $laid->run->route->shortage($laid);
    expect([$short?->length, $short?->distance, $short?->span])->toEqual([250.0, 290.0, 0]);
});

it('passes loose ties along the line from the place before to the place behind', function (): void {
    $file = led(
        [
            'kind' => 'spring', 'length' => 1300,
            'through' => [['clamp' => 'near', 'loose' => true], ['clamp' => 'far', 'loose' => true]],
        ],
        ['to' => ['at' => [1000, 0, 300], 'axis' => '-x']],
    );
    $file->clamps[1]->at = [700, 200, 0];
    $segments = Jobs::laid($file)->path->segments;
    // Unit vectors along (700, 200, 0) and (700, 0, 300).
    $ways = [[700 / sqrt(530_000), 200 / sqrt(530_000), 0.0], [700 / sqrt(580_000), 0.0, 300 / sqrt(580_000)]];

    expect($segments)->toHaveCount(3);
    foreach ($ways as $gate => $way) {
        [$before, $behind] = [$segments[$gate], $segments[$gate + 1]];
        expect($before->directionAt($before->length())->toArray())->toEqualWithDelta($way, 1e-6)
            ->and($behind->directionAt(0.0)->toArray())->toEqualWithDelta($way, 1e-6);
    }
});

it('reaches from end to end through its clamps, sockets and all', function () use ($both): void {
    // A socket of 50 straight up, then from (0, 0, 50) to the face at 290; between the clamps 380; from 710 to a socket
    // of 30 that looks along +y, at (1000, 30, 0). 20 in each clamp.
    $file = led(['kind' => 'spring', 'length' => 1200, 'through' => $both], [
        'from' => ['at' => [0, 0, 0], 'axis' => '+z', 'lead' => 50],
        'to' => ['at' => [1000, 0, 0], 'axis' => '+y', 'lead' => 30],
    ]);
    $run = Job::read($file)->runs['r'];
    $apart = hypot(290, 50) + 20 + 380 + 20 + hypot(290, 30);
    expect($run->route->span($run))->toEqualWithDelta([$apart, 1200 - 80], 1e-9);
    // A cable that hangs has no sockets; it leaves its ends as it falls.
    $file->runs[0]->route->kind = 'hang';
    $run = Job::read($file)->runs['r'];
    expect($run->route->span($run))->toEqualWithDelta([290 + 20 + 380 + 20 + 290, 1200], 1e-9);
});

it('flows straight through a clamp on its axis, between points', function (): void {
    $laid = Jobs::laid(
        led([
            'kind' => 'flow',
            'points' => [[150, 0, 60], ['clamp' => 'near'], [500, 0, 40], ['clamp' => 'far', 'loose' => true]],
        ]),
    );
    [$first, $inside, $second] = $laid->path->segments;
    expect($first->directionAt($first->length())->toArray())
        ->toEqualWithDelta([1, 0, 0], 1e-9)
        ->and($inside->length())
        ->toEqualWithDelta(20, 1e-9)
        ->and($second->directionAt(0.0)->toArray())->toEqualWithDelta([1, 0, 0], 1e-9)
        ->and($second->pointAt($laid->gates[1][1] - $first->length() - 20)->toArray())
        ->toEqualWithDelta([700, 0, 0], 1e-6);
});

it('knows each of the loose ties of a stretch, where it goes through them', function (): void {
    $laid = Jobs::laid(led(['kind' => 'flow', 'points' => [
        [150, 0, 60], ['clamp' => 'near', 'loose' => true], [500, 0, 40], ['clamp' => 'far', 'loose' => true],
    ]]));
    $at = array_map(
        static fn (array $one): array => $laid->path->pointAt(($one[1] + $one[2]) / 2)->toArray(), $laid->gates,
    );
    expect($at)->toHaveCount(2)
        ->and($at[0])->toEqualWithDelta([300, 0, 0], 1e-6)->and($at[1])->toEqualWithDelta([700, 0, 0], 1e-6);
});

it('counts its sockets where it tells at which length a smooth run is in a clamp', function (): void {
    $route = ['kind' => 'flow', 'points' => [[150, 0, 60], ['clamp' => 'near'], [500, 0, 40]]];
    $plain = Jobs::laid(led($route));
    $with = Jobs::laid(led($route, ['from' => ['at' => [-40, 0, 0], 'axis' => '+x', 'lead' => 40]]));
    // The same curves behind a straight of 40.
    expect(array_slice($with->gates[0], 1))
        ->toEqualWithDelta([$plain->gates[0][1] + 40, $plain->gates[0][2] + 40], 1e-9)
        ->and($with->length())->toEqualWithDelta($plain->length() + 40, 1e-9);
});

it('flows on each side of a clamp as a run of its own that begins or ends in it', function (): void {
    $route = ['kind' => 'flow', 'start_pull' => 1.5, 'end_pull' => 0.7, 'start_knot' => 0.6, 'end_knot' => 1.8];
    $whole = Jobs::laid(led([...$route, 'points' => [[150, 0, 60], ['clamp' => 'near'], [500, 0, 40], [800, 90, 0]]]));
    $before = led(
        [...array_diff_key($route, ['end_pull' => 0, 'end_knot' => 0]), 'points' => [[150, 0, 60]]],
        ['to' => ['at' => [290, 0, 0], 'axis' => '-x']],
    );
    $behind = led(
        [...array_diff_key($route, ['start_pull' => 0, 'start_knot' => 0]), 'points' => [[500, 0, 40], [800, 90, 0]]],
        ['from' => ['at' => [310, 0, 0], 'axis' => '+x']],
    );
    foreach ([[$before, 0], [$behind, 2]] as [$alone, $segment]) {
        $curve = Jobs::laid($alone)->path->segments[0];
        $part = $whole->path->segments[$segment];
        expect($part->length())->toEqualWithDelta($curve->length(), 1e-9);
        foreach (range(0, 20) as $i) {
            $along = $curve->length() * $i / 20;
            expect($part->pointAt($along)->distanceTo($curve->pointAt($along)))->toBeLessThan(1e-9);
        }
    }
});

it('is led through a clamp where it comes by, and hangs on when the clamp goes', function (): void {
    $file = led(['kind' => 'hang', 'length' => 1100, 'through' => [['clamp' => 'far', 'reverse' => true]]]);
    $job = Job::read($file);
    $laid = $job->runs['r']->route->lay($job->runs['r']);
    $edited = RunDraft::of($laid)->apply(new ThroughClamp(null, $job->site->clamps['near']))->run();
    expect(array_column($edited->route->through, 'clamp'))
        ->toBe(['near', 'far'])
        ->and($edited->route->through[0]->reverse ?? false)
        ->toBeFalse();

    $file->runs = [$edited];
    $after = Jobs::object((array) $file);
    array_shift($after->clamps);
    expect(array_column(Loosening::of($file)->fit($after)->runs[0]->route->through, 'clamp'))->toBe(['far']);
});

it('holds a direction at a point, with curvature going on through it', function (float $pull): void {
    $along = (new Vector(1, 2, -1))->unit();
    $curve = Jobs::laid(
        led([
            'kind' => 'flow',
            'points' => [
                [200, 80, 0],
                ['at' => [500, 60, 50], 'along' => $along->toArray(), 'pull' => $pull],
                [800, -40, 0],
            ],
        ]),
    )->path->segments[0];
    $at = array_search(
        true,
        array_map(
            static fn (Vector $point): bool => $point->distanceTo(new Vector(500, 60, 50)) < 1e-9,
            $curve->points,
        ),
        true,
    );
    expect($at)->not->toBeFalse()->and($curve->directions[$at]->toArray())->toEqualWithDelta($along->toArray(), 1e-9);
    foreach (array_slice($curve->curvature, 1, null, true) as $i => $bend) {
        expect(abs($bend - $curve->curvature[$i - 1]))->toBeLessThan(0.25 * max($curve->curvature));
    }
    // On both sides of the point it bends the same.
    $at = (int) $at;
    [$before, $here, $after] = [$curve->curvature[$at - 1], $curve->curvature[$at], $curve->curvature[$at + 1]];
    expect(abs($before - $here) + abs($after - $here))->toBeLessThan(0.3 * $here);
})->with([0.5, 1.0, 2.0]);

it('eases the tightest part by as much as is allowed', function (float $within): void {
    $file = led(['kind' => 'flow', 'points' => [[450, 40, 0], [500, -40, 0], [550, 40, 0]]]);
    $laid = Jobs::laid($file);
    $eased = RunDraft::of($laid)->apply(new Ease($within))->run();
    foreach ($eased->route->points as $i => $point) {
        expect((new Vector(...$point))->distanceTo(new Vector(...$file->runs[0]->route->points[$i])))->toBeLessThan(
            $within + 0.01,
        );
    }
    $file->runs = [$eased];
    // Points that may go 40 to the side can lie on the straight between the ends; 5 take a little of the wave.
    expect(Jobs::laid($file)->path->leastRadius() ?? INF)->toBeGreaterThan(
        ($laid->path->leastRadius() ?? 0.0) * ($within > 40 ? 20 : 1.1),
    );
})->with([5.0, 45.0]);

it('is turned into points that run where it was', function (array $route): void {
    $laid = Jobs::laid(led($route, ['from' => ['at' => [0, 0, 0]], 'to' => ['at' => [1000, 0, 0]]]));
    $file = led($route);
    $file->runs = [RunDraft::of($laid)->apply(new AsPoints)->run()];
    $points = Jobs::laid($file)->path->segments[0]->points;
    $curve = $laid->path->segments[0];
    for ($along = 0.0; $along <= $curve->length(); $along += 20.0) {
        $here = $curve->pointAt($along);
        $off = INF;
        foreach (array_slice($points, 1, null, true) as $i => $point) {
            // From a chord, where the foot of the plumb on it is between its ends.
            [$chord, $way] = [$point->minus($points[$i - 1]), $here->minus($points[$i - 1])];
            $part = $way->dot($chord) / $chord->dot($chord);
            $off = $part > -0.01 && $part < 1.01 ? min($off, $chord->cross($way)->length() / $chord->length()) : $off;
        }
        expect($off)->toBeLessThan(1.2);
    }
    expect(count($file->runs[0]->route->points))->toBeLessThan(20);
})->with([[['kind' => 'hang', 'slack' => 0.08]], [['kind' => 'hang', 'length' => 2000]]]);

it('refuses what cannot be eased or led', function (): void {
    $hang = Jobs::laid($file = led(['kind' => 'hang', 'length' => 1100, 'through' => [['clamp' => 'near']]]));
    $near = Job::read($file)->site->clamps['near'];
    expect(static fn () => RunDraft::of($hang)->apply(new Ease(10)))
        ->toThrow(Bowline\Editing\EditError::class, 'Only a smooth run')
        ->and(static fn () => RunDraft::of($hang)->apply(new ThroughClamp(null, $near)))
        ->toThrow(Bowline\Editing\EditError::class, 'goes through near already')
        ->and(static fn () => Jobs::laid(led(['kind' => 'flow', 'points' => [['at' => [1, 2, 3], 'pull' => 2]]])))
        ->toThrow(Bowline\Job\JobError::class, 'a pull needs the direction')
        ->and(
            static fn () => Jobs::laid(
                led([
                    'kind' => 'drape',
                    'length' => 1100,
                    'through' => [['clamp' => 'near']],
                    'nudges' => [['along' => 0.5, 'to' => [0, 0, 0]]],
                ]),
            ),
        )
        ->toThrow(Bowline\Job\JobError::class, 'nudged by moving those');
});

it('brings a smooth run to its length by the points that give, the smallest move of them', function (
    float $length,
): void {
    $route = ['kind' => 'flow', 'points' => [[300, 0, 60], [500, 0, 80], ['clamp' => 'far', 'loose' => true]]];
    $file = led($route, [
        'fixed_length' => ['length' => $length, 'tolerance' => 0.1, 'adjust' => ['stops' => [0, 1], 'along' => '+z']],
    ]);
    $laid = Jobs::laid($file);
    // As told with the points there: the same run, of that length.
    $moved = $laid->adjustedBy;
    $there = Jobs::laid(
        led([
            'kind' => 'flow',
            'points' => [[300, 0, 60 + $moved], [500, 0, 80 + $moved], ['clamp' => 'far', 'loose' => true]],
        ]),
    );
    expect($laid->length())->toEqualWithDelta($length, 1e-4)->and($there->length())->toEqualWithDelta($length, 1e-4);
    // No smaller move does: half of it is shorter, and the other way is longer only farther off.
    $short = static fn (float $by): bool => Jobs::laid(
        led([
            'kind' => 'flow',
            'points' => [[300, 0, 60 + $by], [500, 0, 80 + $by], ['clamp' => 'far', 'loose' => true]],
        ]),
    )->length() < $length;
    expect($short($moved * 0.9))->toBe($short(0.0))->and($short(-$moved * 0.9))->toBe($short(0.0));
})->with([1040.0, 1100.0]);

it('leaves the points that give where they are told where no length is right', function (): void {
    $laid = Jobs::laid(led(['kind' => 'flow', 'points' => [[500, 0, 80]]], [
        'fixed_length' => ['length' => 900, 'tolerance' => 0.1, 'adjust' => ['stops' => [0], 'along' => '+z']],
    ]));
    $point = new Vector(500, 0, 80);
    expect($laid->adjustedBy)->toBe(0.0)
        ->and($laid->path->pointAt($laid->path->closestTo($point))->distanceTo($point))->toBeLessThan(0.1);
});

it('says the nearest length that the points can give', function (): void {
    $finding = Jobs::solve(
        led(
            ['kind' => 'flow', 'points' => [[500, 0, 80]]],
            ['fixed_length' => ['length' => 900, 'tolerance' => 0.1, 'adjust' => ['stops' => [0], 'along' => '+z']]],
        ),
    )->findings[0];
    // Never shorter than straight across, 1000.
    expect($finding->rule)->toBe('fixed-length')->and($finding->nearest)->toEqualWithDelta(1000.0, 0.05);
    // A cable is simply made as long.
    $cable = Jobs::solve(
        led(['kind' => 'hang', 'length' => 1100], ['fixed_length' => ['length' => 1150, 'tolerance' => 0.1]]),
    )->findings[0];
    expect($cable->remedies[0]->label)
        ->toBe('Make it 1150 mm')
        ->and($cable->remedies[0]->item->route->length)
        ->toBe(1150);
});
