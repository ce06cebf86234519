<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Harness\Wire;

/** A wire as it goes along the backbone. Millimetres. */
final readonly class LaidWire
{
    /**
     * @param  FoundWay|null  $way  along trunks; null without one
     * @param  array{LeadOff, LeadOff}|null  $leadOffs  at its start and at its end; null without a way
     * @param  float  $factor  by which it is longer than its ways, where it is twisted
     * @param  float  $step  to whole multiples of which it is cut
     */
    public function __construct(
        public Wire $wire,
        private ?FoundWay $way,
        public ?array $leadOffs,
        private float $factor,
        private float $step,
    ) {
    }

    /** @return list<Way> along trunks, in order */
    public function ways(): array
    {
        return $this->way?->ways() ?? [];
    }

    /** Returns the length along trunks, without the twist. */
    public function along(): float
    {
        return $this->way->length ?? 0.0;
    }

    /** Returns by how much twisting makes it longer. */
    public function twist(): float
    {
        return $this->along() * ($this->factor - 1.0);
    }

    /** Returns its length from pin to pin; null without a way. */
    public function length(): ?float
    {
        return $this->leadOffs === null
            ? null
            : $this->along() + $this->twist() + $this->leadOffs[0]->length + $this->leadOffs[1]->length;
    }

    /** Returns what it is cut to: with what both ends need, rounded up to the step; null without a way. */
    public function cutLength(): ?float
    {
        $length = $this->length();
        if ($length === null) {
            return null;
        }
        $needed = $length + $this->wire->from->allowance->total() + $this->wire->to->allowance->total();

        // What is a whole multiple but for rounding is not a step more.
        return ceil($needed / $this->step - Tolerance::RULE_SLACK) * $this->step;
    }
}
