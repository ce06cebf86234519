<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Boundary\OrientedEdge;

/** What a groove leaves in the faces of its block. */
final readonly class GrooveRim
{
    /**
     * @param  int  $face  number of the face along which it goes
     * @param  list<OrientedEdge>  $edges  of that face in place of the groove, as the face goes along them
     * @param  list<array{int, non-empty-list<OrientedEdge>}>  $notches  where it comes out: number of the face, and its
     *     outline there from one side of the groove to the other, as that face goes along it
     */
    public function __construct(
        public int $face,
        public array $edges,
        public array $notches,
    ) {
    }
}
