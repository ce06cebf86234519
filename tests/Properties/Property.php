<?php

declare(strict_types=1);

namespace Tests\Properties;

/**
 * A law that holds of any job of a kind: a random one is made from a seed and what it misses the law by is measured.
 * The tests check it with fixed seeds, bench/properties.php with any.
 */
interface Property
{
    /** @return array<string, float> what each part of it may be missed by */
    public function limits(): array;

    /** @return array<string, float> what a random job misses each part by; parts that do not apply are left out */
    public function differences(int $seed): array;
}
