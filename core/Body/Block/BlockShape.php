<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Geometry\Vector;
use Bowline\Job\Block;

/** The shape of a block in space: its flat faces, and what else there is of its outside. */
abstract readonly class BlockShape
{
    /**
     * @param  array<int, BlockFace>  $faces  by number
     * @param  list<CurvedSide>  $sides  that are not flat, or not known to be
     */
    protected function __construct(
        public Block $block,
        public array $faces,
        public array $sides,
    ) {
    }

    /** @return self|null null of a mesh that is not there, encloses nothing or has too many triangles */
    public static function of(Block $block): ?self
    {
        return PrismBlock::from($block) ?? MeshBlock::from($block);
    }

    /** Returns how far within the block a point is, mm; negative outside. */
    abstract public function depthOf(Vector $point): float;

    /**
     * Returns by which face a line leaves the block, and how far ahead.
     *
     * @param  Vector  $from  within the block
     * @return array{int|null, float} number of the flat face, null for another side; mm, INF where it leaves by none
     */
    abstract public function leavingAt(Vector $from, Vector $direction): array;
}
