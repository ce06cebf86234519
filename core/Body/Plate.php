<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Body\Motion\Translation;
use Bowline\Geometry\Outline;
use Bowline\Job\End\Flange;
use Bowline\Job\Section;

/**
 * The plate of a flange, joined to the wall of its tube: back, rim, face and bolt holes. The holes straddle the upright
 * through the centre, as is usual. Holes that cannot be drilled are left out here and reported by `flange-fit`.
 */
final readonly class Plate
{
    private int $holes;

    public function __construct(
        private Flange $flange,
        Section $section,
    ) {
        $drillable = $flange->rimLeft() > 0.0
            && $flange->clearOf($section->outsideDiameter) > 0.0
            && $flange->betweenHoles() > 0.0;
        $this->holes = $drillable ? $flange->holeCount : 0;
    }

    /**
     * @param  Frame  $facing  at the centre of the face, its third direction away from the run
     * @param  float  $thickness  mm
     * @param  Profile  $tube  outside of the tube at the back, counter-clockwise about that direction
     * @param  list<Profile>  $bores  loops of the bore in the face, clockwise about it
     */
    public function addTo(SolidBuilder $builder, Frame $facing, float $thickness, Profile $tube, array $bores): void
    {
        $plate = Frame::upright($facing->at, $facing->along);
        $back = $plate->movedTo($facing->at->minus($facing->along->times($thickness)));
        $through = new Translation($facing->along->times($thickness));

        $rim = Profile::of(Outline::circle($this->flange->outsideDiameter / 2), $back);
        $behind = [$rim->reversed(), $tube];
        $ahead = [$builder->sweep($rim, $through)];
        for ($k = 0; $k < $this->holes; $k++) {
            $angle = M_PI / $this->holes * (2 * $k + 1);
            $circle = $this->flange->boltCircle / 2;
            $hole = Outline::circle($this->flange->holeDiameter / 2, [$circle * cos($angle), $circle * sin($angle)]);
            $start = Profile::of($hole->reversed(), $back);
            $behind[] = $start->reversed();
            $ahead[] = $builder->sweep($start, $through);
        }
        $builder->flat($back->facingBack(), $behind);
        $builder->flat($plate, [...$ahead, ...$bores]);
    }
}
