<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Schema;
use Bowline\Pathfinding\Blockers;
use Bowline\Pathfinding\Errand;
use Bowline\Pathfinding\Scene;
use Bowline\Pathfinding\Way;
use Bowline\Pathfinding\WayFinder;
use Bowline\Pathfinding\WayItem;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use Bowline\Solving\Solver;
use Tests\Jobs;
use Tests\RandomScenes;

/*
 * Ways that are found, against ways worked out by hand: a tube of 12 with bends of 36, of which each is 15.451 shorter
 * than up to its corner and back, and 20 straight between two.
 */

const SAVED_BY_BEND = (2 - M_PI_2) * 36;

/**
 * A job with the ports a.p and b.p, which stand on nothing.
 *
 * @param  array<string, mixed>  $more
 */
function portsAt(array $from, array|string $axis, array $to, array|string $toAxis, array $more = []): stdClass
{
    $file = RandomScenes::boxes(1, 0);
    $file['fittings'] = [
        ['id' => 'a', 'ports' => [['id' => 'p', 'at' => $from, 'axis' => $axis]]],
        ['id' => 'b', 'ports' => [['id' => 'p', 'at' => $to, 'axis' => $toAxis]]],
    ];
    $job = Jobs::decoded([...$file, ...$more]);
    Schema::check($job, 'job.json');

    return $job;
}

/** @param  array<string, mixed>  $said */
function errandOf(array $said): Node
{
    return new Node(json_decode(json_encode(
        ['from' => 'a.p', 'to' => 'b.p', 'stock' => 't12', ...$said], JSON_THROW_ON_ERROR,
    ), false));
}

/**
 * @param  array<string, mixed>  $said  of the errand, beside its ports and stock
 * @return list<Way>
 */
function waysIn(stdClass $file, array $said = [], int $most = 1): array
{
    $job = Job::read($file);
    $errand = Errand::read(errandOf($said), $job);
    $laid = array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));

    return (new WayFinder(Scene::of($job, $laid), $errand))->ways($most, ['new', 'New'], static fn (): bool => false);
}

function wall(array $at, array $size, string $id = 'wall'): array
{
    return ['id' => $id, 'shape' => 'box', 'pose' => ['at' => $at], 'size' => $size];
}

it('takes the shortest way with the fewest bends', function (
    array $to, string $axis, int $bends, float $length,
): void {
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], $to, $axis))[0];

    expect($way->bends())->toBe($bends)
        ->and($way->length())->toEqualWithDelta($length - $bends * SAVED_BY_BEND, 1e-6);
})->with([
    'straight over' => [[500, 0, 0], '-x', 0, 500.0],
    'round one corner' => [[400, 300, 0], '-y', 1, 700.0],
    'aside' => [[500, 200, 0], '-x', 2, 700.0],
    'aside and up' => [[500, 200, 300], '-x', 3, 1000.0],
    // Both look the same way: out by the lead of 12 + 36, over, and back.
    'beside each other' => [[0, 300, 0], '+x', 2, 396.0],
    'up into one that looks down' => [[400, 300, 200], '-z', 2, 900.0],
]);

it('goes round what is in its way as near as it may', function (array $clearances, float $length): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 0], [-1, 0, 0], [
        'surroundings' => [wall([500, 0, 100], [40, 2000, 400])], 'clearances' => $clearances,
    ]);
    $way = waysIn($file)[0];

    // Under the wall, whose lower edge is at −100: down, along, up.
    expect($way->bends())->toBe(4)
        ->and($way->length())->toEqualWithDelta($length - 4 * SAVED_BY_BEND, 1e-6)
        ->and($way->nearest->gap->distance)->toEqualWithDelta($clearances['usual'], 1e-4);
})->with([
    // The centre line is 6 below it, its least leg 92 long.
    'touching' => [['usual' => 0], 1000.0 + 2 * 106.0],
    'at 30' => [['usual' => 30], 1000.0 + 2 * 136.0],
]);

it('is led through clamps, both ways, and stops there', function (bool $isReversed): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [800, 0, 0], [-1, 0, 0], ['clamps' => [
        [
            'id' => 'c', 'at' => [400, 300, 0], 'axis' => $isReversed ? [-1, 0, 0] : [1, 0, 0], 'bore' => 12,
            'width' => 20,
        ],
    ]]);
    $way = waysIn($file, ['through' => ['c']])[0];

    expect($way->bends())->toBe(4)
        ->and($way->length())->toEqualWithDelta(800 + 600 - 4 * SAVED_BY_BEND, 1e-6)
        ->and(json_encode($way->item->route->stops))->toContain('"clamp":"c"')
        ->and($way->solved->laid->bends)->toHaveCount(4);
})->with([false, true]);

