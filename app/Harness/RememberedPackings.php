<?php

declare(strict_types=1);

namespace App\Harness;

use Bowline\Harness\FoundPackings;
use Bowline\Harness\Packings;
use Illuminate\Contracts\Cache\Repository;

/** Packings of circles that are found once for all jobs: the same bundle comes again at each edit. */
final class RememberedPackings implements Packings
{
    /** How long one is kept after it was last found, seconds: a month. */
    private const SECONDS = 2_592_000;

    public function __construct(
        private readonly Repository $cache,
        private readonly FoundPackings $found = new FoundPackings,
    ) {
    }

    public function radius(array $radii): float
    {
        // A few are as quick to find as to look up.
        if (count($radii) < 4) {
            return $this->found->radius($radii);
        }

        return $this->cache->remember(
            'packing '.md5(FoundPackings::key($radii)), self::SECONDS, fn (): float => $this->found->radius($radii),
        );
    }
}
