<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Boundary\ArcCurve;
use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\Vertex;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Vector;

/** A closed loop of edges across a body, where one piece of a wall ends and the next begins. */
final readonly class Profile
{
    /** @param  non-empty-list<OrientedEdge>  $loop */
    public function __construct(public array $loop)
    {
    }

    /** Returns the edges of an outline in a frame; its third direction points to whoever sees it counter-clockwise. */
    public static function of(Outline $outline, Frame $frame): self
    {
        $vertices = array_map(
            static fn (OutlinePiece $piece): Vertex => new Vertex($frame->pointAt(...$piece->from)), $outline->pieces,
        );
        $loop = [];
        foreach ($outline->pieces as $i => $piece) {
            [$start, $end] = [$vertices[$i], $vertices[($i + 1) % count($vertices)]];
            if ($piece->centre === null) {
                $loop[] = new OrientedEdge(new Edge($start, $end, new LineCurve($start->at, $end->at)), true);
            } else {
                $axis = $frame->along->times($piece->sweep > 0.0 ? 1.0 : -1.0);
                $centre = $frame->pointAt(...$piece->centre);
                $curve = ArcCurve::about($centre, $axis, $start->at, abs($piece->sweep));
                $loop[] = new OrientedEdge(new Edge($start, $end, $curve), true);
            }
        }

        return new self($loop);
    }

    /** Returns the same loop seen from the other side. */
    public function reversed(): self
    {
        return new self(array_reverse(array_map(
            static fn (OrientedEdge $edge): OrientedEdge => $edge->reversed(), $this->loop,
        )));
    }

    /** Returns a point of it, mm. */
    public function point(): Vector
    {
        return $this->loop[0]->start()->at;
    }
}
