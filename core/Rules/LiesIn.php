<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\Flexible\Draping;
use Bowline\Routing\LaidRun;

/** `lies-in`: a draped run is still inside a body after settling. */
final class LiesIn implements Rule
{
    public function check(LaidRun $laid): array
    {
        $deepest = $laid->run->route->settling()?->deepest($laid);
        if ($deepest === null) {
            return [];
        }
        [$deep, $along, $at, $name] = $deepest;

        return [
            new Finding(
                'lies-in',
                Severity::Violation,
                Subject::run(),
                sprintf('It lies in %s', $name),
                sprintf(
                    'It is %s inside there. A shorter length, or a nudge to where it should lie, gets it out.',
                    $laid->run->units->say($deep),
                ),
                $at,
                [$along, $along],
                $deep,
                Draping::DEPTH_TOLERANCE,
            ),
        ];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
