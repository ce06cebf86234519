<?php

declare(strict_types=1);

use Bowline\Body\Boundary\SplineSurface;
use Bowline\Body\Cut\CutLoop;
use Bowline\Body\Cut\MeshCut;
use Bowline\Body\Junction\RoundedBody;
use Bowline\Body\MassProperties;
use Bowline\Body\RunBody;
use Bowline\Body\Tessellation;
use Bowline\Exchange\JoinedBodies;
use Bowline\Exchange\MassWriter;
use Bowline\Exchange\Step\StepWriter;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Jobs;
use Tests\RandomJunctions;
use Tests\Seeds;
use Tests\Tees;
use Tests\Triangles;

/** @param  array<string, mixed>  $more  of the body: round, order, wall */
function roundedBody(stdClass $file, array $more): RoundedBody
{
    $file->bodies[0] = Jobs::object([...(array) $file->bodies[0], ...$more]);
    $job = Job::read($file);

    return RoundedBody::of($job->bodies['tee'], Tees::laid($file), '/bodies/0');
}

/**
 * Two legs of 60 × 2 that begin together upwards, 40 straight, bend by 45° with R 60 to either side, and go on.
 *
 * @param  array<string, mixed>  $left  over the left leg
 */
function trousers(array $left = [], array $stock = []): stdClass
{
    $lead = 40 + 60 * tan(M_PI / 8);
    $leg = static fn (string $id, int $side): array => [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 'p',
        'from' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'lead' => $lead],
        'to' => ['at' => [200 * $side, 0, $lead + 200]], 'route' => ['kind' => 'corners', 'stops' => []],
    ];

    return Jobs::decoded([
        'format' => 'bowline-job', 'version' => 3, 'name' => 'Trousers', 'up' => 'z',
        'stock' => [[
            'id' => 'p', 'kind' => 'pipe', 'density' => 8000,
            'section' => ['shape' => 'round', 'od' => 60, 'wall' => 2],
            'bend' => ['radius' => 60, 'min_radius' => 50, 'min_straight' => 0], ...$stock,
        ]],
        'runs' => [[...$leg('left', -1), ...$left], $leg('right', 1)],
        'bodies' => [['id' => 'tee', 'name' => 'Trousers', 'runs' => ['left', 'right']]],
    ]);
}

/*
 * Where both legs meet in their plane: at a distance d from the straight beyond the bend, that is at
 * z = 40 + 60 sin 45° − (60 − 60 cos 45°) + d√2.
 */
$crotch = static fn (float $d): float => 40 + 120 * sin(M_PI / 4) - 60 + $d * M_SQRT2;

it('has an even wall rounded first', function (int $seed): void {
    mt_srand($seed);
    $lean = deg2rad(mt_rand(55, 125));
    $turn = deg2rad(mt_rand(0, 359));
    $axis = [cos($lean), sin($lean) * cos($turn), sin($lean) * sin($turn)];
    $tube = [mt_rand(20, 60), 2];
    $wall = mt_rand(10, 40) / 10;
    $body = roundedBody(Tees::file([Tees::branch(200, $axis)], [], [60, 3], $tube), [
        'round' => mt_rand(20, 120) / 10, 'wall' => $wall,
    ]);
    $walls = $body->walls(2.0) ?? throw new LogicException;

    expect($walls->least()[1])->toBeGreaterThan(0.999 * $wall)
        ->and($walls->most()[1])->toBeLessThan(1.001 * $wall);
})->with(range(1, 12));

it('is thickest in its crotch hollow first, and even there rounded first', function () use ($crotch): void {
    $hollowFirst = roundedBody(trousers(), ['round' => 10, 'order' => 'hollow-first']);
    $walls = $hollowFirst->walls(0.5) ?? throw new LogicException;
    // From the edge of the bores, 28 from both axes, to the bottom of the ball, 40 from both.
    $thick = $crotch(40) - 10 - $crotch(28);
    [$at, $most] = $walls->most();
    expect($most)->toEqualWithDelta($thick, 1e-3)
        ->and($at->toArray())->toEqualWithDelta([0, 0, $crotch(28)], 1.5)
        ->and($walls->least()[1])->toEqualWithDelta(2, 1e-6)
        ->and(array_sum(array_column($walls->histogram(), 'area')))->toBeGreaterThan(20_000);

    $even = roundedBody(trousers(), ['round' => 10])->walls(0.5) ?? throw new LogicException;
    expect($even->most()[1])->toEqualWithDelta(2, 1e-4)->and($even->histogram())->toHaveCount(1);
});

