<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Words;

/** A run where what it hangs on stands at one part of its movement. */
final readonly class MovedPosition
{
    /**
     * @param  float  $part  of the movement, 0 to 1
     * @param  float|null  $angle  of the swing, radians; null when nothing swings
     * @param  float|null  $taut  the way between its ends as a part of the length there is for it; null when its
     *     length follows its shape
     * @param  float|null  $twist  by which its ends are screwed against each other, radians; null when its ends are
     *     free to turn
     * @param  array{float, string, Vector}|null  $nearest  how far off the nearest of the surroundings is, mm; its id;
     *     where
     * @param  bool  $jumped  whether its shape stopped being stable since the position before it, and it jumped to
     *     another
     */
    public function __construct(
        public float $part,
        public ?float $angle,
        public LaidRun $laid,
        public ?float $taut,
        public ?float $twist,
        public ?array $nearest,
        public bool $jumped = false,
    ) {
    }

    public function withJump(bool $jumped): self
    {
        return new self($this->part, $this->angle, $this->laid, $this->taut, $this->twist, $this->nearest, $jumped);
    }

    /** Where in the movement, for people: its angle, or how far it has gone. */
    public function words(): string
    {
        return $this->angle !== null
            ? Words::number(rad2deg($this->angle)).'°'
            : sprintf('%d %%', (int) round(100 * $this->part));
    }

    /** INF when it is straight. */
    public function leastRadius(): float
    {
        return $this->laid->path->leastRadius() ?? INF;
    }
}
