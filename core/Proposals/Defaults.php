<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Job\Section;

/** Numbers that an item begins with when only the way in which it is told has been chosen. */
final class Defaults
{
    /** Distance from a panel to the axis of a clamp with a stand-off, mm. */
    private const STAND_OFF = 25;

    /** Swing of a fitting to either side, degrees. */
    private const SWING = 30;

    /** Edge lengths of a body whose shape was changed, mm. */
    private const BODY = 200;

    /** Wall of a section that was solid: mm, and the largest share of its outside diameter. */
    private const WALL = 1.0;

    private const WALL_SHARE = 0.25;

    /** @return array<string, mixed> in the shape of `defaults` in schema/api.json */
    public static function all(): array
    {
        return [
            'stand_off' => self::STAND_OFF,
            'box' => [self::BODY, self::BODY, self::BODY],
            'cylinder' => ['diameter' => self::BODY, 'height' => self::BODY],
            'swinging' => [
                'swing' => ['at' => [0, 0, 0], 'axis' => '+z', 'from' => -self::SWING, 'to' => self::SWING],
            ],
        ];
    }

    /** @return float wall of the section when it is made hollow, mm; the one it has where it is */
    public static function wall(Section $section): float
    {
        return $section->isSolid()
            ? min(self::WALL, self::WALL_SHARE * $section->outsideDiameter)
            : $section->wall;
    }
}
