<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

/** A place on a trunk at which wires are joined. */
final readonly class Splice
{
    /** @param  float  $along  developed length of the trunk to it, mm */
    public function __construct(
        public string $id,
        public string $name,
        public string $run,
        public float $along,
    ) {
    }
}
