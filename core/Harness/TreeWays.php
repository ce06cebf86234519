<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** The ways from a node of a backbone without loops. */
final readonly class TreeWays implements Ways
{
    public function __construct(
        private BackboneTree $tree,
        private int $from,
    ) {
    }

    public function distanceTo(int $node): ?float
    {
        return $this->tree->length($this->from, $node);
    }

    public function to(int $node): array
    {
        return $this->tree->between($this->from, $node);
    }
}
