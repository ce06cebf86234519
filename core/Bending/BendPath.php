<?php

declare(strict_types=1);

namespace Bowline\Bending;

use Bowline\Geometry\Vector;

/** What a bend table bends: the corners of the run, from where and how the raw tube lies. */
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
     * Its vertices, ends with them: each corner lies a tangent length beyond the straight ahead of its bend.
     *
     * @param  Vector  $from  the end face
     * @param  Vector  $along  unit, the way the tube lies there
     * @param  Vector  $normal  unit and square to it: about this the first bend turns, right-handed, before its
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
