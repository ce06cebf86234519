<?php

declare(strict_types=1);

namespace Bowline\Job;

/** How a stock is bent: its default radius, its limits, and the change of length by bending. */
final readonly class BendPractice
{
    /**
     * @param  float  $radius  centre-line radius where nothing else is said, mm
     * @param  float  $leastRadius  tightest centre-line radius the stock stands, mm
     * @param  float  $leastStraight  straight the bender needs between two bends, mm
     * @param  float  $stretchPerDegree  how much longer the tube gets for each degree bent, mm
     */
    public function __construct(
        public float $radius,
        public float $leastRadius,
        public float $leastStraight,
        public float $stretchPerDegree,
        public Springback $springback,
    ) {
    }

    /**
     * @param  bool  $isBundle  whether its limits may be left out: they are those of what is in it
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values, bool $isBundle = false): self
    {
        $stretch = $node->find('stretch_per_degree');
        $limit = static fn (string $key): ?Node => $isBundle ? $node->find($key) : $node->get($key);

        return new self(
            $values->positive($node->get('radius'), 'the bend radius'),
            $values->notNegative($limit('min_radius'), 'the least radius'),
            $values->notNegative($limit('min_straight'), 'the least straight'),
            $stretch === null ? 0.0 : $values->number($stretch),
            Springback::read($node->find('springback'), $values),
        );
    }
}
