<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\CylinderSurface;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\ParametrizedArc;
use Bowline\Body\Boundary\Patch;
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
 * The wall of a round run, outside or bore, with a hole for each branch that stands on a straight of it. Its ring is
 * divided where a hole is widest, all along the run, so that beside a hole plain cylinder goes on and before and behind
 * it lies what the lines of the cylinder cover from its edge to a ring.
 */
final class HostWall
{
    /** Share of the radius of a branch that lies between its foot and the rings on both sides, where there is room. */
    private const MARGIN = 0.1;

    /** @var list<Hole> in the order of the feet */
    private array $holes = [];

    private Profile $profile;

    private readonly Profile $first;

    /**
     * @param  non-empty-list<Stretch>  $stretches
     * @param  float  $radius  mm
     * @param  list<PlacedSaddle>  $feet  of that radius, none over another
     * @param  bool  $isBore  whether the material is outside of it
     * @param  float  $fromTrim  how far from the start of the path it begins, mm
     * @param  float  $toTrim  how far from its end it ends, mm
     */
    public function __construct(
        private readonly SolidBuilder $builder,
        array $stretches,
        private readonly float $radius,
        private readonly array $feet,
        private readonly bool $isBore,
        float $fromTrim,
        float $toTrim,
    ) {
        $start = $stretches[0]->start;
        $ring = $this->ring($start->movedTo($start->at->plus($start->along->times($fromTrim))), $stretches);
        $this->first = $this->profile = $isBore ? $ring->reversed() : $ring;
        $last = count($stretches) - 1;
        $found = [];
        foreach ($stretches as $i => $stretch) {
            if ($stretch->straight === null) {
                $this->profile = $builder->sweep($this->profile, $stretch->motion);

                continue;
            }
            $from = $i === 0 ? $fromTrim : 0.0;
            $to = $stretch->straight - ($i === $last ? $toTrim : 0.0);
            foreach ($this->along($stretch, $from, $to) as [$number, $before, $behind]) {
                $this->straight($stretch, $before - $from);
                $found[$number] = new Hole(
                    $feet[$number], $this->opened($feet[$number], $stretch->start, $before, $behind),
                );
                $from = $behind;
            }
            $this->straight($stretch, $to - $from);
        }
        ksort($found);
        $this->holes = array_values($found);
    }

    /** Returns the loop at its start. */
    public function start(): Profile
    {
        return $this->first;
    }

    /** Returns the loop at its end. */
    public function end(): Profile
    {
        return $this->profile;
    }

    /** @return list<Hole> in the order of the feet */
    public function holes(): array
    {
        return $this->holes;
    }

    /**
     * Returns the feet on a straight, each with the places of the rings on both sides of it.
     *
     * @return list<array{int, float, float}> number of the foot, and lengths from the start of the straight, mm
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
        $rings = [];
        foreach ($places as $i => [$number, $before, $behind]) {
            $margin = self::MARGIN * $this->feet[$number]->saddle->radius;
            // The gap to its neighbour is shared with that.
            $room = $i === 0 ? $before - $from : ($before - $places[$i - 1][2]) / 2;
            $left = isset($places[$i + 1]) ? ($places[$i + 1][1] - $behind) / 2 : $to - $behind;
            $rings[] = [$number, $before - min($margin, $room / 2), $behind + min($margin, $left / 2)];
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
        $this->profile = $this->builder->sweep(
            $this->profile, new Translation($stretch->start->along->times($length)),
        );
    }

    /**
     * Returns the ring at the start, counter-clockwise about the path: an arc opposite each hole, and one between each
     * two. Branches in a row have one arc together.
     *
     * @param  non-empty-list<Stretch>  $stretches
     */
    private function ring(Frame $frame, array $stretches): Profile
    {
        $arcs = [];
        foreach ($this->feet as $foot) {
            foreach ($stretches as $stretch) {
                if (self::placeOn($stretch, $foot) !== null) {
                    $half = $foot->saddle->halfAngle();
                    $from = $stretch->start->angleOf($stretch->start->at->plus($foot->over)) - $half;
                    $from = fmod($from + 4 * M_PI, 2 * M_PI);
                    foreach ($arcs as [$other]) {
                        if (abs($other - $from) < Tolerance::COINCIDENT) {
                            continue 3;
                        }
                    }
                    $arcs[] = [$from, 2 * $half, $foot];
                }
            }
        }
        usort($arcs, static fn (array $one, array $other): int => $one[0] <=> $other[0]);
        $curves = [];
        foreach ($arcs as $i => [$from, $angle, $foot]) {
            $next = $arcs[($i + 1) % count($arcs)][0] + ($i === count($arcs) - 1 ? 2 * M_PI : 0.0);
            $curves[] = new ParametrizedArc($this->arc($frame, $from, $angle), $foot->shares());
            if ($next - $from - $angle > Tolerance::PARALLEL) {
                $curves[] = $this->arc($frame, $from + $angle, $next - $from - $angle);
            }
        }
        $curves = $curves === [] ? [$this->arc($frame, 0.0, 2 * M_PI)] : $curves;
        $vertices = array_map(static fn ($curve): Vertex => new Vertex($curve->pointAt(0.0)), $curves);

        return new Profile(array_map(
            static fn ($curve, int $i): OrientedEdge => new OrientedEdge(
                new Edge($vertices[$i], $vertices[($i + 1) % count($vertices)], $curve), true,
            ),
            $curves, array_keys($curves),
        ));
    }

