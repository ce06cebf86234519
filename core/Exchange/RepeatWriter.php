<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Geometry\Outline;
use Bowline\Geometry\OutlinePiece;
use Bowline\Job\Repeat;
use Bowline\Routing\LaidRun;
use Bowline\Routing\RepeatPlaces;

/** Writes what repeats along a run: how many there are, and where (schema/solution.json, `solvedRepeat`). */
final class RepeatWriter
{
    /** Largest angle between two points of an outline that is drawn, radians. */
    private const TURN = M_PI / 12;

    /** @return list<array<string, mixed>> in the order in which they are told, those on another stock by themselves */
    public static function write(LaidRun $laid): array
    {
        return array_merge(...array_map(static function (Repeat $repeat) use ($laid): array {
            $bySize = [];
            foreach (RepeatPlaces::of($laid, $repeat) as $along) {
                $bySize[(string) $laid->stockAlong($along)->section->outsideDiameter][] = $along;
            }

            return $bySize === [] ? [self::written($laid, $repeat, [])] : array_values(array_map(
                static fn (array $places): array => self::written($laid, $repeat, $places), $bySize,
            ));
        }, $laid->run->repeats));
    }

    /**
     * @param  list<float>  $places  developed lengths, mm
     * @return array<string, mixed>
     */
    private static function written(LaidRun $laid, Repeat $repeat, array $places): array
    {
        $section = $laid->stockAlong($places[0] ?? 0.0)->section;

        return [
            'kind' => $repeat->kind->value,
            'words' => $repeat->kind->words(count($places)),
            'width' => $repeat->width,
            'outer' => $section->outsideDiameter + 2 * $repeat->height,
            'outline' => $repeat->outline === null ? null : self::points($repeat->outline),
            'places' => array_map(static function (float $along) use ($laid): array {
                $direction = $laid->path->directionAt($along);

                return [
                    'along' => $along,
                    'at' => $laid->path->pointAt($along)->withoutNegativeZeros(),
                    'direction' => $direction->withoutNegativeZeros(),
                    'height' => $laid->run->section->up->uprightOf($direction)->withoutNegativeZeros(),
                ];
            }, $places),
        ];
    }

    /** @return list<array{float, float}> round an outline */
    private static function points(Outline $outline): array
    {
        return array_merge(...array_map(static function (OutlinePiece $piece): array {
            $parts = max(1, (int) ceil(abs($piece->sweep) / self::TURN));

            return array_map(static fn (int $i): array => $piece->pointAt($i / $parts), range(0, $parts - 1));
        }, $outline->pieces));
    }
}
