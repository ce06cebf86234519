<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Pins that are joined by wires, through splices and pins with several wires. */
final readonly class Net
{
    /**
     * @param  list<string>  $pins  "fitting.port.pin", in the order of the wires
     * @param  list<string>  $wires  ids
     */
    public function __construct(
        public array $pins,
        public array $wires,
    ) {
    }
}
