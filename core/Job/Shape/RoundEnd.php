<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** The round end of a hole or of a spigot of an imported body, on which a port can be put. */
final readonly class RoundEnd
{
    /**
     * @param  Vector  $at  its centre in the frame of the body, mm
     * @param  Vector  $axis  unit direction out of the body
     * @param  float  $diameter  mm
     * @param  bool  $isHollow  whether it is a hole, and not the outside of a spigot
     */
    public function __construct(
        public Vector $at,
        public Vector $axis,
        public float $diameter,
        public bool $isHollow,
    ) {
    }

    /**
     * Reads the `rounds` of a mesh.
     *
     * @return list<self>
     *
     * @throws JobError
     */
    public static function all(Node $mesh, Values $values): array
    {
        return array_map(static fn (Node $node): self => new self(
            $values->vector($node->get('at')),
            $values->direction($node->get('axis')),
            $values->positive($node->get('diameter'), 'the diameter of a round end'),
            ($node->find('hollow')->value ?? false) === true,
        ), $mesh->list('rounds'));
    }
}
