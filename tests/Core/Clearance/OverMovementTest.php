<?php

declare(strict_types=1);

use Bowline\Clearance\Clearances;
use Bowline\Clearance\Shortfall;
use Bowline\Exchange\ClearanceWriter;
use Bowline\Exchange\MovedShapesJson;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Schema;
use Bowline\Job\Units;
use Bowline\Proposals\ClearanceCures;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Tests\Jobs;
use Tests\Seeds;

/*
 * How near things come to each other while a fitting moves, against closed forms and against the same job with the
 * fitting standing at each of many positions.
 */

/**
 * A flap of 200 × 20 × 20 that reaches out from its hinge along x, and tubes of 12.
 *
 * @param  array<string, mixed>  $moves
 * @param  array<array<string, mixed>>  $runs
 * @param  array<string, mixed>  $more  of the job
 */
function flapJob(array $moves, array $runs, array $more = []): stdClass
{
    $file = Jobs::decoded([
        'format' => 'bowline-job', 'version' => 5, 'name' => 'Flap', 'up' => 'z',
        'stock' => [
            [
                'id' => 't', 'kind' => 'tube', 'density' => 8000,
                'section' => ['shape' => 'round', 'od' => 12, 'wall' => 1],
                'bend' => ['radius' => 40, 'min_radius' => 20, 'min_straight' => 0],
            ],
            [
                'id' => 'h', 'kind' => 'hose', 'density' => 1500,
                'section' => ['shape' => 'round', 'od' => 20, 'wall' => 5],
                'bend' => ['radius' => 60, 'min_radius' => 40, 'min_straight' => 0],
            ],
        ],
        'clearances' => ['usual' => 10],
        'fittings' => [[
            'id' => 'flap', 'name' => 'Flap', 'pose' => ['at' => [0, 0, 0]], 'moves' => $moves,
            'body' => ['shape' => 'box', 'size' => [200, 20, 20], 'at' => [100, 0, 0]],
            'ports' => [['id' => 'a', 'at' => [200, 0, 0], 'axis' => [0, 1, 0]]],
        ]],
        'runs' => $runs, ...$more,
    ]);
    Schema::check($file, 'job.json');

    return $file;
}

/** A tube that stands upright at a place. */
function upright(float $x, float $y, string $id = 'post'): array
{
    return [
        'id' => $id, 'name' => ucfirst($id), 'stock' => 't', 'from' => ['at' => [$x, $y, -300]],
        'to' => ['at' => [$x, $y, 300]], 'route' => ['kind' => 'corners', 'stops' => []],
    ];
}

/** @return list<LaidRun> */
function laidOf(Job $job): array
{
    return array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
}

/** @return list<Shortfall> */
function shortOf(stdClass $file): array
{
    $job = Job::read($file);

    return (new Clearances($job, laidOf($job)))->all();
}

const SWING = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 90]];

it('finds where the corner of a flap passes nearest to a tube', function (float $radius): void {
    // Upright at 45° in front of the flap: its corners, hypot(200, 10) from the hinge, pass it on its own radius.
    $found = shortOf(flapJob(SWING, [upright($radius * M_SQRT1_2, $radius * M_SQRT1_2)]));
    $distance = $radius - hypot(200, 10) - 6;
    $corner = rad2deg(atan(10 / 200));

    expect($found)->toHaveCount(1)
        ->and($found[0]->gap->distance)->toEqualWithDelta($distance, 0.01)
        ->and(abs($found[0]->moment?->degrees() - 45))->toEqualWithDelta($corner, 0.3)
        ->and($found[0]->title())->toContain('too near to', 'while it moves')
        ->and($found[0]->message(Units::millimetres()))->toContain('° of the movement')
        ->and($found[0]->gap->at[0]->distanceTo($found[0]->gap->at[1]))->toEqualWithDelta($distance, 0.01);
})->with([210.0, 212.0, 215.9]);

it('says nothing of what it passes far enough off, or would pass beyond its movement', function (
    float $x,
    float $y,
    array $moves,
): void {
    expect(shortOf(flapJob($moves, [upright($x, $y)])))->toBe([]);
})->with([
    'just far enough' => [0.0, 216.3, ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 80]]],
    'beyond' => [0.0, 150.0, ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 75]]],
    'on the other side' => [0.0, -150.0, SWING],
]);

it('finds a clash as deep as the tube is in the flap at most', function (): void {
    $found = shortOf(flapJob(SWING, [upright(90, 120)]));

    expect($found)->toHaveCount(1)
        ->and($found[0]->rule())->toBe('clash')->and($found[0]->isViolation())->toBeTrue()
        // Its middle passes over that of the flap, half of 20 below the sides: 10 and its radius deep.
        ->and($found[0]->gap->distance)->toEqualWithDelta(-16.0, 0.02)
        ->and($found[0]->moment?->degrees())->toEqualWithDelta(rad2deg(atan2(120, 90)), 0.3);
});

