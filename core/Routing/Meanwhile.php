<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** A run as it is laid where nobody can wait: one that takes long to settle hangs as it did before. */
final class Meanwhile
{
    public static function of(Run $run): Run
    {
        return $run->route instanceof SettlingRoute && $run->route->takesLong($run) ? $run->withRoute($run->route->unsettled()) : $run;
    }
}