it('closes, as one shell, its facets within the chord', function (Closure $file, array $more, int $genus): void {
    $job = $file();
    $body = roundedBody($job, $more);
    $ends = [];
    foreach (Tees::laid($job) as $laid) {
        foreach ([0.0, $laid->path->length] as $along) {
            $ends[] = [$laid->path->pointAt($along), $laid->path->directionAt($along)];
        }
    }
    foreach ([1.0, Seeds::areAll() ? 0.2 : 0.4] as $chord) {
        $mesh = $body->mesh($chord);
        $used = array_unique(array_merge(...$mesh->triangles));
        expect($mesh->isClosed())->toBeTrue()
            ->and(count($used) - count($mesh->triangles) / 2)->toEqual(2 - 2 * $genus)
            ->and($mesh->volume())->toBeGreaterThan(0.0);
        [$outside, $bore] = [$body->union(false), $body->union(true)];
        // Of a fine mesh every so many, unless all are wanted.
        $step = Seeds::areAll() ? 1 : intdiv(count($mesh->triangles), 3000) + 1;
        for ($i = 0, $count = count($mesh->triangles); $i < $count; $i += $step) {
            [$a, $b, $c] = $mesh->triangles[$i];
            $at = $mesh->vertices[$a]->plus($mesh->vertices[$b])->plus($mesh->vertices[$c])->times(1 / 3);
            // What is flat at an end lies on neither.
            $off = min(
                abs($outside->at($at->x, $at->y, $at->z, 1e-6)[0]), abs($bore->at($at->x, $at->y, $at->z, 1e-6)[0]),
            );
            $isEnd = array_filter($ends, static fn (array $end): bool => abs($at->minus($end[0])->dot($end[1])) < 1e-6);
            expect($isEnd !== [] || $off < 1.05 * $chord)->toBeTrue();
        }
    }
})->with([
    'square' => [fn () => Tees::file(), ['round' => 10, 'wall' => 2], 2],
    'leaning' => [fn () => Tees::file([Tees::branch(200, [1, 0, 1.5])]), ['round' => 6, 'wall' => 2.5], 2],
    'hollow first' => [fn () => Tees::file(), ['round' => 8, 'order' => 'hollow-first'], 2],
    'not rounded' => [fn () => Tees::file(), ['wall' => 3], 2],
]);

it('is as large as the exact body where nothing is rounded', function (): void {
    $file = Tees::file([Tees::branch(200, [0, 0, 1])]);
    $exact = MassWriter::body(Job::read($file), Job::read($file)->bodies['tee']);
    $chord = 0.1;
    $found = roundedBody($file, []);
    [$mesh, $contents] = [$found->mesh($chord), $found->contents($chord)];

    expect(abs($mesh->volume() - $exact['volume']))->toBeLessThan($chord * $exact['surface'] / 2)
        ->and(abs(($contents?->volume() ?? 0) / $exact['contents'] - 1))->toBeLessThan(5e-3)
        ->and($contents?->isClosed())->toBeTrue()
        ->and(MassProperties::ofMesh($mesh)->centre->toArray())->toEqualWithDelta($exact['centre'], 0.05);
});

it('is weighed as what two finenesses come to', function (): void {
    // The exact body, found: its wall told, as that of its runs.
    $file = Tees::file([Tees::branch(200, [0, 0, 1])], [], [60, 3], [40, 3]);
    $exact = MassWriter::body(Job::read($file), Job::read($file)->bodies['tee']);
    $file->bodies[0]->wall = 3;
    $found = MassWriter::body(Job::read($file), Job::read($file)->bodies['tee']);

    expect([$exact['exact'], $found['exact']])->toBe([true, false]);
    foreach (['volume', 'surface', 'mass', 'contents'] as $fact) {
        expect($found[$fact] / $exact[$fact])->toEqualWithDelta(1.0, 5e-4);
    }
});

