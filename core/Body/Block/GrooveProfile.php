<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Geometry\Tolerance;

/** The outline of a groove across its path: the lower side of a section, straight up from where it is widest. */
final readonly class GrooveProfile
{
    /**
     * Returns it with the face at y = 0, its bottom `depth` below, the path at x = 0: counter-clockwise, from the left
     * along the bottom, and last along the face.
     *
     * @param  Outline  $section  whose y is the height over the face
     * @param  float  $depth  mm, over 0
     */
    public static function of(Outline $section, float $depth): Outline
    {
        $pieces = array_merge(...array_map(self::monotone(...), $section->pieces));
        $lowest = -$section->extent(0.0, -1.0);
        $pieces = array_map(
            static fn (OutlinePiece $piece): OutlinePiece => self::raised($piece, -$depth - $lowest), $pieces,
        );
        $chain = self::under(self::bottom($pieces));
        [$left, $right] = [$chain[0]->from, $chain[count($chain) - 1]->to];
        $sides = [];
        if ($left[1] < -Tolerance::NOTHING) {
            array_unshift($chain, OutlinePiece::line([$left[0], 0.0], $left));
        }
        if ($right[1] < -Tolerance::NOTHING) {
            $sides[] = OutlinePiece::line($right, [$right[0], 0.0]);
        }

        return new Outline([...$chain, ...$sides, OutlinePiece::line([$right[0], 0.0], [$left[0], 0.0])]);
    }

    /** @return non-empty-list<OutlinePiece> the piece, an arc in parts that go on to one side and either up or down */
    private static function monotone(OutlinePiece $piece): array
    {
        if ($piece->centre === null) {
            return [$piece];
        }
        $start = atan2($piece->from[1] - $piece->centre[1], $piece->from[0] - $piece->centre[0]);
        $cuts = [0.0, 1.0];
        for ($quarter = -8; $quarter <= 8; $quarter++) {
            $part = ($quarter * M_PI / 2 - $start) / $piece->sweep;
            if ($part > Tolerance::PARALLEL && $part < 1.0 - Tolerance::PARALLEL) {
                $cuts[] = $part;
            }
        }
        sort($cuts);
        $parts = [];
        for ($i = 1; $i < count($cuts); $i++) {
            $parts[] = OutlinePiece::arc(
                $piece->pointAt($cuts[$i - 1]), $piece->pointAt($cuts[$i]), $piece->centre,
                $piece->sweep * ($cuts[$i] - $cuts[$i - 1]),
            );
        }

        return $parts === [] ? [$piece] : $parts;
    }

    private static function raised(OutlinePiece $piece, float $by): OutlinePiece
    {
        [$from, $to] = [[$piece->from[0], $piece->from[1] + $by], [$piece->to[0], $piece->to[1] + $by]];

        return $piece->centre === null
            ? OutlinePiece::line($from, $to)
            : OutlinePiece::arc($from, $to, [$piece->centre[0], $piece->centre[1] + $by], $piece->sweep);
    }

    /**
     * @param  non-empty-list<OutlinePiece>  $pieces  counter-clockwise
     * @return non-empty-list<OutlinePiece> from the lowest of the leftmost points to the lowest of the rightmost
     */
    private static function bottom(array $pieces): array
    {
        [$left, $right] = [0, 0];
        foreach ($pieces as $i => $piece) {
            $left = self::isFarther($piece, $pieces[$left], -1.0) ? $i : $left;
            $right = self::isFarther($piece, $pieces[$right], 1.0) ? $i : $right;
        }
        $chain = [];
        for ($i = $left; $i !== $right || $chain === []; $i = ($i + 1) % count($pieces)) {
            $chain[] = $pieces[$i];
        }

        return $chain === [] ? $pieces : $chain;
    }

    /** Whether a piece begins farther to a side than another, or lower where it is as far. */
    private static function isFarther(OutlinePiece $one, OutlinePiece $other, float $side): bool
    {
        $ahead = $side * ($one->from[0] - $other->from[0]);

        return $ahead > Tolerance::NOTHING || ($ahead > -Tolerance::NOTHING && $one->from[1] < $other->from[1]);
    }

    /**
     * @param  non-empty-list<OutlinePiece>  $chain
     * @return non-empty-list<OutlinePiece> what of it lies under y = 0
     */
    private static function under(array $chain): array
    {
        $kept = [];
        foreach ($chain as $piece) {
            [$from, $to] = [$piece->from[1], $piece->to[1]];
            if ($from <= Tolerance::NOTHING && $to <= Tolerance::NOTHING) {
                $kept[] = $piece;
            } elseif ($from < -Tolerance::NOTHING || $to < -Tolerance::NOTHING) {
                $kept[] = self::cutAtTop($piece, $from > 0.0);
            }
        }

        return $kept === [] ? $chain : $kept;
    }

    /** @param  bool  $comesDown  whether it begins over y = 0 */
    private static function cutAtTop(OutlinePiece $piece, bool $comesDown): OutlinePiece
    {
        if ($piece->centre === null) {
            $part = $piece->from[1] / ($piece->from[1] - $piece->to[1]);
            $at = [$piece->pointAt($part)[0], 0.0];

            return $comesDown ? OutlinePiece::line($at, $piece->to) : OutlinePiece::line($piece->from, $at);
        }
        [$x, $y] = $piece->centre;
        $side = ($piece->from[0] + $piece->to[0]) / 2 < $x ? -1.0 : 1.0;
        $at = [$x + $side * sqrt(max(0.0, $piece->radius() ** 2 - $y ** 2)), 0.0];
        [$from, $to] = $comesDown ? [$at, $piece->to] : [$piece->from, $at];
        $turn = (atan2($to[1] - $y, $to[0] - $x) - atan2($from[1] - $y, $from[0] - $x)) * ($piece->sweep <=> 0.0);

        return OutlinePiece::arc(
            $from, $to, $piece->centre, fmod($turn + 4 * M_PI, 2 * M_PI) * ($piece->sweep <=> 0.0),
        );
    }
}
