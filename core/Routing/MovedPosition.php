<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Vector;
use Bowline\Job\Words;

/** A run at one position of the movement of what holds it. */
final readonly class MovedPosition
{
    /**
     * @param  float  $part  position in the movement, 0 to 1
     * @param  float|null  $angle  of the swing, radians; null when nothing swings
     * @param  float|null  $taut  distance of its ends divided by the length available; null when its length follows its
     *     shape
     * @param  float|null  $twist  by which its ends are turned against each other, radians; null when its ends are free
     *     to turn
     * @param  array{float, string, Vector}|null  $nearest  distance to the nearest of the surroundings in mm, its id,
     *     and the point
     * @param  bool  $jumped  whether its branch stopped being stable since the position before, so that it jumped to
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

    /** Returns the position in words: its angle, or the share of the way. */
    public function words(): string
    {
        return self::inWords($this->angle === null ? null : rad2deg($this->angle), $this->part);
    }

    /**
     * @param  float|null  $angle  of the swing, degrees; null when nothing swings
     * @param  float  $part  position in the movement, 0 to 1
     */
    public static function inWords(?float $angle, float $part): string
    {
        return $angle !== null ? Words::number($angle).'°' : sprintf('%d %%', (int) round(100 * $part));
    }

    /** Returns the smallest radius, mm; INF when it is straight. */
    public function leastRadius(): float
    {
        return $this->laid->path->leastRadius() ?? INF;
    }
}
