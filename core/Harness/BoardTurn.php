<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Where what goes along a trunk is turned against the one that it leaves. Millimetres and radians. */
final readonly class BoardTurn
{
    /**
     * @param  bool  $isForward  whether it goes towards the end of the trunk
     * @param  array{float, float}  $at  on the board
     * @param  float  $along  direction on the board of the trunk that it leaves, from the start of that to its end
     * @param  float  $angle  against that
     * @param  BoardSegment|null  $inWay  what lies where it would at the angle that is told, for which it is at another
     */
    public function __construct(
        public string $run,
        public bool $isForward,
        public array $at,
        public float $along,
        public float $angle,
        public ?BoardSegment $inWay,
    ) {
    }

    public function moved(float $x, float $y): self
    {
        return new self(
            $this->run, $this->isForward, [$this->at[0] + $x, $this->at[1] + $y], $this->along, $this->angle,
            $this->inWay,
        );
    }
}