it('joins legs that begin together, with a flange there and caps at their ends', function (): void {
    $flange = ['type' => 'flange', 'od' => 110, 'thickness' => 10, 'bore' => 61];
    $file = trousers([
        'from' => [
            'at' => [0, 0, 0], 'axis' => [0, 0, 1], 'lead' => 40 + 60 * tan(M_PI / 8), 'end' => $flange,
        ],
        'to' => ['at' => [-200, 0, 240 + 60 * tan(M_PI / 8)], 'end' => ['type' => 'cap', 'shape' => 'domed']],
    ]);
    $plain = roundedBody(trousers(), ['round' => 10])->mesh(0.5);
    $mesh = roundedBody($file, ['round' => 10])->mesh(0.5);
    // A plate of 110 round 60, and a dome of 30 and 28.
    $added = M_PI * (55 ** 2 - 30 ** 2) * 10 + 2 / 3 * M_PI * (30 ** 3 - 28 ** 3);

    expect($mesh->isClosed())->toBeTrue()
        ->and($mesh->volume() - $plain->volume())->toEqualWithDelta($added, 0.04 * $added);
});

it('tells a loose run, with how far off it is', function (): void {
    $file = Tees::file([['from' => ['at' => [200, 0, 65.5]], 'to' => ['at' => [200, 300, 65.5]]]]);
    expect(fn () => roundedBody($file, ['round' => 5, 'wall' => 2]))
        // 65.5 less both radii.
        ->toThrow(JobError::class, 'Branch 1 is loose: it is 15.5 mm from the others');
});

it('is refused where it cannot be made, with the reason', function (stdClass $file, array $more, string $words): void {
    expect(fn () => roundedBody($file, $more))->toThrow(JobError::class, $words);
})->with([
    'two walls' => fn () => [Tees::file(), ['round' => 5], 'its runs have different walls'],
    'nothing hollow' => fn () => [Tees::file(), ['round' => 5, 'wall' => 20], 'nothing of Branch 1 is hollow then'],
    'no straight of its own' => fn () => [
        Tees::file([Tees::branch(45, [0, 0, 1])]), ['round' => 10, 'wall' => 2],
        'Main has no straight of its own at its start',
    ],
    'a rod and a pipe' => fn () => [
        Tees::file([[]], [], [60, 3], [40, 20]), ['round' => 5, 'order' => 'hollow-first'],
        'Branch 1 and Main are not both hollow',
    ],
    'a bend as tight as the tube is wide' => fn () => [
        trousers([], ['bend' => ['radius' => 25, 'min_radius' => 20, 'min_straight' => 0]]), ['round' => 5],
        'Left folds over',
    ],
    'broken into spools' => fn () => [
        Tees::file([[]], ['joints' => [['at' => ['length' => 90], 'kind' => 'weld']]]), ['round' => 5, 'wall' => 2],
        'Main is broken into spools',
    ],
]);

it('is cut as its triangles are, and any closed mesh likewise', function (): void {
    $laid = Jobs::laid(Jobs::file([['at' => [0, 0, 250]]], ['at' => [400, 0, 250]]));
    $solid = RunBody::of($laid)->solid() ?? throw new LogicException;
    $area = static fn (array $loops): float => array_sum(array_map(
        static fn (CutLoop $loop): float => $loop->area, $loops,
    ));
    $mesh = Tessellation::of($solid, 0.01);
    // Across the tube, 12 × 1.5, and along its plane.
    expect($area(MeshCut::of($mesh, new Vector(200.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0))))
        ->toEqualWithDelta(M_PI * (6 ** 2 - 4.5 ** 2), 0.3)
        ->and($area(MeshCut::of($mesh, new Vector(0.0, 0.01, 0.0), new Vector(0.0, 1.0, 0.0))))
        ->toEqualWithDelta(2 * 1.5 * (200 - 30 + 400 - 30 + 15 * M_PI), 1.5)
        ->and(MeshCut::of($mesh, new Vector(0.0, 50.0, 0.0), new Vector(0.0, 1.0, 0.0)))->toBe([]);
});

it('is found only where it cannot be exact', function (Closure $file, array $more, string $made): void {
    $job = $file();
    $job->bodies[0] = Jobs::object([...(array) $job->bodies[0], ...$more]);
    $read = Job::read($job);
    $body = JoinedBodies::made($read, $read->bodies['tee']);

    expect(class_basename($body))->toBe($made);
})->with([
    'a branch' => [fn () => Tees::file(), [], 'BranchedBody'],
    'rounded' => [fn () => Tees::file(), ['round' => 5, 'wall' => 2], 'RoundedBody'],
    'legs that begin as one' => [fn () => trousers(), [], 'RoundedBody'],
    'a branch on a branch' => [fn () => Tees::file([[], [
        'from' => ['on' => ['run' => 'b1', 'length' => 100], 'axis' => [0, 1, 0]], 'to' => ['at' => [200, 100, 100]],
    ]]), [], 'BranchedBody'],
    'branches beside one another' => [
        fn () => Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(210, [0, 0, -1])]), [], 'BranchedBody',
    ],
    'branches over one another' => [
        fn () => Tees::file([Tees::branch(200, [0, 0, 1]), Tees::branch(210, [0, 1, 1])]), [], 'RoundedBody',
    ],
    'a cross-run' => [fn () => Tees::file([[], [
        'from' => ['on' => ['run' => 'b1', 'length' => 100], 'axis' => [0, 1, 0]],
        'to' => ['on' => ['run' => 'main', 'length' => 300], 'axis' => [0, 1, 0]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [200, 200, 100]], ['at' => [300, 200, 0]]]],
    ]]), [], 'RoundedBody'],
]);

