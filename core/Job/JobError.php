<?php

declare(strict_types=1);

namespace Bowline\Job;

use RuntimeException;

/** Something in a job is wrong and cannot be solved: where (a JSON pointer) and why (plain words). */
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
