<?php

declare(strict_types=1);

namespace App\Machines;

use RuntimeException;

/** Redis does not answer, or no worker is there: what was asked is worked here. */
class MachinesAway extends RuntimeException
{
}
