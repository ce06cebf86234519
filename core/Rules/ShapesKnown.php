<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\DrapeRoute;
use Bowline\Routing\LaidRun;

/** `unknown-shape`: a draped run may lie on something whose triangles have not come with the job. */
final class ShapesKnown implements Rule
{
    public function check(LaidRun $laid): array
    {
        $names = $laid->run->route instanceof DrapeRoute ? $laid->run->route->unknown() : [];
        if ($names === []) {
            return [];
        }

        return [new Finding(
            'unknown-shape',
            Severity::Warning,
            sprintf('The shape of %s is not here', implode(', ', $names)),
            'The run is laid as if nothing were there. Bring its file in again.',
            $laid->run->from->at,
            [0.0, $laid->length()],
        )];
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
