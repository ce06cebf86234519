<?php

declare(strict_types=1);

namespace Bowline\Job;

/** A length that a run must have, and what may give so that it has it. */
final readonly class FixedLength
{
    public function __construct(
        public float $length,
        public float $tolerance,
        public ?Adjustment $adjustment,
    ) {
    }

    /**
     * @param  int  $stopCount  how many stops the route has
     *
     * @throws JobError
     */
    public static function read(?Node $node, Values $values, int $stopCount): ?self
    {
        if ($node === null) {
            return null;
        }
        $adjust = $node->find('adjust');

        return new self(
            $values->positive($node->get('length'), 'the length to hold'),
            $values->notNegative($node->get('tolerance'), 'the tolerance'),
            $adjust === null ? null : Adjustment::read($adjust, $values, $stopCount),
        );
    }
}
