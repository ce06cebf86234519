<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

/** The length that a wire has to have, or not to exceed. */
final readonly class WireLength
{
    /**
     * @param  float|null  $is  mm
     * @param  float|null  $atMost  mm
     * @param  string|null  $sameAs  id of another wire of the harness
     * @param  float  $tolerance  by which it may differ, mm
     */
    public function __construct(
        public ?float $is,
        public ?float $atMost,
        public ?string $sameAs,
        public float $tolerance,
    ) {
    }
}
