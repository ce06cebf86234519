<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;

/** Reads a "pose": `at`, and `turn` with `about` and `by` in degrees. The default is the origin. */
final class PoseReader
{
    /** @throws JobError */
    public static function read(?Node $node, Values $values): Pose
    {
        $at = $node?->find('at');
        $turn = $node?->find('turn');
        $place = $at === null ? Vector::zero() : $values->vector($at);

        return $turn === null
            ? Pose::at($place)
            : Pose::turned($place, $values->direction($turn->get('about')), deg2rad($values->number($turn->get('by'))));
    }
}
