<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Routing\LaidRun;

/** `moving-radius`: over the whole movement a run keeps the least radius of its stock in motion. */
final class MovingRadius implements Rule
{
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $tightest = $laid->sweep()?->tightest();
        $least = $laid->run->stock->movingRadius;
        if (
            $tightest === null ||
            $tightest->leastRadius() >= $least * (1.0 - Tolerance::CURVE_ACCURACY) - Tolerance::RULE_SLACK
        ) {
            return [];
        }
        $units = $laid->run->units;
        [$along, $at] = self::tightestPlace($tightest->laid);

        return [
            new Finding(
                'moving-radius',
                Severity::Violation,
                Subject::run(),
                'It is bent too tightly while it moves',
                sprintf(
                    'At %s of the movement its radius is %s; a %s that moves needs at least R %s.',
                    $tightest->words(),
                    $units->say($tightest->leastRadius()),
                    $laid->run->stock->kind->value,
                    $units->number($least),
                ),
                $at,
                [$along, $along],
                $tightest->leastRadius(),
                $least,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return $this->longer($laid);
    }

    /** @return array{float, Vector} developed length and place */
    private static function tightestPlace(LaidRun $laid): array
    {
        $least = INF;
        $place = [0.0, $laid->run->from->at];
        $at = 0.0;
        foreach ($laid->path->segments as $segment) {
            if ($segment->leastRadius() < $least) {
                $least = $segment->leastRadius();
                $along = $segment->tightestAt();
                $place = [$at + $along, $segment->pointAt($along)];
            }
            $at += $segment->length();
        }

        return $place;
    }
}
