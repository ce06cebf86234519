<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A length of a trunk along which the same wires lie in it, under the same covers. Millimetres. */
final readonly class BundleSpan
{
    /**
     * @param  float  $from  developed length of the trunk; $to likewise
     * @param  list<string>  $wires  ids, in the order of the harness
     * @param  float  $bare  diameter of the wires together
     * @param  float  $diameter  with what covers them
     * @param  float  $leastRadius  to which all of them may be bent
     * @param  float  $movingRadius  to which all of them may be bent where they move
     * @param  float  $mass  of the wires in it, kg
     * @param  float|null  $fill  share of the bore of its conduit that they take; null without one
     * @param  float|null  $mostFill  that they may take
     */
    public function __construct(
        public float $from,
        public float $to,
        public array $wires,
        public float $bare,
        public float $diameter,
        public float $leastRadius,
        public float $movingRadius,
        public float $mass,
        public ?float $fill,
        public ?float $mostFill,
    ) {
    }
}
