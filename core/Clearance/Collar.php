<?php

declare(strict_types=1);

namespace Bowline\Clearance;

/** What goes round a run over a length of it: a sleeve, a flange of a joint, a clip. Millimetres. */
final readonly class Collar
{
    /** @param  float  $from  developed length of the run where it begins; $to where it ends */
    public function __construct(
        public float $from,
        public float $to,
        public float $radius,
    ) {
    }
}
