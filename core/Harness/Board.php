<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A harness laid flat, at full size: every trunk straight and as long as it is. Millimetres, y upwards. */
final readonly class Board
{
    /**
     * @param  list<BoardSegment>  $segments
     * @param  list<BoardMark>  $marks
     * @param  list<BoardTurn>  $turns
     * @param  float  $width  of all of it, from 0; $height likewise
     */
    public function __construct(
        public array $segments,
        public array $marks,
        public array $turns,
        public float $width,
        public float $height,
    ) {
    }
}
