<?php

declare(strict_types=1);

namespace Bowline\Laying;

use RuntimeException;

/** An edit of a run that cannot be made, in words for the designer. */
class LayingError extends RuntimeException
{
}
