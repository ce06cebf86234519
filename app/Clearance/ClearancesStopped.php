<?php

declare(strict_types=1);

namespace App\Clearance;

use RuntimeException;

/** Nobody wants to know any more what in a job is too near to each other, as the job was. */
final class ClearancesStopped extends RuntimeException
{
}
