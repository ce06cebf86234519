<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Tie\Tie;

/** A vertex with its ties and their solution. */
final readonly class TiedCorner
{
    /** @param  list<Tie>  $ties */
    public function __construct(
        public array $ties,
        public TieSolution $held,
    ) {
    }
}
