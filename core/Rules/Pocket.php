<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `pocket`: a run that drains climbs nowhere on its way down, so that nothing stands in it. */
final class Pocket implements Rule
{
    public function check(LaidRun $laid): array
    {
        if ($laid->run->fall === null) {
            return [];
        }
        $up = $laid->run->section->up;
        $climbs = [];
        foreach (Falls::of($laid) as [$from, $to, $rate]) {
            if ($rate >= -Tolerance::PARALLEL) {
                continue;
            }
            $last = count($climbs) - 1;
            if ($last >= 0 && abs($climbs[$last][1] - $from) < Tolerance::COINCIDENT) {
                $climbs[$last][1] = $to;
            } else {
                $climbs[] = [$from, $to];
            }
        }

        return array_map(static function (array $climb) use ($laid, $up): Finding {
            [$low, $high] = array_map($laid->path->pointAt(...), $climb);
            $height = $high->minus($low)->dot($up);

            return new Finding(
                'pocket', Severity::Violation, Subject::at($laid, ($climb[0] + $climb[1]) / 2), 'Liquid stands in it',
                sprintf(
                    'It climbs by %s on its way down from %s along it on.', $laid->run->units->say($height),
                    $laid->run->units->say($climb[0]),
                ),
                $low, [min($climb[0], $climb[1]), max($climb[0], $climb[1])], $height, 0.0,
            );
        }, $climbs);
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
