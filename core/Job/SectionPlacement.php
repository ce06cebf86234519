<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Outline;
use Bowline\Geometry\Vector;

/** How the section of a run is turned about its path: `section_up` and `section_turn`. */
final readonly class SectionPlacement
{
    /**
     * @param  Vector  $up  unit, of the job
     * @param  bool  $isUpright  whether its height stays in the plane of `up` all along; otherwise it begins there and
     *     is carried along the path without turning about it
     * @param  float  $turn  by which it is turned from that, right-handed about the travel, radians
     */
    public function __construct(
        public Vector $up,
        public bool $isUpright,
        private float $turn,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $run, Values $values, Vector $up): self
    {
        $turn = $run->find('section_turn');

        return new self(
            $up,
            $run->find('section_up')?->text() === 'upright',
            $turn === null ? 0.0 : deg2rad($values->number($turn)),
        );
    }

    /** Returns an outline of the section in the frame whose second direction is the height before the turn. */
    public function place(Outline $outline): Outline
    {
        return $this->turn === 0.0 ? $outline : $outline->turned($this->turn);
    }

    /** Returns the distance from the path to the outside in a direction of that frame, mm. */
    public function extent(Section $section, float $x, float $y): float
    {
        [$cos, $sin] = [cos($this->turn), sin($this->turn)];

        return $section->extent($cos * $x + $sin * $y, $cos * $y - $sin * $x);
    }
}
