<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** A straight channel as it is drilled: by which face, where, at which angle, how deep. */
final readonly class Drilling
{
    /**
     * @param  BlockFace  $face  by which the drill goes in
     * @param  Vector  $at  where its axis meets the face
     * @param  float  $right  from the left side of the face as it is looked at from outside, mm
     * @param  float  $up  from the lower side, mm
     * @param  float  $angle  between its axis and the normal of the face, radians
     * @param  float  $depth  along its axis, mm
     * @param  bool  $isThrough  whether it comes out of another face
     * @param  bool  $isPlugged  whether its mouth is closed
     */
    private function __construct(
        public LaidRun $laid,
        public BlockFace $face,
        public Vector $at,
        public float $right,
        public float $up,
        public float $angle,
        public float $depth,
        public float $diameter,
        public bool $isThrough,
        public bool $isPlugged,
    ) {
    }

    /**
     * @param  bool  $isOpen  whether it is open to others, and ends in one of them as deep as it is told
     * @return self|null null where the channel bends, is not round or comes out of no face
     */
    public static function of(ChannelCut $cut, bool $isOpen): ?self
    {
        $run = $cut->laid->run;
        $isStraight = count($cut->path->straights()) === 1 && $cut->path->leastRadius() === null;
        $isFromStart = $cut->start->face !== null;
        $end = $isFromStart ? $cut->start : $cut->end;
        if (! $isStraight || $end->face === null || ! $run->stock->section->isRound) {
            return null;
        }
        $face = $cut->block->faces[$end->face];
        $own = $face->frame->coordinatesOf($end->at());
        // The frame of the bottom is that of the top, looked at through the block.
        $isSeenThrough = $face->frame->along->dot($face->normal) < 0.0;
        $right = $isSeenThrough
            ? $face->outline->extent(1.0, 0.0) - $own->x
            : $own->x + $face->outline->extent(-1.0, 0.0);
        $other = $isFromStart ? $cut->end : $cut->start;

        return new self(
            $cut->laid, $face, $end->at(), $right, $own->y + $face->outline->extent(0.0, -1.0),
            $end->direction->angleTo($face->normal),
            $cut->path->length - ($isOpen && $other->face === null ? $other->beyond : 0.0), 2 * $cut->reach,
            $cut->start->face !== null && $cut->end->face !== null,
            ($isFromStart ? $run->from : $run->to)->end->type() === 'closed',
        );
    }
}
