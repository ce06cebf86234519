<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Job\AllowedSpacing;
use Bowline\Job\RepeatKind;
use Bowline\Job\RunEnd;

/** The lengths of a run between what holds it: ports and runs at its ends, clamps that it goes through, its clips. */
final class SupportSpans
{
    /** @return list<array{float, float}> developed lengths of both ends of each, mm; an open end holds nothing */
    public static function of(LaidRun $laid): array
    {
        $held = [0.0, $laid->length()];
        foreach (ClampPassage::of($laid) as $passage) {
            $held[] = array_sum($passage->span) / 2;
        }
        foreach ($laid->run->repeats as $repeat) {
            if ($repeat->kind === RepeatKind::Clip) {
                array_push($held, ...RepeatPlaces::of($laid, $repeat));
            }
        }
        sort($held);
        $spans = [];
        for ($i = 1, $count = count($held); $i < $count; $i++) {
            if ($held[$i] - $held[$i - 1] > Tolerance::COINCIDENT) {
                $spans[] = [$held[$i - 1], $held[$i]];
            }
        }

        return $spans;
    }

    /** @return list<array{float, float, AllowedSpacing}> those that are longer than is allowed, and what is */
    public static function tooLong(LaidRun $laid): array
    {
        $long = [];
        foreach (self::of($laid) as [$from, $to]) {
            $allowed = AllowedSpacing::of($laid->stockAlong(($from + $to) / 2));
            if ($allowed !== null && $to - $from > $allowed->distance + Tolerance::RULE_SLACK) {
                $long[] = [$from, $to, $allowed];
            }
        }

        return $long;
    }

    /** Whether a span ends where nothing holds the run. */
    public static function isOverhang(LaidRun $laid, float $from, float $to): bool
    {
        return $from < Tolerance::COINCIDENT && ! self::isHeld($laid->run->from)
            || $to > $laid->length() - Tolerance::COINCIDENT && ! self::isHeld($laid->run->to);
    }

    private static function isHeld(RunEnd $end): bool
    {
        return $end->port !== null || $end->branch !== null;
    }
}
