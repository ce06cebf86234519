<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;

/** `moving-reach`: a run on something that moves can follow it and is long enough at every position. */
final class MovingReach implements Rule
{
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        if (! $laid->run->isMoving()) {
            return [];
        }
        $route = $laid->run->route;
        if ($route->sweepSteps() === null) {
            return [
                new Finding(
                    'moving-reach',
                    Severity::Violation,
                    Subject::run(),
                    'It is rigid, and what it is joined to moves',
                    'Only a hose or a cable follows a movement: let it hang or spring, or take the movement away.',
                    ($laid->run->to->movement === null ? $laid->run->from : $laid->run->to)->at,
                    [0.0, $laid->length()],
                ),
            ];
        }
        $position = $laid->sweep()?->tautest();
        $shortage = $position === null ? null : $route->asCut($laid->run)->shortage($position->laid);
        if ($position === null || $shortage === null) {
            return [];
        }
        $units = $laid->run->units;

        return [
            new Finding(
                'moving-reach',
                Severity::Violation,
                Subject::run(),
                'It does not reach over the whole movement',
                sprintf(
                    'At %s of the movement there are %s to span %s.',
                    $position->words(),
                    $units->say($shortage->length),
                    $units->say($shortage->distance),
                ),
                $laid->run->to->at,
                [0.0, $laid->length()],
                $shortage->length,
                $shortage->distance,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return $this->longer($laid);
    }
}
