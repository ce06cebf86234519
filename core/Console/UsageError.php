<?php

declare(strict_types=1);

namespace Bowline\Console;

use RuntimeException;

/** A command was called in a way that it does not know. */
final class UsageError extends RuntimeException
{
}
