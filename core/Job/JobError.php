<?php

declare(strict_types=1);

namespace Bowline\Job;

use RuntimeException;

/** An error in a job that prevents solving: where (a JSON pointer) and why. */
final class JobError extends RuntimeException
{
    private function __construct(
        public readonly string $pointer,
        string $reason,
    ) {
        parent::__construct($reason);
    }

    public static function at(string $pointer, string $reason): self
    {
        return new self($pointer, $reason);
    }
}
