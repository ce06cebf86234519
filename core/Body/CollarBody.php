<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\End\Collar;
use Bowline\Job\Section;

/** A collar that is one piece with its tube. */
final readonly class CollarBody implements EndBody
{
    private function __construct(private Collar $collar)
    {
    }

    /**
     * @param  float  $room  mm of straight that it may take up
     * @return self|null null where it does not reach beyond the tube, or has not the room
     */
    public static function on(Collar $collar, Section $section, float $room): ?self
    {
        return $collar->od > $section->outsideDiameter + Tolerance::COINCIDENT && $collar->length() <= $room
            ? new self($collar)
            : null;
    }

    public function back(): float
    {
        return $this->collar->length();
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
        return true;
    }

    public function addTo(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Vector $up,
        Profile $outside,
        array $bores,
    ): void {
        $at = static fn (float $height): Frame => $facing->movedTo(
            $facing->at->plus($facing->along->times($height)),
        );
        $back = $at(-$this->collar->length());
        $through = new Translation($facing->along->times($this->collar->width));
        $rim = Profile::of(Outline::circle($this->collar->od / 2), $back);
        $outer->flat($back->facingBack(), [$rim->reversed(), $outside]);
        $front = $outer->sweep($rim, $through);
        if ($this->collar->fromEnd <= 0.0) {
            $outer->flat($facing, [$front, ...$bores]);

            return;
        }
        // The wall of the tube inside the collar is no face of the body; only where it ends is needed.
        $tube = (new SolidBuilder)->sweep($outside, $through);
        $outer->flat($at(-$this->collar->fromEnd), [$front, $tube->reversed()]);
        $end = $outer->sweep($tube, new Translation($facing->along->times($this->collar->fromEnd)));
        $outer->flat($facing, [$end, ...$bores]);
    }

    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void
    {
        $builder->flat($facing, [$bore]);
    }
}
