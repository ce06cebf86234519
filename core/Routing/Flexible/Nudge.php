<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Site;

/** A point of a draped line that is moved by hand before the line comes to rest. */
final readonly class Nudge
{
    /** @param  float  $along  which point of it, as a part of its length */
    private function __construct(
        public float $along,
        public Vector $to,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Site $site): self
    {
        $along = $site->values->number($node->get('along'));
        if ($along <= 0.0 || $along >= 1.0) {
            throw $node
                ->get('along')
                ->error('a point between the ends is taken, by its part of the length between 0 and 1');
        }

        return new self($along, $site->values->vector($node->get('to')));
    }
}
