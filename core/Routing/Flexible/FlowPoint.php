<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** A point of a smooth run: passed in any direction, in a given direction with a pull, or through a clamp. */
final readonly class FlowPoint
{
    /**
     * @param  Vector|null  $slope  a unit direction times its pull; null where it goes through as it likes
     * @param  Gate|null  $gate  the clamp that it is
     */
    private function __construct(
        public Vector $at,
        public ?Vector $slope,
        public ?Gate $gate,
    ) {
    }

    public function movedBy(Vector $by): self
    {
        return $this->gate !== null ? $this : new self($this->at->plus($by), $this->slope, null);
    }

    /**
     * Reads three numbers; or `at` with optional `along` and `pull`; or `clamp` with optional `reverse` or `loose`.
     *
     * @throws JobError
     */
    public static function read(Node $node, Site $site): self
    {
        if ($node->find('clamp') !== null) {
            $gate = Gate::read($node, $site);

            return new self($gate->clamp->at, null, $gate);
        }
        $at = $node->find('at');
        $along = $node->find('along');
        $pull = $node->find('pull');
        if ($pull !== null && $along === null) {
            throw $pull->error('a pull needs the direction that pulls, “along”');
        }

        return new self(
            $site->values->vector($at ?? $node),
            $along === null
                ? null
                : $site->values
                    ->direction($along)
                    ->times($pull === null ? 1.0 : $site->values->positive($pull, 'the pull')),
            null,
        );
    }
}
