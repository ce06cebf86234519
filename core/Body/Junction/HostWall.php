<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\CubicChain;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Patch;
use Bowline\Body\Boundary\SplineCurve;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Frame;
use Bowline\Body\Motion\AxialProjection;
use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use LogicException;

/**
 * The wall of a round run, outside or bore, from a ring to its end, with a hole for each branch that stands on a
 * straight of it. Its ring is divided into columns where a hole is widest, all along the run, so that beside a hole
 * plain cylinder goes on, and before and behind it lies what the lines of the cylinder cover from its edge to a ring.
 */
final class HostWall
{
    /** Share of the radius of a branch that lies between its foot and the rings on both sides, where there is room. */
    private const MARGIN = 0.1;

    /** @var list<Hole> in the order of the feet */
    private array $holes = [];

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @param  float  $radius  mm
     * @param  list<PlacedSaddle>  $feet  of that radius, none over another
     * @param  Ring  $ring  at its start
     * @param  float  $from  how far from the start of the path that is, mm
     * @param  float  $toTrim  how far from its end it ends, mm
     */
    public function __construct(
        private readonly SolidBuilder $builder,
        array $stretches,
        private readonly float $radius,
        private readonly array $feet,
        private Ring $ring,
        float $from,
        float $toTrim,
    ) {
        $last = count($stretches) - 1;
        $found = [];
        foreach ($stretches as $i => $stretch) {
            if ($stretch->straight === null) {
                $this->sweep($stretch->motion);

                continue;
            }
            $at = $i === 0 ? $from : 0.0;
            $to = $stretch->straight - ($i === $last ? $toTrim : 0.0);
            foreach ($this->along($stretch, $at, $to) as [$numbers, $before, $behind]) {
                $this->straight($stretch, $before - $at);
                $beside = array_map(static fn (int $number): PlacedSaddle => $feet[$number], $numbers);
                foreach ($this->opened($beside, $stretch->start, $before, $behind) as $i => $hole) {
                    $found[$numbers[$i]] = $hole;
                }
                $at = $behind;
            }
            $this->straight($stretch, $to - $at);
        }
        ksort($found);
        $this->holes = array_values($found);
    }

    /** Returns the loop at its end. */
    public function end(): Profile
    {
        return $this->ring->profile;
    }

    /** @return list<Hole> in the order of the feet */
    public function holes(): array
    {
        return $this->holes;
    }

    /**
     * Returns the feet on a straight, those together that stand beside each other, with the places of the rings on both
     * sides of them.
     *
     * @return list<array{non-empty-list<int>, float, float}> numbers of the feet, and lengths from the start of the
     *     straight, mm
     */
    private function along(Stretch $stretch, float $from, float $to): array
    {
        $places = [];
        foreach ($this->feet as $number => $foot) {
            $at = self::placeOn($stretch, $foot);
            if ($at !== null) {
                [$before, $behind] = $foot->saddle->span();
                $places[] = [$number, $at + $before, $at + $behind];
            }
        }
        usort($places, static fn (array $one, array $other): int => $one[1] <=> $other[1]);
        /** @var list<array{non-empty-list<int>, float, float}> $groups */
        $groups = [];
        foreach ($places as [$number, $before, $behind]) {
            $last = array_pop($groups);
            if ($last !== null && $before < $last[2] + Tolerance::COINCIDENT) {
                $groups[] = [[...$last[0], $number], $last[1], max($last[2], $behind)];
            } else {
                array_push($groups, ...$last === null ? [] : [$last], ...[[[$number], $before, $behind]]);
            }
        }
        $rings = [];
        foreach ($groups as $i => [$numbers, $before, $behind]) {
            $margin = self::MARGIN * max(array_map(
                fn (int $number): float => $this->feet[$number]->saddle->radius, $numbers,
            ));
            // The gap to its neighbour is shared with that.
            $room = $i === 0 ? $before - $from : ($before - $groups[$i - 1][2]) / 2;
            $left = isset($groups[$i + 1]) ? ($groups[$i + 1][1] - $behind) / 2 : $to - $behind;
            $rings[] = [$numbers, $before - min($margin, $room / 2), $behind + min($margin, $left / 2)];
        }

        return $rings;
    }

