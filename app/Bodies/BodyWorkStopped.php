<?php

declare(strict_types=1);

namespace App\Bodies;

use RuntimeException;

/** Nobody wants a body any more that is being found. */
final class BodyWorkStopped extends RuntimeException
{
}
