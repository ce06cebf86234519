<?php

declare(strict_types=1);

use Bowline\Curves\Catenary;
use Bowline\Curves\Elastica;
use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\JobFile;
use Tests\Cases;
use Tests\Jobs;

$z = new Vector(0, 0, 1);

/** Length of the facets, and the largest turn between two. */
function facets(Curve $curve): array
{
    $length = 0.0;
    foreach (array_slice($curve->points, 1, null, true) as $i => $point) {
        $length += $point->distanceTo($curve->points[$i - 1]);
    }

    return [$length];
}

it('agrees with cases worked out elsewhere', function (string $case): void {
    $expected = Cases::expected($case);
    [$exit, $out] = Cases::bowline('solve', Cases::file($case));
    $runs = json_decode($out, true)['runs'];
    expect($exit)->toBe($expected['exit']);
    foreach ($expected['runs'] as $i => $run) {
        $own = $runs[$i];
        expect($own['status'])
            ->toBe($run['status'])
            ->and(array_column($own['findings'], 'rule'))
            ->toBe(array_column($run['findings'], 'rule'));
        foreach (['length', 'cut_length', 'min_radius'] as $key) {
            if (is_numeric($run[$key] ?? null)) {
                expect($own[$key])->toEqualWithDelta($run[$key], 1e-4 * $run[$key]);
            }
        }
        $check = $run['check'] ?? [];
        $solved = (new Bowline\Solving\Solver(Job::fromJson(Cases::json($case))))->all()[$i]->laid->path;
        if (isset($check['start'])) {
            $last = $solved->segments[count($solved->segments) - 1];
            expect($solved->segments[0]->start()->toArray())
                ->toEqualWithDelta($check['start'], 1e-6)
                ->and($last->end()->toArray())
                ->toEqualWithDelta($check['end'], 1e-5)
                ->and($solved->segments[0]->directionAt(0.0)->toArray())
                ->toEqualWithDelta($check['start_direction'], 1e-4)
                ->and($last->directionAt($last->length())->toArray())->toEqualWithDelta($check['end_direction'], 1e-4);
        }
        if (isset($check['catenary'])) {
            // Every point of it lies on the curve of the closed form.
            ['base' => $base, 'across' => $across, 'a' => $a] = $check['catenary'];
            $curve = $solved->segments[0];
            assert($curve instanceof Curve);
            foreach ($curve->points as $point) {
                $from = $point->minus(new Vector(...$base));
                expect($from->z)->toEqualWithDelta($a * cosh($from->dot(new Vector(...$across)) / $a), 1e-6);
            }
        }
        if (isset($check['midpoint'])) {
            $curve = $solved->segments[1];
            expect($curve->pointAt($curve->length() / 2)->toArray())->toEqualWithDelta($check['midpoint'], 0.01);
        }
    }
})->with(Cases::named('hang-*', 'spring-*', 'wrap-*'));

it('hangs by the closed form: level, twice as deep as Huygens would have it', function () use ($z): void {
    // a = 100 and ends 200 apart: length 2a·sinh(1), sag a·(cosh 1 − 1), slope at the ends sinh 1.
    $hung = Catenary::between(new Vector(0, 0, 0), new Vector(200, 0, 0), $z, 200 * sinh(1));
    expect($hung->a)->toEqualWithDelta(100, 1e-9)->and($hung->sag)->toEqualWithDelta(100 * (cosh(1) - 1), 1e-8)
        ->and($hung->lowest->toArray())->toEqualWithDelta([100, 0, -100 * (cosh(1) - 1)], 1e-8)
        ->and($hung->pull(0.5, $hung->last))->toEqualWithDelta(0.5 * 100 * cosh(1), 1e-8)
        ->and(facets($hung->curve)[0])->toEqualWithDelta(200 * sinh(1), 0.0005 * 200);
});

