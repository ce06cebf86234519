<?php

declare(strict_types=1);

namespace Bowline\Solving;

use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidHarness;
use Bowline\Rules\Harness\HarnessFinding;
use Bowline\Rules\Severity;

/** A harness with the ways of its wires, what lies in its trunks, and what is found. */
final readonly class SolvedHarness
{
    /**
     * @param  array<string, list<BundleSpan>>  $bundles  of each trunk
     * @param  list<HarnessFinding>  $findings
     */
    public function __construct(
        public LaidHarness $laid,
        public array $bundles,
        public array $findings,
    ) {
    }

    /** Whether any of its findings is a violation. */
    public function isViolated(): bool
    {
        foreach ($this->findings as $finding) {
            if ($finding->severity === Severity::Violation) {
                return true;
            }
        }

        return false;
    }
}