it('stays out of boxes that are kept out of', function (): void {
    $box = ['id' => 'door', 'name' => 'Swing of the door', 'pose' => ['at' => [500, 0, 0]], 'size' => [100, 200, 2000]];
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 0], [-1, 0, 0], ['keep_outs' => [$box]]))[0];

    expect($way->length())->toEqualWithDelta(1000 + 2 * 106 - 4 * SAVED_BY_BEND, 1e-6);
});

it('rather goes along what is to be followed', function (): void {
    $rack = wall([600, 0, 140], [1000, 100, 20], 'rack');
    $ports = [[0, 0, 0], [1, 0, 0], [1200, 0, 0], [-1, 0, 0]];
    $plain = waysIn(portsAt(...$ports, more: ['surroundings' => [$rack]]))[0];
    $led = waysIn(portsAt(...$ports, more: [
        'surroundings' => [$rack], 'follow' => [['of' => 'rack', 'stand_off' => 15]],
    ]), ['weights' => ['bends' => 10]])[0];

    // 15 and half its thickness under the lower face at 130; tied to that.
    expect($plain->bends())->toBe(0)->and($led->bends())->toBe(4)
        ->and(round($led->solved->laid->vertices[2]->at->z, 6))->toBe(109.0)
        ->and(round($led->solved->laid->vertices[3]->at->z, 6))->toBe(109.0)
        ->and(json_encode($led->item->route->stops))->toContain('"away":21,"from":{"face":"-z","of":"rack"}');
});

it('ties corners to the ports, so that it follows when one moves', function (): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [500, 200, 300], [-1, 0, 0]);
    $way = waysIn($file)[0];
    $file->runs = [$way->item];
    $file->fittings[1]->ports[0]->at = [540, 260, 330];
    $job = Job::read($file);
    $solved = (new Solver($job))->run($job->runs['new']);

    expect($solved->findings)->toBe([])
        ->and($solved->laid->length())->toEqualWithDelta(540 + 260 + 330 - 3 * SAVED_BY_BEND, 1e-6);
});

it('takes slanting legs where square ones have no room', function (): void {
    // 30 aside is less than two bends of 36 need.
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], [500, 30, 0], [-1, 0, 0]))[0];

    expect($way->bends())->toBe(2)->and($way->length())->toBeLessThan(505.0);
});

it('has just the length that is asked for', function (float $length): void {
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], [800, 200, 0], [-1, 0, 0]), ['length' => $length])[0] ?? null;

    expect($way?->length())->toEqualWithDelta($length, 0.001)
        ->and($way->item->fixed_length->length)->toEqual($length);
})->with([975.0, 1000.0, 1100.0, 1500.0, 2500.0]);

it('finds none that is shorter than can be', function (): void {
    expect(waysIn(portsAt([0, 0, 0], [1, 0, 0], [800, 200, 0], [-1, 0, 0]), ['length' => 800.0]))->toBe([]);
});

it('falls all along where it drains', function (array $to, string $axis, bool $isUp): void {
    $file = $isUp
        ? portsAt($to, $axis, [0, 0, 0], [1, 0, 0])
        : portsAt([0, 0, 0], [1, 0, 0], $to, $axis);
    $way = waysIn($file, ['fall' => 8])[0];

    expect($way->item->fall)->toEqual(8)->and($way->solved->findings)->toBe([]);
    $last = null;
    $sign = $isUp ? -1 : 1;
    for ($along = 0.0; $along < $way->length(); $along += 5.0) {
        $z = $sign * $way->solved->laid->path->pointAt($along)->z;
        expect($last === null || $z < $last)->toBeTrue();
        $last = $z;
    }
})->with([
    'down a long way' => [[700, 400, -500], '-x', false],
    'hardly lower' => [[700, 400, -9], '-x', false],
    // More than ports take that look level, 0.5 degrees: its middle leg falls more.
    'a little lower' => [[700, 400, -20], '-x', false],
    'into one that looks up' => [[600, 300, -400], '+z', false],
    'laid from the lower end' => [[700, 400, -500], '-x', true],
]);

