<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidHarness;
use Bowline\Rules\Harness\HarnessFinding;

/** A harness with the ways of its wires, what lies in its trunks, and what is found. */
final readonly class SolvedHarness
{
    /**
     * @param  array<string, list<BundleSpan>>  $bundles  of each trunk
     * @param  list<HarnessFinding>  $findings
     * @param  bool  $arePacked  whether all bundles are as thick as they were found, and none as estimated
     */
    public function __construct(
        public LaidHarness $laid,
        public array $bundles,
        public array $findings,
        public bool $arePacked = true,
    ) {
    }

    /**
     * @param  list<self>  $solved
     * @return array<string, list<BundleSpan>> of the trunks of several, by their ids
     */
    public static function bundlesOf(array $solved): array
    {
        // Not merged: that would number trunks anew whose ids are numbers.
        return array_replace([], ...array_column($solved, 'bundles'));
    }

    /** Whether any of its findings is a violation that is not waived. */
    public function isViolated(): bool
    {
        foreach ($this->findings as $finding) {
            if ($finding->counts()) {
                return true;
            }
        }

        return false;
    }
}