it('hangs anything that reaches, level or not, and its points are on one catenary', function (int $seed) use (
    $z,
): void {
    mt_srand($seed);
    $to = new Vector(900 * Jobs::random(), 900 * Jobs::random(), 900 * Jobs::random());
    $length = $to->length() * (1.0005 + abs(Jobs::random()) ** 3 * 5);
    $hung = Catenary::between(Vector::zero(), $to, $z, $length);
    expect($hung->curve->start()->distanceTo(Vector::zero()))
        ->toBeLessThan(1e-6 * $length)
        ->and($hung->curve->end()->distanceTo($to))
        ->toBeLessThan(1e-6 * $length)
        ->and(facets($hung->curve)[0])->toEqualWithDelta($length, 5e-4 * $length);
    foreach ($hung->curve->directions as $i => $direction) {
        // The pull across is the same everywhere: a over the root of a² + s².
        $s = $hung->first + $hung->curve->along[$i];
        expect($direction->z)->toEqualWithDelta($s / sqrt($hung->a ** 2 + $s ** 2), 1e-9);
    }
})->with(range(1, 12));

it('springs into an arc of a circle where that fits', function (float $degrees): void {
    $angle = deg2rad($degrees);
    $end = new Vector(sin($angle), 0, 1 - cos($angle));
    $sprung = Elastica::between(
        Vector::zero(),
        $end->times(150),
        new Vector(1, 0, 0),
        new Vector(cos($angle), 0, sin($angle)),
        150 * $angle,
    )[0];
    expect($sprung->curve->least)
        ->toEqualWithDelta(150, 0.015)
        ->and($sprung->energy)
        ->toEqualWithDelta($angle / 150, (1e-4 * $angle) / 150)
        ->and($sprung->curve->pointAt(75 * $angle)->toArray())
        ->toEqualWithDelta([150 * sin($angle / 2), 0, 150 * (1 - cos($angle / 2))], 0.02);
})->with([30.0, 90.0, 135.0, 180.0]);

it('buckles between clamped ends as beam theory has it', function (): void {
    // y = A/2·(1 − cos 2πx/L), slack σ = π²A²/4L²: the least radius is L/(4π√σ).
    foreach ([1e-4, 4e-4] as $slack) {
        $sprung = Elastica::between(
            Vector::zero(),
            new Vector(1000 * (1 - $slack), 0, 0),
            new Vector(1, 0, 0),
            new Vector(1, 0, 0),
            1000,
        )[0];
        expect($sprung->curve->least)->toEqualWithDelta(
            1000 / (4 * M_PI * sqrt($slack)),
            (1000 / (4 * M_PI * sqrt($slack))) * 3 * $slack + 0.5,
        );
    }
});

it('springs between any two ends: held in place and direction, as long as it is, and the same when turned', function (
    int $seed,
): void {
    mt_srand($seed);
    $unit = fn (): Vector => (new Vector(Jobs::random(), Jobs::random(), Jobs::random()))->unit();
    [$to, $along, $into] = [$unit()->times(400), $unit(), $unit()];
    $length = 400 * (1.15 + abs(Jobs::random()));
    $sprung = Elastica::between(Vector::zero(), $to, $along, $into, $length)[0];
    $curve = $sprung->curve;
    expect($curve->end()->distanceTo($to))
        ->toBeLessThan(1e-3)
        ->and($curve->directions[0]->angleTo($along))
        ->toBeLessThan(1e-6)
        ->and($curve->directions[count($curve->points) - 1]->angleTo($into))
        ->toBeLessThan(1e-4)
        ->and(facets($curve)[0])
        ->toEqualWithDelta($length, 5e-4 * $length);
    $axis = $unit();
    $turn = fn (Vector $vector): Vector => $vector->turnedAbout($axis, 1.1);
    $turned = Elastica::between(Vector::zero(), $turn($to), $turn($along), $turn($into), $length)[0];
    expect($turned->energy)->toEqualWithDelta($sprung->energy, 0.16 * $sprung->energy);
})->with(range(1, 10));

it('flows through its points with tangent and curvature going on', function (int $seed): void {
    mt_srand($seed);
    $points = [Vector::zero()];
    for ($i = 1; $i < 6; $i++) {
        $points[] = $points[$i - 1]->plus(
            (new Vector(1 + Jobs::random() / 2, Jobs::random(), Jobs::random()))->times(150),
        );
    }
    $along = (new Vector(1, 0.3, 0))->unit();
    $curve = Spline::through($points, $along, new Vector(1, 0, 0));
    expect($curve->directions[0]->angleTo($along))
        ->toBeLessThan(1e-9)
        ->and($curve->directions[count($curve->points) - 1]->angleTo(new Vector(1, 0, 0)))
        ->toBeLessThan(1e-9);
    foreach ($points as $point) {
        expect(min(array_map(fn (Vector $own): float => $own->distanceTo($point), $curve->points)))->toBeLessThan(1e-9);
    }
    foreach (array_slice($curve->points, 1, -1, true) as $i => $here) {
        // Nowhere does the curvature jump by more than it does over a piece of the drawing.
        expect(abs($curve->curvature[$i] - $curve->curvature[$i - 1]))
            ->toBeLessThan(0.2 * max($curve->curvature) + 1e-6)
            ->and($curve->directions[$i]->angleTo($curve->directions[$i - 1]))->toBeLessThan(0.03);
    }
    expect(facets($curve)[0])->toEqualWithDelta($curve->length(), 5e-4 * $curve->length());
})->with(range(1, 6));

