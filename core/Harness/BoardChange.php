<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Units;

/** What differs of a harness from the board that was built of it. */
abstract readonly class BoardChange
{
    /**
     * @param  string  $kind  in one word: `new` and `gone` (a trunk), `length`, `places`, `pins`, `splice`, `cover`
     * @param  string|null  $run  id of the trunk that is marked on the board; null where none is
     * @param  array{float, float}|null  $span  of that trunk, mm
     */
    public function __construct(
        public string $kind,
        public ?string $run = null,
        public ?array $span = null,
    ) {
    }

    /** Returns the whole of it in words. */
    abstract public function say(Units $units): string;

    /** Returns what stands beside the span on the board. */
    abstract public function label(Units $units): string;

    /** Says whether a connector or a splice on the board is ringed for it. */
    public function rings(BoardMark $mark): bool
    {
        return false;
    }
}
