<?php

declare(strict_types=1);

namespace Bowline\Job;

/** A length that a run must have, and which stops may move to reach it. */
final readonly class FixedLength
{
    /** Default tolerance, mm. */
    public const TOLERANCE = 1;

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
    public static function read(?Node $node, Site $site, int $stopCount): ?self
    {
        if ($node === null) {
            return null;
        }
        $values = $site->values;
        $adjust = $node->find('adjust');
        $set = $node->find('same_as');

        return new self(
            $set === null
                ? $values->positive($node->get('length'), 'the length to hold')
                : self::longestOf($set, $site),
            $values->notNegative($node->get('tolerance'), 'the tolerance'),
            $adjust === null ? null : Adjustment::read($adjust, $values, $stopCount),
        );
    }

    /** @throws JobError */
    private static function longestOf(Node $set, Site $site): float
    {
        if (! isset($site->sets[$set->text()])) {
            throw $set->error(sprintf('there is no set “%s”', $set->text()));
        }

        return $site->routes->longest($site, $set->text(), $set) ?? throw $set->error('no run is of this set');
    }
}
