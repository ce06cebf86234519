<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The tolerances that decide what counts as the same, in one place. Lengths in millimetres, angles in radians.
 */
final class Tolerance
{
    /** Vertices nearer than this coincide: far below anything that can be made, far above rounding at 10 m. */
    public const COINCIDENT = 1e-6;

    /** A turn smaller than this is no bend (0.01 degrees, job-file.md). */
    public const NO_TURN = 0.01 * M_PI / 180;

    /**
     * Components of a unit direction that differ by less than this are equal: a choice between them must not hang on
     * rounding.
     */
    public const SAME_DIRECTION = 1e-7;

    /**
     * From this turn on the path comes back on itself (179.5 degrees, job-file.md, less what rounding takes from
     * exactly that).
     */
    public const REVERSAL = 179.5 * M_PI / 180 - 1e-9;

    /** How far off the axis of a port or clamp a run may go, in degrees (job-file.md). */
    public const OFF_AXIS_DEGREES = 0.5;

    /**
     * What is smaller is what rounding leaves, of lengths in mm, of angles, and of shares of one: a piece that short
     * between two bends that touch is not drawn, and a vector that short has no direction.
     */
    public const NOTHING = 1e-9;

    /** Unit directions whose cross product is shorter than this are parallel: a turn of 6·10⁻⁸ degrees. */
    public const PARALLEL = 1e-9;

    /** The part of a unit direction that is square to another tells no side when it is shorter than this. */
    public const NO_SIDE = 1e-6;

    /** A numerical safeguard: keeps a division from one by nothing, and decides nothing by itself. */
    public const SAFEGUARD = 1e-12;

    /** A point that was put on a port by hand is on it, mm. */
    public const POINTED_AT = 1e-3;

    /** Below this a cross product of unit directions is rounding, and says nothing about an axis. */
    public const NO_ROTATION = 1e-12;

    /** Rules forgive this much, so that a radius or leg that is exactly enough is enough after rounding. */
    public const RULE_SLACK = 1e-7;

    /** Curves are solved to this share of their radius: one that is exactly enough may come out so much less. */
    public const CURVE_ACCURACY = 1e-6;

    /** A clamp's bore may differ this much from the stock before it is worth a warning (job-file.md). */
    public const CLAMP_BORE = 0.5;

    /** A flange's bore may be this much wider than the tube and still be filled by an ordinary fillet weld. */
    public const FLANGE_GAP = 3.0;

    /** A text that is turned this much beyond upright still counts as upright, and is not turned over, radians. */
    public const UPRIGHT = 1e-6;

    /** An arc of at least this angle is a whole circle: of one, rounding may take a little. */
    public const FULL_TURN = 2 * M_PI - 1e-9;

    /** A count that rounding lifts over a whole number by less than this share of it is that number. */
    public const COUNT = 1e-9;

    /**
     * How many pieces it takes, at least one: an amount rounded up, except where rounding alone lifts it over a whole
     * number.
     */
    public static function pieces(float $amount): int
    {
        return max(1, (int) ceil($amount * (1.0 - self::COUNT)));
    }

    private function __construct()
    {
    }
}
