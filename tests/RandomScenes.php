<?php

declare(strict_types=1);

namespace Tests;

/** Rooms of boxes with two ports whose mouths are open, made up from a seed. */
final class RandomScenes
{
    /** Outside diameter, bend radius and least straight of the tube that is laid in them, mm. */
    public const OD = 12.0;

    public const RADIUS = 36.0;

    public const STRAIGHT = 20.0;

    private const AXES = [[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]];

    /**
     * @param  float  $room  edge of the room, mm
     * @param  float  $most  longest edge of a box, mm
     * @return array<string, mixed> a job file with the ports a.p and b.p and the stock t12
     */
    public static function boxes(int $seed, int $count, float $room = 1000.0, float $most = 250.0): array
    {
        mt_srand($seed);
        $random = static fn (float $from, float $to): float => round(
            $from + ($to - $from) * mt_rand() / mt_getrandmax(), 1,
        );
        $fittings = [];
        foreach (['a' => 0.0, 'b' => $room] as $id => $x) {
            $axis = self::AXES[mt_rand(0, 5)];
            $fittings[] = [
                'id' => $id, 'pose' => ['at' => [$x + $random(-50, 50), $random(0, $room), $random(0, $room)]],
                'body' => ['shape' => 'box', 'size' => [80, 80, 80]],
                'ports' => [[
                    'id' => 'p', 'at' => array_map(static fn (int $one): int => 40 * $one, $axis), 'axis' => $axis,
                ]],
            ];
        }
        $boxes = [];
        for ($i = 0; $i < $count; $i++) {
            $box = [
                'id' => 'box'.$i, 'shape' => 'box',
                'pose' => ['at' => [$random(0, $room), $random(0, $room), $random(0, $room)]],
                'size' => [$random(40, $most), $random(40, $most), $random(40, $most)],
            ];
            if (! self::isBeforeMouth($box, $fittings)) {
                $boxes[] = $box;
            }
        }

        return [
            'format' => 'bowline-job', 'version' => 5, 'name' => 'Scene '.$seed,
            'stock' => [[
                'id' => 't12', 'kind' => 'tube', 'name' => 'Tube', 'density' => 7980,
                'section' => ['shape' => 'round', 'od' => self::OD, 'wall' => 1],
                'bend' => ['radius' => self::RADIUS, 'min_radius' => 30, 'min_straight' => self::STRAIGHT],
            ]],
            'fittings' => $fittings, 'surroundings' => $boxes, 'runs' => [],
        ];
    }

    /**
     * Whether a box is within 60 mm of the first 160 mm out of a port, or of its fitting.
     *
     * @param  array<string, mixed>  $box
     * @param  list<array<string, mixed>>  $fittings
     */
    private static function isBeforeMouth(array $box, array $fittings): bool
    {
        foreach ($fittings as $fitting) {
            for ($out = 0.0; $out <= 160.0; $out += 20.0) {
                $off = [];
                foreach ([0, 1, 2] as $k) {
                    $at = $fitting['pose']['at'][$k] + $out * $fitting['ports'][0]['axis'][$k];
                    $off[] = abs($at - $box['pose']['at'][$k]) - $box['size'][$k] / 2;
                }
                if (max($off) < 60.0) {
                    return true;
                }
            }
        }

        return false;
    }
}
