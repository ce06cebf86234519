<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

/** A piece to be cut from a bar. */
final readonly class Piece
{
    /**
     * @param  string  $mark  what it is for: "feed-2"
     * @param  float  $length  mm
     */
    public function __construct(
        public string $mark,
        public float $length,
    ) {
    }
}