it('goes round what swings into its way', function (): void {
    // An arm of 300 on a hinge 150 beside the straight way: as placed it points away, and it swings half round.
    $arm = static fn (array $more): array => [
        'id' => 'arm', 'body' => ['shape' => 'box', 'size' => [20, 300, 20], 'at' => [0, -150, 0]], ...$more,
    ];
    $file = static function (array $pose, array $more = []) use ($arm): stdClass {
        $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 0], [-1, 0, 0]);
        $file->fittings[] = Jobs::object($arm(['pose' => ['at' => [500, -150, 0], ...$pose], ...$more]));

        return $file;
    };
    $swing = ['moves' => ['swing' => ['at' => [0, 0, 0], 'axis' => [0, 0, 1], 'from' => 0, 'to' => 180]]];

    expect(waysIn($file([]))[0]->bends())->toBe(0);
    $way = waysIn($file([], $swing))[0];
    expect($way->bends())->toBeGreaterThan(1);
    for ($angle = 0; $angle <= 180; $angle += 3) {
        // The arm standing at each angle, without any movement.
        $job = Job::read($file(['turn' => ['about' => [0, 0, 1], 'by' => $angle]]));
        expect(Scene::of($job, [])->with($way->solved->laid)->clearances->of('new'))->toBe([]);
    }
});

it('falls and has a length', function (float $length): void {
    // 300 lower and 700 on, 400 aside: 1400 along axes, less what bends save.
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], [700, 400, -300], [-1, 0, 0]), ['fall' => 8, 'length' => $length])[0];

    expect($way->length())->toEqualWithDelta($length, 0.05)->and($way->solved->findings)->toBe([])
        ->and($way->item->fall)->toEqual(8)
        ->and($way->item->fixed_length->length)->toEqualWithDelta($length, 1e-9);
})->with([1600.0, 2100.0]);

it('falls on both sides of an upright clamp', function (): void {
    $clamp = ['id' => 'c', 'name' => 'Riser clamp', 'at' => [300, 100, -150], 'axis' => [0, 0, 1], 'bore' => 12,
        'width' => 20];
    $way = waysIn(portsAt([0, 0, 0], [1, 0, 0], [700, 400, -400], [-1, 0, 0], ['clamps' => [$clamp]]), [
        'fall' => 8, 'through' => ['c'],
    ])[0];
    $laid = $way->solved->laid;
    $at = $laid->path->closestTo(new Vector(300, 100, -150));

    expect($way->solved->findings)->toBe([])
        ->and($laid->path->pointAt($at)->distanceTo(new Vector(300, 100, -150)))->toBeLessThan(1e-6)
        ->and($laid->path->directionAt($at)->toArray())->toEqualWithDelta([0, 0, -1], 1e-9);
    foreach ($laid->legs as $leg) {
        $aside = sqrt(1.0 - $leg->direction->z ** 2);
        expect(-$leg->direction->z)->toBeGreaterThan(0.008 * $aside - 1e-9);
    }
});

it('does not fall through a level clamp', function (): void {
    $clamp = ['id' => 'c', 'name' => 'Rail clamp', 'at' => [300, 100, -150], 'axis' => [1, 0, 0], 'bore' => 12,
        'width' => 20];
    waysIn(portsAt([0, 0, 0], [1, 0, 0], [700, 400, -400], [-1, 0, 0], ['clamps' => [$clamp]]), [
        'fall' => 8, 'through' => ['c'],
    ]);
})->throws(JobError::class, 'the bore of Rail clamp falls by less than 8 mm a metre');

it('says that a level way has no fall', function (): void {
    expect(waysIn(portsAt([0, 0, 0], [1, 0, 0], [700, 400, -2], [-1, 0, 0]), ['fall' => 8]))->toBe([]);
});

it('finds ways that differ, the best first', function (): void {
    $ways = waysIn(portsAt([0, 0, 0], [1, 0, 0], [800, 200, 300], [-1, 0, 0]), [], 5);
    $corners = array_map(static fn (Way $way): string => (string) json_encode(array_map(
        static fn ($one): array => $one->at->toArray(), $way->solved->laid->vertices,
    )), $ways);

    expect($ways)->toHaveCount(5)->and(array_unique($corners))->toHaveCount(5)
        ->and($ways[0]->bends())->toBe(3)
        ->and($ways[0]->length())->toEqualWithDelta(1300 - 3 * SAVED_BY_BEND, 1e-6);
});

