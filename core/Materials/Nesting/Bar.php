<?php

declare(strict_types=1);

namespace Bowline\Materials\Nesting;

/** A bar of stock with what is cut from it. Millimetres. */
final readonly class Bar
{
    /**
     * @param  float  $length  as it is bought
     * @param  non-empty-list<Piece>  $pieces
     * @param  float  $offcut  that is left of it
     */
    public function __construct(
        public float $length,
        public array $pieces,
        public float $offcut,
    ) {
    }
}
