<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Job\Shape\Shape;

/** A solid of a fitting or of the surroundings, from which channels are taken. */
final readonly class Block
{
    /**
     * @param  Pose  $pose  of the frame of its shape, in space
     * @param  float|null  $density  kg/m³; null where none is told
     * @param  array<string, Port>|null  $openings  ports at which channels come out; null of the surroundings, which
     *     have no ports
     */
    public function __construct(
        public string $id,
        public string $name,
        public Shape $shape,
        public Pose $pose,
        public ?float $density,
        public ?array $openings = null,
    ) {
    }
}
