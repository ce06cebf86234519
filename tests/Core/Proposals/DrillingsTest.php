<?php

declare(strict_types=1);

use Bowline\Body\MassProperties;
use Bowline\Editing\EditError;
use Bowline\Exchange\DrillingList;
use Bowline\Job;
use Bowline\Proposals\Drillings;
use Bowline\Rules\Judge;
use Tests\Blocks;

/** The job of one channel with it turned into drillings. */
function drilled(array $channel): stdClass
{
    $file = Blocks::around([$channel]);
    $run = Job::read($file)->runs['c1'];
    $file->runs = Drillings::of($run->route->lay($run), ['c1']);

    return $file;
}

/*
 * In a block of 200 × 100 × 60: from −x to (50, −20), across to (50, 20), 40 long, and out of +z. The leg between is
 * 30 from −y and 30 from +y, the nearer and else the first.
 */
$bent = Blocks::through([-100, -20, 5], [[50, -20, 5], [50, 20, 5]], [50, 20, 30]);

it('drills each leg from a face, and plugs the one between', function () use ($bent): void {
    $job = Job::read(drilled($bent));
    ['drillings' => $list, 'others' => $others] = DrillingList::write($job, 'block');

    expect($others)->toBe([])
        ->and(array_column($list, 'face'))->toBe(['the −x face', 'the −y face', 'the +z face'])
        ->and(array_column($list, 'depth'))->toEqualWithDelta([150.0, 70.0, 25.0], 1e-9)
        ->and(array_column($list, 'diameter'))->toEqualWithDelta([8.0, 8.0, 8.0], 1e-9)
        ->and(array_column($list, 'angle'))->toEqualWithDelta([0.0, 0.0, 0.0], 1e-6)
        ->and(array_column($list, 'plug'))->toBe([false, true, false])
        ->and(array_column($list, 'through'))->toBe([false, false, false])
        // On −x as it is looked at, +y is to the left: 50 + 20 from the left side; 35 from the lower one.
        ->and($list[0]['right'])->toEqualWithDelta(70.0, 1e-9)
        ->and($list[0]['up'])->toEqualWithDelta(35.0, 1e-9);
});

it('is one closed block that breaks no rule', function () use ($bent): void {
    $file = drilled($bent);
    $job = Job::read($file);
    $mesh = Blocks::made($file)->mesh(0.05);
    foreach ($job->runs as $run) {
        expect(Judge::of($job)->findings($run->route->lay($run)))->toBe([]);
    }

    // 150, 70 and 25 long, less what they share: at both corners a round end lies in the other, and half of 16/3 r³.
    expect($mesh->isClosed())->toBeTrue()
        ->and((1_200_000 - MassProperties::ofMesh($mesh)->volume) / (M_PI * 16 * 245))->toBeGreaterThan(0.98)
        ->toBeLessThan(1.01);
});

it('drills at a slant, through, and from below', function (): void {
    $job = Job::read(Blocks::file([
        Blocks::through([-40, 10, -30], [], [40, 10, 30]), Blocks::through([30, -20, -30], [], [30, -20, 10]),
    ]));
    ['drillings' => $list] = DrillingList::write($job, 'block');

    expect($list[0])->toMatchArray(['face' => 'the −z face', 'through' => true, 'plug' => false])
        // 60 of 100 high.
        ->and($list[0]['angle'])->toEqualWithDelta(rad2deg(acos(0.6)), 1e-9)
        ->and($list[0]['depth'])->toEqualWithDelta(100.0, 1e-9)
        // From below, +x is to the left.
        ->and($list[0]['right'])->toEqualWithDelta(140.0, 1e-9)
        ->and($list[0]['up'])->toEqualWithDelta(60.0, 1e-9)
        ->and($list[1]['right'])->toEqualWithDelta(70.0, 1e-9)
        // By itself it cuts 5 beyond its end.
        ->and($list[1]['depth'])->toEqualWithDelta(45.0, 1e-9);
});

it('lists what bends as not drilled, and turns nothing into drillings that is none', function (): void {
    $bending = Job::read(Blocks::file([Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30])]));
    $straight = Job::read(Blocks::file())->runs['c1'];

    expect(DrillingList::write($bending, 'block'))->toMatchArray(['drillings' => [], 'others' => ['Channel 1']])
        ->and(static fn () => Drillings::of($straight->route->lay($straight), []))
        ->toThrow(EditError::class, 'It is one straight drilling already.');
});

it('tells how flat the roofs in it are, and how wide', function (
    array $channel,
    float $slope,
    float $span,
    float $over,
): void {
    $file = Blocks::file([$channel]);
    [$roof] = DrillingList::write(Job::read($file), 'block')['roofs'];

    expect($roof['slope'])->toEqualWithDelta($slope, 0.5)
        ->and($roof['span'])->toEqualWithDelta($span, 0.05)
        ->and($roof['length'])->toEqualWithDelta($over, 1.0);
})->with([
    // The roof of a level round hole is flatter than 45° over r√2.
    'level' => [Blocks::through([-100, 0, 0], [], [100, 0, 0]), 0.0, 4 * M_SQRT2, 200.0],
    'upright' => [Blocks::through([0, 0, -30], [], [0, 0, 30]), 90.0, 0.0, 0.0],
    // 60 up and 80 along: cos θ = cos 45° / 0.8.
    'slanting' => [
        Blocks::through([-40, 0, -30], [], [40, 0, 30]), rad2deg(asin(0.6)), 8 * sqrt(1 - 0.5 / 0.64), 100.0,
    ],
    // 80 level, and half of a bend of R 20.
    'bent upwards' => [Blocks::through([-100, 0, 0], [[0, 0, 0]], [0, 0, 30]), 0.0, 4 * M_SQRT2, 80.0 + 5 * M_PI],
]);
