<?php

declare(strict_types=1);

namespace Bowline;

use Bowline\Laying\LayingError;

/** A question was broken off because it took too much work; whoever has a part of the answer gives that. */
final class WorkBudgetSpent extends LayingError
{
    public function __construct()
    {
        parent::__construct('So much hangs on this that it is not worked out while it is dragged. Type where it is to be.');
    }
}
