<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;

/**
 * The movement of a fitting: it swings about a line of its own between two angles, or moves from its place to a second
 * position. Positions are a share from 0 to 1; all moving things of a job move together.
 */
final readonly class Movement
{
    /**
     * @param  array{Hinge, float}|null  $swing  line, first angle, and second angle, radians; or null
     * @param  array{Vector, Vector, float}|null  $to  second place, and the rotation from the first: axis, and angle in
     *     radians
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
        // The rotation that remains after undoing that of the first position.
        $turn = Pose::turned(Vector::zero(), $rest->about, -$rest->angle)->turnedBy($pose->about, $pose->angle);

        return new self($rest, null, [$pose->at, $turn->about, $turn->angle]);
    }

    /** Returns the pose at a position of the movement. */
    public function at(float $part): Pose
    {
        if ($this->swing !== null) {
            [$hinge] = $this->swing;

            return (new Hinge($hinge->at, $hinge->axis, (float) $this->angle($part)))->swing($this->rest);
        }
        [$at, $about, $angle] = $this->to ?? [$this->rest->at, $this->rest->about, 0.0];

        return $this->rest->turnedBy($about, $angle * $part)->movedBy($at->minus($this->rest->at)->times($part));
    }

    /** Returns the swing angle at a position, radians; null when it does not swing. */
    public function angle(float $part): ?float
    {
        return $this->swing === null
            ? null
            : $this->swing[0]->angle + ($this->swing[1] - $this->swing[0]->angle) * $part;
    }

    /**
     * Returns the position at which the fitting stands as placed; below 0 or above 1 where that is outside of the
     * movement.
     */
    public function placedPart(): float
    {
        return $this->swing === null ? 0.0 : -$this->swing[0]->angle / ($this->swing[1] - $this->swing[0]->angle);
    }

    /**
     * Returns a point fixed to the fitting at a position.
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
