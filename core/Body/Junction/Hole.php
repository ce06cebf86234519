<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Profile;

/** A hole in the wall of a host: the foot of a branch, and the loop from which the wall of that goes on. */
final readonly class Hole
{
    /** @param  Profile  $loop  counter-clockwise about the branch round an outside, clockwise round a bore */
    public function __construct(
        public PlacedSaddle $foot,
        public Profile $loop,
    ) {
    }
}
