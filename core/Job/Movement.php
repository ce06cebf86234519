<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;

/**
 * How a fitting moves while it works: it swings about a line of its own between two angles, or goes from where it
 * stands to a second position. Told by a part from 0 to 1; all that moves in a job does so together.
 */
final readonly class Movement
{
    /**
     * @param  array{Hinge, float}|null  $swing  about which line and from which angle, and to which, radians; or
     * @param  array{Vector, Vector, float}|null  $to  the second place, and the turn from the first: about what, and
     *     how far in radians
     */
    private function __construct(
        private Pose $rest,
        private ?array $swing,
        private ?array $to,
    ) {
    }

    /**
     * @param  Pose  $rest  where the fitting stands as placed
     * @param  callable(Pose): Pose  $mounted  where a pose of the file is in space
     *
     * @throws JobError
     */
    public static function read(?Node $node, Pose $rest, callable $mounted, Values $values): ?self
    {
        if ($node === null) {
            return null;
        }
        $swing = $node->find('swing');
        $second = $node->find('to');
        if (($swing === null) === ($second === null)) {
            throw $node->error('it moves by a “swing” or “to” a second position, one of the two');
        }
        if ($swing !== null) {
            $from = deg2rad($values->number($swing->get('from')));
            $to = deg2rad($values->number($swing->get('to')));
            if ($from === $to) {
                throw $swing->get('to')->error('it swings from one angle to another');
            }

            return new self(
                $rest,
                [new Hinge($values->vector($swing->get('at')), $values->direction($swing->get('axis')), $from), $to],
                null,
            );
        }
        $pose = $mounted(PoseReader::read($second, $values));
        // The turn that is left after going back from the first position.
        $turn = Pose::turned(Vector::zero(), $rest->about, -$rest->angle)->turnedBy($pose->about, $pose->angle);

        return new self($rest, null, [$pose->at, $turn->about, $turn->angle]);
    }

    /** Where it stands at a part of its movement. */
    public function at(float $part): Pose
    {
        if ($this->swing !== null) {
            [$hinge] = $this->swing;

            return (new Hinge($hinge->at, $hinge->axis, (float) $this->angle($part)))->swing($this->rest);
        }
        [$at, $about, $angle] = $this->to ?? [$this->rest->at, $this->rest->about, 0.0];

        return $this->rest->turnedBy($about, $angle * $part)->movedBy($at->minus($this->rest->at)->times($part));
    }

    /** The angle of a swing at a part of it, radians; null when it does not swing. */
    public function angle(float $part): ?float
    {
        return $this->swing === null
            ? null
            : $this->swing[0]->angle + ($this->swing[1] - $this->swing[0]->angle) * $part;
    }

    /** The part at which the fitting stands as placed; below 0 or above 1 where that is outside of its movement. */
    public function placedPart(): float
    {
        return $this->swing === null ? 0.0 : -$this->swing[0]->angle / ($this->swing[1] - $this->swing[0]->angle);
    }

    /**
     * What is fixed to the fitting, carried along.
     *
     * @param  Vector  $point  in space, as placed
     */
    public function point(Vector $point, float $part): Vector
    {
        return $this->at($part)->point($this->rest->ownPoint($point));
    }

    public function direction(Vector $direction, float $part): Vector
    {
        return $this->at($part)->direction($this->rest->ownDirection($direction));
    }
}
