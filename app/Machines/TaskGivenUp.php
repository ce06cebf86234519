<?php

declare(strict_types=1);

namespace App\Machines;

/** One task cannot be worked by other machines, or its answer is not theirs; others can. */
final class TaskGivenUp extends MachinesAway
{
}