/** A straight or bent host of outside diameter 30, and what is wound round it. */
function wound(array $route, array $stops = [], array $to = [600, 0, 0], array $ends = []): array
{
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->stock[] = Jobs::object([
        'id' => 'host',
        'kind' => 'tube',
        'section' => ['shape' => 'round', 'od' => 30, 'wall' => 2],
        'bend' => ['radius' => 90, 'min_radius' => 60, 'min_straight' => 0],
        'density' => 7850,
    ]);
    $file->stock[] = Jobs::object([
        'id' => 'wire',
        'kind' => 'wire',
        'section' => ['shape' => 'round', 'od' => 6],
        'bend' => ['radius' => 20, 'min_radius' => 5, 'min_straight' => 0],
        'density' => 8900,
    ]);
    $file->runs = array_map(Jobs::object(...), [
        [
            'id' => 'pipe',
            'stock' => 'host',
            'from' => ['at' => [0, 0, 0]],
            'to' => ['at' => $to],
            'route' => ['kind' => 'corners', 'stops' => $stops],
        ],
        ['id' => 'trace', 'stock' => 'wire', 'route' => ['kind' => 'wrap', 'host' => 'pipe', ...$route], ...$ends],
    ]);

    return Jobs::written($file, 1);
}

it('winds a helix of the radius and length of its formula, either hand', function (): void {
    $right = wound(['from_length' => 50, 'to_length' => 550, 'pitch' => 50, 'gap' => 2, 'start_angle' => 90]);
    $r = 15 + 2 + 3;
    expect($right['length'])->toEqualWithDelta(10 * sqrt((2 * M_PI * $r) ** 2 + 50 ** 2), 1e-6)
        ->and($right['min_radius'])->toEqualWithDelta($r + (50 / (2 * M_PI)) ** 2 / $r, 1e-9)
        // 90° right-handed about +x from z up is −y; a quarter of a turn on it is −z.
        ->and($right['path'][0]['from'])->toEqualWithDelta([50, -$r, 0], 1e-9);
    $left = wound(['from_length' => 50, 'to_length' => 550, 'turns' => 10, 'gap' => 2, 'hand' => 'left']);
    $quarter = array_values(
        array_filter($left['path'][0]['points'], fn (array $p): bool => abs($p[0] - 62.5) < 0.06),
    )[0];
    expect($left['length'])->toEqualWithDelta($right['length'], 1e-6)->and($quarter[1])->toEqualWithDelta($r, 0.2);
});

it('winds as many turns as it is told, parts of one too', function (float $turns): void {
    // A helix of radius 15 + 3 over 500 mm: its development is the hypotenuse.
    $length = wound(['from_length' => 50, 'to_length' => 550, 'turns' => $turns])['length'];
    expect($length)->toEqualWithDelta(hypot(500, 2 * M_PI * 18 * $turns), 1e-6);
})->with([0.0, 0.25, 1.0, 1.5]);

