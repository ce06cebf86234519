<?php

declare(strict_types=1);

namespace Bowline\Drawing\Isometric;

use Bowline\Geometry\Vector;

/** What is at an end of a line: a flange, a cap, a reducer, a valve that it is connected to, or where it goes on. */
final readonly class EndMark
{
    public function __construct(
        public Vector $at,
        public bool $hasFlange,
        public bool $hasCap,
        public string $words,
        public bool $goesOn = false,
        public bool $hasReducer = false,
        public bool $isAtValve = false,
    ) {
    }

    /** Returns the end of a part of a line, which goes on on another sheet. */
    public static function continued(Vector $at, string $words): self
    {
        return new self($at, false, false, $words, true);
    }
}
