<?php

declare(strict_types=1);

namespace Bowline\Routing;

/** Facts about the shape of a run besides its path. */
interface RouteFacts
{
    /** @return array<string, mixed> as schema/solution.json describes `shape` */
    public function toArray(): array;
}
