<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Job\ItemRef;

/** An item of a job that takes room. */
interface Thing
{
    public function ref(): ItemRef;

    public function name(): string;

    /** Returns the class of what it carries; null for none. */
    public function carries(): ?string;

    /** Returns what it stays free for, where it is the room beside a fitting; null where it is a body. */
    public function room(): ?string;

    /** Returns a box that holds it. */
    public function bounds(): Bounds;

    /**
     * Returns what tells its distance from places near a box.
     *
     * @param  float  $within  how far off the box it is still asked for, mm
     * @param  list<string>  $without  ends of a run, `from` and `to`, at which what stands out of the tube is left out
     * @return list<Surface>
     */
    public function surfaces(Bounds $box, float $within, array $without = []): array;
}
