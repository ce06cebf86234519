<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\Stock;

/** Wires in one jacket, of one stock, which is as thick as it is told. */
final readonly class Cable
{
    /** @param  int  $spares  cores that no wire of the harness uses */
    public function __construct(
        public string $id,
        public string $name,
        public Stock $stock,
        public int $spares,
    ) {
    }
}
