<?php

declare(strict_types=1);

namespace App\People;

use RuntimeException;

/** Something was tried too often: it can be tried again in so many seconds. */
final class TooManyTries extends RuntimeException
{
    public function __construct(public readonly int $seconds)
    {
        parent::__construct(sprintf('This was tried too often. Try again in %d s.', max(1, $seconds)));
    }
}