it('says what would have to move, and by how much', function (): void {
    // The far port stands in a square shaft of 200, closed behind it, with a lid that leaves a gap of 8.
    $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 0], [-1, 0, 0], ['surroundings' => [
        wall([800, 0, 120], [440, 280, 40], 'top'), wall([800, 0, -120], [440, 280, 40], 'bottom'),
        wall([800, 120, 0], [440, 40, 280], 'left'), wall([800, -120, 0], [440, 40, 280], 'right'),
        wall([1030, 0, 0], [20, 280, 280], 'back'), wall([600, 4, 0], [20, 192, 198], 'lid'),
    ]]);
    $job = Job::read($file);
    $errand = Errand::read(errandOf([]), $job);
    $finder = new WayFinder($scene = Scene::of($job, []), $errand);

    expect($finder->ways(1, ['n', 'N'], static fn (): bool => false))->toBe([]);
    [$words, $things] = (new Blockers($scene, $errand))->reason(array_keys($finder->inTheWay()));
    // Its edge is at y = −92; the tube along y = 0 wants it at 6.
    expect($words)->toContain('lid would have to move 98 mm along +y')
        ->and(array_map(static fn ($one): string => $one->id, $things))->toContain('lid');
});

it('names what is wrong with an errand', function (array $said, string $pointer, string $words): void {
    expect(fn () => waysIn(portsAt([0, 0, 0], [1, 0, 0], [800, 200, 0], [-1, 0, 0]), $said))
        ->toThrow(fn (JobError $error) => expect($error->pointer)->toBe($pointer)
            ->and($error->getMessage())->toContain($words));
})->with([
    [['from' => 'a.q'], '/from', 'there is no port “a.q”'],
    [['to' => 'a.p'], '/to', 'from one port to another'],
    [['stock' => 'x'], '/stock', 'there is no stock “x”'],
    [['through' => ['x']], '/through/0', 'there is no clamp “x”'],
    [['length' => -3], '/length', 'the length'],
    [['weights' => ['nearness' => 2]], '/weights/nearness', '0 to 0.9'],
    [['weights' => ['bends' => -1]], '/weights/bends', 'must not be negative'],
]);

it('lays a run again near to where it was, with all that was said of it', function (): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 300], [-1, 0, 0]);
    $file->runs = [Jobs::object([
        'id' => 'old', 'name' => 'Old', 'stock' => 't12', 'service' => 'fuel', 'x_note' => 'kept',
        'from' => ['port' => 'a.p', 'lead' => 100, 'end' => ['type' => 'closed', 'thickness' => 2]],
        'to' => ['port' => 'b.p', 'lead' => 100],
        'route' => ['kind' => 'corners', 'stops' => [
            ['along' => '+y', 'length' => 200], ['along' => '+x', 'length' => 800], ['along' => '+z', 'length' => 300],
        ]],
    ])];
    // Something now stands on its leg along x, at y = 200.
    $file->surroundings = [Jobs::object(wall([500, 200, 0], [60, 60, 60]))];
    $job = Job::read($file);
    $laid = array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
    $errand = Errand::again($laid[0], new Node('old', '/again'), $job);
    $scene = Scene::of($job, $laid);
    $way = (new WayFinder($scene, $errand))->ways(1, ['old', 'Old'], static fn (): bool => false)[0];
    $kept = array_filter($way->solved->laid->path->straights(), static function (array $one) use ($way, $laid): bool {
        $middle = $way->solved->laid->path->pointAt(($one[0] + $one[1]) / 2);

        return $laid[0]->path->pointAt($laid[0]->path->closestTo($middle))->distanceTo($middle) < 1e-6;
    });

    expect($way->item->id)->toBe('old')->and($way->item->x_note)->toBe('kept')->and($way->item->service)->toBe('fuel')
        ->and($way->item->from->end->type)->toBe('closed')
        ->and($kept)->not->toBe([])
        ->and($scene->with($way->solved->laid)->clearances->of('old'))->toBe([]);
});

