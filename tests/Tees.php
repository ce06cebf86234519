<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Job;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Run;
use stdClass;

/** Jobs of a straight pipe of 400 along x, 60 × 3, and branches on it. Millimetres. */
final class Tees
{
    /**
     * @param  array<array<string, mixed>>  $branches  each over a tube 40 × 2 that goes up 150 from the middle
     * @param  array<string, mixed>  $main  over the pipe
     * @param  array<float>  $pipe  outside diameter and wall
     * @param  array<float>  $tube  of the branches
     */
    public static function file(
        array $branches = [[]],
        array $main = [],
        array $pipe = [60.0, 3.0],
        array $tube = [40.0, 2.0],
    ): stdClass {
        $stock = static fn (string $id, array $section): array => [
            'id' => $id, 'kind' => 'pipe', 'density' => 8000,
            'section' => ['shape' => 'round', 'od' => $section[0], 'wall' => $section[1]],
            'bend' => ['radius' => 100, 'min_radius' => 40, 'min_straight' => 10],
        ];
        $runs = array_map(static fn (array $branch, int $i): array => [
            'id' => 'b'.($i + 1), 'name' => 'Branch '.($i + 1), 'stock' => 'tube',
            'from' => ['on' => ['run' => 'main', 'length' => 200], 'axis' => [0, 0, 1]],
            'to' => ['at' => [200, 0, 150]], 'route' => ['kind' => 'corners', 'stops' => []],
            ...$branch,
        ], $branches, array_keys($branches));

        return Jobs::decoded([
            'format' => 'bowline-job', 'version' => 3, 'name' => 'Tees', 'up' => 'z',
            'stock' => [$stock('pipe', $pipe), $stock('tube', $tube)],
            'runs' => [[
                'id' => 'main', 'name' => 'Main', 'stock' => 'pipe', 'from' => ['at' => [0, 0, 0]],
                'to' => ['at' => [400, 0, 0]], 'route' => ['kind' => 'corners', 'stops' => []], ...$main,
            ], ...$runs],
            'bodies' => [['id' => 'tee', 'name' => 'Tee', 'runs' => ['main', ...array_column($runs, 'id')]]],
        ]);
    }

    /** A branch at a length of the pipe, 150 along an axis in space. */
    public static function branch(float $at, array $axis): array
    {
        $size = sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $axis)));

        return [
            'from' => ['on' => ['run' => 'main', 'length' => $at], 'axis' => $axis],
            'to' => ['at' => [
                $at + 150 * $axis[0] / $size, 150 * $axis[1] / $size, 150 * $axis[2] / $size,
            ]],
        ];
    }

    /** @return list<LaidRun> */
    public static function laid(stdClass $file): array
    {
        return array_map(
            static fn (Run $run): LaidRun => $run->route->lay($run), array_values(Job::read($file)->runs),
        );
    }

    /**
     * What a cylinder of radius r adds to one of radius R, up to a length from where their axes meet: its length beyond
     * the other, (√(R² − s² sin²φ) + s cos α cos φ)/sin α, over its disc. Exact along s; even steps over φ, which is
     * periodic.
     */
    public static function added(float $host, float $radius, float $angle, float $length): float
    {
        $steps = 4000;
        $sum = 0.0;
        for ($i = 0; $i < $steps; $i++) {
            $sine = sin(2 * M_PI * ($i + 0.5) / $steps) ** 2;
            $over = ($host ** 3 - ($host ** 2 - $radius ** 2 * $sine) ** 1.5) / (3 * $sine);
            // The part with cos φ is odd about 90° and adds nothing.
            $sum += ($length * $radius ** 2 / 2 - $over / sin($angle)) * 2 * M_PI / $steps;
        }

        return $sum;
    }
}
