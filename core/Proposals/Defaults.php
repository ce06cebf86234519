<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Job\FileValue;
use Bowline\Job\Harness\HarnessReader;
use Bowline\Job\Section;

/** Numbers that an item begins with when only the way in which it is told has been chosen. */
final class Defaults
{
    /** Length of a turn of twisted wires, mm. */
    private const LAY = 40.0;

    /** Distance from a panel to the axis of a clamp with a stand-off, mm. */
    private const STAND_OFF = 25;

    /** Swing of a fitting to either side, degrees. */
    private const SWING = 30;

    /** Edge lengths of a body whose shape was changed, mm. */
    private const BODY = 200;

    /** Thickness of a plate, mm. */
    private const PLATE = 20;

    /** Half of the side of a hole, as a share of the least extent of its section. */
    private const HOLE_SHARE = 0.25;

    /** Rise of the arch of a section, as a share of its shorter side. */
    private const RISE_SHARE = 0.25;

    /** Wall of a section that was solid: mm, and the largest share of its outside diameter. */
    private const WALL = 1.0;

    private const WALL_SHARE = 0.25;

    /** @return array<string, mixed> in the shape of `defaults` in schema/api.json */
    public static function all(): array
    {
        return [
            'stand_off' => self::STAND_OFF,
            'wire_step' => HarnessReader::STEP,
            'wire_reach' => HarnessReader::REACH,
            'wire_lay' => self::LAY,
            'box' => [self::BODY, self::BODY, self::BODY],
            'cylinder' => ['diameter' => self::BODY, 'height' => self::BODY],
            'plate' => [
                'outline' => [[0, 0], [self::BODY, 0], [self::BODY, self::BODY], [0, self::BODY]],
                'thickness' => self::PLATE,
            ],
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

    /** @return float depth of a groove of a section: as deep as it is wide to one side, mm */
    public static function grooveDepth(Section $section): float
    {
        return FileValue::roundForFile($section->extent(0.0, -1.0));
    }

    /**
     * Returns a section as each shape there is, about as large and with the same wall, in the shape of the job file.
     *
     * @return array<string, array<string, mixed>>
     */
    public static function shapes(Section $section): array
    {
        $number = FileValue::roundForFile(...);
        $width = $number($section->extent(1.0, 0.0) + $section->extent(-1.0, 0.0));
        $height = $number($section->extent(0.0, 1.0) + $section->extent(0.0, -1.0));
        $wall = $section->isSolid()
            ? []
            : ['wall' => $number(min($section->wall, self::WALL_SHARE * min($width, $height)))];
        [$x, $y] = [$number($width / 2), $number($height / 2)];

        return [
            'round' => ['shape' => 'round', 'od' => $number(min($width, $height)), ...$wall],
            'rectangle' => ['shape' => 'rectangle', 'width' => $width, 'height' => $height, ...$wall],
            'arched' => [
                'shape' => 'arched', 'width' => $width, 'height' => $height,
                'rise' => $number(self::RISE_SHARE * min($width, $height)), ...$wall,
            ],
            'outline' => [
                'shape' => 'outline', 'outer' => self::box($x, $y),
                ...$wall === [] ? [] : [
                    'holes' => [self::box($number($x - $wall['wall']), $number($y - $wall['wall']))],
                ],
            ],
        ];
    }

    /** @return list<array{int|float, int|float}> a square hole about the path, in the shape of the job file */
    public static function hole(Section $section): array
    {
        $reach = min(array_map(
            static fn (array $way): float => $section->extent(...$way),
            [[1.0, 0.0], [0.0, 1.0], [-1.0, 0.0], [0.0, -1.0]],
        ));
        $half = FileValue::roundForFile(max(0.1, self::HOLE_SHARE * $reach));

        return self::box($half, $half);
    }

    /** @return list<array{int|float, int|float}> corners of a rectangle about the path */
    private static function box(int|float $x, int|float $y): array
    {
        return [[-$x, -$y], [$x, -$y], [$x, $y], [-$x, $y]];
    }
}
