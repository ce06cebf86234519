<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

/** One number of a part. */
final readonly class Parameter
{
    /** @param  'mm'|'°'|''  $unit  empty for a count */
    public function __construct(
        public string $key,
        public string $label,
        public float $default,
        public string $unit = 'mm',
        public float $least = 1.0,
        public float $most = 1e5,
    ) {
    }
}
