<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Geometry\Path;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidRun;
use Bowline\Space\TubeDistance;

/** A run of a rounded body, as a round tube. */
final readonly class MemberTube
{
    /** Places along a radius at which it is looked whether legs meet. */
    private const LOOKED_AT = 8;

    /**
     * @param  float  $radius  of its outside, mm
     * @param  float  $bore  radius of its bore, mm; 0 of a rod
     * @param  bool  $isFromFree  whether its start is an end of the body; its end likewise
     */
    public function __construct(
        public LaidRun $laid,
        public float $radius,
        public float $bore,
        public bool $isFromFree,
        public bool $isToFree,
    ) {
    }

    public function tube(float $radius): TubeDistance
    {
        return TubeDistance::along($this->laid->path, $radius, $this->isFromFree, $this->isToFree);
    }

    /** @return list<array{bool, RunEnd, Path}> whether it is the start, the end itself, and the path from it */
    public function freeEnds(): array
    {
        $run = $this->laid->run;

        return array_values(array_filter([
            $this->isFromFree ? [true, $run->from, $this->laid->path] : null,
            $this->isToFree ? [false, $run->to, $this->laid->path->reversed()] : null,
        ], is_array(...)));
    }

    /** Returns how far apart its outside and that of another are, mm; negative where they overlap. */
    public function gapTo(self $other): float
    {
        $tube = $other->tube($other->radius);
        $least = INF;
        $path = $this->laid->path;
        $count = (int) ceil($path->length / $this->radius * self::LOOKED_AT);
        for ($i = 0; $i <= $count; $i++) {
            $point = $path->pointAt($path->length * $i / $count);
            $least = min($least, $tube->at($point->x, $point->y, $point->z)[0] - $this->radius);
        }

        return $least;
    }
}
