<?php

declare(strict_types=1);

use Bowline\Body\Block\ChannelCut;
use Bowline\Body\Boundary\EllipseCurve;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\MassProperties;
use Bowline\Body\Tessellation;
use Bowline\Exchange\JobBodies;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Tests\Blocks;
use Tests\RandomBlocks;
use Tests\Seeds;

/*
 * Blocks of 200 × 100 × 60 with channels of 8: what is taken out is the area of the section by the length within the
 * block (Pappus: the centroid of the section goes along the path), whatever the slant at which it breaks out.
 */
const BLOCK = 200.0 * 100.0 * 60.0;
const AREA = M_PI * 16.0;

dataset('channels', [
    'straight' => [Blocks::through([0, 0, -30], [], [0, 0, 30]), 60.0],
    // 60 high and 80 along: 100 long.
    'slanting' => [Blocks::through([-40, 0, -30], [], [40, 0, 30]), 100.0],
    'told to outside of the block' => [Blocks::through([-80, 0, -60], [], [80, 0, 60]), 100.0],
    'told short by less than it cuts beyond its ends' => [Blocks::through([0, 0, -26], [], [0, 0, 27]), 60.0],
    // A bend of 90° at R 20: 100 + 30 less 2 × 20, and a quarter of a circle.
    'bent, out of the next face' => [Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]), 90.0 + 10.0 * M_PI],
    'bent twice, out of line in x, y and z' => [
        Blocks::through([-100, -20, 5], [[-30, -20, 5], [-30, 20, 5]], [-30, 20, 30]),
        70.0 + 40.0 + 25.0 - 80.0 + 20.0 * M_PI,
    ],
]);

it('is the block less area × length of a channel, closed', function (array $channel, float $length): void {
    $solid = Blocks::made(Blocks::file([$channel]))->solid();

    expect($solid->isClosed())->toBeTrue()
        ->and(BLOCK - MassProperties::of($solid)->volume)->toEqualWithDelta(AREA * $length, 1e-6)
        ->and(Tessellation::of($solid, 0.05)->isClosed())->toBeTrue();
})->with('channels');

it('breaks out clean at every slant', function (float $degrees): void {
    $reach = 30.0 * tan(deg2rad($degrees));
    $file = Blocks::file(
        [Blocks::through([-$reach, 0, -30], [], [$reach, 0, 30])], ['size' => [2 * $reach + 200, 100, 60]],
    );
    $solid = Blocks::made($file)->solid();
    $mesh = Tessellation::of($solid, 0.02);
    $shortest = min(array_map(
        static fn (array $corners): float => min(
            $mesh->vertices[$corners[0]]->distanceTo($mesh->vertices[$corners[1]]),
            $mesh->vertices[$corners[1]]->distanceTo($mesh->vertices[$corners[2]]),
            $mesh->vertices[$corners[2]]->distanceTo($mesh->vertices[$corners[0]]),
        ),
        $mesh->triangles,
    ));

    expect((2 * $reach + 200) * 6000 - MassProperties::of($solid)->volume)
        ->toEqualWithDelta(AREA * 60 / cos(deg2rad($degrees)), 1e-5)
        ->and($mesh->isClosed())->toBeTrue()
        // A side of a 20-gon round 8 is 1.25.
        ->and($shortest)->toBeGreaterThan(0.1);
})->with([5.0, 15.0, 30.0, 45.0, 60.0, 75.0, 85.0]);

it('leaves an ellipse in the face, whose half axes are r and r / cos', function (): void {
    $solid = Blocks::made(Blocks::file([Blocks::through([-40, 0, -30], [], [40, 0, 30])]))->solid();
    $holes = array_merge(...array_map(
        static fn (Face $face): array => array_slice($face->patch === null ? $face->loops : [], 1), $solid->faces(),
    ));
    $rim = $holes[0][0]->edge->curve;

    expect($holes)->toHaveCount(2)->and($rim)->toBeInstanceOf(EllipseCurve::class);
    assert($rim instanceof EllipseCurve);
    [$frame, $major, $minor] = $rim->axes();
    // 60 of 100 is the cosine.
    expect($major)->toEqualWithDelta(4 / 0.6, 1e-9)
        ->and($minor)->toEqualWithDelta(4.0, 1e-9)
        ->and(abs($frame->first->x))->toEqualWithDelta(1.0, 1e-9)
        ->and(abs($frame->along->z))->toEqualWithDelta(1.0, 1e-9);
});