it('follows the bends of its host at its distance', function (): void {
    $trace = wound(['from_length' => 20, 'to_length' => 700, 'pitch' => 40], [['at' => [400, 0, 0]]], [400, 400, 0]);
    $arc = ['centre' => [310, 90, 0], 'radius' => 90];
    foreach ($trace['path'][0]['points'] as [$x, $y, $z]) {
        if ($x > 330 && $y < 70) {
            $out = hypot($x - $arc['centre'][0], $y - $arc['centre'][1]) - $arc['radius'];
            expect(hypot($out, $z))->toEqualWithDelta(18, 1e-6);
        }
    }
    // It bends as the circle through three of its points that follow one another, on straights and round the bend.
    $points = array_map(static fn (array $point): Vector => new Vector(...$point), $trace['path'][0]['points']);
    for ($i = 5; $i < count($points) - 5; $i += 37) {
        [$a, $b, $c] = array_slice($points, $i - 1, 3);
        $circle =
            (2 * $b->minus($a)->cross($c->minus($b))->length()) /
            ($b->distanceTo($a) * $c->distanceTo($b) * $c->distanceTo($a));
        // Where the bend begins and ends the bending of the host leaps, and the circle is of both sides.
        $isAtTangent = abs($b->x - 310) < 1.5 || abs($b->y - 90) < 1.5;
        expect($trace['path'][0]['curvature'][$i])->toEqualWithDelta(
            $circle,
            $isAtTangent ? 0.3 * $circle : 2e-3 * $circle,
        );
    }
    expect(fn () => wound(['from_length' => 20, 'to_length' => 900, 'pitch' => 40]))->toThrow(
        JobError::class,
        'only 600.0 mm long',
    );
});

it('lays strands side by side, as far apart as they are told and no more', function (array $turns, float $apart): void {
    $strands = array_map(
        static fn (int $strand): array => wound([
            'from_length' => 50,
            'to_length' => 550,
            'gap' => 2,
            'strand' => $strand,
            'apart' => $apart,
            ...$turns,
        ])['path'][0]['points'],
        [0, 1],
    );
    $nearest = INF;
    foreach (array_slice($strands[0], 300, 200) as $one) {
        foreach ($strands[1] as $other) {
            $nearest = min(
                $nearest,
                sqrt(($one[0] - $other[0]) ** 2 + ($one[1] - $other[1]) ** 2 + ($one[2] - $other[2]) ** 2),
            );
        }
    }
    expect($nearest)->toEqualWithDelta(6 + $apart, 0.02);
})->with([
    [['pitch' => 90], 0.0],
    [['pitch' => 90], 4.0],
    [['turns' => 2], 1.0],
    [['pitch' => 90, 'hand' => 'left'], 1.0],
]);

it('lies beside its host with no turn at all, and refuses more strands than there is room for', function (): void {
    // On a circle of 20 about the host, 6 and 1 between: 2·asin(7/40) is 20.2°, so 17 have room.
    $beside = wound(['from_length' => 50, 'to_length' => 550, 'turns' => 0, 'gap' => 2, 'strand' => 16, 'apart' => 1]);
    expect($beside['length'])->toEqualWithDelta(500, 1e-6)->and($beside['min_radius'])->toBeNull();
    foreach ($beside['path'][0]['points'] as [, $y, $z]) {
        expect(hypot($y, $z))->toEqualWithDelta(20, 1e-9);
    }
    expect(
        fn () => wound([
            'from_length' => 50,
            'to_length' => 550,
            'turns' => 0,
            'gap' => 2,
            'strand' => 17,
            'apart' => 1,
        ]),
    )->toThrow(JobError::class, 'room for 17 strands');
});

it('says for how many strands there is room', function (float $apart, int $strand, string $words): void {
    // As before on a circle of 20: strands of 6 stand at 2·asin((6 + apart)/40).
    $wind = fn (): array => wound([
        'from_length' => 50, 'to_length' => 550, 'turns' => 0, 'gap' => 2, 'strand' => $strand, 'apart' => $apart,
    ]);
    expect($wind)->toThrow(JobError::class, $words);
})->with([
    '128°' => [30.0, 2, 'there is room for 2 strands side by side'],
    '107°' => [26.2, 3, 'there is room for 3 strands side by side'],
    'farther apart than across the circle' => [40.0, 1, 'there is room for one strand and none beside it'],
]);

