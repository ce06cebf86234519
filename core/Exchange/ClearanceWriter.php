<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Clearance\Moment;
use Bowline\Clearance\Shortfall;
use Bowline\Clearance\Thing;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Units;
use Bowline\Job\Waiver;

/** Writes what is too near to each other in the shape of schema/solution.json (`solvedClearance`): millimetres. */
final class ClearanceWriter
{
    /**
     * @param  list<Shortfall>  $found
     * @return list<array<string, mixed>>
     */
    public static function write(array $found, Units $units): array
    {
        return array_map(static fn (Shortfall $one): array => [
            'a' => self::ref($one->gap->one),
            'b' => self::ref($one->gap->other),
            // How far one has to go to come free is known of round runs only.
            'distance' => $one->isDepthKnown() ? $one->gap->distance : max(0.0, $one->gap->distance),
            'measured' => $one->gap->distance,
            'inside' => $one->gap->distance < 0.0,
            'required' => $one->needed,
            'why' => $one->why,
            'at' => array_map(static fn (Vector $at): array => $at->withoutNegativeZeros(), $one->gap->at),
            'along' => $one->gap->along,
            'moment' => $one->moment === null ? null : self::moment($one->moment),
            'rule' => $one->rule(),
            'severity' => $one->isViolation() ? 'violation' : 'warning',
            'waived' => $one->waiver === null ? null : Waiver::said($one->waiver->reason, $one->waiver->by),
            'title' => $one->title(),
            'message' => $one->message($units),
        ], $found);
    }

    /** @return array{list: string, id: string} */
    private static function ref(Thing $thing): array
    {
        return ['list' => $thing->ref()->list, 'id' => $thing->ref()->id];
    }

    /** @return array<string, mixed> */
    private static function moment(Moment $moment): array
    {
        return [
            'part' => $moment->part,
            'angle' => $moment->degrees(),
            'places' => array_map(
                static fn (string|int $id, Pose $pose): array => [
                    'id' => (string) $id, 'pose' => PlaceWriter::pose($pose),
                ],
                array_keys($moment->places), $moment->places,
            ),
            'lines' => array_map(
                static fn (string|int $id, array $points): array => [
                    'id' => (string) $id,
                    'points' => array_map(static fn (Vector $at): array => $at->withoutNegativeZeros(), $points),
                ],
                array_keys($moment->lines), $moment->lines,
            ),
        ];
    }
}
