<?php

declare(strict_types=1);

namespace Bowline\Space;

use Closure;

/** What part of some work is done, for whoever watches it; it may be broken off by an exception of theirs. */
final readonly class Progress
{
    /** @param  (Closure(float): void)|null  $told  is told the part that is done, 0 to 1; null where nobody watches */
    public function __construct(
        private ?Closure $told = null,
        private float $from = 0.0,
        private float $to = 1.0,
    ) {
    }

    /** @param  float  $part  that is done, 0 to 1 */
    public function tell(float $part): void
    {
        if ($this->told !== null) {
            ($this->told)($this->from + ($this->to - $this->from) * $part);
        }
    }

    /** Returns the progress of a share of the work. */
    public function share(int $number, int $count): self
    {
        $step = ($this->to - $this->from) / $count;

        return new self($this->told, $this->from + $number * $step, $this->from + ($number + 1) * $step);
    }
}
