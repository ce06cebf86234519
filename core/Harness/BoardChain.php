<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Harness\Harness;

/** What goes on along one trunk from a place, before it is laid on the board: lengths between nodes of the backbone. */
final readonly class BoardChain
{
    /**
     * @param  string|null  $run  null of a way to a pin
     * @param  non-empty-list<array{float, float, int|null}>  $pieces  developed lengths from where to where, mm, and
     *     the node at the end; null at that of a way to a pin, or where it is broken off
     * @param  string|null  $port  at the end of a way to a pin
     */
    public function __construct(
        public ?string $run,
        public array $pieces,
        public ?string $port = null,
    ) {
    }

    /** Whether it goes towards the end of its trunk. */
    public function isForward(): bool
    {
        return $this->pieces[0][1] > $this->pieces[0][0];
    }

    /** Returns the key of its angle among those that a harness tells (`Harness::$angles`). */
    public function angleKey(): string
    {
        return Harness::angleKey((string) $this->run, $this->isForward() ? 'end' : 'start');
    }

    public function length(): float
    {
        return array_sum(array_map(static fn (array $piece): float => abs($piece[1] - $piece[0]), $this->pieces));
    }

    /**
     * Returns it in two where it is longer than there is room for.
     *
     * @return array{self, self|null}
     */
    public function cutAt(float $longest): array
    {
        if ($this->length() <= $longest) {
            return [$this, null];
        }
        $first = $rest = [];
        $left = $longest;
        foreach ($this->pieces as [$from, $to, $node]) {
            $length = abs($to - $from);
            if ($rest !== [] || $left <= 0.0) {
                $rest[] = [$from, $to, $node];
            } elseif ($length <= $left) {
                $first[] = [$from, $to, $node];
                $left -= $length;
            } else {
                $at = $from + ($to > $from ? $left : -$left);
                $first[] = [$from, $at, null];
                $rest[] = [$at, $to, $node];
                $left = 0.0;
            }
        }

        return $first === [] || $rest === [] ? [$this, null] : [
            new self($this->run, $first), new self($this->run, $rest, $this->port),
        ];
    }
}
