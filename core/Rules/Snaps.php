<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\LaidRun;
use Bowline\Routing\MovedPosition;

/**
 * `snaps`: somewhere in the movement the shape of a hose stops being stable, and a real one would jump to another
 * shape.
 */
final class Snaps implements Rule
{
    use LengthensHoses;

    public function check(LaidRun $laid): array
    {
        return array_map(
            static fn (MovedPosition $position): Finding => new Finding(
                'snaps',
                Severity::Warning,
                Subject::run(),
                'It snaps over while it moves',
                sprintf(
                    'At %s of the movement the shape it is in stops being stable: a real hose would jump to '.
                    'another there, and on the way back at another place.',
                    $position->words(),
                ),
                $laid->run->to->at,
                [0.0, $laid->length()],
            ),
            array_slice($laid->sweep()?->jumps() ?? [], 0, 1),
        );
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return $this->longer($laid);
    }
}
