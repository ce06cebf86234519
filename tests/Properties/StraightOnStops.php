<?php

declare(strict_types=1);

namespace Tests\Properties;

use Bowline\Body\RunBody;
use Bowline\Geometry\Vector;
use Tests\Jobs;

/**
 * Rigid runs with stops on their legs, wherever these lie: lengths from the vertices alone, no gap, no corner, the
 * right volume.
 */
final class StraightOnStops implements Property
{
    private const RADIUS = 30.0;

    /** Square millimetres of a tube 12 × 1.5. */
    private const AREA = M_PI / 4 * (12 ** 2 - 9 ** 2);

    public function limits(): array
    {
        return [
            'length, mm' => 1e-6,
            'sum of the bend table, mm' => 1e-6,
            'gap, mm' => 1e-6,
            'corner, radians' => 1e-6,
            'volume, share' => 0.01,
            'missing leg-room' => 0.0,
        ];
    }

    public function differences(int $seed): array
    {
        $points = $this->vertices($seed);
        $file = Jobs::file(
            array_map(static fn (Vector $stop): array => ['at' => $stop->toArray()], array_slice($points, 1, -1)),
            ['at' => $points[count($points) - 1]->toArray()],
            ['stock.min_straight' => 0],
        );
        $solved = Jobs::solve($file);
        $laid = $solved->laid;
        [$length, $hasRoom] = $this->length($points);
        $table = $solved->bendTable;
        $gap = $corner = 0.0;
        foreach (array_slice($laid->path->segments, 1) as $i => $segment) {
            $last = $laid->path->segments[$i];
            $gap = max($gap, $last->end()->distanceTo($segment->start()));
            $corner = max($corner, $last->directionAt($last->length())->angleTo($segment->directionAt(0.0)));
        }
        $added =
            array_sum(array_map(static fn ($row): float => $row->straight + $row->arc, $table->rows)) + $table->tail;
        $found = [
            'sum of the bend table, mm' => abs($added - $laid->length()),
            'gap, mm' => $gap,
            'corner, radians' => $corner,
        ];
        if (! $hasRoom) {
            return $found + [
                'missing leg-room' => in_array('leg-room', array_column($solved->findings, 'rule'), true) ? 0.0 : 1.0,
            ];
        }
        $found['length, mm'] = abs($laid->length() - $length);
        if ($seed % 20 === 0) {
            $found['volume, share'] = abs(RunBody::of($laid)->mesh(0.01)->volume() / (self::AREA * $length) - 1.0);
        }

        return $found;
    }

    /** @return non-empty-list<Vector> of 2 to 9 legs, with places on them: in their middle, or just beside a corner */
    private function vertices(int $seed): array
    {
        $stops = array_map(
            static fn ($stop): Vector => new Vector(...$stop->at),
            Jobs::wandering($seed, 2 + ($seed % 8), 110.0)->runs[0]->route->stops,
        );
        $all = [$last = new Vector(0, 0, 50)];
        foreach ($stops as $stop) {
            for ($i = mt_rand(0, 2); $i > 0; $i--) {
                $parts = [mt_rand(1, 99) / 100, mt_rand(1, 9) / 100];
                $all[] = $last = $last->plus($stop->minus($last)->times($parts[mt_rand(0, 1)]));
            }
            $all[] = $last = $stop;
        }

        return $all;
    }

    /**
     * Legs less two tangents and with an arc at each turn.
     *
     * @param  list<Vector>  $points
     * @return array{float, bool} and whether every leg has room for its bends
     */
    private function length(array $points): array
    {
        [$length, $leg, $tangentBefore, $hasRoom] = [0.0, 0.0, 0.0, true];
        foreach (array_slice($points, 1, null, true) as $i => $point) {
            $way = $point->minus($points[$i - 1]);
            $leg += $way->length();
            $turn = isset($points[$i + 1]) ? $way->angleTo($points[$i + 1]->minus($point)) : null;
            if ($turn === null || $turn > 1e-6) {
                $tangent = self::RADIUS * tan(($turn ?? 0.0) / 2);
                $hasRoom = $hasRoom && $leg >= $tangentBefore + $tangent;
                $length += $leg - $tangentBefore - $tangent + self::RADIUS * ($turn ?? 0.0);
                [$leg, $tangentBefore] = [0.0, $tangent];
            }
        }

        return [$length, $hasRoom];
    }
}
