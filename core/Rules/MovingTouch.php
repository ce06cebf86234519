<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Geometry\Tolerance;
use Bowline\Routing\LaidRun;

/** `moving-touch`: over the movement a run does not enter the surroundings. */
final class MovingTouch implements Rule
{
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        $position = $laid->sweep()?->nearest();
        if ($position?->nearest === null || $position->nearest[0] >= -Tolerance::COINCIDENT) {
            return [];
        }
        [$distance, $body, $at] = $position->nearest;

        return [
            new Finding(
                'moving-touch',
                Severity::Violation,
                Subject::run(),
                sprintf('It goes into %s while it moves', $laid->run->around->name($body)),
                sprintf(
                    'At %s of the movement it is %s inside of it.',
                    $position->words(),
                    $laid->run->units->say(-$distance),
                ),
                $at,
                [0.0, $laid->length()],
                $distance,
                0.0,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return $this->longer($laid);
    }
}
