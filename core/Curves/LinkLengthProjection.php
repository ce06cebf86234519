<?php

declare(strict_types=1);

namespace Bowline\Curves;

/**
 * Brings all links of a chain to their length at once: one step of Newton on the tridiagonal system of the forces in
 * them (constraint projection, Goldenthal et al., Efficient simulation of inextensible cloth, ACM Trans. Graph. 26,
 * 2007).
 */
final class LinkLengthProjection
{
    /** Compliance of a link, without which the system of a straight chain is singular. */
    private const COMPLIANCE = 1e-3;

    /** Links shorter than this have no direction, mm. */
    private const NO_DIRECTION = 1e-9;

    public static function apply(NodeChain $chain): void
    {
        $x = $y = $z = $off = $upper = $right = [];
        for ($i = 0; $i < $chain->links; $i++) {
            $x[$i] = $chain->x[$i + 1] - $chain->x[$i];
            $y[$i] = $chain->y[$i + 1] - $chain->y[$i];
            $z[$i] = $chain->z[$i + 1] - $chain->z[$i];
            $size = max(self::NO_DIRECTION, sqrt($x[$i] * $x[$i] + $y[$i] * $y[$i] + $z[$i] * $z[$i]));
            $x[$i] /= $size;
            $y[$i] /= $size;
            $z[$i] /= $size;
            $off[$i] = $size - $chain->link;
        }
        $last = $chain->links - 1;
        for ($i = 0; $i <= $last; $i++) {
            $pivot = $chain->free[$i] + $chain->free[$i + 1] + self::COMPLIANCE;
            $force = $off[$i];
            if ($i > 0) {
                $before = -$chain->free[$i] * ($x[$i - 1] * $x[$i] + $y[$i - 1] * $y[$i] + $z[$i - 1] * $z[$i]);
                $pivot -= $before * $upper[$i - 1];
                $force -= $before * $right[$i - 1];
            }
            $upper[$i] =
                $i < $last
                    ? (-$chain->free[$i + 1] * ($x[$i] * $x[$i + 1] + $y[$i] * $y[$i + 1] + $z[$i] * $z[$i + 1])) /
                        $pivot
                    : 0.0;
            $right[$i] = $force / $pivot;
        }
        for ($i = $last - 1; $i >= 0; $i--) {
            $right[$i] -= $upper[$i] * $right[$i + 1];
        }
        for ($i = 1; $i <= $last; $i++) {
            if ($chain->free[$i] !== 0.0) {
                $chain->x[$i] += $x[$i] * $right[$i] - $x[$i - 1] * $right[$i - 1];
                $chain->y[$i] += $y[$i] * $right[$i] - $y[$i - 1] * $right[$i - 1];
                $chain->z[$i] += $z[$i] * $right[$i] - $z[$i - 1] * $right[$i - 1];
            }
        }
        if ($chain->free[$chain->links] !== 0.0) {
            $chain->move($chain->links, -$right[$last], $x[$last], $y[$last], $z[$last]);
        }
    }
}
