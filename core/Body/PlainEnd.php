<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Vector;

/** A run that is cut off square, open or with a plug in its bore. */
final readonly class PlainEnd implements EndBody
{
    /** @param  float  $plug  thickness of the plug, mm; 0 where the bore is open */
    public function __construct(private float $plug)
    {
    }

    public function back(): float
    {
        return 0.0;
    }

    public function bore(): float
    {
        return $this->plug;
    }

    public function closesBore(): bool
    {
        return $this->plug > 0.0;
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
        $outer->flat($facing, [$outside, ...$this->closesBore() ? [] : $bores]);
        if ($this->closesBore()) {
            $inner->closeBores($facing, $this->plug, $bores);
        }
    }

    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        $builder->flat($facing->movedTo($bore->point()), [$bore]);
    }
}
