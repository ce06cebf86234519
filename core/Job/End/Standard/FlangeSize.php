<?php

declare(strict_types=1);

namespace Bowline\Job\End\Standard;

/** One size of a table of flanges, in mm as the standard has it. */
final readonly class FlangeSize
{
    /**
     * @param  string  $name  "DN 50", "NPS 2"
     * @param  float  $tube  outside diameter of the pipe that it is made for
     * @param  float  $hole  diameter of the bolt holes
     * @param  float  $thickness  with its raised face
     * @param  float|null  $bore  of a plate that slips over the pipe; null where it is welded to a neck
     * @param  float|null  $raised  diameter of its raised face; null where it is flat
     * @param  float  $raisedBy  height of that
     * @param  float|null  $hub  diameter of its hub at the plate; null without one
     * @param  float  $height  from its face to the end of the hub; the thickness without one
     * @param  float  $land  length of the hub that has the diameter of the pipe
     * @param  float  $fillet  radius between hub and plate
     */
    public function __construct(
        public string $name,
        public float $tube,
        public float $od,
        public float $circle,
        public float $hole,
        public int $holes,
        public float $thickness,
        public ?float $bore,
        public ?float $raised,
        public float $raisedBy,
        public ?float $hub,
        public float $height,
        public float $land,
        public float $fillet,
    ) {
    }
}
