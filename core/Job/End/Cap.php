<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\FileValue;
use Bowline\Job\Section;
use stdClass;

/** A cap on the end of a run, which stands past it. Millimetres. */
final readonly class Cap implements End
{
    /**
     * @param  float  $thickness  of a flat or stepped disc; a dome is as thick as the wall
     * @param  float  $diameter  of a stepped disc; 0 for that of the tube
     * @param  float  $depth  of the spigot of a stepped one in the bore
     * @param  float|null  $crown  outside radius of a dome; null for a hemisphere
     * @param  float  $knuckle  outside radius between the dome and the tube
     */
    public function __construct(
        public CapShape $shape,
        public float $thickness,
        public float $diameter,
        public float $depth,
        private ?float $crown,
        private float $knuckle,
    ) {
    }

    public function type(): string
    {
        return 'cap';
    }

    public function flange(Section $section): null
    {
        return null;
    }

    public function cap(): self
    {
        return $this;
    }

    public function reducer(): null
    {
        return null;
    }

    public function collar(): null
    {
        return null;
    }

    public function covers(Section $section): float
    {
        return 0.0;
    }

    public function plugThickness(float $wall): null
    {
        return null;
    }

    /**
     * Returns the dome on a round section: outside radius of its crown and of its knuckle, and the angle of the knuckle
     * in radians, 0 for a hemisphere.
     *
     * @return array{float, float, float}
     */
    public function dome(Section $section): array
    {
        $radius = $section->outsideDiameter / 2;
        if ($this->crown === null || $this->crown <= $radius) {
            return [$radius, $radius, 0.0];
        }

        // Crown and knuckle touch where the line of their centres goes: cos φ = (D/2 − r)/(R − r).
        return [
            $this->crown, $this->knuckle,
            acos(min(1.0, max(0.0, ($radius - $this->knuckle) / ($this->crown - $this->knuckle)))),
        ];
    }

    /** Whether the wall goes round the knuckle, and the dome is not flatter than it can be. */
    public function canBeDomed(Section $section): bool
    {
        return $this->crown === null || ($this->crown >= $section->outsideDiameter / 2
            && $this->knuckle <= $section->outsideDiameter / 2
            && ($this->crown <= $section->outsideDiameter / 2 || $section->isSolid()
                || $this->knuckle > $section->wall));
    }

    public function toFile(): stdClass
    {
        $number = FileValue::roundForFile(...);

        return (object) [
            'type' => 'cap',
            'shape' => $this->shape->value,
            ...match ($this->shape) {
                CapShape::Flat => ['thickness' => $number($this->thickness)],
                CapShape::Domed => $this->crown === null ? [] : [
                    'crown' => $number($this->crown), 'knuckle' => $number($this->knuckle),
                ],
                CapShape::Stepped => [
                    'thickness' => $number($this->thickness), 'diameter' => $number($this->diameter),
                    'depth' => $number($this->depth),
                ],
            },
        ];
    }
}
