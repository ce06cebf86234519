<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** What a wire is cut longer by at an end: stripped, in its crimp, and for a service loop. Millimetres. */
final readonly class Allowance
{
    public function __construct(
        public float $strip,
        public float $crimp,
        public float $loop,
    ) {
    }

    /**
     * @param  self|null  $usual  for what is not told
     *
     * @throws JobError
     */
    public static function read(?Node $node, Values $values, ?self $usual = null): self
    {
        return new self(
            $values->notNegative($node?->find('strip'), 'what is stripped', $usual->strip ?? 0.0),
            $values->notNegative($node?->find('crimp'), 'what goes into the crimp', $usual->crimp ?? 0.0),
            $values->notNegative($node?->find('loop'), 'the service loop', $usual->loop ?? 0.0),
        );
    }

    public function total(): float
    {
        return $this->strip + $this->crimp + $this->loop;
    }
}
