<?php

declare(strict_types=1);

namespace Bowline\Console;

use RuntimeException;

/** An unknown command or option, or a missing argument. */
final class UsageError extends RuntimeException
{
}
