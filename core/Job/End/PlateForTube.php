<?php

declare(strict_types=1);

namespace Bowline\Job\End;

use Bowline\Job\Section;
use LogicException;

/** A first round plate that fits over its tube, with room for a spanner round its bolts. */
final readonly class PlateForTube implements End
{
    use IsFlange;

    /** Room for a nut and its spanner between tube and bolts: the bolt circle exceeds the tube by this, mm. */
    private const BOLT_ROOM = 45.0;

    /** Bolt circles are rounded up to whole multiples of this, mm. */
    private const CIRCLE_STEP = 5.0;

    /** Distance from the bolt circle to the rim of the plate, on the diameter, mm. */
    private const RIM = 30.0;

    private const THICKNESS = 10.0;

    private const HOLES = 4;

    public function flange(Section $section): Flange
    {
        $od = $section->outsideDiameter;
        $circle = ceil(($od + self::BOLT_ROOM) / self::CIRCLE_STEP) * self::CIRCLE_STEP;

        return new Flange(
            new RoundPlate($circle + self::RIM), self::THICKNESS, $od + Flange::PLAY,
            new BoltHoles(self::HOLES, $circle, BoltHoles::M10),
        );
    }

    public function toFile(): never
    {
        throw new LogicException('what it comes to is written, which depends on the section');
    }
}
