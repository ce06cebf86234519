<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Job\Tie\Tie;

/** A vertex with what it is tied to, and what came of it. */
final readonly class TiedCorner
{
    /** @param  list<Tie>  $ties */
    public function __construct(
        public array $ties,
        public TieSolution $held,
    ) {
    }
}
