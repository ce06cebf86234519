<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use RuntimeException;

/** Nobody waits for this shape any more. */
final class SettlingStopped extends RuntimeException
{
}
