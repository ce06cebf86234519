<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use RuntimeException;

/** Thrown while a line settles when its watch has stopped it. */
final class SettlingStopped extends RuntimeException
{
}
