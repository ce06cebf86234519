<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** The shortest ways along a backbone from one of its nodes to the others. */
interface Ways
{
    /** Returns the length to a node, mm; null where there is no way. */
    public function distanceTo(int $node): ?float;

    /** @return list<BackboneEdge> in the order in which they are gone along; none where there is no way */
    public function to(int $node): array;
}