it('says why it is not exact where it is not found either', function (): void {
    $file = Tees::file([[
        'to' => ['at' => [200, 0, 150], 'end' => ['type' => 'closed', 'thickness' => 1]],
        'from' => ['on' => ['run' => 'main', 'length' => 8], 'axis' => [0, 0, 1]],
    ]]);
    $job = Job::read($file);

    expect(JoinedBodies::faults($job))->toBe([
        [
            'id' => 'tee', 'fault' => 'Branch 1 has no room on a straight of Main.', 'meetings' => [['main', 'b1']],
        ],
    ]);
});

it('is not made of what settles on the ground', function (): void {
    $file = Tees::file();
    $file->runs[1] = Jobs::object([
        'id' => 'b1', 'name' => 'Branch 1', 'stock' => 'tube', 'from' => ['at' => [200, 0, 0]],
        'to' => ['at' => [600, 0, 0]], 'route' => ['kind' => 'drape', 'slack' => 0.1],
    ]);
    $job = Job::read($file);

    expect(JoinedBodies::faults($job)[0]['fault'])
        ->toBe('Branch 1 lies on what it meets, and a body is made of runs that keep their shape.');
});

it('closes as one shell, with an even wall where it is rounded first, however runs meet', function (int $seed): void {
    $told = RandomJunctions::file($seed)->bodies[0];
    $body = RandomJunctions::made($seed);
    $chord = Seeds::areAll() ? 2.0 : 4.0;
    $mesh = $body->mesh($chord);
    expect($mesh->isClosed())->toBeTrue()
        ->and(Triangles::shells($mesh))->toBe(1)
        ->and($mesh->volume())->toBeGreaterThan(0.0);
    if ($told->order === 'round-first' && $told->round > 0) {
        $walls = $body->walls($chord) ?? throw new LogicException;
        expect([$walls->least()[1] / $told->wall, $walls->most()[1] / $told->wall])->toEqualWithDelta([1, 1], 0.01);
    }
})->with(fn (): array => [...Seeds::of(1, 8), 135, 188]);

/** A pipe with a branch 40 × 3 up at 120 and one down at 280, 150 long each. */
function pipeWithTwo(): stdClass
{
    return Tees::file([Tees::branch(120, [0, 0, 1]), Tees::branch(280, [0, 0, -1])], [], [60, 3], [40, 3]);
}

it('is rounded with a radius of its own where two runs meet', function (): void {
    $own = roundedBody(pipeWithTwo(), ['round' => 10, 'rounds' => [['between' => ['b2', 'main'], 'round' => 4]]]);
    $outside = $own->union(false);
    // In the plane of both axes each fillet has a circle: of 10 round (20 + 10, 30 + 10) from the axes, of 4 likewise.
    foreach ([[120, 1, 10], [280, -1, 4]] as [$at, $side, $radius]) {
        $middle = [$at + 20 + $radius, $side * (30 + $radius)];
        foreach ([20, 45, 70] as $degrees) {
            [$x, $z] = [
                $middle[0] - ($radius - 0.5) * cos(deg2rad($degrees)),
                $middle[1] - $side * ($radius - 0.5) * sin(deg2rad($degrees)),
            ];
            expect($outside->at($x, 0.0, $z, 1e-9)[0])->toEqualWithDelta(0.5, 1e-7);
        }
    }
    // What the fillets add is what each adds by itself: 10 and 4 everywhere, halved.
    $volume = static fn (array $more): float => roundedBody(pipeWithTwo(), $more)->mesh(1.0)->smoothVolume();
    $mean = ($volume(['round' => 10]) + $volume(['round' => 4])) / 2;
    $mesh = $own->mesh(1.0);
    expect($mesh->isClosed())->toBeTrue()
        ->and(Triangles::shells($mesh))->toBe(1)
        ->and(abs($mesh->smoothVolume() / $mean - 1))->toBeLessThan(2e-3);
    $walls = $own->walls(1.0) ?? throw new LogicException;
    expect([$walls->least()[1], $walls->most()[1]])->toEqualWithDelta([3.0, 3.0], 1e-3);
});

