<?php

declare(strict_types=1);

namespace Bowline\Rules;

use Bowline\Routing\DrapeRoute;
use Bowline\Routing\LaidRun;

/** `unknown-shape`: a draped run may lie on something whose triangles are missing, or is too long to settle. */
final class UnknownShape implements Rule
{
    public function check(LaidRun $laid): array
    {
        $route = $laid->run->route->settling();
        if ($route === null) {
            return [];
        }
        if ($route->isTooLong($laid->run)) {
            return [
                $this->finding(
                    $laid,
                    'It is too long to be laid over what it meets',
                    sprintf(
                        'It is drawn as it would hang: it is longer than %s times its diameter.',
                        number_format(DrapeRoute::LONGEST),
                    ),
                ),
            ];
        }
        $names = $route->unknown();

        return $names === []
            ? []
            : [
                $this->finding(
                    $laid,
                    sprintf('The shape of %s is not here', implode(', ', $names)),
                    'The run is laid as if nothing were there. Bring its file in again.',
                ),
            ];
    }

    private function finding(LaidRun $laid, string $title, string $message): Finding
    {
        return new Finding('unknown-shape', Severity::Warning, Subject::run(), $title, $message, $laid->run->from->at, [
            0.0,
            $laid->length(),
        ]);
    }

    public function remedies(Finding $finding, LaidRun $laid): iterable
    {
        return [];
    }
}
