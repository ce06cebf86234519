<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A length of a trunk between two nodes of a backbone, gone along in one direction. */
final readonly class BackboneEdge
{
    /**
     * @param  int  $to  node at its end
     * @param  float  $from  developed length of the trunk at its start, mm; $until at its end, which may be less
     */
    public function __construct(
        public int $to,
        public string $run,
        public float $from,
        public float $until,
    ) {
    }

    public function length(): float
    {
        return abs($this->until - $this->from);
    }

    /** @param  int  $node  at its start */
    public function reversed(int $node): self
    {
        return new self($node, $this->run, $this->until, $this->from);
    }

    /** Whether another goes along the same length of trunk in the other direction. */
    public function isReverseOf(self $other): bool
    {
        return $this->run === $other->run && $this->from === $other->until && $this->until === $other->from;
    }
}
