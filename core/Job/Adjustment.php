<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;

/** The stops that move together, and the unit direction, to bring a run to its length. */
final readonly class Adjustment
{
    /** @param  non-empty-list<int>  $stops  0-based */
    public function __construct(
        public array $stops,
        public Vector $along,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values, int $stopCount): self
    {
        $stops = [];
        foreach ($node->get('stops')->items() as $item) {
            $stop = $values->count($item, 'the number of a stop');
            if ($stop >= $stopCount) {
                throw $item->error(sprintf('there is no stop %d; this run has %d', $stop, $stopCount));
            }
            $stops[] = $stop;
        }
        if ($stops === []) {
            throw $node->get('stops')->error('at least one stop must be able to move');
        }

        return new self(array_values(array_unique($stops)), $values->direction($node->get('along')));
    }
}
