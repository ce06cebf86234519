<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Job\End\End;
use Bowline\Job\Section;

/** How a body is closed at one end: where its walls stop, and the faces that join them. */
final readonly class EndClosure
{
    private ?Plate $plate;

    private float $plateThickness;

    private float $plugThickness;

    /** @param  float  $room  mm of straight that may be taken up; an end without any is left open */
    public function __construct(End $end, private Section $section, float $room)
    {
        $flange = $end->flange();
        $hasPlate = $flange !== null && $room > 0.0 && $flange->outsideDiameter > $section->outsideDiameter;
        $this->plate = $hasPlate ? new Plate($flange, $section) : null;
        $this->plateThickness = $hasPlate ? min($flange->thickness, $room) : 0.0;
        $plug = $section->isSolid() ? null : $end->plugThickness($section->wall);
        $this->plugThickness = $plug === null ? 0.0 : min($plug, $room);
    }

    /** Whether the bore ends at a plug. */
    public function isPlugged(): bool
    {
        return $this->plugThickness > 0.0;
    }

    /** Returns how far behind the end the outside of the tube stops, mm. */
    public function back(): float
    {
        return $this->plateThickness;
    }

    /** Returns how far behind the end the bore stops, mm. */
    public function plug(): float
    {
        return $this->plugThickness;
    }

    /**
     * @param  SolidBuilder  $inner  of the shell that the bore belongs to
     * @param  Frame  $facing  at the end, its third direction away from the run
     * @param  Profile  $outside  where the outside stops, counter-clockwise about that direction
     * @param  list<Profile>  $bores  where the bores stop, clockwise about it
     */
    public function close(
        SolidBuilder $outer,
        SolidBuilder $inner,
        Frame $facing,
        Profile $outside,
        array $bores,
    ): void {
        if ($this->isPlugged()) {
            $outer->flat($facing, [$outside]);
            // The plug faces the bore.
            $behind = $facing->movedTo($facing->at->minus($facing->along->times($this->plugThickness)))->facingBack();
            foreach ($bores as $bore) {
                $inner->flat($behind, [$bore]);
            }
        } elseif ($this->plate !== null) {
            $this->plate->addTo($outer, $facing, $this->plateThickness, $outside, $bores);
        } else {
            $outer->flat($facing, [$outside, ...$bores]);
        }
    }
}
