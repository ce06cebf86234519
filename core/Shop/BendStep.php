<?php

declare(strict_types=1);

namespace Bowline\Shop;

/** A step of a bender: it feeds the tube, turns it, and bends it round a die. Millimetres and radians. */
final readonly class BendStep
{
    /**
     * @param  float  $straight  that is wanted between the bend before and this one
     * @param  float  $feed  by which the tube is fed
     * @param  float  $turn  about the tube, right-handed along the feed
     * @param  float  $set  angle that the bender is set to
     * @param  float  $angle  that is wanted
     * @param  float  $radius  of the die
     */
    public function __construct(
        public float $straight,
        public float $feed,
        public float $turn,
        public float $set,
        public float $angle,
        public float $radius,
    ) {
    }
}