it('bends beside a curve as that does, nearer to its middle by what it is off it', function (
    float $angle,
    float $off,
): void {
    // A cable that hangs with a = 500 at its lowest, its strand 20 above it or below.
    $file = Jobs::file([], ['at' => [0, 0, 0]]);
    $file->stock[] = Jobs::object([
        'id' => 'host',
        'kind' => 'cable',
        'section' => ['shape' => 'round', 'od' => 30],
        'bend' => ['radius' => 90, 'min_radius' => 60, 'min_straight' => 0],
        'density' => 2000,
    ]);
    $file->stock[] = Jobs::object([
        'id' => 'wire',
        'kind' => 'wire',
        'section' => ['shape' => 'round', 'od' => 6],
        'bend' => ['radius' => 20, 'min_radius' => 5, 'min_straight' => 0],
        'density' => 8900,
    ]);
    $file->runs = array_map(Jobs::object(...), [
        [
            'id' => 'pipe',
            'stock' => 'host',
            'from' => ['at' => [-500, 0, 0]],
            'to' => ['at' => [500, 0, 0]],
            'route' => ['kind' => 'hang', 'length' => 1000 * sinh(1.0)],
        ],
        [
            'id' => 'trace',
            'stock' => 'wire',
            'route' => [
                'kind' => 'wrap',
                'host' => 'pipe',
                'from_length' => 100,
                'to_length' => 1000,
                'turns' => 0,
                'gap' => 2,
                'start_angle' => $angle,
            ],
        ],
    ]);
    expect(Jobs::written($file, 1)['min_radius'])->toEqualWithDelta(500 + $off, 0.5);
})->with([[0.0, -20.0], [180.0, 20.0]]);

it('leads off from a winding to its ports, smoothly and along their axes', function (): void {
    $trace = wound(
        ['from_length' => 150, 'to_length' => 450, 'pitch' => 60, 'gap' => 2],
        [],
        [600, 0, 0],
        [
            'from' => ['at' => [-50, 120, 40], 'axis' => [1, 0, 0], 'lead' => 20],
            'to' => ['at' => [600, -100, 90], 'axis' => [0, 0, 1]],
        ],
    );
    [$lead, $off, $helix, $back] = $trace['path'];
    expect($trace['path'])
        ->toHaveCount(4)
        ->and($lead['length'])
        ->toEqualWithDelta(20, 1e-9)
        ->and($helix['length'])
        ->toEqualWithDelta(5 * hypot(2 * M_PI * 20, 60), 1e-6)
        ->and($off['to'])
        ->toEqualWithDelta($helix['from'], 1e-6)
        ->and($back['to'])
        ->toEqualWithDelta([600, -100, 90], 1e-9);
    $way = static fn (array $points, int $i): Vector => (new Vector(...$points[$i + 1]))
        ->minus(new Vector(...$points[$i]))
        ->unit();
    expect($way($off['points'], 0)->x)
        ->toBeGreaterThan(0.999)
        ->and($way($back['points'], count($back['points']) - 2)->z)
        ->toBeLessThan(-0.999)
        ->and($way($off['points'], count($off['points']) - 2)->angleTo($way($helix['points'], 0)))->toBeLessThan(0.05);
});

it('judges a curve by its true curvature, and cures what is too short', function (): void {
    $file = JobFile::decode(Cases::json('hang-too-short'));
    $solved = (new Bowline\Solving\Solver(Job::read($file)))->all()[0];
    $cure = $solved->findings[0]->remedies[0];
    expect($cure->item->route->length)->toBeGreaterThan(493.9);
    $file->runs[0]->route = Jobs::object(['kind' => 'hang', 'length' => 3000]);
    $file->stock[0]->bend->min_radius = 80;
    // Over its lowest point the radius is a of the catenary: 460 across and 180 up make it about 67.
    $deep = (new Bowline\Solving\Solver(Job::read($file)))->all()[0];
    expect(array_map(fn ($finding) => $finding->rule, $deep->findings))->toContain('bend-radius');
});

