<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Geometry\Vector;

/** The path that a bend table describes. */
final readonly class BendPath
{
    /**
     * @param  list<array{straight: float, rotation: float, angle: float, radius: float}>  $bends  mm and radians
     * @param  float  $tail  straight behind the last bend, mm
     */
    public function __construct(
        public array $bends,
        public float $tail,
    ) {
    }

    /**
     * Returns its vertices, ends included: each corner lies one tangent length beyond the straight before its bend.
     *
     * @param  Vector  $from  the end face
     * @param  Vector  $along  unit direction of the tube there
     * @param  Vector  $normal  unit and perpendicular to it: the axis of the first bend, right-handed, before its
     *     rotation
     * @return non-empty-list<Vector>
     */
    public function vertices(Vector $from, Vector $along, Vector $normal): array
    {
        $vertices = [$from];
        $at = $from;
        $travel = $along;
        $tangentBefore = 0.0;
        foreach ($this->bends as $bend) {
            $tangent = $bend['radius'] * tan($bend['angle'] / 2);
            $normal = $normal->turnedAbout($travel, $bend['rotation']);
            $at = $at->plus($travel->times($tangentBefore + $bend['straight'] + $tangent));
            $vertices[] = $at;
            $travel = $travel->turnedAbout($normal, $bend['angle']);
            $tangentBefore = $tangent;
        }
        $vertices[] = $at->plus($travel->times($tangentBefore + $this->tail));

        return $vertices;
    }
}
