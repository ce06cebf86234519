<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

/** From which bars pieces are cut, and how little it could be at best. Millimetres. */
final readonly class CuttingPlan
{
    /**
     * @param  list<Bar>  $bars  the fullest first
     * @param  float  $bound  no plan takes less than this length of bars
     * @param  list<Piece>  $tooLong  pieces that are longer than every bar
     */
    public function __construct(
        public array $bars,
        public float $bound,
        public array $tooLong,
    ) {
    }

    /** Returns the length of all bars. */
    public function length(): float
    {
        return array_sum(array_map(static fn (Bar $bar): float => $bar->length, $this->bars));
    }

    /** Returns by what part of the least possible length it may be longer than the best plan, 0 or more. */
    public function gap(): float
    {
        return $this->bound <= 0.0 ? 0.0 : max(0.0, $this->length() / $this->bound - 1.0);
    }
}
