<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

use Bowline\Geometry\Vector;

/**
 * A kind of fitting that is made from a few numbers; its ports follow them. The frame of a part is as it is usually
 * mounted: z up, the flow along x. Sizes are outside diameters of the tube. A new kind is a class here and a line in
 * `PartKinds`.
 */
abstract readonly class PartKind
{
    /** Steps in which a part grows with its tube, mm. */
    private const STEP = 5.0;

    /** A stub is wider than the tube it takes by this, mm. */
    protected const STUB = 10.0;

    /** Room for a hand, or for the head of a spanner, mm. */
    protected const HAND = 30.0;

    /** The flange of a stub is as thick as its diameter divided by this. */
    private const FLANGE = 6.0;

    /** Returns its name in a job file. */
    abstract public function word(): string;

    abstract public function title(): string;

    /** @return list<Parameter> */
    abstract public function parameters(): array;

    /**
     * @param  array<string, float>  $by  every parameter by its key
     * @return list<Solid> in its own frame
     */
    abstract public function solids(array $by): array;

    /**
     * @param  array<string, float>  $by  every parameter by its key
     * @return list<PartPort> in its own frame
     */
    abstract public function ports(array $by): array;

    /**
     * @param  array<string, float>  $by  every parameter by its key
     * @return list<Room> in its own frame; none where nothing of it is turned, drawn out or unscrewed
     */
    public function rooms(array $by): array
    {
        return [];
    }

    /** @return list<string> keys of the parameters that are the sizes of the tube it is laid to */
    protected function sizes(): array
    {
        return ['size'];
    }

    /** @return list<string> keys of lengths that do not grow with the tube */
    protected function fixed(): array
    {
        return [];
    }

    /**
     * Returns the parameters of a part for a tube that differ from its defaults: what the tube is laid to has its size,
     * and a part for a larger tube than usual is larger in proportion, in steps of 5 mm.
     *
     * @param  float  $diameter  of the tube, mm
     * @return array<string, float> by key
     */
    final public function forTube(float $diameter): array
    {
        $scale = 1.0;
        foreach ($this->parameters() as $parameter) {
            if ($parameter->key === 'size') {
                $scale = max(1.0, $diameter / $parameter->default);
            }
        }
        $by = [];
        foreach ($this->parameters() as $parameter) {
            $grows = $parameter->unit === 'mm' && ! in_array($parameter->key, $this->fixed(), true) && $scale > 1.0;
            $value = match (true) {
                in_array($parameter->key, $this->sizes(), true) => $diameter,
                $grows => ceil($parameter->default * $scale / self::STEP) * self::STEP,
                default => $parameter->default,
            };
            if ($value !== $parameter->default) {
                $by[$parameter->key] = min(max($value, $parameter->least), $parameter->most);
            }
        }

        return $by;
    }

    /** Returns the parameter for the flange of a part's stubs, none at 0. */
    protected static function flange(): Parameter
    {
        return new Parameter('flange', 'Its flanges, diameter', 0.0, 'mm', 0.0);
    }

    /**
     * Returns what leads to a port: a stub, and its flange where it has one.
     *
     * @param  float  $tube  outside diameter of the tube that it takes, mm
     * @param  float  $flange  diameter, mm; 0 for none
     * @return list<Solid>
     */
    protected static function stub(Vector $from, Vector $face, float $tube, float $flange = 0.0): array
    {
        $back = $face->minus($face->minus($from)->unit()->times($flange / self::FLANGE));

        return [
            Solid::round($from, $face, $tube + self::STUB),
            ...$flange > $tube ? [Solid::round($back, $face, $flange)] : [],
        ];
    }

    protected static function x(float $x): Vector
    {
        return new Vector($x, 0.0, 0.0);
    }

    protected static function y(float $y): Vector
    {
        return new Vector(0.0, $y, 0.0);
    }

    protected static function z(float $z): Vector
    {
        return new Vector(0.0, 0.0, $z);
    }
}
