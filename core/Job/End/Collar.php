<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/**
 * A ring round the tube near its end: the bead that keeps a hose on, the stub that a loose flange bears on, or a stop.
 * Millimetres.
 */
final readonly class Collar implements End
{
    /**
     * @param  float  $od  outside diameter
     * @param  float  $width  along the tube
     * @param  float  $fromEnd  from its outer face to the end of the tube
     */
    public function __construct(
        public float $od,
        public float $width,
        public float $fromEnd,
    ) {
    }

    public function type(): string
    {
        return 'collar';
    }

    /** Returns the length of tube from its inner face to the end, mm. */
    public function length(): float
    {
        return $this->fromEnd + $this->width;
    }

    public function flange(Section $section): null
    {
        return null;
    }

    public function cap(): null
    {
        return null;
    }

    public function reducer(): null
    {
        return null;
    }

    public function collar(): self
    {
        return $this;
    }

    public function covers(Section $section): float
    {
        return $this->length();
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }

    public function toFile(): stdClass
    {
        $number = FileValue::roundForFile(...);

        return (object) [
            'type' => 'collar',
            'od' => $number($this->od),
            'width' => $number($this->width),
            ...$this->fromEnd > 0.0 ? ['from_end' => $number($this->fromEnd)] : [],
        ];
    }
}
