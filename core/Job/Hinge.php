<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;

/** A line in the frame of a thing, about which it swings. */
final readonly class Hinge
{
    /**
     * @param  Vector  $axis  unit
     * @param  float  $angle  radians, right-hand rule
     */
    public function __construct(
        public Vector $at,
        public Vector $axis,
        public float $angle,
    ) {
    }

    /** @throws JobError */
    public static function read(?Node $node, Values $values): ?self
    {
        return $node === null ? null : new self(
            $values->vector($node->get('at')),
            $values->direction($node->get('axis')),
            deg2rad($values->number($node->get('angle'))),
        );
    }

    /** Returns the pose of the swung thing from that of the thing as placed. */
    public function swing(Pose $pose): Pose
    {
        $turn = Pose::turned(Vector::zero(), $this->axis, $this->angle);

        return $turn->movedBy($this->at->minus($turn->point($this->at)))->within($pose);
    }
}
