<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/** The places at which two straight pieces or two axes come nearest to each other. */
final readonly class Nearness
{
    private function __construct(
        public Vector $from,
        public Vector $to,
    ) {
    }

    /** Between two pieces from $a to $b and from $c to $d; a piece may be a point. */
    public static function ofPieces(Vector $a, Vector $b, Vector $c, Vector $d): self
    {
        // |a + s·u − c − t·v| is least inside, or at an end of one (Ericson, Real-Time Collision Detection, 5.1.9).
        [$u, $v, $w] = [$b->minus($a), $d->minus($c), $a->minus($c)];
        [$uu, $vv, $uv] = [$u->dot($u), $v->dot($v), $u->dot($v)];
        $within = static fn (float $part): float => max(0.0, min(1.0, $part));
        $size = $uu * $vv - $uv * $uv;
        $s = $size > Tolerance::SAFEGUARD * max(1.0, $uu * $vv)
            ? $within(($uv * $v->dot($w) - $vv * $u->dot($w)) / $size)
            : 0.0;
        $t = $vv > Tolerance::SAFEGUARD ? ($uv * $s + $v->dot($w)) / $vv : 0.0;
        if ($t < 0.0 || $t > 1.0 || $vv <= Tolerance::SAFEGUARD) {
            $t = $within($t);
            $s = $uu > Tolerance::SAFEGUARD ? $within(($uv * $t - $u->dot($w)) / $uu) : 0.0;
        }

        return new self($a->plus($u->times($s)), $c->plus($v->times($t)));
    }

    /**
     * Between two lines without ends, each through a point along a unit direction; where they are parallel, from the
     * first point.
     */
    public static function ofAxes(Vector $a, Vector $u, Vector $c, Vector $v): self
    {
        $w = $a->minus($c);
        $uv = $u->dot($v);
        $size = 1.0 - $uv * $uv;
        if ($size < Tolerance::PARALLEL ** 2) {
            return new self($a, $c->plus($v->times($v->dot($w))));
        }
        $s = ($uv * $v->dot($w) - $u->dot($w)) / $size;

        return new self($a->plus($u->times($s)), $c->plus($v->times($v->dot($w) + $uv * $s)));
    }

    /** Returns the distance between both places, mm. */
    public function distance(): float
    {
        return $this->from->distanceTo($this->to);
    }
}
