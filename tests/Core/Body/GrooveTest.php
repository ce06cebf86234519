<?php

declare(strict_types=1);

use Bowline\Body\Block\GrooveProfile;
use Bowline\Body\Cut\PlaneCut;
use Bowline\Body\MassProperties;
use Bowline\Body\Tessellation;
use Bowline\Exchange\JobBodies;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Rules\Rules;
use Tests\Blocks;

/*
 * Grooves along the faces of a block of 200 × 100 × 60, which take out their profile by their length (Pappus). A round
 * one of 8 to a depth of 4 is half a circle, 8π; deeper its sides go straight up.
 */
function groove(array $channel, float $depth): array
{
    return [...$channel, 'body' => ['as' => 'groove', 'in' => 'block', 'depth' => $depth, 'over' => 5]];
}

/** Area of a segment of a circle of radius r that is h high. */
function segment(float $r, float $h): float
{
    return $r ** 2 * acos(($r - $h) / $r) - ($r - $h) * sqrt(2 * $r * $h - $h ** 2);
}

it('has the lower side of its section, straight up to the face', function (
    Outline $of,
    float $depth,
    float $area,
): void {
    $profile = GrooveProfile::of($of, $depth);

    expect($profile->area())->toEqualWithDelta($area, 1e-9)
        ->and($profile->extent(0.0, -1.0))->toEqualWithDelta($depth, 1e-9)
        ->and($profile->extent(0.0, 1.0))->toEqualWithDelta(0.0, 1e-9);
})->with([
    'round, shallow' => [Outline::circle(4.0), 2.0, segment(4, 2)],
    'round, half' => [Outline::circle(4.0), 4.0, 8 * M_PI],
    'round, deep' => [Outline::circle(4.0), 7.0, 8 * M_PI + 24],
    'square' => [Outline::rectangle(10.0, 6.0), 3.0, 30.0],
    'rounded, shallow' => [Outline::rectangle(10.0, 6.0, 2.0), 1.0, 6 + segment(2, 1)],
    'rounded, deep' => [Outline::rectangle(10.0, 6.0, 2.0), 8.0, 80 - (4 - M_PI) * 2],
]);

dataset('grooves', [
    'run out at both ends' => [Blocks::through([-50, 0, 30], [], [50, 0, 30]), 4.0, 100 * 8 * M_PI],
    'bent' => [Blocks::through([-50, 0, 30], [[0, 0, 30]], [0, 40, 30]), 4.0, (50 + 10 * M_PI) * 8 * M_PI],
    'open at an end' => [Blocks::through([-50, 0, 30], [], [100, 0, 30]), 4.0, 150 * 8 * M_PI],
    'told short by less than it cuts beyond its end' => [
        Blocks::through([-50, 0, 30], [], [97, 0, 30]), 4.0, 150 * 8 * M_PI,
    ],
    'across the block, which leaves two faces' => [
        Blocks::through([-100, 0, 30], [], [100, 0, 30]), 4.0, 200 * 8 * M_PI,
    ],
    'round a corner of the block' => [
        Blocks::through([-100, 0, 30], [[0, 0, 30]], [0, 50, 30]), 6.0, (110 + 10 * M_PI) * (8 * M_PI + 16),
    ],
    // Its centreline within the face is √(120² + 100²) long, and its ends are slanted alike.
    'at a slant' => [Blocks::through([-60, -50, 30], [], [60, 50, 30]), 4.0, hypot(120, 100) * 8 * M_PI],
    'along a side' => [Blocks::through([-50, 50, 0], [], [100, 50, 0]), 4.0, 150 * 8 * M_PI],
    'along the bottom, laid beneath it' => [Blocks::through([0, -50, -33], [], [0, 50, -33]), 4.0, 100 * 8 * M_PI],
]);

it('takes out its profile by its length, exactly, and leaves a closed block', function (
    array $channel,
    float $depth,
    float $volume,
): void {
    $file = Blocks::file([groove($channel, $depth)]);
    $solid = Blocks::made($file)->solid();
    $facts = JobBodies::mass(Job::read($file), 'block');

    expect($solid->isClosed())->toBeTrue()
        ->and(1_200_000 - MassProperties::of($solid)->volume)->toEqualWithDelta($volume, 1e-6)
        ->and(Tessellation::of($solid, 0.05)->isClosed())->toBeTrue()
        ->and($facts['contents'])->toEqualWithDelta($volume, 1e-6)
        ->and($facts['exact'])->toBeTrue();
})->with('grooves');

