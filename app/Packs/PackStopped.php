<?php

declare(strict_types=1);

namespace App\Packs;

use RuntimeException;

/** A pack that was stopped while it was made. */
final class PackStopped extends RuntimeException
{
}
