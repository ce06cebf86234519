<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** A computation was interrupted: it took too long, or its client has gone. */
final class WorkBrokenOff extends RuntimeException
{
    private function __construct(string $message, public readonly bool $isClientGone)
    {
        parent::__construct($message);
    }

    public static function timeUp(): self
    {
        return new self(
            'This takes longer than Bowline lets a question take. Ask for less at once, or wait until all runs '.
            'are worked out.',
            false,
        );
    }

    public static function clientGone(): self
    {
        return new self('Whoever asked has gone.', true);
    }
}
