<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** What a designer wants to know of the shape of a run besides its path. */
interface RouteFacts
{
    /** @return array<string, mixed> as schema/solution.json describes `shape` */
    public function toArray(): array;
}
