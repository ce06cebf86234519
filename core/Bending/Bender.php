<?php

declare(strict_types=1);

namespace Bowline\Bending;

/** A tube bender with its dies and limits: what it can grip, turn and reach. Lengths in mm. */
final readonly class Bender
{
    /**
     * @param  float  $leastStraight  smallest straight between two bends: the clamp grips it
     * @param  float  $firstGrip  straight it needs ahead of the first bend
     * @param  float  $lastGrip  straight it needs behind the last bend
     * @param  non-empty-list<float>  $radii  centre-line radii of the dies at hand
     * @param  float  $largestAngle  what it can be set to, radians
     * @param  float  $largestTube  outside diameter
     */
    public function __construct(
        public string $id,
        public string $name,
        public float $leastStraight,
        public float $firstGrip,
        public float $lastGrip,
        public array $radii,
        public float $largestAngle,
        public float $largestTube,
    ) {
    }

    /** Returns the die whose radius is nearest. */
    public function nearestRadius(float $radius): float
    {
        $radii = $this->radii;
        usort($radii, static fn (float $a, float $b): int => abs($a - $radius) <=> abs($b - $radius));

        return $radii[0];
    }
}