it('tells what is too near at rest as at rest, unless it comes nearer', function (): void {
    // Beside the flap at rest, 4 off its side: swinging on, it goes away from the one and into the other.
    $away = shortOf(flapJob(SWING, [upright(100, -20)]));
    $into = shortOf(flapJob(SWING, [upright(100, 20)]));

    expect($away)->toHaveCount(1)->and($away[0]->moment)->toBeNull()
        ->and($away[0]->gap->distance)->toEqualWithDelta(4.0, 1e-6)
        ->and($into)->toHaveCount(1)->and($into[0]->rule())->toBe('clash')
        ->and($into[0]->moment)->not->toBeNull();
});

it('finds what a thing passes on its way to a second place', function (float $off, float $distance): void {
    $found = shortOf(flapJob(['to' => ['at' => [500, 0, 0]]], [upright(450, 16 + $off)]));

    expect($found)->toHaveCount(1)->and($found[0]->gap->distance)->toEqualWithDelta($distance, 1e-6)
        ->and($found[0]->moment?->angle)->toBeNull()
        ->and($found[0]->message(Units::millimetres()))->toContain('% of the movement');
})->with([[3.0, 3.0], [9.5, 9.5], [0.5, 0.5]]);

it('moves bodies past bodies, and the room beside a valve with it', function (): void {
    $block = ['id' => 'block', 'name' => 'Block', 'shape' => 'box', 'pose' => ['at' => [0, 250, 0]],
        'size' => [400, 90, 40]];
    $found = shortOf(flapJob(SWING, [], ['surroundings' => [$block]]));
    // Its lower face is 205 off the hinge; the corners reach hypot(200, 10) at most.
    expect($found)->toHaveCount(1)->and($found[0]->gap->distance)->toEqualWithDelta(205 - hypot(200, 10), 0.01);

    $valve = static fn (array $more): array => ['fittings' => [[
        'id' => 'v', 'name' => 'Valve', 'pose' => ['at' => [0, 0, 0]],
        'part' => ['kind' => 'valve', 'size' => 25, 'length' => 80], ...$more,
    ]]];
    $job = Job::read(flapJob(SWING, [], $valve([])));
    $rooms = $job->site->fittings['v']->rooms;
    expect($rooms)->not->toBe([]);
    $middle = $rooms[0]->solid->pose->point($rooms[0]->solid->shape->middle());
    $post = upright($middle->x + 300, $middle->y);
    $standing = shortOf(flapJob(SWING, [$post], $valve([])));
    $moving = shortOf(flapJob(SWING, [$post], $valve(['moves' => ['to' => ['at' => [300, 0, 0]]]])));
    $titles = array_map(static fn (Shortfall $one): string => $one->title(), $moving);
    expect($standing)->toBe([])->and($titles)->toContain('Post is in the way at Valve while it moves');
});

it('leaves out a rigid run on what moves, which is a finding of its own', function (): void {
    $held = ['id' => 'held', 'stock' => 't', 'from' => ['port' => 'flap.a'], 'to' => ['at' => [200, 400, 0]],
        'route' => ['kind' => 'corners', 'stops' => []]];

    expect(shortOf(flapJob(SWING, [$held])))->toBe([]);
});

/** The hose of the flap, springing to a port that stands. */
function flapHose(array $more = []): array
{
    return ['id' => 'hose', 'name' => 'Hose', 'stock' => 'h', 'from' => ['port' => 'flap.a'],
        'to' => ['at' => [-250, 300, 0], 'axis' => [1, 0, 0]], 'route' => ['kind' => 'spring', 'length' => 700],
        ...$more];
}

it('comes as near with a hose as where the flap stands at one of many positions', function (float $x, float $y): void {
    $moves = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -10, 'to' => 40]];
    $worst = INF;
    foreach (range(-10, 40) as $angle) {
        $file = flapJob($moves, [flapHose(), upright($x, $y)]);
        unset($file->fittings[0]->moves);
        $file->fittings[0]->pose->turn = (object) ['about' => [0, 0, 1], 'by' => $angle];
        foreach (shortOf($file) as $one) {
            $worst = $one->gap->one->ref()->id === 'hose' && $one->gap->other->ref()->id === 'post'
                ? min($worst, $one->gap->distance)
                : $worst;
        }
    }
    $found = array_values(array_filter(
        shortOf(flapJob($moves, [flapHose(), upright($x, $y)])),
        static fn (Shortfall $one): bool => $one->gap->other->ref()->id === 'post'
            && $one->gap->one->ref()->id === 'hose',
    ));

    expect($worst)->toBeLessThan(10.0)->and($found)->toHaveCount(1)
        // The positions are a degree apart: the true least may be a little less than the least of them.
        ->and($found[0]->gap->distance)->toBeGreaterThan($worst - 0.1)->toBeLessThan($worst + 0.02);
})->with(fn (): array => Seeds::someOf([[150.0, 345.0], [146.0, 352.0], [160.0, 340.0]], 1));

