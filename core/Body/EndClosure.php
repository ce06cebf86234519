<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Vector;
use Bowline\Job\End\End;
use Bowline\Job\Section;

/** How a body is closed at one end: where its walls stop, and the faces that join them. */
final readonly class EndClosure
{
    private ?FlangeBody $flange;

    private float $plugThickness;

    /** @param  float  $room  mm of straight that may be taken up; an end without any is left open */
    public function __construct(End $end, Section $section, float $room, private Vector $up)
    {
        $flange = $end->flange($section);
        $this->flange = $flange === null ? null : FlangeBody::on($flange, $section, $room);
        $plug = match (true) {
            $section->isSolid() => null,
            $flange !== null => $flange->isBlind && $this->flange !== null ? $this->flange->bore() : null,
            default => $end->plugThickness($section->wall),
        };
        $this->plugThickness = $plug === null ? 0.0 : min($plug, $room);
    }

    /** Whether the bore ends at a plug or a blind plate. */
    public function isPlugged(): bool
    {
        return $this->plugThickness > 0.0;
    }

    /** Returns how far behind the end the outside of the tube stops, mm. */
    public function back(): float
    {
        return $this->flange?->back() ?? 0.0;
    }

    /** Returns how far behind the end the bore stops, mm; negative where it goes on past the end. */
    public function plug(): float
    {
        return $this->isPlugged() ? $this->plugThickness : $this->flange?->bore() ?? 0.0;
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
            // The plug faces the bore.
            $behind = $facing->movedTo($facing->at->minus($facing->along->times($this->plugThickness)))->facingBack();
            foreach ($bores as $bore) {
                $inner->flat($behind, [$bore]);
            }
            $bores = [];
        }
        if ($this->flange !== null) {
            $this->flange->addTo($outer, $facing, $this->up, $outside, $bores);
        } else {
            $outer->flat($facing, [$outside, ...$bores]);
        }
    }
}
