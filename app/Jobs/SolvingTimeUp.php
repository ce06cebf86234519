<?php

declare(strict_types=1);

namespace App\Jobs;

use RuntimeException;

/** Breaks off the solving of a run for which a request has no time left. */
final class SolvingTimeUp extends RuntimeException
{
}
