<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** A run as it is laid where nobody can wait: one that takes long to settle hangs as it did before. */
final class Meanwhile
{
    /** @return Run the same one when laying it takes no time that anybody notices */
    public static function of(Run $run): Run
    {
        return $run->route instanceof SettlingRoute && $run->route->takesLong($run)
            ? $run->withRoute($run->route->unsettled())
            : $run;
    }
}
