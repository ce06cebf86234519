<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Job\Section;

/** Numbers that a thing has when somebody has only chosen how it is to be told; all of them are changed afterwards. */
final class Defaults
{
    /** From a panel to the axis of a clamp that stands off it, mm. */
    private const STAND_OFF = 25;

    /** How far a fitting swings to either side, degrees. */
    private const SWING = 30;

    /** Sides of a body that was another shape, mm. */
    private const BODY = 200;

    /** Wall of a section that was solid, mm, and as a share of its outside diameter where that is less. */
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
