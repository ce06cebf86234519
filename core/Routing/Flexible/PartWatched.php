<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

/** Passes on the progress of one of several spans that settle one after another, as a share of all of them. */
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