it('lies between positions as it is laid there', function (): void {
    $job = Job::read(flapJob(
        ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -10, 'to' => 40]], [flapHose()],
    ));
    $laid = laidOf($job)[0];
    $shapes = $laid->shapes() ?? throw new LogicException('It moves.');
    $kept = MovedShapesJson::read(MovedShapesJson::write($shapes));
    foreach ([0.013, 0.31, 0.555, 0.987] as $part) {
        $there = flapJob(SWING, [flapHose()]);
        unset($there->fittings[0]->moves);
        $there->fittings[0]->pose->turn = (object) ['about' => [0, 0, 1], 'by' => -10 + 50 * $part];
        $path = laidOf(Job::read($there))[0]->path;
        foreach ([0.1, 0.35, 0.5, 0.72, 0.95] as $share) {
            $at = $shapes->at($part)->pointAt($share * $shapes->at($part)->length());
            expect($at->distanceTo($path->pointAt($share * $path->length)))->toBeLessThan(0.05)
                ->and($kept->at($part)->pointAt($share * 700)->distanceTo($at))->toBeLessThan(1e-4);
        }
    }
});

it('takes kept shapes for anything but what they are not', function (string $json): void {
    expect(fn () => MovedShapesJson::read($json))->toThrow(InvalidArgumentException::class);
})->with(['[]', '{}', '[[0,1]]', '[[0,1,null,false,[1,2,3]]]', '[["a",1,null,false,[1,2,3,4,5,6]]]', '[7]']);

it('offers a move of a leg that clears the whole movement', function (): void {
    $post = ['id' => 'post', 'name' => 'Post', 'stock' => 't', 'from' => ['at' => [100, 400, -300]],
        'to' => ['at' => [100, 400, 300]],
        'route' => ['kind' => 'corners', 'stops' => [['at' => [100, 206, -300]], ['at' => [100, 206, 300]]]]];
    $moves = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 90]];
    $file = flapJob($moves, [$post]);
    // At 64° the flap reaches hypot(200, 10); the leg is hypot(100, 206) = 229 off: far enough.
    expect(shortOf($file))->toBe([]);

    $file->runs[0]->route->stops[0]->at[1] = $file->runs[0]->route->stops[1]->at[1] = 180;
    $job = Job::read($file);
    $laid = laidOf($job);
    $clearances = new Clearances($job, $laid);
    $short = $clearances->all()[0];
    expect($short->gap->distance)->toEqualWithDelta(hypot(100, 180) - hypot(200, 10) - 6, 0.01);
    $cures = (new ClearanceCures($job, $laid, $clearances))->of($short);
    expect($cures)->not->toBe([]);
    foreach ($cures as $cure) {
        $after = clone $file;
        $after->{$cure->items[0]['list']} = [$cure->items[0]['item']];
        expect(shortOf($after))->toBe([]);
    }
});

it('is told with where the flap stands then', function (): void {
    $found = shortOf(flapJob(SWING, [upright(150, 150)]));
    $moment = ClearanceWriter::write($found, Units::millimetres())[0]['moment'];
    $turned = deg2rad($moment['places'][0]['pose']['angle']) * $moment['places'][0]['pose']['about'][2];

    expect($moment['places'][0]['id'])->toBe('flap')->and(rad2deg($turned))->toEqualWithDelta($moment['angle'], 1e-6)
        ->and($moment['part'])->toEqualWithDelta($moment['angle'] / 90, 1e-9)->and($moment['lines'])->toBe([]);
});

it('is left out while something is dragged', function (): void {
    $job = Job::read(flapJob(SWING, [upright(150, 150)]));
    $clearances = new Clearances($job, laidOf($job));

    expect($clearances->ofAnyAtRest([ItemRef::run('post')]))->toBe([])
        ->and($clearances->ofAny([ItemRef::run('post')]))->toHaveCount(1)
        ->and($clearances->of('post'))->toHaveCount(1);
});

it('finds the same where another run comes in, and what was there need not be made ready again', function (): void {
    $moves = ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => -10, 'to' => 40]];
    $job = Job::read(flapJob($moves, [flapHose(), upright(150, 345), upright(150, 150, 'other')]));
    $laid = laidOf($job);
    $first = new Clearances($job, array_slice($laid, 0, 2));
    $first->all();
    $told = static fn (Clearances $of): array => array_map(
        static fn (Shortfall $one): array => [$one->title(), $one->gap->distance], $of->all(),
    );

    expect($told(new Clearances($job, $laid, before: $first)))->toBe($told(new Clearances($job, $laid)))
        ->and($told($first))->not->toBe($told(new Clearances($job, $laid)));
});

it('stands at positions over its movement that are as close as told', function (): void {
    $job = Job::read(flapJob(SWING, []));
    $passing = (new Clearances($job, []))->passing(20.0);
    // 90° of a circle of hypot(200, 10): its corners go 314.55 mm, so there are 16 positions at least.
    expect(count($passing))->toBeGreaterThanOrEqual(16);
    foreach ($passing as $i => $one) {
        if ($i > 0) {
            expect($one->bounds()->high->distanceTo($passing[$i - 1]->bounds()->high))->toBeLessThan(21.0);
        }
    }
});
