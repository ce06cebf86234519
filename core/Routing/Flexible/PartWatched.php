<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

/** Somebody watches one of several spans that settle one after another, and is told how much of all is done. */
final readonly class PartWatched implements Watch
{
    public function __construct(private Watch $watch, private int $done, private int $all)
    {
    }

    public function settles(float $part, callable $points): void
    {
        $this->watch->settles(($this->done + $part) / $this->all, $points);
    }
}
