<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Frame;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** A round side of a block, in space: an arc of its outline moved along its height. */
final readonly class RoundSide implements CurvedSide
{
    /** Directions round a section in which it may come nearest. */
    private const DIRECTIONS = 72;

    /** @param  Frame  $frame  of the outline, at the bottom of the block, its third direction upwards */
    public function __construct(
        private Frame $frame,
        private OutlinePiece $arc,
        private float $height,
    ) {
    }

    public function words(): string
    {
        return 'the round side';
    }

    /** Returns how far ahead of a point within the block a line leaves it by this side, mm; null where it does not. */
    public function leavingAt(Vector $from, Vector $direction): ?float
    {
        $centre = $this->arc->centre ?? [0.0, 0.0];
        $own = $this->frame->coordinatesOf($from);
        [$x, $y] = [$own->x - $centre[0], $own->y - $centre[1]];
        [$dx, $dy, $dz] = [
            $direction->dot($this->frame->first), $direction->dot($this->frame->second),
            $direction->dot($this->frame->along),
        ];
        $square = $dx ** 2 + $dy ** 2;
        $half = $x * $dx + $y * $dy;
        $root = $half ** 2 - $square * ($x ** 2 + $y ** 2 - $this->arc->radius() ** 2);
        if ($square < Tolerance::SAFEGUARD || $root < 0.0) {
            return null;
        }
        // Out of the material: away from the centre of an arc that goes round it, towards that of a hollow one.
        $at = (-$half + ($this->arc->sweep > 0.0 ? sqrt($root) : -sqrt($root))) / $square;
        $z = $own->z + $at * $dz;
        $isOn = $this->arc->distanceTo($own->x + $at * $dx, $own->y + $at * $dy) < Tolerance::COINCIDENT;

        return $isOn && $at > -Tolerance::COINCIDENT && $z > -Tolerance::COINCIDENT
            && $z < $this->height + Tolerance::COINCIDENT ? $at : null;
    }

    public function distanceTo(Vector $centre, Vector $axis, float $radius): float
    {
        $disc = Frame::of($centre, $axis, $axis->anySquare());
        $least = INF;
        for ($i = 0; $i < ($radius > 0.0 ? self::DIRECTIONS : 1); $i++) {
            $own = $this->frame->coordinatesOf($disc->polar($radius, 2 * M_PI * $i / self::DIRECTIONS));
            $out = hypot($own->x - ($this->arc->centre[0] ?? 0.0), $own->y - ($this->arc->centre[1] ?? 0.0));
            $least = min($least, ($this->arc->radius() - $out) * ($this->arc->sweep > 0.0 ? 1.0 : -1.0));
        }

        return $least;
    }

    public function outwardAt(Vector $point): Vector
    {
        $own = $this->frame->coordinatesOf($point);
        $centre = $this->arc->centre ?? [0.0, 0.0];
        $way = $this->frame->first->times($own->x - $centre[0])->plus($this->frame->second->times($own->y - $centre[1]))
            ->times($this->arc->sweep > 0.0 ? 1.0 : -1.0);

        return $way->length() > Tolerance::NOTHING ? $way->unit() : $this->frame->first;
    }
}
