<?php

declare(strict_types=1);

namespace Bowline\Exchange\Dxf;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** Writes centrelines as DXF: LINE and ARC in space, millimetres, a layer a run. */
final class DxfWriter
{
    /** Enough digits to read the same run again to far below a micron. */
    private const DECIMALS = 10;

    /** What INSUNITS calls millimetres. */
    private const MILLIMETRES = 4;

    /** @param  list<LaidRun>  $runs */
    public static function write(array $runs): string
    {
        $pairs = [[0, 'SECTION'], [2, 'HEADER'], [9, '$INSUNITS'], [70, (string) self::MILLIMETRES], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']];
        foreach ($runs as $run) {
            foreach ($run->path->segments as $segment) {
                array_push($pairs, ...self::entity($segment, self::layer($run->run->name)));
            }
        }
        array_push($pairs, [0, 'ENDSEC'], [0, 'EOF']);

        return implode('', array_map(static fn (array $pair): string => sprintf("%3d\r\n%s\r\n", $pair[0], $pair[1]), $pairs));
    }

    /** @return list<array{int, string}> */
    private static function entity(Segment $segment, string $layer): array
    {
        if (! $segment instanceof Arc) {
            return [[0, 'LINE'], [8, $layer], ...self::point(10, $segment->start()), ...self::point(11, $segment->end())];
        }
        $ocs = new Ocs($segment->normal);
        $angle = static fn (Vector $at): string => self::number(fmod(rad2deg(atan2(
            $at->minus($segment->centre)->dot($ocs->y), $at->minus($segment->centre)->dot($ocs->x),
        )) + 360.0, 360.0));

        return [
            [0, 'ARC'], [8, $layer], ...self::point(10, $ocs->toOwn($segment->centre)), [40, self::number($segment->radius)],
            [50, $angle($segment->from)], [51, $angle($segment->to)], ...self::point(210, $segment->normal),
        ];
    }

    /** @return list<array{int, string}> */
    private static function point(int $code, Vector $point): array
    {
        return [[$code, self::number($point->x)], [$code + 10, self::number($point->y)], [$code + 20, self::number($point->z)]];
    }

    private static function number(float $number): string
    {
        return number_format($number, self::DECIMALS, '.', '');
    }

    /** A layer's name is one line, without the signs that the format keeps for itself. */
    private static function layer(string $name): string
    {
        $plain = (string) preg_replace('/[\x00-\x1f<>\/\\\\":;?*|=`,]+/u', ' ', $name);

        return trim(mb_substr($plain, 0, 200)) === '' ? '0' : trim(mb_substr($plain, 0, 200));
    }
}
