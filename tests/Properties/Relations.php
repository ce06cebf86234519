<?php

declare(strict_types=1);

namespace Tests\Properties;

use Bowline\Geometry\Vector;
use Bowline\Job\Node;
use Bowline\Job\Tie\Tie;
use Bowline\Routing\RouteBook;
use Bowline\Routing\TieIntersection;
use Bowline\Routing\TieSolution;
use Bowline\Routing\TieSolver;
use Tests\Jobs;

/**
 * Corners with one to three relations that can be kept: they are, and at no place farther off than a search from many
 * finds.
 */
final class Relations implements Property
{
    public function __construct(private readonly int $count)
    {
    }

    public function limits(): array
    {
        return ['said to be broken' => 0.0, 'missed, mm' => 1e-7, 'farther than the nearest, mm' => 1e-3];
    }

    public function differences(int $seed): array
    {
        [$ties, $told, $last, $keeps] = $this->keptTies($seed);
        $held = TieSolver::solve($ties, $told, $last);
        $nearest = min($keeps->distanceTo($told), $this->nearestBySearch($ties, $told, $last, $keeps));

        return [
            'said to be broken' => (float) count($held->broken),
            'missed, mm' => max([
                0.0,
                ...array_map(static fn (Tie $tie): float => TieIntersection::missed($tie, $held->at, $last), $ties),
            ]),
            'farther than the nearest, mm' => max(0.0, $held->at->distanceTo($told) - $nearest),
        ];
    }

    /**
     * Ties that a corner somewhere keeps: it is put there first, and what it keeps is measured.
     *
     * @return array{list<Tie>, Vector, Vector, Vector} ties, where the corner is told, the corner before it, and a
     *     place that keeps all
     */
    private function keptTies(int $seed): array
    {
        mt_srand($seed);
        $v = static fn (float $size = 200.0): Vector => new Vector(
            $size * Jobs::random(),
            $size * Jobs::random(),
            $size * Jobs::random(),
        );
        // Every third scene is square to the axes, as most of a job is.
        $axis = static fn (): Vector => $seed % 3 === 0
            ? new Vector(...[[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]][mt_rand(0, 2)])
            : $v()->unit();
        [$keeps, $last, $told] = [$v(), $v(), $v()];
        $anchors = [['c', $v(), $axis()], ['d', $v(), $axis()], ['e', $v(), $axis()]];
        $file = Jobs::file(
            [],
            ['at' => [0, 0, 0]],
            [
                'clamps' => array_map(
                    static fn (array $one): array => [
                        'id' => $one[0],
                        'at' => $one[1]->toArray(),
                        'axis' => $one[2]->toArray(),
                        'bore' => 12,
                        'width' => 10,
                    ],
                    $anchors,
                ),
            ],
        );
        $site = RouteBook::site(new Node($file));
        $ties = [];
        for ($i = 0; $i < $this->count; $i++) {
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

    /**
     * The least distance that projecting on the ties from some places comes to: Gauss and Newton, then back towards the
     * told place.
     *
     * @param  list<Tie>  $ties
     */
    private function nearestBySearch(array $ties, Vector $told, Vector $last, Vector $known): float
    {
        $least = INF;
        for ($n = 0; $n < 3; $n++) {
            $at = $n === 0 ? $known : new Vector(300 * Jobs::random(), 300 * Jobs::random(), 300 * Jobs::random());
            foreach ([0.0, 0.5, 0.25, 0.1, 0.05, 0.02, 0.01, 0.0] as $pull) {
                for ($step = 0; $step < 25; $step++) {
                    $back = $told->minus($at);
                    $bound = [];
                    $move = Vector::zero();
                    foreach ($ties as $tie) {
                        foreach (TieIntersection::equations($tie, $at, $last) as [$off, $slope]) {
                            $along = $slope->minus(TieSolution::allowed($slope, $bound));
                            if ($along->length() > 1e-6) {
                                $move = $move->plus(
                                    $along->unit()->times((-$off - $slope->dot($move)) / $along->length()),
                                );
                                $bound[] = $along->unit();
                            }
                        }
                    }
                    $move = $move->plus($back->minus(TieSolution::allowed($back, $bound))->times($pull));
                    $at = $at->plus($move->times(min(1.0, 60.0 / max(1e-9, $move->length()))));
                }
                $missed = max(
                    array_map(static fn (Tie $tie): float => TieIntersection::missed($tie, $at, $last), $ties),
                );
                $least = $pull === 0.0 && $missed < 1e-8 ? min($least, $at->distanceTo($told)) : $least;
            }
        }

        return $least;
    }
}
