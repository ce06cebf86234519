<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

/** A space beside a part that stays free so that hands and tools get at it. */
final readonly class Room
{
    /** @param  string  $use  what it is for, as it goes on behind "Room is needed": "to turn its lever" */
    public function __construct(
        public string $use,
        public Solid $solid,
    ) {
    }
}
