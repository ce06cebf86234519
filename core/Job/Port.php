<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use Bowline\Job\Harness\Allowance;

/** Where a run connects to a fitting: a point in space and the unit axis along which the run leaves. */
final readonly class Port
{
    /**
     * @param  string  $name  "fitting.port"
     * @param  float|null  $size  diameter it is made for, mm, when it is said
     * @param  Movement|null  $movement  of the fitting it is on
     * @param  string|null  $title  in the words of the screen; null where its id says all
     * @param  array<array-key, string|null>  $pins  what each is for, by its mark; null where that is not told
     * @param  Allowance|null  $allowance  what wires are cut longer by at it; null where a harness says so
     */
    public function __construct(
        public string $name,
        public Vector $at,
        public Vector $axis,
        public ?float $size,
        public ?Movement $movement = null,
        public ?string $title = null,
        public array $pins = [],
        public ?Allowance $allowance = null,
    ) {
    }

    /** Returns the port at a position of the movement of its fitting. */
    public function moved(float $part): self
    {
        return $this->movement === null ? $this : new self(
            $this->name, $this->movement->point($this->at, $part), $this->movement->direction($this->axis, $part),
            $this->size, $this->movement, $this->title, $this->pins, $this->allowance,
        );
    }
}
