<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** A reason why a bender cannot bend a run, and what would help. */
final readonly class BenderObstacle
{
    /** @param  int|null  $bend  0-based; null when it is about the whole run */
    public function __construct(
        public ?int $bend,
        public string $message,
        public string $fix,
    ) {
    }
}
