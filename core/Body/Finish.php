<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Chord;

/** How a body is closed at one end: where its walls stop, and what joins them. */
final readonly class Finish
{
    /**
     * @param  Frame  $outer  where the outer wall stops
     * @param  Frame  $inner  where the wall of the bore stops
     * @param  Frame  $facing  at the end face, looking away from the run
     */
    public function __construct(
        public Frame $outer,
        public Frame $inner,
        private Frame $facing,
        private ?FlangePlate $plate = null,
        private bool $plugged = false,
    ) {
    }

    /**
     * @param  list<int>  $outer  the last ring of the outer wall, round the direction this end faces
     * @param  list<int>  $inner  the same of the bore; empty when it is solid
     */
    public function close(MeshBuilder $builder, Chord $chord, array $outer, array $inner): void
    {
        if ($this->plate !== null) {
            $this->plate->join($builder, $chord, $this->facing, $outer, $inner);
        } elseif ($this->plugged || $inner === []) {
            $builder->disc($outer, $this->outer->at);
            if ($inner !== []) {
                // The plug faces the bore.
                $builder->disc(array_reverse($inner), $this->inner->at);
            }
        } else {
            $builder->wall($outer, $inner);
        }
    }
}
