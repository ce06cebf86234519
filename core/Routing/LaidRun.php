<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Path;
use Bowline\Job\Run;

/** A run laid along its route: where it goes, before anything is judged. */
final readonly class LaidRun
{
    /**
     * @param  list<Vertex>  $vertices
     * @param  list<Bend>  $bends
     * @param  list<Leg>  $legs
     * @param  float  $adjustedBy  how far stops moved to bring it to its fixed length, mm
     * @param  float|null  $nearestLength  when they cannot: the nearest length they can reach, mm
     */
    public function __construct(
        public Run $run,
        public array $vertices,
        public Path $path,
        public array $bends,
        public array $legs,
        public float $adjustedBy = 0.0,
        public ?float $nearestLength = null,
    ) {
    }

    /** Length from end face to end face along the centreline, mm. */
    public function length(): float
    {
        return $this->path->length;
    }
}