it('finds sprung curves along which bending and one constant force keep their balance', function (int $seed): void {
    mt_srand(500 + $seed);
    $from = new Vector(0, 0, 0);
    $to = new Vector(mt_rand(100, 500), mt_rand(-300, 300), mt_rand(-300, 300));
    $away = static fn (): Vector => (new Vector(mt_rand(-9, 9), mt_rand(-9, 9), mt_rand(1, 9)))->unit();
    [$along, $into, $length] = [$away(), $away(), $to->length() * (1.15 + mt_rand(0, 60) / 100)];
    $curve = Elastica::between($from, $to, $along, $into, $length, 1)[0]->curve;
    // A first integral of the elastica: κ²/2 + F·t is the same everywhere, for a constant force F. Its four unknowns
    // follow from four places; every other place must agree.
    $count = count($curve->points);
    $row = static fn (int $i): array => [[...$curve->directions[$i]->toArray(), -1.0], -$curve->curvature[$i] ** 2 / 2];
    $rows = array_map(static fn (float $part): array => $row((int) round($part * ($count - 1))), [
        0.05,
        0.35,
        0.62,
        0.9,
    ]);
    $solved = Bowline\Geometry\LinearSystem::solved(array_column($rows, 0), array_column($rows, 1));
    $most = max($curve->curvature) ** 2 / 2;
    foreach (range(1, 40) as $step) {
        [$left, $right] = $row((int) round($step / 41 * ($count - 1)));
        $sum = array_sum(array_map(static fn (float $a, float $b): float => $a * $b, $left, $solved));
        expect(abs($sum - $right))->toBeLessThan(3e-3 * $most + 1e-9);
    }
    expect($curve->points[0]->distanceTo($from))
        ->toBeLessThan(1e-6)
        ->and($curve->points[$count - 1]->distanceTo($to))
        ->toBeLessThan(1e-5)
        ->and($curve->directions[0]->angleTo($along))
        ->toBeLessThan(1e-6)
        ->and($curve->directions[$count - 1]->angleTo($into))
        ->toBeLessThan(1e-5)
        ->and($curve->length())->toEqualWithDelta($length, 1e-9);
})->with(range(1, 8));

it('is as tight at a told point as its curvature there says', function (): void {
    // A symmetric hairpin through three points with free ends: the natural spline has its largest second derivative at
    // the middle one. Over chords of h = √(100² + 40²), M = −6/(4h)·(2·40/h·…): curvature there is |y″|/|x′|² with
    // x′ = 100/h and y″ = −3·40/h², so R = (100/h)² / (120/h²) = 100²/120.
    $curve = Spline::through([new Vector(-100, 0, 0), new Vector(0, 40, 0), new Vector(100, 0, 0)], null, null);
    expect($curve->least)->toEqualWithDelta(100 ** 2 / 120, 1e-9);
});

it('comes to the length it is to have within a millionth', function (int $seed): void {
    $points = [[80, 60, 20], [200, -40, 60], [300, 50, 10]];
    $file = Jobs::file(
        [],
        ['at' => [400, 0, 100], 'axis' => [1, 0, 0]],
        [
            'route' => ['kind' => 'flow', 'points' => $points],
            'fixed_length' => [
                'length' => 560 + 17 * $seed,
                'tolerance' => 0.5,
                'adjust' => ['stops' => [1], 'along' => [0, 1, 0.3]],
            ],
        ],
    );
    $laid = Jobs::laid($file);
    expect($laid->nearestLength)->toBeNull()->and($laid->length())->toEqualWithDelta(560 + 17 * $seed, 1e-6 * 560);
})->with(range(1, 6));

it('says that a hose folds into itself, which its stock would let it do', function (): void {
    // 500 outside, sprung to R 133 or so by its ends: half of it is 250.
    $file = Jobs::file(
        [],
        ['at' => [300, 0, 300], 'axis' => [1, 0, 0]],
        [
            'route' => ['kind' => 'spring', 'length' => 700],
            'section' => ['shape' => 'round', 'od' => 500, 'wall' => 20],
            'stock.min_radius' => 5,
        ],
    );
    expect(Jobs::broken($file))->toContain('section-fold');
});

it('goes through a point in the direction that is told there, with a pull of 1 where none is', function (): void {
    $through = static function (array $point): array {
        $file = Jobs::file([], ['at' => [600, 0, 0]]);
        $file->runs[0]->route = Jobs::object(['kind' => 'flow', 'points' => [
            ['at' => [300, 100, 0], 'along' => [0, 1, 0], ...$point],
        ]]);
        $laid = Jobs::laid($file);
        [$path, $length] = [$laid->path, $laid->length()];
        $best = [INF, 0.0];
        for ($along = 0.0; $along < $length; $along += 0.1) {
            $best = min($best, [$path->pointAt($along)->distanceTo(new Vector(300.0, 100.0, 0.0)), $along]);
        }

        return [$length, $path->directionAt($best[1])->y];
    };
    [$length, $up] = $through([]);
    expect($up)->toBeGreaterThan(0.999)->and($length)->toBe($through(['pull' => 1])[0])
        ->and($through(['pull' => 2])[0])->toBeGreaterThan($length + 1.0);
});
