<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The name of a port in a job file, "fitting.port", split in two. */
final readonly class PortName
{
    private function __construct(
        public string $fitting,
        public string $port,
    ) {
    }

    /** A text without a dot is a fitting with an empty port. */
    public static function of(string $text): self
    {
        [$fitting, $port] = [...explode('.', $text, 2), ''];

        return new self($fitting, $port);
    }
}