    /** Returns how far along a straight the axis of a branch meets it, mm; null where it meets another. */
    public static function placeOn(Stretch $stretch, PlacedSaddle $foot): ?float
    {
        if ($stretch->straight === null) {
            return null;
        }
        $way = $foot->at->minus($stretch->start->at);
        $along = $way->dot($stretch->start->along);

        return $along > -Tolerance::COINCIDENT && $along < $stretch->straight + Tolerance::COINCIDENT
            && $way->distanceTo($stretch->start->along->times($along)) < Tolerance::COINCIDENT ? $along : null;
    }

    private function straight(Stretch $stretch, float $length): void
    {
        $this->sweep(new Translation($stretch->start->along->times($length)));
    }

    private function sweep(Motion $motion): void
    {
        $this->ring = new Ring($this->builder->sweep($this->ring->profile, $motion), $this->ring->columns);
    }

    /**
     * Adds the wall with holes in it, from a ring before them to a ring behind them.
     *
     * @param  non-empty-list<PlacedSaddle>  $feet  beside each other
     * @param  Frame  $straight  at the start of the straight
     * @param  float  $before  length from there to the ring before it, mm; $behind likewise
     * @return list<Hole>
     */
    private function opened(array $feet, Frame $straight, float $before, float $behind): array
    {
        $this->ring = $this->beginningAtBorder($feet, $straight);
        $axis = $straight->along;
        $toEnd = $axis->times($behind - $before);
        $rails = $this->rails($feet, $straight, $before, $behind);
        $surface = new CylinderSurface($straight, $this->radius);
        $add = fn (Motion $motion, OrientedEdge ...$sides) => $this->builder->add(
            Face::swept($surface, new Patch($motion, ...$sides)),
        );
        $along = static fn (Edge $edge): OrientedEdge => new OrientedEdge($edge, true);
        $back = static fn (Edge $edge): OrientedEdge => new OrientedEdge($edge, false);
        $ringAt = fn (float $at): AxialProjection => new AxialProjection(
            $straight->movedTo($straight->at->plus($axis->times($at))), $this->radius,
        );
        [$toBefore, $toBehind] = [$ringAt($before), $ringAt($behind)];
        $next = [];
        $sides = array_fill(0, count($feet), []);
        foreach ($this->ring->profile->loop as $i => $edge) {
            $column = $this->ring->columns[$i];
            [$left, $right] = [$rails[$i], $rails[($i + 1) % count($rails)]];
            $next[] = $end = self::across($edge, $left->end, $right->end, $edge->edge->curve->moved(
                static fn (Vector $point): Vector => $point->plus($toEnd),
            ));
            $number = self::footOver($column, $feet, $straight);
            if ($number === null) {
                $rim = $ahead = self::across(
                    $edge, $left->near, $right->near, $this->slanted($edge, $column, $left, $right, $straight),
                );
            } else {
                [$foot, $over] = [$feet[$number], $feet[$number]->overOn($straight)];
                $turn = static fn (float $t): float => $column->turnAt($foot, $over, $t);
                $rim = self::across($edge, $left->near, $right->near, $foot->edge(false, $turn));
                $ahead = self::across($edge, $left->far, $right->far, $foot->edge(true, $turn));
                $sides[$number][] = [$column, $rim, $ahead];
            }
            // Back from the hole to the ring before it, so that the profile runs the other way about the motion.
            $add($toBefore, $rim->reversed(), $edge->reversed(), $back($right->before), $back($left->before));
            $add($toBehind, $ahead, $end, $along($left->behind), $along($right->behind));
        }
        $this->ring = new Ring(new Profile($next), $this->ring->columns);

        return array_map(
            static fn (array $sides, PlacedSaddle $foot): Hole => Hole::of($foot, $sides, $foot->overOn($straight)),
            $sides, $feet,
        );
    }