it('keeps joints and clips on a run that is laid again', function (): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 300], [-1, 0, 0]);
    $file->runs = [Jobs::object([
        'id' => 'old', 'name' => 'Old', 'stock' => 't12', 'from' => ['port' => 'a.p', 'lead' => 100],
        'to' => ['port' => 'b.p', 'lead' => 100],
        'route' => ['kind' => 'corners', 'stops' => [
            ['along' => '+y', 'length' => 200], ['along' => '+x', 'length' => 800], ['along' => '+z', 'length' => 300],
        ]],
        'joints' => [
            ['at' => ['leg' => 3, 'from_start' => 400], 'kind' => 'weld', 'gap' => 2],
            ['at' => ['length' => 30], 'kind' => 'coupling'],
        ],
        'repeats' => [['kind' => 'clip', 'pitch' => 200, 'width' => 10, 'height' => 4]],
    ])];
    $file->surroundings = [Jobs::object(wall([500, 200, 0], [60, 60, 60]))];
    $job = Job::read($file);
    $laid = array_map(static fn (Run $run): LaidRun => $run->route->lay($run), array_values($job->runs));
    $way = (new WayFinder(Scene::of($job, $laid), Errand::again($laid[0], new Node('old', '/again'), $job)))
        ->ways(1, ['old', 'Old'], static fn (): bool => false)[0];
    $joints = LaidJoint::all($way->solved->laid);
    $before = LaidJoint::all($laid[0]);

    expect($joints)->toHaveCount(2)->and($way->item->repeats)->toEqual($file->runs[0]->repeats)
        ->and(array_column($way->item->joints, 'kind'))->toEqualCanonicalizing(['weld', 'coupling']);
    foreach ($joints as $i => $joint) {
        // At the same share of the length, or beside a bend that is there now.
        $share = $before[$i]->at / $laid[0]->length();
        expect($joint->isInPlace())->toBeTrue()
            ->and(abs($joint->at / $way->length() - $share) * $way->length())->toBeLessThan(2 * 36 * M_PI_2);
    }
});

it('lays again only what has corners between two ports', function (): void {
    $file = portsAt([0, 0, 0], [1, 0, 0], [1000, 0, 300], [-1, 0, 0]);
    $file->runs = [Jobs::object([
        'id' => 'hose', 'name' => 'Hose', 'stock' => 't12', 'from' => ['port' => 'a.p'], 'to' => ['port' => 'b.p'],
        'route' => ['kind' => 'hang', 'slack' => 0.1],
    ])];
    $job = Job::read($file);

    Errand::again($job->runs['hose']->route->lay($job->runs['hose']), new Node('hose', '/again'), $job);
})->throws(JobError::class, 'Hose is no run with corners between two ports');

/** A tube that ends in the open at (300, 0, 200), on its way along x, and a port at (800, 500, 400) that looks back. */
function openEnded(array $more = []): stdClass
{
    return portsAt([0, 0, 50], '+z', [800, 500, 400], '-x', ['runs' => [[
        'id' => 'feed', 'name' => 'Feed', 'stock' => 't12', 'from' => ['port' => 'a.p'],
        'to' => ['at' => [300, 0, 200]], 'route' => ['kind' => 'corners', 'stops' => [['at' => [0, 0, 200]]]], ...$more,
    ]]]);
}

it('goes on from an end in the open, on its axis', function (): void {
    [$way] = waysIn(openEnded(), ['from' => 'feed.to']);

    // 500 along x, 500 along y, 200 up, with three bends.
    expect($way->bends())->toBe(3)->and($way->length())->toEqualWithDelta(1200 - 3 * SAVED_BY_BEND, 1e-3)
        ->and($way->item->from->at)->toBe([300, 0, 200])->and($way->item->from->axis)->toBe([1, 0, 0])
        ->and($way->solved->laid->path->directionAt(0.0)->toArray())->toEqualWithDelta([1, 0, 0], 1e-9);
});

it('goes to an end in the open, against the axis of that', function (): void {
    [$way] = waysIn(openEnded(), ['from' => 'b.p', 'to' => 'feed.to']);
    $laid = $way->solved->laid;

    expect($way->item->to->at)->toBe([300, 0, 200])
        ->and($laid->path->directionAt($laid->length())->toArray())->toEqualWithDelta([-1, 0, 0], 1e-9)
        ->and(json_encode($way->item))->not->toContain('feed.to');
});

it('is made of what the run before it is made of, where nothing is said', function (): void {
    $job = Job::read(openEnded());
    $errand = Errand::read(new Node((object) ['from' => 'feed.to', 'to' => 'b.p']), $job);

    expect($errand->stock->id)->toBe('t12')
        ->and(WayItem::names($errand, Scene::of($job, []), ['feed-to-b-p']))->toBe(['feed-to-b-p-2', 'Feed to b p']);
});

it('goes on from no end that is at something, nor one that is not there', function (string $from, string $words): void {
    $job = Job::read(openEnded());
    expect(static fn (): Errand => Errand::read(errandOf(['from' => $from]), $job))->toThrow(JobError::class, $words);
})->with([
    'at a port' => ['feed.from', 'this end of Feed is at something already'],
    'of no run' => ['none.to', 'there is no port “none.to”'],
]);
