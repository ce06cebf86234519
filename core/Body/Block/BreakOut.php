<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\EndBody;
use Bowline\Body\Frame;
use Bowline\Body\Motion\PlaneProjection;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** The end of a channel that is joined to others: it comes out of a face, or ends flat in the block. */
final class BreakOut implements EndBody
{
    /** Straight behind the slant, as a part of the reach of the section. */
    private const BEHIND = 0.02;

    /** Its rim in the face, as seen from outside of the block; null before it is added, or where it is blind. */
    public ?Profile $rim = null;

    /** @param  BlockFace|null  $face  null where it is blind */
    public function __construct(
        private readonly ?BlockFace $face,
        private readonly Vector $direction,
        private readonly float $reach,
    ) {
    }

    private function isSquare(): bool
    {
        return $this->face === null
            || $this->face->normal->cross($this->direction)->length() < Tolerance::PARALLEL;
    }

    public function back(): float
    {
        if ($this->face === null || $this->isSquare()) {
            return 0.0;
        }

        return $this->reach * (tan($this->face->normal->angleTo($this->direction)) + self::BEHIND);
    }

    public function bore(): float
    {
        return 0.0;
    }

    public function closesBore(): bool
    {
        return false;
    }

    public function standsOut(): bool
    {
        return false;
    }

    public function addTo(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Vector $up,
        Profile $outside,
        array $bores,
    ): void {
        if ($this->face === null) {
            $outer->flat($facing->facingBack(), [$outside]);

            return;
        }
        $this->rim = $this->isSquare() ? $outside : $outer->sweep(
            $outside, new PlaneProjection($this->direction, $this->face->frame->at, $this->face->normal),
        );
    }

    /** It holds nothing beyond the end of its tube. */
    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        $builder->flat($facing->movedTo($bore->point()), [$bore]);
    }
}
