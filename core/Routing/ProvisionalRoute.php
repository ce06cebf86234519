<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** The run as it is laid where the answer must be quick: one that takes long to settle hangs as it did before. */
final class ProvisionalRoute
{
    /** @return Run the same one when laying it takes no time that anybody notices */
    public static function of(Run $run): Run
    {
        $route = $run->route->settling();

        return $route?->takesLong($run) === true ? $run->withRoute($route->unsettled()) : $run;
    }
}