it('goes along a curve, beside channels, and beside another groove', function (): void {
    $file = Blocks::file([
        groove([
            'from' => ['at' => [-80, -20, 30], 'axis' => '+x'], 'to' => ['at' => [80, 20, 30], 'axis' => '-x'],
            'route' => ['kind' => 'flow', 'points' => []],
        ], 4.0),
        Blocks::through([-100, 0, 0], [], [100, 0, 0]),
        groove(Blocks::through([-100, 40, 30], [], [100, 40, 30]), 3.0),
        Blocks::through([90, -40, -30], [], [90, -40, 30]),
    ]);
    $job = Job::read($file);
    $length = $job->runs['c1']->route->lay($job->runs['c1'])->length();
    $solid = Blocks::made($file)->solid();

    expect($solid->isClosed())->toBeTrue()
        ->and((1_200_000 - MassProperties::of($solid)->volume) / (
            8 * M_PI * $length + 16 * M_PI * 260 + segment(4, 3) * 200
        ))->toEqualWithDelta(1.0, 1e-5)
        ->and(Tessellation::of($solid, 0.05)->isClosed())->toBeTrue();
});

it('is cut as what it is', function (): void {
    $file = Blocks::file([groove(Blocks::through([-50, 0, 30], [[0, 0, 30]], [0, 50, 30]), 4.0)]);
    $solid = Blocks::made($file)->solid();
    $loops = PlaneCut::of($solid, new Vector(-20.0, 0.0, 0.0), new Vector(1.0, 0.0, 0.0));

    expect(array_sum(array_column($loops, 'area')))->toEqualWithDelta(6000 - 8 * M_PI, 1e-9);
});

it('says why it cannot be made', function (array $channels, string $why): void {
    $file = Blocks::file($channels);
    expect(static fn () => Blocks::made($file))->toThrow(JobError::class, $why);
})->with([
    'not along a face' => [[groove(Blocks::through([-50, 0, 30], [], [50, 0, 20]), 4.0)], 'keeps to no face of Block'],
    'over a corner' => [
        [groove(Blocks::through([-50, 48, 30], [], [100, 48, 30]), 4.0)], 'comes out over a corner of Block',
    ],
    'through the block' => [
        [groove(Blocks::through([-50, 0, 30], [], [50, 0, 30]), 61.0)], 'cuts into the −z face, by 1 mm',
    ],
    'into a channel' => [
        [groove(Blocks::through([-50, 0, 30], [], [50, 0, 30]), 20.0), Blocks::through([0, -50, 8], [], [0, 50, 8])],
        'Channel 1 cuts into Channel 2, by 2 mm',
    ],
    'into a groove' => [
        [
            groove(Blocks::through([-50, 0, 30], [], [50, 0, 30]), 4.0),
            groove(Blocks::through([0, -50, 30], [], [0, 50, 30]), 4.0),
        ], 'Channel 2 runs into Channel 1',
    ],
]);

it('is found where it leaves too thin a wall, from both sides', function (): void {
    $file = Blocks::file([
        groove(Blocks::through([-50, 0, 30], [], [50, 0, 30]), 17.0), Blocks::through([0, -50, 8], [], [0, 50, 8]),
    ]);
    $job = Job::read($file);
    foreach (['c1' => 'Channel 2', 'c2' => 'Channel 1'] as $run => $other) {
        $found = Rules::all()['thin-wall']->check($job->runs[$run]->route->lay($job->runs[$run]));
        // From 13 to 8 + 4.
        expect(array_column($found, 'title'))->toBe(['Thin wall to '.$other])
            ->and($found[0]->measured)->toEqualWithDelta(1.0, 1e-2);
    }
    $off = Blocks::file([groove(Blocks::through([-50, 0, 30], [], [50, 0, 20]), 4.0)]);
    $run = Job::read($off)->runs['c1'];
    $found = Rules::all()['channel-end']->check($run->route->lay($run));
    expect($found[0]->title.': '.$found[0]->message)->toBe('No groove in Block: Channel 1 keeps to no face of Block.');
});

it('has a depth', function (): void {
    expect(static fn () => Job::read(Blocks::file([['body' => ['as' => 'groove', 'in' => 'block']]])))
        ->toThrow(JobError::class, '“depth” is missing');
});