    /**
     * Returns the edge across a column beside holes, from where the one on its left is widest to where that on its
     * right is: round the run, or along it too.
     */
    private function slanted(OrientedEdge $edge, Column $column, Rail $left, Rail $right, Frame $straight): EdgeCurve
    {
        $height = static fn (Vertex $vertex): float => $vertex->at->minus($straight->at)->dot($straight->along);
        [$from, $to] = $edge->isForward
            ? [$height($left->near), $height($right->near)]
            : [$height($right->near), $height($left->near)];
        $at = static fn (float $along): Frame => $straight->movedTo(
            $straight->at->plus($straight->along->times($along)),
        );
        if (abs($to - $from) < Tolerance::COINCIDENT) {
            return $column->arc($at($from), $this->radius);
        }

        return new SplineCurve(CubicChain::fitted(
            fn (float $t): Vector => $at($from + ($to - $from) * $t)->polar($this->radius, $column->angleAt($t)),
        ));
    }

    /**
     * @param  non-empty-list<PlacedSaddle>  $feet
     * @return int|null number of the foot whose hole lies over a column
     */
    private static function footOver(Column $column, array $feet, Frame $straight): ?int
    {
        foreach ($feet as $number => $foot) {
            if ($column->isOver($foot, $foot->overOn($straight))) {
                return $number;
            }
        }

        return null;
    }

    /**
     * Returns the ring from where a hole begins or ends, so that the columns over one follow each other.
     *
     * @param  non-empty-list<PlacedSaddle>  $feet
     */
    private function beginningAtBorder(array $feet, Frame $straight): Ring
    {
        $over = array_map(
            static fn (Column $column): ?int => self::footOver($column, $feet, $straight), $this->ring->columns,
        );
        foreach ($over as $i => $foot) {
            if ($foot !== $over[($i === 0 ? count($over) : $i) - 1]) {
                return $this->ring->from($i);
            }
        }
        throw new LogicException('a hole takes at most half of the way round');
    }

    /**
     * @param  non-empty-list<PlacedSaddle>  $feet
     * @param  float  $before  length from the start of the straight to the ring before the holes, mm; $behind likewise
     * @return non-empty-list<Rail> from the start of each edge of the ring
     */
    private function rails(array $feet, Frame $straight, float $before, float $behind): array
    {
        $axis = $straight->along;
        $toEnd = $axis->times($behind - $before);
        $rails = [];
        foreach ($this->ring->profile->loop as $i => $edge) {
            $column = $this->ring->columns[$i];
            $last = $this->ring->columns[($i === 0 ? count($this->ring->columns) : $i) - 1];
            $over = self::footOver($column, $feet, $straight);
            $overLast = self::footOver($last, $feet, $straight);
            $foot = $feet[$over ?? $overLast ?? 0];
            $to = static fn (float $along): Vector => $axis->times(
                $foot->at->minus($straight->at)->dot($axis) - $before + $along,
            );
            $turn = $column->turnAt($foot, $foot->overOn($straight), $edge->isForward ? 0.0 : 1.0);
            $rails[] = $over !== null && $over === $overLast
                ? Rail::over(
                    $edge->start(), $to($foot->saddle->pointAt($turn, false)[0]),
                    $to($foot->saddle->pointAt($turn, true)[0]), $toEnd,
                )
                : Rail::past($edge->start(), $to($foot->saddle->widestAt()), $toEnd);
        }

        return $rails;
    }

    /** Returns an edge that goes the same way round as one of the ring. */
    private static function across(OrientedEdge $ring, Vertex $left, Vertex $right, EdgeCurve $curve): OrientedEdge
    {
        return new OrientedEdge(
            $ring->isForward ? new Edge($left, $right, $curve) : new Edge($right, $left, $curve), $ring->isForward,
        );
    }
}
