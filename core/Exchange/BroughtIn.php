<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Exchange\Dxf\DxfReader;
use Bowline\Geometry\Vector;
use Bowline\Job\FileValue;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Units;
use Bowline\Job\Values;
use Bowline\Proposals\LineChains;
use stdClass;

/**
 * Imports existing lines: a DXF drawing, or the CSV of a bend table or of vertices, recognised by their content. The
 * results are runs in the shape of the job file without id, name and stock, and remarks on what was left out.
 */
final class BroughtIn
{
    /**
     * @param  bool  $areTrunks  whether lines are trunks of a harness, which meet where more than two lines do
     * @return array{list<array<string, mixed>>, list<string>}
     *
     * @throws JobError when it is none of these
     */
    public static function of(string $text, Values $values, Units $units, bool $areTrunks = false): array
    {
        return match (true) {
            preg_match('/^\s*(999\s.*\R\s*)*0\s*\R\s*SECTION/', $text) === 1 => self::drawing(
                $text, $units, $areTrunks,
            ),
            preg_match('/^[^\n]*straight[^\n]*rotation[^\n]*angle[^\n]*radius/i', ltrim($text)) === 1 => self::bends(
                $text,
                $units,
            ),
            default => self::vertices($text, $values, $units),
        };
    }

    /** @return array{list<array<string, mixed>>, list<string>} */
    private static function drawing(string $text, Units $units, bool $areTrunks): array
    {
        [$segments, $passedOver] = DxfReader::read($text);
        [$routes, $remarks] = LineChains::of($segments, $units, $areTrunks);
        foreach ($passedOver as $kind => $count) {
            $remarks[] = sprintf(
                '%d × %s passed over: only lines, arcs and polylines are read.',
                $count,
                mb_substr((string) $kind, 0, 40),
            );
        }

        return [array_map(self::members(...), $routes), $remarks];
    }

    /** @return array<string, mixed> */
    private static function members(stdClass $route): array
    {
        return array_map(static fn (Node $member): mixed => $member->value, (new Node($route))->members());
    }

    /**
     * Lays the tube along +x from the origin with its first bend towards +y; it is moved to its place like any other
     * run.
     *
     * @return array{list<array<string, mixed>>, list<string>}
     */
    private static function bends(string $text, Units $units): array
    {
        $rows = BendRows::read($text, $units);
        $vertices = $rows->path->vertices(Vector::zero(), new Vector(1.0, 0.0, 0.0), new Vector(0.0, 0.0, 1.0));
        $radii = array_column($rows->path->bends, 'radius');

        return [
            $rows->path->bends === [] && $rows->path->tail === 0.0
                ? []
                : [self::run($vertices, [null, ...$radii, null])],
            self::remarks($rows->refused),
        ];
    }

    /** @return array{list<array<string, mixed>>, list<string>} */
    private static function vertices(string $text, Values $values, Units $units): array
    {
        $rows = PastedRows::read($text, $values, $units);
        $points = array_values(array_filter($rows->stops, static fn (stdClass $stop): bool => isset($stop->at)));
        if (count($points) < 2) {
            throw JobError::at(
                '',
                'this is neither a DXF drawing, nor the table of a run: two vertices at least, or a heading with '.
                'straight, rotation, angle and radius',
            );
        }

        return [[[
            'from' => (object) ['at' => $points[0]->at],
            'to' => (object) ['at' => $points[count($points) - 1]->at],
            'route' => (object) ['kind' => 'corners', 'stops' => array_slice($points, 1, -1)],
        ]], self::remarks($rows->refused)];
    }

    /**
     * @param  non-empty-list<Vector>  $vertices
     * @param  list<float|null>  $radii
     * @return array<string, mixed>
     */
    private static function run(array $vertices, array $radii): array
    {
        $numbers = static fn (Vector $vector): array => FileValue::vector($vector);
        $stops = [];
        foreach (array_slice($vertices, 1, -1, true) as $index => $vertex) {
            $stops[] = (object) [
                'at' => $numbers($vertex),
                'corner' => (object) ['radius' => FileValue::roundForFile($radii[$index] ?? 0.0)],
            ];
        }

        return [
            'from' => (object) ['at' => $numbers($vertices[0])],
            'to' => (object) ['at' => $numbers($vertices[count($vertices) - 1])],
            'route' => (object) ['kind' => 'corners', 'stops' => $stops],
        ];
    }

    /**
     * @param  list<array{line: int, text: string, why: string}>  $refused
     * @return list<string>
     */
    private static function remarks(array $refused): array
    {
        return array_map(
            static fn (array $row): string => sprintf(
                'Row %d was left out, %s: %s',
                $row['line'],
                $row['why'],
                $row['text'],
            ),
            $refused,
        );
    }
}
