<?php

declare(strict_types=1);

namespace Bowline\Job\Expression;

use RuntimeException;

/** An expression that cannot be parsed or evaluated; the message says why. */
final class ExpressionError extends RuntimeException
{
    public static function unreadable(string $text, string $why): self
    {
        return new self(sprintf('“%s” cannot be read: %s', $text, $why));
    }

    public static function unknownName(string $name): self
    {
        return new self(sprintf('there is no value named “%s”', $name));
    }

    public static function divisionByZero(): self
    {
        return new self('this divides by zero');
    }

    public static function notFinite(string $text): self
    {
        return new self(sprintf('“%s” does not come to a number of usable size', $text));
    }
}