it('is area × length along a curve too', function (): void {
    $file = Blocks::file([[
        'from' => ['at' => [-100, -20, 10], 'axis' => '+x'], 'to' => ['at' => [100, 25, -10], 'axis' => '-x'],
        'route' => ['kind' => 'flow', 'points' => []],
    ]]);
    $length = Job::read($file)->runs['c1']->route->lay(Job::read($file)->runs['c1'])->length();
    $solid = Blocks::made($file)->solid();

    expect($solid->isClosed())->toBeTrue()
        ->and((BLOCK - MassProperties::of($solid)->volume) / (AREA * $length))->toEqualWithDelta(1.0, 1e-5);
});

it('takes out a section of any shape', function (): void {
    $file = Blocks::file(
        [Blocks::through([-40, 0, -30], [], [40, 0, 30])], section: [
            'shape' => 'rectangle', 'width' => 10, 'height' => 6, 'wall' => 1, 'corner_radius' => 2,
        ],
    );
    $solid = Blocks::made($file)->solid();

    // 10 × 6 less what four corners of R 2 leave out.
    expect(BLOCK - MassProperties::of($solid)->volume)->toEqualWithDelta((60 - (4 - M_PI) * 4) * 100, 1e-6)
        ->and($solid->isClosed())->toBeTrue();
});

it('goes through a cylinder from end to end, and through a panel that is swung', function (): void {
    $cylinder = Blocks::made(Blocks::file([[]], ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60]))->solid();
    $panel = Blocks::file([Blocks::through([30, 0, 0], [], [30, 2, 0])]);
    unset($panel->fittings);
    $panel->surroundings = [(object) [
        'id' => 'block', 'shape' => 'panel', 'width' => 100, 'height' => 60, 'thickness' => 2,
        'pose' => (object) ['at' => [30, 2, 0], 'turn' => (object) ['about' => '+x', 'by' => -90]],
    ]];

    expect(MassProperties::of($cylinder)->volume)->toEqualWithDelta((625 - 16) * 60 * M_PI, 1e-6)
        ->and($cylinder->isClosed())->toBeTrue()
        ->and(MassProperties::of(Blocks::made($panel)->solid())->volume)
        ->toEqualWithDelta(100 * 60 * 2 - 2 * AREA, 1e-6);
});

it('ends flat where it is blind, as deep as it is told and beyond that', function (): void {
    $solid = Blocks::made(Blocks::file([Blocks::through([0, 0, -30], [], [0, 0, 0])]))->solid();

    expect(BLOCK - MassProperties::of($solid)->volume)->toEqualWithDelta(AREA * 35, 1e-6)
        ->and($solid->isClosed())->toBeTrue();
});

it('has several channels beside each other, and each weighs what it holds', function (): void {
    $job = Job::read(Blocks::file([
        Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]),
        Blocks::through([-40, 30, -30], [], [40, 30, 30]),
        Blocks::through([-40, -30, -30], [], [40, -30, 30]),
    ], ['density' => 1200]));
    $facts = JobBodies::mass($job, 'block');

    expect($facts['contents'])->toEqualWithDelta(AREA * (290 + 10 * M_PI), 1e-6)
        ->and($facts['volume'])->toEqualWithDelta(BLOCK - $facts['contents'], 1e-5)
        ->and($facts['mass'])->toEqualWithDelta($facts['volume'] * 1.2e-6, 1e-12)
        ->and($facts['runs'])->toBe(['c1', 'c2', 'c3']);
});

it('is cut as it is: a slot along a straight channel', function (): void {
    $solid = Blocks::made(Blocks::file())->solid();
    $loops = PlaneCut::of($solid, Vector::zero(), new Vector(0.0, 1.0, 0.0));
    $across = PlaneCut::of($solid, Vector::zero(), new Vector(0.0, 0.0, 1.0));

    expect(array_sum(array_column($loops, 'area')))->toEqualWithDelta(200 * 60 - 8 * 60, 1e-9)
        ->and(array_sum(array_column($across, 'area')))->toEqualWithDelta(200 * 100 - AREA, 1e-9);
});

