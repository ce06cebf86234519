<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\PositiveZero;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\PortName;
use Bowline\Routing\LaidRun;
use Bowline\Routing\MovedPosition;
use Bowline\Routing\Sweep;

/** Writes a run over the movement of what holds it (schema/solution.json, `movement`). */
final class MovementWriter
{
    /** Most points of the curve of one position. */
    private const POINTS = 48;

    /** Least spacing of positions that are no extreme, as a share of the movement. */
    private const APART = 1 / 40;

    /** @return array<string, mixed>|null null when it does not move */
    public static function write(LaidRun $laid): ?array
    {
        $sweep = $laid->sweep();
        if ($sweep === null) {
            return null;
        }
        // Where the run does not reach it is drawn as a straight longer than itself.
        $reaching = array_filter($sweep->positions, static fn (MovedPosition $one): bool => ($one->taut ?? 0.0) < 1.0);
        $lengths = array_map(
            static fn (MovedPosition $one): float => $one->laid->length(),
            $reaching === [] ? $sweep->positions : $reaching,
        );
        $written = self::written($sweep);
        $index = static fn (MovedPosition $one): int => (int) array_search($one, $written, true);

        return [
            'positions' => array_map(
                static fn (MovedPosition $one): array => self::position($one, $laid->run->stock->movingRadius),
                $written,
            ),
            'tightest' => $index($sweep->tightest()),
            'tautest' => $sweep->tautest()->taut === null ? null : $index($sweep->tautest()),
            'nearest' => $sweep->nearest()->nearest === null ? null : $index($sweep->nearest()),
            'most_twisted' => $sweep->mostTwisted()->twist === null ? null : $index($sweep->mostTwisted()),
            'snaps' => array_map($index, $sweep->jumps()),
            'lengths' => [min($lengths), max($lengths)],
            'slack' => self::slack($sweep->tautest(), $laid),
            'needed' => $laid->run->stock->movingRadius,
        ];
    }

    /** Returns how much longer a run is than it has to reach, mm; null where its length follows its shape. */
    private static function slack(MovedPosition $tautest, LaidRun $laid): ?float
    {
        return $tautest->taut === null ? null : max(0.0, $laid->length() * (1.0 - $tautest->taut));
    }

    /** @return non-empty-list<MovedPosition> those that something is told of, both ends, and others to see it move */
    private static function written(Sweep $sweep): array
    {
        $told = [$sweep->tightest(), $sweep->tautest(), $sweep->nearest(), $sweep->mostTwisted(), ...$sweep->jumps()];
        $last = count($sweep->positions) - 1;
        $written = [];
        $before = -INF;
        foreach ($sweep->positions as $index => $position) {
            if (
                $index === 0 ||
                $index === $last ||
                in_array($position, $told, true) ||
                $position->part - $before > self::APART
            ) {
                $written[] = $position;
                $before = $position->part;
            }
        }
        assert($written !== []);

        return $written;
    }

    /** @return array<string, mixed> */
    private static function position(MovedPosition $one, float $least): array
    {
        $radius = $one->leastRadius();

        return [
            'part' => $one->part,
            'angle' => $one->angle === null ? null : rad2deg($one->angle),
            'min_radius' => is_finite($radius) ? $radius : null,
            'tight' => $radius < $least * (1.0 - Tolerance::CURVE_ACCURACY) - Tolerance::RULE_SLACK,
            'short' => ($one->taut ?? 0.0) >= 1.0,
            'taut' => $one->taut,
            'twist' => $one->twist === null ? null : rad2deg($one->twist),
            'nearest' => $one->nearest === null
                    ? null
                    : [
                        'distance' => $one->nearest[0],
                        'id' => $one->nearest[1],
                        'at' => self::vector($one->nearest[2]),
                    ],
            'points' => array_map(self::vector(...), self::points($one->laid)),
            'places' => array_values(
                array_filter(
                    [
                        self::place($one->laid->run->from->port, $one, true),
                        self::place($one->laid->run->to->port, $one, false),
                    ],
                    static fn (?array $place): bool => $place !== null,
                ),
            ),
        ];
    }

    /** @return array<string, mixed>|null where a fitting that moves stands then */
    private static function place(?string $port, MovedPosition $one, bool $isFrom): ?array
    {
        $movement = ($isFrom ? $one->laid->run->from : $one->laid->run->to)->movement;

        return $port === null || $movement === null
            ? null
            : ['id' => PortName::of($port)->fitting, 'pose' => PlaceWriter::pose($movement->at($one->part))];
    }

    /** @return list<Vector> */
    private static function points(LaidRun $laid): array
    {
        $points = [];
        foreach ($laid->path->segments as $segment) {
            $count = count($segment->knots()) > 2 ? self::POINTS : 2;
            for ($i = $points === [] ? 0 : 1; $i < $count; $i++) {
                $points[] = self::at($segment, $i / ($count - 1));
            }
        }

        return $points;
    }

    private static function at(Segment $segment, float $part): Vector
    {
        return $segment->pointAt($segment->length() * $part);
    }

    /** @return list<float> to a hundredth: they are only drawn */
    private static function vector(Vector $vector): array
    {
        return array_map(static fn (float $part): float => PositiveZero::of(round($part, 2)), $vector->toArray());
    }
}
