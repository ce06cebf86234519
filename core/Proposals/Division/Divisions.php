<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Editing\EditError;
use Bowline\Job\StockKind;
use Bowline\Routing\Run;

/** The divisions by what their trunks are laid as. */
final class Divisions
{
    /** @throws EditError where a run is no trunk that can be broken or joined */
    public static function of(Run $run, TrialLaying $trial): Division
    {
        $route = $run->route;
        if ($run->stock->kind !== StockKind::Bundle) {
            throw new EditError(sprintf('%s is no trunk of a harness.', $run->name));
        }
        if ($run->fixedLength !== null) {
            throw new EditError(sprintf('The length of %s is held; release it first.', $run->name));
        }
        if ($route->corners()?->isLike() === true) {
            throw new EditError(sprintf('%s goes as another run does; make it a run of its own first.', $run->name));
        }
        if ($route->settling() !== null || $route->windingDepth() > 0) {
            throw new EditError(sprintf('%s lies on other things; turn it into points first.', $run->name));
        }

        return match (true) {
            $route->corners() !== null => new CornersDivision($trial),
            $route->smooth() !== null => new SmoothDivision($trial),
            default => new LengthDivision($trial),
        };
    }
}