it('is rounded as all where two runs have no radius of their own', function (array $rounds, array $balls): void {
    $body = roundedBody(trousers([]), ['round' => 10, 'rounds' => $rounds]);
    expect($body->union(false)->balls())->toBe($balls);
})->with([
    'all alike' => [[], [10.0]],
    'told as it is' => [[['between' => ['left', 'right'], 'round' => 10]], [10.0]],
    'another' => [[['between' => ['left', 'right'], 'round' => 6]], [6.0]],
]);

it('tells where a rounding of two runs is told wrong', function (array $rounds, string $pointer): void {
    $refused = null;
    try {
        roundedBody(pipeWithTwo(), ['round' => 10, 'rounds' => $rounds]);
    } catch (JobError $error) {
        $refused = $error->pointer;
    }
    expect($refused)->toBe($pointer);
})->with([
    'of one run' => [[['between' => ['b1', 'b1'], 'round' => 4]], '/bodies/0/rounds/0/between'],
    'of another body' => [[['between' => ['b1', 'none'], 'round' => 4]], '/bodies/0/rounds/0/between'],
    'twice' => [
        [['between' => ['b1', 'main'], 'round' => 4], ['between' => ['main', 'b1'], 'round' => 5]],
        '/bodies/0/rounds/1/between',
    ],
    'inwards' => [[['between' => ['b1', 'main'], 'round' => -4]], '/bodies/0/rounds/0/round'],
]);

it('is on splines where it is smooth: one shell, each place of it on the surface', function (): void {
    // Rods: a pipe of 40 along x and one of 20 up from its middle.
    $file = Tees::file([Tees::branch(200, [0, 0, 1])], [], [40, 20], [20, 10]);
    $body = roundedBody($file, ['round' => 6, 'order' => 'hollow-first']);
    $solid = $body->onSplines(0.02);
    assert($solid !== null);
    $farthest = 0.0;
    $patches = 0;
    foreach ($solid->faces() as $face) {
        if (! $face->surface instanceof SplineSurface) {
            continue;
        }
        $patches++;
        // Its middle, by its control points: the Bernstein polynomials there are 1, 3, 3 and 1 eighths.
        $at = Vector::zero();
        foreach ($face->surface->controlPoints as $i => $row) {
            foreach ($row as $j => $point) {
                $at = $at->plus($point->times([1, 3, 3, 1][$i] * [1, 3, 3, 1][$j] / 64));
            }
        }
        [$main, $branch] = [hypot($at->y, $at->z) - 20, hypot($at->x - 200, $at->y) - 10];
        if (min($main, $branch) < 0.02 && max($main, $branch) > 6.1) {
            $farthest = max($farthest, abs(min($main, $branch)));
        }
    }

    expect($solid->isClosed())->toBeTrue()->and($solid->shells)->toHaveCount(1)
        ->and($patches)->toBeGreaterThan(1000)->and($farthest)->toBeLessThan(0.02);
});

it('is in triangles where it has edges', function (array $more): void {
    $file = Tees::file([Tees::branch(200, [0, 0, 1])]);

    expect(roundedBody($file, $more)->onSplines(0.02))->toBeNull();
})->with([
    'not rounded' => [['round' => 0, 'wall' => 2]],
    'bores that meet sharp' => [['round' => 6, 'order' => 'hollow-first']],
]);

it('says in STEP which it is', function (array $pipe, array $tube, array $more, string $has, string $hasNot): void {
    $file = Tees::file([Tees::branch(200, [0, 0, 1])], [], $pipe, $tube);
    $file->bodies[0] = Jobs::object([...(array) $file->bodies[0], ...$more]);
    $parts = iterator_to_array(JoinedBodies::parts(Job::read($file), 1.0, 'tee'), false);
    $step = StepWriter::write('Tee', $parts, 1.0);

    expect($step)->toContain($has)->not->toContain($hasNot);
})->with([
    [[40, 20], [20, 10], ['round' => 6, 'order' => 'hollow-first'], 'B_SPLINE_SURFACE', 'TRIANGULATED'],
    [[60, 3], [40, 2], ['round' => 6, 'order' => 'hollow-first'], 'TRIANGULATED', 'B_SPLINE_SURFACE'],
]);
