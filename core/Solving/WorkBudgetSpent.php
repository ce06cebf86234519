<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Editing\EditError;

/** A question was broken off because it took too much work; whoever has a part of the answer gives that. */
final class WorkBudgetSpent extends EditError
{
    public function __construct()
    {
        parent::__construct(
            'So much hangs on this that it is not worked out while it is dragged. Type where it is to be.',
        );
    }
}
