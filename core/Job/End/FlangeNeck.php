<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Geometry\Tolerance;
use Bowline\Job\FileValue;
use stdClass;

/**
 * How the back of a plate goes over into its tube: a fillet where its diameter is that of the tube, else a conical hub
 * with a fillet at the plate. Millimetres.
 */
final readonly class FlangeNeck
{
    /**
     * @param  float|null  $diameter  of the cone where it comes to the plate, not less than that of the tube; null for
     *     a fillet alone
     * @param  float  $length  from the back of the plate to where it has the diameter of the tube
     * @param  float  $radius  of the fillet; 0 for none
     * @param  float  $land  of it that goes on as wide as the tube, to where that is welded on
     */
    public function __construct(
        private ?float $diameter,
        public float $length,
        public float $radius,
        public float $land = 0.0,
    ) {
    }

    /** Returns the half angle of the cone on a tube of this diameter, radians. */
    public function halfAngle(float $od): float
    {
        return atan2((($this->diameter ?? $od) - $od) / 2, $this->length);
    }

    /** Returns the diameter of the circle in which it comes to the plate, mm. */
    public function foot(float $od): float
    {
        // A fillet of radius r lies r(1 − sin α)/cos α farther out than the corner of cone and plate.
        $angle = $this->halfAngle($od);

        return ($this->diameter ?? $od) + 2 * $this->radius * (1 - sin($angle)) / cos($angle);
    }

    /** Whether it is not thinner than the tube, and its fillet ends before it does. */
    public function fits(float $od): bool
    {
        return ($this->diameter ?? $od) >= $od
            && $this->radius * (1 - sin($this->halfAngle($od))) <= $this->length + Tolerance::NOTHING;
    }

    /** Returns a hub without its fillet; a fillet alone as it is. */
    public function withoutFillet(): self
    {
        return $this->isHub() ? new self($this->diameter, $this->length, 0.0, $this->land) : $this;
    }

    /** Whether the tube is welded to its end, and does not go through it. */
    public function isHub(): bool
    {
        return $this->diameter !== null;
    }

    /** @return stdClass as a job file has it */
    public function toFile(): stdClass
    {
        return (object) [
            ...$this->diameter === null ? [] : [
                'diameter' => FileValue::roundForFile($this->diameter),
                'length' => FileValue::roundForFile($this->length),
            ],
            ...$this->radius > 0.0 ? ['radius' => FileValue::roundForFile($this->radius)] : [],
            ...$this->land > 0.0 ? ['land' => FileValue::roundForFile($this->land)] : [],
        ];
    }
}
