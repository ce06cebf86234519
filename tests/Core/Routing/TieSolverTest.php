<?php

declare(strict_types=1);

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Site;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\Held;
use Bowline\Routing\TieSolver;
use Tests\Jobs;

/**
 * Ties that a corner somewhere keeps: it is put there first, and what it keeps is measured.
 *
 * @return array{list<Tie>, Vector, Vector, Vector} ties, where the corner is told, the corner before it, and a place that keeps all
 */
function keptTies(int $seed, int $count): array
{
    mt_srand($seed);
    $v = static fn (float $size = 200.0): Vector => new Vector($size * Jobs::random(), $size * Jobs::random(), $size * Jobs::random());
    // Every third scene is square to the axes, as most of a job is.
    $axis = static fn (): Vector => $seed % 3 === 0 ? new Vector(...[[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]][mt_rand(0, 2)]) : $v()->unit();
    [$keeps, $last, $told] = [$v(), $v(), $v()];
    $anchors = [['c', $v(), $axis()], ['d', $v(), $axis()], ['e', $v(), $axis()]];
    $file = Jobs::file([], ['at' => [0, 0, 0]], ['clamps' => array_map(
        static fn (array $one): array => ['id' => $one[0], 'at' => $one[1]->toArray(), 'axis' => $one[2]->toArray(), 'bore' => 12, 'width' => 10], $anchors,
    )]);
    $site = Site::read(new Node($file));
    $ties = [];
    for ($i = 0; $i < $count; $i++) {
        [$id, $at, $along] = $anchors[$i];
        $from = $keeps->minus($at);
        $leg = $keeps->minus($last);
        $angle = rad2deg($leg->angleTo($along));
        $said = match (mt_rand(0, 3)) {
            0 => ['level' => $along->toArray(), 'with' => $id, 'distance' => $from->dot($along)],
            1 => ['away' => $from->cross($along)->length(), 'from' => $id],
            default => ['angle' => min($angle, 180.0 - $angle), 'to' => $id],
        };
        $ties[] = Tie::read(new Node(Jobs::object($said)), $site, null);
    }

    return [$ties, $told, $last, $keeps];
}

/** The least distance that projecting on the ties from many places comes to: Gauss and Newton, then back towards the told place. */
function nearestBySearch(array $ties, Vector $told, Vector $last, Vector $known, int $starts): float
{
    $least = INF;
    for ($n = 0; $n < $starts; $n++) {
        $at = $n === 0 ? $known : new Vector(300 * Jobs::random(), 300 * Jobs::random(), 300 * Jobs::random());
        foreach ([0.0, 0.5, 0.25, 0.1, 0.05, 0.02, 0.01, 0.0] as $pull) {
            for ($step = 0; $step < 25; $step++) {
                $back = $told->minus($at);
                $bound = [];
                $move = Vector::zero();
                foreach ($ties as $tie) {
                    foreach (TieSolver::equations($tie, $at, $last) as [$off, $slope]) {
                        $along = $slope->minus(Held::allowed($slope, $bound));
                        if ($along->length() > 1e-6) {
                            $move = $move->plus($along->unit()->times((-$off - $slope->dot($move)) / $along->length()));
                            $bound[] = $along->unit();
                        }
                    }
                }
                $move = $move->plus($back->minus(Held::allowed($back, $bound))->times($pull));
                $at = $at->plus($move->times(min(1.0, 60.0 / max(1e-9, $move->length()))));
            }
            $missed = max(array_map(static fn (Tie $tie): float => TieSolver::missed($tie, $at, $last), $ties));
            $least = $pull === 0.0 && $missed < 1e-8 ? min($least, $at->distanceTo($told)) : $least;
        }
    }

    return $least;
}

it('keeps what can be kept, at the nearest place there is', function (int $count, int $block): void {
    for ($seed = 60 * $block; $seed < 60 * $block + 60; $seed++) {
        [$ties, $told, $last, $keeps] = keptTies($seed, $count);
        $held = Held::by($ties, $told, $last);
        expect($held->broken)->toBe([], "seed $seed");
        foreach ($ties as $tie) {
            expect(TieSolver::missed($tie, $held->at, $last))->toBeLessThan(1e-7);
        }
        $searched = nearestBySearch($ties, $told, $last, $keeps, 3);
        expect($held->at->distanceTo($told))->toBeLessThan(min($searched, $keeps->distanceTo($told)) + 1e-3, "seed $seed");
    }
})->with([1, 2, 3])->with(range(1, 4));

it('finds the corner of the report: 10° to the axis of a clamp', function (): void {
    // The axis is z through the origin and the leg begins there: at (−140, 181, 55) the told leg is 228.83 off the axis
    // and 55 along it; on the cone it is (228.83·sin 10° + 55·cos 10°) long: 93.90.
    $site = Site::read(new Node(Jobs::file([], ['at' => [0, 0, 0]], ['clamps' => [['id' => 'c', 'at' => [0, 0, 0], 'axis' => [0, 0, 1], 'bore' => 12, 'width' => 10]]])));
    $held = Held::by([Tie::read(new Node(Jobs::object(['angle' => 10, 'to' => 'c'])), $site, null)], new Vector(-140, 181, 55), Vector::zero());
    $long = hypot(140, 181) * sin(deg2rad(10)) + 55 * cos(deg2rad(10));
    expect($held->broken)->toBe([])->and($held->at->length())->toEqualWithDelta($long, 1e-9)->and($held->at->z)->toEqualWithDelta($long * cos(deg2rad(10)), 1e-9);
});
