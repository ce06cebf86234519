<?php

declare(strict_types=1);

namespace Bowline\Editing;

use Bowline\Curves\Spline;
use Bowline\Geometry\Curve;
use Bowline\Geometry\Vector;
use Bowline\Job\Clamp;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\LaidRun;
use stdClass;

/** The results of edits of a flexible run, as keys of its route in the shape of the file (Edit\SetRoute). */
final readonly class FlexibleEdit
{
    /** Largest distance between a curve and the fewest points that replace it, mm. */
    private const AS_IT_WAS = 1.0;

    private const MOST_POINTS = 24;

    /** Decimals of a direction that is held. */
    private const DIRECTION_DECIMALS = 3;

    /** Turn of a chord when a curve is measured, radians: the error is 2·10⁻⁴ of its radius. */
    private const CHORD_TURN = 2 * M_PI / 180;

    public function __construct(private LaidRun $laid)
    {
    }

    /**
     * Returns the route led through one more clamp, where it passes nearest and in its direction there.
     *
     * @throws EditError
     */
    public function through(Clamp $clamp): stdClass
    {
        $route = $this->laid->run->route;
        if (! $route->goesThroughClamps()) {
            throw new EditError('What is wound round another run goes through no clamp of its own.');
        }
        [$along, $direction] = $this->nearest($clamp->at);
        $entry = (object) ['clamp' => $clamp->id, ...($direction->dot($clamp->axis) < 0.0 ? ['reverse' => true] : [])];
        $said = (new Node($this->laid->run->source))->get('route');
        $key = $route->smooth() === null ? 'through' : 'points';
        $present = $said->list($key);
        $before = 0;
        foreach ($present as $index => $one) {
            if ($one->find('clamp')?->value === $clamp->id) {
                throw new EditError(sprintf('It goes through %s already.', $clamp->name));
            }
            $place = $this->placeOf($index);
            $before += $place !== null && $this->nearest($place)[0] < $along ? 1 : 0;
        }
        $values = array_map(static fn (Node $one): mixed => $one->value, $present);

        return (object) [$key => [...array_slice($values, 0, $before), $entry, ...array_slice($values, $before)]];
    }

    /**
     * Returns the route with one more point on the run, or beside it.
     *
     * @param  float  $along  developed length of the point, mm
     * @param  Vector|null  $aside  by which it is off the run, mm
     *
     * @throws EditError when it is no smooth run
     */
    public function withPoint(float $along, ?Vector $aside = null): stdClass
    {
        $present = $this->points();
        $before = 0;
        foreach (array_keys($present) as $index) {
            $place = $this->placeOf($index);
            $before += $place !== null && $this->nearest($place)[0] < $along ? 1 : 0;
        }
        $at = array_map(
            static fn (float $part): int|float => FileValue::roundForFile(round($part, 1)),
            $this->laid->path->pointAt($along)->plus($aside ?? Vector::zero())->toArray(),
        );

        return (object) ['points' => [...array_slice($present, 0, $before), $at, ...array_slice($present, $before)]];
    }

    /**
     * Returns a coordinate of a point as it stands in the file.
     *
     * @throws EditError when there is no such point, or it is a clamp
     */
    public function coordinate(int $point, int $axis): int|float|string
    {
        $part = $this->coordinatesOf($point)[$axis] ?? 0;

        return is_int($part) || is_float($part) || is_string($part) ? $part : 0;
    }

    /**
     * Returns the route with one coordinate of a point changed.
     *
     * @throws EditError when there is no such point, or it is a clamp
     */
    public function levelled(int $point, int $axis, int|float|string $to): stdClass
    {
        $at = $this->coordinatesOf($point);
        $at[$axis] = $to;

        return $this->withPointAs($point, array_values($at), null);
    }

    /**
     * Returns the route with a point moved.
     *
     * @throws EditError when there is no such point, or it is a clamp
     */
    public function withPointMoved(int $point, Vector $by): stdClass
    {
        $this->coordinatesOf($point);

        return $this->withPointAs($point, array_map(
            static fn (float $part): int|float => FileValue::roundForFile(round($part, 1)),
            ($this->placeOf($point) ?? Vector::zero())->plus($by)->toArray(),
        ), null);
    }

    /**
     * Returns the route with the present direction at a point held, or released.
     *
     * @throws EditError when there is no such point, or it is a clamp
     */
    public function directed(int $point, bool $hold): stdClass
    {
        $at = $this->coordinatesOf($point);
        $place = $this->placeOf($point);
        $along = $place === null ? new Vector(1.0, 0.0, 0.0) : $this->nearest($place)[1];

        return $this->withPointAs($point, $at, $hold
            ? array_map(static fn (float $part): float => round($part, self::DIRECTION_DECIMALS), $along->toArray())
            : []);
    }

    /**
     * @return list<mixed> points of a smooth run as they stand in the file
     *
     * @throws EditError when it is none
     */
    private function points(): array
    {
        if ($this->laid->run->route->smooth() === null) {
            throw new EditError('Only a smooth run has points.');
        }

        return array_map(
            static fn (Node $one): mixed => $one->value,
            (new Node($this->laid->run->source))->get('route')->list('points'),
        );
    }

    /**
     * @return list<mixed> where a point is told to be
     *
     * @throws EditError when there is no such point, or it is a clamp
     */
    private function coordinatesOf(int $point): array
    {
        $said = $this->points()[$point] ?? throw new EditError(sprintf('There is no point %d.', $point + 1));
        $at = $said instanceof stdClass ? $said->at ?? null : $said;

        return is_array($at)
            ? array_values($at)
            : throw new EditError(sprintf('Point %d is a clamp; move that.', $point + 1));
    }

    /**
     * @param  list<mixed>  $at
     * @param  list<float>|null  $along  direction held there; none to let it go, null to leave it as it is
     */
    private function withPointAs(int $point, array $at, ?array $along): stdClass
    {
        $points = $this->points();
        $said = $points[$point];
        $points[$point] = match (true) {
            $along === [] => $at,
            $along !== null => (object) ['at' => $at, 'along' => $along],
            $said instanceof stdClass => (object) [...get_object_vars($said), 'at' => $at],
            default => $at,
        };

        return (object) ['points' => array_values($points)];
    }

    /**
     * Returns the same shape reversed. A smooth run with a direction at an inner point keeps the direction, but its
     * shape changes a little, because the extra knot lies behind that point (Spline).
     *
     * @return array<string, mixed> keys of the route; null for a key that is removed
     *
     * @throws EditError
     */
    public function reversed(): array
    {
        if ($this->laid->run->route->windingDepth() > 0) {
            throw new EditError('What is wound round another run goes the way of that; reverse that one.');
        }
        $said = (new Node($this->laid->run->source))->get('route');
        $value = static fn (string $key): mixed => $said->find($key)?->value;
        $turned = [
            'start_pull' => $value('end_pull'),
            'end_pull' => $value('start_pull'),
            'start_knot' => $value('end_knot'),
            'end_knot' => $value('start_knot'),
            'start_held' => $value('end_held'),
            'end_held' => $value('start_held'),
        ];
        if ($said->find('points') !== null) {
            $turned['points'] = array_map(self::turnedPoint(...), array_reverse($said->list('points')));
        }
        if ($said->find('kept') !== null) {
            $turned['kept'] = array_map(
                static fn (Node $point): mixed => $point->value,
                array_reverse($said->list('kept')),
            );
        }
        if ($said->find('nudges') !== null) {
            $turned['nudges'] = array_map(static function (Node $nudge): stdClass {
                $along = $nudge->get('along')->value;

                return (object) [
                    'along' => is_string($along)
                        ? sprintf('1 - (%s)', $along)
                        : 1 - (is_int($along) || is_float($along) ? $along : 0.5),
                    'to' => $nudge->get('to')->value,
                ];
            }, $said->list('nudges'));
        }
        if ($said->find('through') !== null) {
            // The length of a span is stored with the clamp behind it, that of the last by itself.
            $spans = array_reverse([
                ...array_map(static fn (Node $gate): mixed => $gate->find('length')?->value, $said->list('through')),
                $value('last_span'),
            ]);
            $turned['through'] = array_map(static function (Node $gate, mixed $span): stdClass {
                $turned = self::turnedPoint($gate);
                assert($turned instanceof stdClass);
                unset($turned->length);

                return $span === null ? $turned : (object) [...get_object_vars($turned), 'length' => $span];
            }, array_reverse($said->list('through')), array_slice($spans, 0, -1));
            $turned['last_span'] = $spans[count($spans) - 1];
        }

        return $turned;
    }

    /** Returns a point or clamp of a smooth run passed in the opposite direction. */
    private static function turnedPoint(Node $point): mixed
    {
        if (! $point->value instanceof stdClass) {
            return $point->value;
        }
        $turned = clone $point->value;
        if ($point->find('clamp') !== null && $point->find('loose')?->value !== true) {
            $turned->reverse = $point->find('reverse')?->value !== true;
        }
        $along = $point->find('along')?->value;
        if (is_string($along)) {
            $turned->along = strtr($along, '+-', '-+');
        } elseif (is_array($along)) {
            $turned->along = array_map(
                static fn (mixed $part): mixed => is_string($part)
                    ? sprintf('-(%s)', $part)
                    : (is_int($part) || is_float($part)
                        ? 0 - $part
                        : $part),
                $along,
            );
        }

        return $turned;
    }

    /** Returns a smooth route with the fewest points that follow the present curve. */
    public function asPoints(): stdClass
    {
        $route = (object) ['kind' => 'flow', 'points' => []];
        $length = $this->laid->length();
        for ($count = 1; $count <= self::MOST_POINTS; $count++) {
            $points = array_map(
                fn (int $i): Vector => $this->laid->path->pointAt(($length * $i) / ($count + 1)),
                range(1, $count),
            );
            $route->points = array_map(
                static fn (Vector $point): array => array_map(
                    static fn (float $part): float => round($part, 1),
                    $point->toArray(),
                ),
                $points,
            );
            if ($count > 1 && $this->strays($points) < self::AS_IT_WAS) {
                break;
            }
        }

        return $route;
    }

    /**
     * Returns the greatest distance between the smooth curve through points and the run, mm.
     *
     * @param  list<Vector>  $points
     */
    private function strays(array $points): float
    {
        $run = $this->laid->run;
        $curve = Spline::through([
            $run->from->leadPoint() ?? $run->from->at, ...$points, $run->to->leadPoint() ?? $run->to->at,
        ], $run->from->axis, $run->to->axis?->times(-1.0))->sparser(self::CHORD_TURN);
        $most = 0.0;
        for ($i = 1; $i < 60; $i++) {
            $point = $this->laid->path->pointAt($this->laid->length() * $i / 60);
            $most = max($most, self::off($curve, $point));
        }

        return $most;
    }

    /** Returns the distance of a point from the chords of a curve; plain floats, since it is asked a thousand times. */
    private static function off(Curve $curve, Vector $point): float
    {
        $least = INF;
        $before = null;
        foreach ($curve->points as $one) {
            if ($before !== null) {
                [$x, $y, $z] = [$one->x - $before->x, $one->y - $before->y, $one->z - $before->z];
                [$u, $v, $w] = [$point->x - $before->x, $point->y - $before->y, $point->z - $before->z];
                $square = $x * $x + $y * $y + $z * $z;
                $part = $square > 0.0 ? max(0.0, min(1.0, ($u * $x + $v * $y + $w * $z) / $square)) : 0.0;
                $least = min($least, ($u - $x * $part) ** 2 + ($v - $y * $part) ** 2 + ($w - $z * $part) ** 2);
            }
            $before = $one;
        }

        return sqrt($least);
    }

    private function placeOf(int $index): ?Vector
    {
        $route = $this->laid->run->route->smooth();

        return $route !== null
            ? ($route->points[$index] ?? null)?->at
            : ($this->laid->gates[$index][0] ?? null)?->clamp->at;
    }

    /**
     * Returns the developed length of the point of the run nearest to another, and its direction there.
     *
     * @return array{float, Vector}
     */
    private function nearest(Vector $point): array
    {
        $along = $this->laid->path->closestTo($point);

        return [$along, $this->laid->path->directionAt($along)];
    }
}
