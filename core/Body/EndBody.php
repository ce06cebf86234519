<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Vector;

/** What stands at an end of a run: where the walls of the tube stop, and the faces that go on from there. */
interface EndBody
{
    /** Returns how far behind the end the outside of the tube stops, mm. */
    public function back(): float;

    /** Returns how far behind the end the bore stops, mm; negative where it goes on past the end. */
    public function bore(): float;

    /** Whether it closes the bore. */
    public function closesBore(): bool;

    /** Whether it stands out from the tube or goes past its end, and is seen beside it. */
    public function standsOut(): bool;

    /**
     * @param  SolidBuilder  $inner  of the shell that the bore belongs to
     * @param  Frame  $facing  at the end, its third direction away from the run
     * @param  Vector  $up  unit
     * @param  Profile  $outside  where the outside stops, counter-clockwise about that direction
     * @param  list<Profile>  $bores  where the bores stop, clockwise about it
     */
    public function addTo(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Vector $up,
        Profile $outside,
        array $bores,
    ): void;

    /**
     * Closes the space of a bore at this end.
     *
     * @param  Profile  $bore  where the bore stops, counter-clockwise about the third direction of $facing
     */
    public function addContents(SolidBuilder $builder, Frame $facing, Vector $up, Profile $bore): void;
}