it('refuses what does not come out clean, with why', function (array $channels, array $body, string $why): void {
    expect(static fn () => Blocks::made(Blocks::file($channels, $body)))->toThrow(JobError::class, $why);
})->with([
    'where it bends' => [
        // 14.14 slant, of which a bend of R 30 by 45° takes 12.43; the rim begins r · tan 45° = 4 before the centre.
        [[
            ...Blocks::through([-100, 0, 20], [], [10, 0, 30]),
            'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 0, 20], 'corner' => ['radius' => 30]]]],
        ]], [], 'Channel 1 comes out of the +z face where it bends',
    ],
    'through a face on its way' => [
        [Blocks::through([-100, 0, 0], [[-50, 0, 0], [-30, 0, 28], [50, 0, 28], [70, 0, 0]], [100, 0, 0])], [],
        'Channel 1 cuts into the +z face, by 2 mm',
    ],
    'into another' => [
        [[], Blocks::through([-100, 3, 0], [], [100, 3, 0])], [], 'Channel 2 cuts into Channel 1, by 5 mm',
    ],
]);

it('says what is wrong about a channel by its pointer', function (array $body, string $pointer, string $why): void {
    try {
        Job::read(Blocks::file([['body' => $body]]));
        expect(false)->toBeTrue();
    } catch (JobError $error) {
        expect($error->getMessage())->toContain($why)->and($error->pointer)->toBe($pointer);
    }
})->with([
    'no such block' => [
        ['as' => 'channel', 'in' => 'bed'], '/runs/0/body/in', 'there is no fitting or surrounding “bed”',
    ],
    'a wall below nothing' => [
        ['as' => 'channel', 'in' => 'block', 'wall' => -1], '/runs/0/body/wall', 'the least wall',
    ],
]);

it('is cut from where it comes out of one face to where it comes out of the other', function (): void {
    $job = Job::read(Blocks::file([Blocks::through([-80, 0, -60], [], [80, 0, 60])]));
    $run = $job->runs['c1'];
    $cut = Blocks::made(Blocks::file([Blocks::through([-80, 0, -60], [], [80, 0, 60])]))->cuts[0];

    expect($cut)->toBeInstanceOf(ChannelCut::class)
        ->and($run->route->lay($run)->length())->toEqualWithDelta(200.0, 1e-9)
        ->and($cut->path->length)->toEqualWithDelta(100.0, 1e-9);
});

/** A channel that is open to others. */
function openTo(array $channel, string ...$others): array
{
    return [...$channel, 'body' => ['as' => 'channel', 'in' => 'block', 'over' => 2, 'meets' => $others]];
}

it('is found where channels are open to each other: closed, less what both take out', function (): void {
    // Two cylinders square to each other have 16/3 r³ in common.
    $file = Blocks::file([
        openTo(Blocks::through([-100, 0, 0], [], [100, 0, 0]), 'c2'), Blocks::through([0, -50, 0], [], [0, 50, 0]),
    ]);
    $made = Blocks::made($file);
    $mesh = $made->mesh(0.02);
    $taken = AREA * 300 - 16 / 3 * 64;

    expect($made->isExact())->toBeFalse()
        ->and($mesh->isClosed())->toBeTrue()
        ->and((BLOCK - MassProperties::ofMesh($mesh)->volume) / $taken)->toEqualWithDelta(1.0, 3e-3)
        ->and(JobBodies::mass(Job::read($file), 'block')['contents'] / $taken)->toEqualWithDelta(1.0, 1e-2);
});

it('opens one channel into others that stand on it or end in it, and leaves others as they are', function (): void {
    $made = Blocks::made(Blocks::file([
        // Slanting from bottom to top.
        Blocks::through([-40, 0, -30], [], [40, 0, 30]),
        // Ends at the axis of the first, round.
        openTo(Blocks::through([0, -50, 0], [], [0, 0, 0]), 'c1'),
        // 80 along the first, at (24, 0, 18).
        ['from' => ['on' => ['run' => 'c1', 'length' => 80], 'axis' => '+y'], 'to' => ['at' => [24, 50, 18]]],
        Blocks::through([80, 0, -30], [], [80, 0, 30]),
    ]));
    $mesh = $made->mesh(0.02);
    // Each has half of 16/3 r³ in common with the first: they meet square to it, and end at its axis.
    $taken = AREA * (100 + 50 + 50 + 60) - 16 / 3 * 64;

    expect($mesh->isClosed())->toBeTrue()
        ->and((BLOCK - MassProperties::ofMesh($mesh)->volume) / $taken)->toEqualWithDelta(1.0, 3e-3)
        // The one that is by itself is taken out exactly.
        ->and(BLOCK - MassProperties::of($made->solid())->volume)->toEqualWithDelta(AREA * 60, 1e-6);
});

