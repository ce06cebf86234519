<?php

declare(strict_types=1);

namespace App\Machines;

use Bowline\Job\Node;

/** A long calculation that needs nothing but its question: no database, no files, no session. */
interface Calculation
{
    /** @return mixed a value of scalars, arrays and values of the core */
    public static function work(Node $question, Report $report): mixed;
}
