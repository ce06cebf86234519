<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\CirclePacking;

/** Finds each packing once, as long as the object lives. */
final class FoundPackings implements Packings
{
    /** @var array<string, float> mm, by what stands for the radii of the circles */
    private array $known = [];

    public function radius(array $radii): float
    {
        return $this->known[self::key($radii)] ??= CirclePacking::radius($radii);
    }

    public function areFound(): bool
    {
        return true;
    }

    public function places(array $radii): array
    {
        return CirclePacking::places($radii);
    }

    /**
     * Returns what stands for circles, in whatever order they are told.
     *
     * @param  list<float>  $radii
     */
    public static function key(array $radii): string
    {
        $counts = [];
        foreach ($radii as $radius) {
            $size = (int) round($radius * 1e4);
            $counts[$size] = ($counts[$size] ?? 0) + 1;
        }
        ksort($counts);

        return http_build_query($counts);
    }
}
