<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\Units;
use Bowline\Rules\Remedy;

/** A rule about a harness. */
interface HarnessRule
{
    /**
     * @param  array<string, list<BundleSpan>>  $bundles  of each trunk
     * @return list<HarnessFinding>
     */
    public function check(LaidHarness $laid, array $bundles, Units $units): array;

    /**
     * Suggests cures, the likeliest first.
     *
     * @return iterable<Remedy> not tried yet
     */
    public function remedies(HarnessFinding $finding, LaidHarness $laid, Units $units, Job $job): iterable;
}
