<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Job;
use Bowline\Solving\HarnessSolver;
use Bowline\Solving\SolvedHarness;
use stdClass;

/**
 * Jobs of a harness: trunks along lines, wires of 2 and 4 mm from pin to pin. Millimetres. A panel at the origin, a
 * pump 1000 along x, and a trunk between both.
 */
final class Harnesses
{
    /**
     * @param  array<string, mixed>  $harness  over one with the trunk t1
     * @param  list<array<string, mixed>>  $trunks  beside t1
     * @param  list<array<string, mixed>>  $fittings  beside panel and pump
     * @param  array<string, mixed>  $first  over t1
     */
    public static function file(
        array $harness = [],
        array $trunks = [],
        array $fittings = [],
        array $first = [],
    ): stdClass {
        $wire = static fn (string $id, float $od, float $radius): array => [
            'id' => $id, 'kind' => 'wire', 'section' => ['shape' => 'round', 'od' => $od, 'wall' => $od / 2],
            'bend' => ['radius' => $radius, 'min_radius' => $radius, 'min_straight' => 0], 'density' => 4000,
            'mass' => $od / 100,
        ];

        return Jobs::decoded([
            'format' => 'bowline-job', 'version' => 4, 'name' => 'Harness', 'up' => 'z',
            'stock' => [
                ['id' => 'bundle', 'kind' => 'bundle', 'bend' => ['radius' => 30]], $wire('w2', 2.0, 10.0),
                $wire('w4', 4.0, 25.0),
            ],
            'fittings' => [
                self::connector('panel', 'X', [0, 0, 0], ['1', '2', '3', '4']),
                self::connector('pump', 'M', [1000, 0, 0], ['1', '2', '3', '4']), ...$fittings,
            ],
            'runs' => [
                [...self::trunk('t1', ['port' => 'panel.X'], ['port' => 'pump.M']), ...$first], ...$trunks,
            ],
            'harnesses' => [[
                'id' => 'h', 'trunks' => ['t1', ...array_column($trunks, 'id')],
                'wires' => [self::wire('W1', 'panel.X.1', 'pump.M.1')], ...$harness,
            ]],
        ]);
    }

    /**
     * @param  array<float>  $at
     * @param  list<string>  $pins
     * @return array<string, mixed>
     */
    public static function connector(string $id, string $port, array $at, array $pins): array
    {
        return ['id' => $id, 'pose' => ['at' => $at], 'ports' => [
            ['id' => $port, 'at' => [0, 0, 0], 'axis' => [0, 0, 1], 'pins' => $pins],
        ]];
    }

    /**
     * @param  array<string, mixed>  $from
     * @param  array<string, mixed>  $to
     * @param  list<array<string, mixed>>  $stops
     * @return array<string, mixed>
     */
    public static function trunk(string $id, array $from, array $to, array $stops = []): array
    {
        return [
            'id' => $id, 'name' => strtoupper($id), 'stock' => 'bundle', 'from' => $from, 'to' => $to,
            'route' => ['kind' => 'corners', 'stops' => $stops],
        ];
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    public static function wire(string $id, string $from, string $to, array $more = []): array
    {
        return ['id' => $id, 'from' => $from, 'to' => $to, 'stock' => 'w2', ...$more];
    }

    public static function solved(stdClass $file): SolvedHarness
    {
        $solver = new HarnessSolver(Job::read($file));

        return $solver->cured($solver->all()[0]);
    }

    /** @return list<string> what is found, in words */
    public static function found(SolvedHarness $solved): array
    {
        return array_map(static fn ($one): string => $one->title.'. '.$one->message, $solved->findings);
    }
}
