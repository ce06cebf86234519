<?php

declare(strict_types=1);

namespace Bowline\Proposals;

use Bowline\Geometry\Vector;

/** The joint of two straight pieces: its corners, and whether its bends have room. */
final readonly class Joint
{
    /**
     * @param  list<Vector>  $corners  none, one or two
     * @param  float  $short  what its legs lack, mm; 0 where there is room
     * @param  Pull|null  $pull  what would make room, null where there is room or nothing would
     */
    public function __construct(
        public array $corners,
        public float $short,
        public ?Pull $pull,
    ) {
    }
}
