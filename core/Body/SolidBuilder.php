<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\EdgeCurve;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Patch;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Boundary\Vertex;
use Bowline\Body\Motion\Motion;
use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;

/** Collects the faces of one closed shell. */
final class SolidBuilder
{
    /** @var list<Face> */
    private array $faces = [];

    /** @return list<Face> */
    public function faces(): array
    {
        return $this->faces;
    }

    public function add(Face $face): void
    {
        $this->faces[] = $face;
    }

    /**
     * Adds the wall that a loop covers when it is moved; its faces look out of a loop that runs counter-clockwise about
     * the motion, and into one that runs clockwise.
     *
     * @param  list<EdgeCurve>  $ends  the curve of each edge at the end, where it is told otherwise than it is carried
     * @return Profile the loop at the end of the motion
     */
    public function sweep(Profile $profile, Motion $motion, array $ends = []): Profile
    {
        /** @var array<int, Edge> $rails by the vertex at which each begins */
        $rails = [];
        $end = $motion->placeAt(1.0);
        foreach ($profile->loop as $edge) {
            $vertex = $edge->start();
            $to = new Vertex($end->point($vertex->at));
            $rails[spl_object_id($vertex)] = new Edge($vertex, $to, $motion->pathOf($vertex->at));
        }
        $loop = [];
        foreach ($profile->loop as $i => $from) {
            $left = $rails[spl_object_id($from->start())];
            $right = $rails[spl_object_id($from->end())];
            $curve = $from->edge->curve;
            [$first, $last] = $from->isForward ? [$left->end, $right->end] : [$right->end, $left->end];
            $to = new OrientedEdge(
                new Edge($first, $last, $ends[$i] ?? $motion->carried($curve)),
                $from->isForward,
            );
            $this->faces[] = Face::swept($motion->surfaceOf($curve), new Patch(
                $motion, $from, $to, new OrientedEdge($left, true), new OrientedEdge($right, true),
            ));
            $loop[] = $to;
        }

        return new Profile($loop);
    }

    /**
     * Returns the faces of a prism: an outline with holes through it, moved square to itself.
     *
     * @param  Frame  $start  of the outline; its third direction is that of the motion
     * @param  float  $length  mm
     * @return list<Face>
     */
    public static function prism(Frame $start, float $length, Outline $outside, Outline ...$holes): array
    {
        $builder = new self;
        $through = new Translation($start->along->times($length));
        $loops = [Profile::of($outside, $start), ...array_map(
            static fn (Outline $hole): Profile => Profile::of($hole->reversed(), $start), array_values($holes),
        )];
        $builder->flat(
            $start->facingBack(), array_map(static fn (Profile $loop): Profile => $loop->reversed(), $loops),
        );
        $builder->flat(
            $start->movedTo($start->at->plus($start->along->times($length))),
            array_map(static fn (Profile $loop): Profile => $builder->sweep($loop, $through), $loops),
        );

        return $builder->faces();
    }

    /**
     * Closes bores by a flat face each, which looks into the bore.
     *
     * @param  Frame  $facing  at the end of the run, its third direction away from it
     * @param  float  $depth  how far behind the end, mm
     * @param  list<Profile>  $bores  where they stop, clockwise about that direction
     */
    public function closeBores(Frame $facing, float $depth, array $bores): void
    {
        $behind = $facing->movedTo($facing->at->minus($facing->along->times($depth)))->facingBack();
        foreach ($bores as $bore) {
            $this->flat($behind, [$bore]);
        }
    }

    /**
     * Adds a flat face.
     *
     * @param  Frame  $frame  its third direction is the outward normal
     * @param  non-empty-list<Profile>  $loops  counter-clockwise about that, holes clockwise; the outer one first
     */
    public function flat(Frame $frame, array $loops): void
    {
        $this->faces[] = Face::flat(
            new PlaneSurface($frame), array_map(static fn (Profile $one): array => $one->loop, $loops),
        );
    }
}
