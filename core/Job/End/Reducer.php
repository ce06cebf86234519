<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** A reducer at the end of a round run, which goes over to a tube of another size there. Millimetres. */
final readonly class Reducer implements End
{
    /** Lengths are rounded up to whole multiples of this, mm. */
    private const STEP = 5.0;

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

    /** Returns the concentric one between two tubes; null where they are as wide as each other. */
    public static function between(Section $one, Section $other): ?self
    {
        return abs($one->outsideDiameter - $other->outsideDiameter) < Tolerance::COINCIDENT ? null : new self(
            $other->outsideDiameter, $other->isSolid() ? null : $other->wall,
            self::usualLength($one->outsideDiameter, $other->outsideDiameter), false,
        );
    }

    /** Returns the length of a reducer: as long as its larger end is wide, about that of ASME B16.9 and EN 10253. */
    public static function usualLength(float $one, float $other): float
    {
        return ceil(max($one, $other) / self::STEP) * self::STEP;
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

    public function collar(): null
    {
        return null;
    }

    public function covers(Section $section): float
    {
        return $this->length;
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
