<?php

declare(strict_types=1);

namespace App\Machines;

use RuntimeException;

/** Nobody wants the answer of a task any more. */
final class TaskDropped extends RuntimeException
{
}
