<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** A reducer at the end of a round run, which goes over to a tube of another size there. Millimetres. */
final readonly class Reducer implements End
{
    /**
     * @param  float  $od  outside diameter at the end
     * @param  float|null  $wall  there; null as that of the run
     * @param  bool  $isEccentric  whether it lies flat on its lowest line, so that nothing stays in it
     */
    public function __construct(
        public float $od,
        public ?float $wall,
        public float $length,
        public bool $isEccentric,
    ) {
    }

    /** Returns how far the axis at the end lies over that of the tube, mm: eccentric, their lowest lines are one. */
    public function shift(Section $section): float
    {
        return $this->isEccentric ? ($this->od - $section->outsideDiameter) / 2 : 0.0;
    }

    public function type(): string
    {
        return 'reducer';
    }

    public function flange(Section $section): null
    {
        return null;
    }

    public function cap(): null
    {
        return null;
    }

    public function reducer(): self
    {
        return $this;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }

    public function toFile(): stdClass
    {
        $number = FileValue::roundForFile(...);

        return (object) [
            'type' => 'reducer',
            'od' => $number($this->od),
            ...$this->wall === null ? [] : ['wall' => $number($this->wall)],
            'length' => $number($this->length),
            ...$this->isEccentric ? ['eccentric' => true] : [],
        ];
    }
}
