<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Vector;
use Bowline\Routing\MovedShape;
use Bowline\Routing\MovedShapes;
use InvalidArgumentException;

/**
 * Shapes of a run over a movement as JSON, which is kept beside its solution: of each position its share of the
 * movement, length, least radius (null when it is straight), whether it jumps to the next, and six numbers a point.
 */
final class MovedShapesJson
{
    /** Of points in mm, and of directions. */
    private const DECIMALS = 6;

    public static function write(MovedShapes $shapes): string
    {
        return json_encode(array_map(static fn (MovedShape $one): array => [
            $one->part, $one->length, is_infinite($one->leastRadius) ? null : $one->leastRadius, $one->jumpsNext,
            array_merge(...array_map(
                static fn (Vector $point, Vector $direction): array => array_map(
                    static fn (float $value): float => round($value, self::DECIMALS),
                    [...$point->toArray(), ...$direction->toArray()],
                ),
                $one->points, $one->directions,
            )),
        ], $shapes->shapes), JSON_THROW_ON_ERROR);
    }

    /** @throws InvalidArgumentException where it is of another shape */
    public static function read(string $json): MovedShapes
    {
        $rows = json_decode($json, true, 16, JSON_THROW_ON_ERROR);
        $shapes = array_map(self::shape(...), is_array($rows) ? array_values($rows) : []);

        return $shapes === [] ? throw self::wrong() : new MovedShapes($shapes);
    }

    private static function shape(mixed $row): MovedShape
    {
        [$part, $length, $radius, $jumpsNext, $numbers] = is_array($row) && array_is_list($row)
            ? [...$row, null, null, null, null, null]
            : throw self::wrong();
        if (! is_numeric($part) || ! is_numeric($length) || ! is_bool($jumpsNext) || ! is_array($numbers)) {
            throw self::wrong();
        }
        $points = $directions = [];
        foreach (array_chunk(array_filter($numbers, is_numeric(...)), 6) as $six) {
            [$x, $y, $z, $u, $v, $w] = count($six) === 6 ? array_map(floatval(...), $six) : throw self::wrong();
            $points[] = new Vector($x, $y, $z);
            $directions[] = new Vector($u, $v, $w);
        }

        return new MovedShape(
            (float) $part, $points, $directions, (float) $length, is_numeric($radius) ? (float) $radius : INF,
            $jumpsNext,
        );
    }

    private static function wrong(): InvalidArgumentException
    {
        return new InvalidArgumentException('These are no shapes over a movement.');
    }
}