    private function arc(Frame $frame, float $from, float $angle): ArcCurve
    {
        $out = $frame->polar(1.0, $from)->minus($frame->at);

        return new ArcCurve(Frame::of($frame->at, $frame->along, $out), $this->radius, $angle);
    }

    /**
     * Adds the wall with a hole in it, from a ring before it to a ring behind it.
     *
     * @param  Frame  $straight  at the start of the straight
     * @param  float  $before  length from there to the ring before it, mm; $behind likewise
     * @return Profile the loop of the hole
     */
    private function opened(PlacedSaddle $foot, Frame $straight, float $before, float $behind): Profile
    {
        $axis = $straight->along;
        $widest = $foot->at->minus($straight->at)->dot($axis) + $foot->saddle->widestAt();
        [$toMiddle, $toEnd] = [$axis->times($widest - $before), $axis->times($behind - $before)];
        $rails = [];
        foreach ($this->profile->loop as $ring) {
            $rails[spl_object_id($ring->start())] = Rail::from($ring->start(), $toMiddle, $toEnd);
        }
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
        [$first, $second] = [new Translation($toMiddle), new Translation($toEnd->minus($toMiddle))];
        $next = [];
        $hole = null;
        foreach ($this->profile->loop as $ring) {
            [$left, $right] = [$rails[spl_object_id($ring->start())], $rails[spl_object_id($ring->end())]];
            $next[] = $end = self::across($ring, $left->end, $right->end, $ring->edge->curve->moved(
                static fn (Vector $point): Vector => $point->plus($toEnd),
            ));
            if (! $this->isOpposite($ring, $foot)) {
                $middle = self::across($ring, $left->middle, $right->middle, $first->carried($ring->edge->curve));
                $add($first, $ring, $middle, $along($left->before), $along($right->before));
                $add($second, $middle, $end, $along($left->behind), $along($right->behind));

                continue;
            }
            [$edge, $ahead] = array_map(
                static fn (bool $isAhead): OrientedEdge => self::across(
                    $ring, $left->middle, $right->middle, $foot->half($isAhead),
                ),
                [false, true],
            );
            // Back from the hole to the ring before it, so that the profile runs the other way about the motion.
            $add($toBefore, $edge->reversed(), $ring->reversed(), $back($right->before), $back($left->before));
            $add($toBehind, $ahead, $end, $along($left->behind), $along($right->behind));
            $hole = new Profile([$edge, $ahead->reversed()]);
        }
        $this->profile = new Profile($next);

        return $hole ?? throw new LogicException('the ring has no arc opposite the hole');
    }

    /** Returns an edge that goes the same way round as one of the ring. */
    private static function across(OrientedEdge $ring, Vertex $left, Vertex $right, EdgeCurve $curve): OrientedEdge
    {
        return new OrientedEdge(
            $ring->isForward ? new Edge($left, $right, $curve) : new Edge($right, $left, $curve), $ring->isForward,
        );
    }

    /** Whether an edge of the ring lies opposite the hole of a foot. */
    private function isOpposite(OrientedEdge $ring, PlacedSaddle $foot): bool
    {
        $middle = $ring->edge->curve->pointAt(0.5)->minus($foot->at)->squareTo($foot->hostAxis);

        return $middle->angleTo($foot->over) < $foot->saddle->halfAngle() / 2;
    }
}
