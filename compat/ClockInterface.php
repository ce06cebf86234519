<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use DateTimeZone;
use Psr\Clock\ClockInterface as PsrClockInterface;

// Carbon's factory implements this interface and symfony/clock is not to be had where Bowline is built.
// It can go, with its line in composer.json, as soon as symfony/clock installs.
if (! interface_exists(ClockInterface::class, false)) {
    interface ClockInterface extends PsrClockInterface
    {
        public function sleep(float|int $seconds): void;

        public function withTimeZone(DateTimeZone|string $timezone): static;
    }
}
