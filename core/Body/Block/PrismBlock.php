<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\Edge;
use Bowline\Body\Boundary\Face;
use Bowline\Body\Boundary\LineCurve;
use Bowline\Body\Boundary\OrientedEdge;
use Bowline\Body\Boundary\PlaneSurface;
use Bowline\Body\Frame;
use Bowline\Body\SolidBuilder;
use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Block;
use LogicException;

/** A block that is a prism about its own z: a box, a cylinder, a plate. Flat faces and round sides, in space. */
final readonly class PrismBlock extends BlockShape
{
    /**
     * @param  Frame  $frame  of its outline, at its bottom, its third direction upwards
     * @param  array<int, BlockFace>  $faces  by number: the bottom, the sides in the order of the outline, the top
     * @param  list<RoundSide>  $rounds
     */
    private function __construct(
        Block $block,
        private Frame $frame,
        private Outline $outline,
        private float $height,
        array $faces,
        private array $rounds,
    ) {
        parent::__construct($block, $faces, $rounds);
    }

    /** @return self|null null of a block that is no prism */
    public static function from(Block $block): ?self
    {
        $prism = $block->shape->prism();
        if ($prism === null) {
            return null;
        }
        [$outline, $bottom, $height] = $prism;
        $frame = Frame::of(
            $block->pose->point(new Vector(0.0, 0.0, $bottom)), $block->pose->direction(new Vector(0.0, 0.0, 1.0)),
            $block->pose->direction(new Vector(1.0, 0.0, 0.0)),
        );
        $up = $frame->along->times($height);
        $faces = [new BlockFace($frame, $frame->along->times(-1.0), $outline, 'the −z face')];
        $rounds = [];
        foreach ($outline->pieces as $number => $piece) {
            if ($piece->centre === null) {
                $faces[$number + 1] = self::side($frame, $piece, $height);
            } else {
                $rounds[] = new RoundSide($frame, $piece, $height);
            }
        }
        $faces[count($outline->pieces) + 1] = new BlockFace(
            $frame->movedTo($frame->at->plus($up)), $frame->along, $outline, 'the +z face',
        );

        return new self($block, $frame, $outline, $height, $faces, $rounds);
    }

    private static function side(Frame $frame, OutlinePiece $piece, float $height): BlockFace
    {
        [$x, $y] = $piece->pointAt(0.5);
        $own = (new Vector($piece->to[0] - $piece->from[0], $piece->to[1] - $piece->from[1], 0.0))->unit();
        $along = $frame->first->times($own->x)->plus($frame->second->times($own->y));
        $normal = $along->cross($frame->along);
        $name = (new Vector($own->y, -$own->x, 0.0))->axisName();

        return new BlockFace(
            Frame::of($frame->pointAt($x, $y)->plus($frame->along->times($height / 2)), $normal, $along), $normal,
            Outline::rectangle($piece->length(), $height),
            $name === null ? 'a side' : sprintf('the %s face', str_replace('-', '−', $name)),
        );
    }

    public function depthOf(Vector $point): float
    {
        $own = $this->frame->coordinatesOf($point);

        return min($this->outline->depthOf($own->x, $own->y), $own->z, $this->height - $own->z);
    }

    public function leavingAt(Vector $from, Vector $direction): array
    {
        $found = [null, INF];
        foreach ($this->faces as $number => $face) {
            $towards = $direction->dot($face->normal);
            $at = $towards > Tolerance::PARALLEL ? $face->depthOf($from) / $towards : -INF;
            if (
                $at > -Tolerance::COINCIDENT && $at < $found[1]
                && $face->within($from->plus($direction->times($at))) > -Tolerance::COINCIDENT
            ) {
                $found = [$number, $at];
            }
        }
        foreach ($this->rounds as $round) {
            $at = $round->leavingAt($from, $direction);
            if ($at !== null && $at < $found[1]) {
                $found = [null, $at];
            }
        }

        return $found;
    }

    /**
     * Returns its faces with holes and grooves in the flat ones.
     *
     * @param  array<int, list<non-empty-list<OrientedEdge>>>  $holes  by number of the face, clockwise as seen from
     *     outside
     * @param  list<GrooveRim>  $grooves
     * @return list<Face>
     */
    public function boundary(array $holes, array $grooves = []): array
    {
        $plain = SolidBuilder::prism($this->frame, $this->height, $this->outline);
        $changed = array_fill_keys(array_keys($holes), true);
        $outer = array_map(static fn (Face $face): array => $face->loops[0], $plain);
        $chains = [];
        foreach ($grooves as $groove) {
            $changed[$groove->face] = true;
            $chains[$groove->face] = [...$chains[$groove->face] ?? [], ...$groove->edges];
            foreach ($groove->notches as [$side, $notch]) {
                $changed[$side] = true;
                [$outer[$groove->face], $outer[$side]] = self::notched($outer[$groove->face], $outer[$side], $notch);
            }
        }
        $faces = [];
        foreach ($plain as $number => $face) {
            $own = $this->faces[$number] ?? null;
            if ($own === null || ! isset($changed[$number])) {
                $faces[] = $face;

                continue;
            }
            $surface = new PlaneSurface(Frame::of($own->frame->at, $own->normal, $own->frame->first));
            $loops = isset($chains[$number])
                ? FaceLoops::of([...$outer[$number], ...$chains[$number]])
                : array_filter([$outer[$number]]);
            foreach (FaceLoops::regions([...$loops, ...$holes[$number] ?? []], $surface->frame) as $region) {
                $faces[] = Face::flat($surface, $region);
            }
        }

        return $faces;
    }

    /**
     * Returns the outlines of two faces with a notch over the edge between them.
     *
     * @param  list<OrientedEdge>  $face  along which the groove goes
     * @param  list<OrientedEdge>  $side  by which it comes out
     * @param  non-empty-list<OrientedEdge>  $notch  as the side goes along it
     * @return array{list<OrientedEdge>, list<OrientedEdge>}
     */
    private static function notched(array $face, array $side, array $notch): array
    {
        [$first, $last] = [$notch[0]->start(), $notch[count($notch) - 1]->end()];
        foreach ($side as $i => $edge) {
            [$from, $to] = [$edge->start(), $edge->end()];
            $along = $to->at->minus($from->at);
            $part = static fn (Vector $at): float => $at->minus($from->at)->dot($along) / $along->dot($along);
            $off = $first->at->minus($from->at)->minus($along->times($part($first->at)))->length();
            if ($off > Tolerance::COINCIDENT || $part($first->at) < 0.0 || $part($last->at) > 1.0) {
                continue;
            }
            foreach ($face as $j => $other) {
                if ($other->edge === $edge->edge) {
                    $before = new OrientedEdge(new Edge($from, $first, new LineCurve($from->at, $first->at)), true);
                    $behind = new OrientedEdge(new Edge($last, $to, new LineCurve($last->at, $to->at)), true);
                    array_splice($side, $i, 1, [$before, ...$notch, $behind]);
                    array_splice($face, $j, 1, [$behind->reversed(), $before->reversed()]);

                    return [$face, $side];
                }
            }
        }

        throw new LogicException('a groove comes out over an edge of its face');
    }
}
