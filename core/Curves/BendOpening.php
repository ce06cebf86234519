<?php

declare(strict_types=1);

namespace Bowline\Curves;

/**
 * Opens the bends of a chain that are tighter than a radius, one after another: |p₋ − 2p + p₊| ≤ link² / radius. Nodes
 * are processed from both ends inwards, in pairs, so that a symmetric chain stays symmetric.
 */
final class BendOpening
{
    /** @param  float  $radius  to which bends are opened, mm */
    public static function apply(NodeChain $chain, float $radius): void
    {
        for ($i = 1; $i <= $chain->links - $i; $i++) {
            $other = $chain->links - $i;
            $one = self::opened($chain, $i, $radius);
            $two = $other === $i ? null : self::opened($chain, $other, $radius);
            foreach ([[$i, $one], [$other, $two]] as [$node, $by]) {
                if ($by !== null) {
                    [$x, $y, $z] = $by;
                    $chain->move($node, 2 * $chain->free[$node], $x, $y, $z);
                    $chain->move($node - 1, -$chain->free[$node - 1], $x, $y, $z);
                    $chain->move($node + 1, -$chain->free[$node + 1], $x, $y, $z);
                }
            }
        }
    }

    /**
     * Returns half of the move of a node whose bend is too tight; null where it is not.
     *
     * @return array{float, float, float}|null
     */
    private static function opened(NodeChain $chain, int $i, float $radius): ?array
    {
        $x = $chain->x[$i - 1] + $chain->x[$i + 1] - 2 * $chain->x[$i];
        $y = $chain->y[$i - 1] + $chain->y[$i + 1] - 2 * $chain->y[$i];
        $z = $chain->z[$i - 1] + $chain->z[$i + 1] - 2 * $chain->z[$i];
        $size = sqrt($x * $x + $y * $y + $z * $z);
        $most = $chain->link * $chain->link / $radius;
        if ($size <= $most) {
            return null;
        }
        $by = ($size - $most) / $size / max(1.0, 4.0 * $chain->free[$i] + $chain->free[$i - 1] + $chain->free[$i + 1]);

        return [$by * $x, $by * $y, $by * $z];
    }
}
