<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

/** A line of a view, before it is put on paper: all of it visible, or all of it behind something. */
final readonly class ViewLine
{
    /**
     * @param  string  $of  what it is a line of
     * @param  list<array{float, float}>  $points  in the projection, mm at full size
     */
    public function __construct(
        public string $of,
        public array $points,
        public bool $isHidden,
        public bool $isRun,
    ) {
    }
}
