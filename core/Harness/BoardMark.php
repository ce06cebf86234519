<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** A place on the board that is told by words: a connector, a splice, or one of the two ends of a break. */
final readonly class BoardMark
{
    /**
     * @param  'connector'|'splice'|'break'  $kind
     * @param  string  $name  of the port or the splice; the letter of a break
     * @param  array{float, float}  $at  mm
     * @param  float  $angle  away from the harness, radians
     */
    public function __construct(
        public string $kind,
        public string $name,
        public array $at,
        public float $angle,
    ) {
    }

    public function moved(float $x, float $y): self
    {
        return new self($this->kind, $this->name, [$this->at[0] + $x, $this->at[1] + $y], $this->angle);
    }
}
