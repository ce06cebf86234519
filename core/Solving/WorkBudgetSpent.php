<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Editing\EditError;

/** Thrown when an answer takes too much work; a caller with a partial result returns that. */
final class WorkBudgetSpent extends EditError
{
    public function __construct()
    {
        parent::__construct(
            'So much hangs on this that it is not worked out while it is dragged. Type where it is to be.',
        );
    }
}
