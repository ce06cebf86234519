<?php

declare(strict_types=1);

namespace Bowline\Job;

/** The name of a port in a job file, "fitting.port", in its two parts. */
final readonly class PortName
{
    private function __construct(
        public string $fitting,
        public string $port,
    ) {
    }

    /** Of a text without a dot all is the fitting, and the port is empty. */
    public static function of(string $text): self
    {
        [$fitting, $port] = [...explode('.', $text, 2), ''];

        return new self($fitting, $port);
    }
}
