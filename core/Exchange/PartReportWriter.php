<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Vector;
use Bowline\Shop\PartReport;

/** Writes how a part differs from what it should be (schema/api.json, `partReport`). */
final class PartReportWriter
{
    /** @return array<string, mixed> */
    public static function write(PartReport $report): array
    {
        return [
            'good' => $report->isGood(), 'reasons' => $report->reasons, 'advice' => $report->advice(),
            'bends' => array_map(static fn (array $bend): array => [
                'wanted' => rad2deg($bend['wanted']), 'set' => rad2deg($bend['set']), 'got' => rad2deg($bend['got']),
                'in' => $bend['isIn'],
            ], $report->bends),
            'straights' => array_map(static fn (array $straight): array => [
                'wanted' => $straight['wanted'], 'got' => $straight['got'], 'in' => $straight['isIn'],
            ], $report->straights),
            'off' => array_map(
                static fn (array $one): array => ['by' => $one['by'], 'in' => $one['isIn']], $report->off,
            ),
            'design' => self::points($report->design),
            'part' => self::points($report->part),
        ];
    }

    /**
     * @param  non-empty-list<Vector>  $points
     * @return list<list<float>>
     */
    private static function points(array $points): array
    {
        return array_map(static fn (Vector $point): array => $point->withoutNegativeZeros(), $points);
    }
}
