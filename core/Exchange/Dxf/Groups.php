<?php

declare(strict_types=1);

namespace Bowline\Exchange\Dxf;

use Bowline\Geometry\Vector;
use Bowline\Job\JobError;

/** The groups of one DXF entity, lengths in millimetres. */
final readonly class Groups
{
    /**
     * @param  list<array{int, string}>  $pairs
     * @param  float  $unit  millimetres to a unit of the file
     */
    public function __construct(
        private array $pairs,
        private float $unit,
    ) {
    }

    public function number(int $code): float
    {
        foreach ($this->pairs as [$own, $value]) {
            if ($own === $code) {
                return self::read($value);
            }
        }

        return 0.0;
    }

    public function length(int $code): float
    {
        return $this->number($code) * $this->unit;
    }

    public function integer(int $code): int
    {
        return (int) $this->number($code);
    }

    public function point(int $code): Vector
    {
        return new Vector($this->length($code), $this->length($code + 10), $this->length($code + 20));
    }

    /** Returns the extrusion direction; z by default. */
    public function direction(): Vector
    {
        $told = new Vector($this->number(210), $this->number(220), $this->number(230));

        return $told->length() > 0.0 ? $told : new Vector(0.0, 0.0, 1.0);
    }

    /** @return list<array{Vector, float}> the points of an LWPOLYLINE, each with its bulge */
    public function repeatedPoints(): array
    {
        $xs = $ys = $bulges = [];
        foreach ($this->pairs as [$code, $value]) {
            $last = count($xs) - 1;
            if ($code === 10) {
                $xs[] = self::read($value) * $this->unit;
            } elseif ($code === 20 && $last >= 0) {
                $ys[$last] = self::read($value) * $this->unit;
            } elseif ($code === 42 && $last >= 0) {
                $bulges[$last] = self::read($value);
            }
        }
        $points = [];
        foreach ($xs as $i => $x) {
            $points[] = [new Vector($x, $ys[$i] ?? 0.0, 0.0), $bulges[$i] ?? 0.0];
        }

        return $points;
    }

    private static function read(string $value): float
    {
        $number = is_numeric($value)
            ? (float) $value
            : throw JobError::at('', sprintf('this is no DXF text: “%s” is no number', mb_substr($value, 0, 40)));

        return is_finite($number) && abs($number) < 1e9
            ? $number
            : throw JobError::at('', 'a number in this DXF is too large to be used');
    }
}