it('refuses channels that are told open to each other and are not', function (array $channels, string $why): void {
    expect(static fn () => Blocks::made(Blocks::file($channels)))->toThrow(JobError::class, $why);
})->with([
    'loose' => [
        [openTo(Blocks::through([-100, 10, 0], [], [100, 10, 0]), 'c2'), []],
        'Channel 2 is loose: it is 2 mm from the others',
    ],
    'to itself' => [[openTo([], 'c1')], '“c1” is no other channel of that block'],
    'to none' => [[openTo([], 'c9')], 'there is no run “c9”'],
]);

/** Volume that a channel of radius r through a cylinder of R, so far from its axis, takes out: over the disc of it. */
function taken(float $r, float $cylinder, float $off): float
{
    $sum = 0.0;
    $steps = 20_000;
    for ($i = 0; $i < $steps; $i++) {
        $y = $r * (2 * ($i + 0.5) / $steps - 1);
        $sum += 2 * $r / $steps * 2 * sqrt($r ** 2 - $y ** 2) * 2 * sqrt($cylinder ** 2 - ($y + $off) ** 2);
    }

    return $sum;
}

it('comes out of a round side where it meets it', function (float $off): void {
    $made = Blocks::made(Blocks::file(
        [Blocks::through([-25, $off, 3], [], [25, $off, 3])], ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60],
    ));
    $mesh = $made->mesh(0.01);

    expect($made->isExact())->toBeFalse()
        ->and($mesh->isClosed())->toBeTrue()
        ->and(M_PI * 625 * 60 - $mesh->smoothVolume())->toEqualWithDelta(taken(4.0, 25.0, $off), 15.0);
})->with([0.0, 7.0, 19.0]);

it('comes out over an edge of its block', function (): void {
    // Over the edge along y at (100, 30): half of it out of +z, half of +x, both at 45°.
    $made = Blocks::made(Blocks::file([Blocks::through([70, 0, 0], [], [100, 0, 30])]));
    $mesh = $made->mesh(0.005);

    // Blind for 5 behind its start, and as long as its path to the edge, less 4r/3π on the average.
    $taken = AREA * (5 + 30 * M_SQRT2) - 4 / 3 * 64;
    expect($mesh->isClosed())->toBeTrue()
        ->and((BLOCK - $mesh->volume()) / $taken)->toEqualWithDelta(1.0, 3e-3);
});

it('goes through an imported mesh as through the box that it is', function (bool $isInsideOut): void {
    $file = Blocks::file([Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30])]);
    $box = Tessellation::of(Blocks::made(Blocks::file([]))->solid(), 0.1);
    $packed = '';
    foreach ($box->triangles as [$a, $b, $c]) {
        foreach ($isInsideOut ? [$a, $c, $b] : [$a, $b, $c] as $corner) {
            $packed .= pack('g3', ...$box->vertices[$corner]->toArray());
        }
    }
    unset($file->fittings);
    $file->meshes = (object) ['m' => base64_encode($packed)];
    $file->surroundings = [(object) [
        'id' => 'block', 'shape' => 'mesh', 'mesh' => 'm', 'extent' => [[-100, -50, -30], [100, 50, 30]],
    ]];
    $made = Blocks::made($file);
    $mesh = $made->mesh(0.01);

    expect($mesh->isClosed())->toBeTrue()
        ->and((BLOCK - $mesh->volume()) / (AREA * (90 + 10 * M_PI)))->toEqualWithDelta(1.0, 2e-2)
        ->and(JobBodies::walls(Job::read($file), 'block', 0.1)->least()[1])->toBeGreaterThan(5.0);
})->with([false, true]);

it('does not come out beside what it is in', function (): void {
    // Its side at y = 22 … 30 goes past a cylinder of 25.
    $file = Blocks::file(
        [Blocks::through([-2, 24, 3], [], [25, 24, 3])], ['shape' => 'cylinder', 'diameter' => 50, 'height' => 60],
    );

    expect(static fn () => Blocks::made($file)->mesh(0.1))->toThrow(JobError::class);
});

it('is one closed body over random channels, or says why it cannot be', function (): void {
    $made = 0;
    foreach ($seeds = Seeds::of(1, 100) as $seed) {
        try {
            $body = RandomBlocks::made($seed);
            $mesh = $body->mesh(0.1);
        } catch (JobError) {
            continue;
        }
        $made++;
        $volume = $body->isExact() ? MassProperties::of($body->solid())->volume : $mesh->volume();
        expect($mesh->isClosed())->toBeTrue()
            ->and($mesh->volume() / $volume)->toEqualWithDelta(1.0, 1e-2)
            ->and($mesh->volume())->toBeLessThan($body->wholeVolume());
    }
    expect($made)->toBeGreaterThan(count($seeds) / 2);
});
