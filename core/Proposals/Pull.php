<?php

declare(strict_types=1);

namespace Bowline\Proposals;

/** One end of a straight piece, pulled along it. */
final readonly class Pull
{
    /**
     * @param  int  $piece  0-based
     * @param  bool  $atEnd  its end, or its start
     * @param  float  $by  mm: more makes the piece longer, less than 0 shorter
     */
    public function __construct(
        public int $piece,
        public bool $atEnd,
        public float $by,
    ) {
    }
}
