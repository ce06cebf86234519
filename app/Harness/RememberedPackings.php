<?php

declare(strict_types=1);

namespace App\Harness;

use Bowline\Harness\FoundPackings;
use Bowline\Harness\Packings;
use Illuminate\Contracts\Cache\Repository;

/**
 * Packings of circles that are found once for all jobs: the same bundle comes again at each edit. A request finds new
 * ones for a few seconds at most; what is left then is as large as its circles at the density of those that are found,
 * and is found by the requests that follow.
 */
final class RememberedPackings implements Packings
{
    /** How long a request may look for packings, nanoseconds. */
    private const LONGEST = 3_000_000_000;

    /** Share of its area that wires of two sizes cover, found of bundles of 200 to 500. */
    private const DENSITY = 0.81;

    /** Most packings that are kept on one of 16 shelves, each of which is read at once. */
    private const MOST = 4000;

    /** @var array<string, array<string, float>> mm, by shelf and what stands for the radii */
    private array $known = [];

    private int $spent = 0;

    private bool $areFound = true;

    /** How long one is kept after it was last found, seconds: a month. */
    private const SECONDS = 2_592_000;

    /** @param  int  $longest  how long this request may look for packings, nanoseconds */
    public function __construct(
        private readonly Repository $cache,
        private readonly FoundPackings $found = new FoundPackings,
        private readonly int $longest = self::LONGEST,
    ) {
    }

    public function radius(array $radii): float
    {
        // A few are as quick to find as to look up.
        if (count($radii) < 4) {
            return $this->found->radius($radii);
        }

        $key = FoundPackings::key($radii);
        $shelf = substr(md5($key), 0, 1);
        $this->known[$shelf] ??= $this->shelf($shelf);
        if (! isset($this->known[$shelf][$key])) {
            if ($this->spent > $this->longest) {
                $this->areFound = false;

                return sqrt(array_sum(array_map(static fn (float $one): float => $one ** 2, $radii)) / self::DENSITY);
            }
            $start = hrtime(true);
            $this->known[$shelf][$key] = $this->found->radius($radii);
            $this->spent += hrtime(true) - $start;
            $this->cache->put(
                'packings '.$shelf, array_slice($this->known[$shelf], -self::MOST, null, true), self::SECONDS,
            );
        }

        return $this->known[$shelf][$key];
    }

    public function areFound(): bool
    {
        return $this->areFound;
    }

    /** @return array<string, float> */
    private function shelf(string $shelf): array
    {
        $known = $this->cache->get('packings '.$shelf);

        $radii = [];
        foreach (is_array($known) ? $known : [] as $key => $radius) {
            if (is_float($radius)) {
                $radii[(string) $key] = $radius;
            }
        }

        return $radii;
    }

    public function places(array $radii): array
    {
        /** @var list<array{float, float}> */
        return $this->cache->remember(
            'places '.md5(FoundPackings::key($radii)), self::SECONDS, fn (): array => $this->found->places($radii),
        );
    }
}
