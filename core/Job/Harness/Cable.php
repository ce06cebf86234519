<?php

declare(strict_types=1);

namespace Bowline\Job\Harness;

use Bowline\Job\Stock;

/** Wires in one jacket, of one stock, which is as thick as it is told. */
final readonly class Cable
{
    /**
     * @param  int  $spares  cores that no wire of the harness uses
     * @param  list<string>  $cores  their names; none where they have none
     * @param  list<Terminal>  $shield  pins at which its shield is landed
     */
    public function __construct(
        public string $id,
        public string $name,
        public Stock $stock,
        public int $spares,
        public array $cores = [],
        public array $shield = [],
    ) {
    }
}
