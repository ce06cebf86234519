<?php

declare(strict_types=1);

namespace Bowline\Body\Cut;

use Bowline\Geometry\Vector;

/** A closed outline of a cut: counter-clockwise round material as seen against the normal, clockwise round a hole. */
final readonly class CutLoop
{
    /**
     * @param  non-empty-list<CutPiece>  $pieces
     * @param  float  $area  mm², negative of a hole
     */
    public function __construct(
        public array $pieces,
        public float $area,
    ) {
    }

    /** Returns its point nearest to a point of the plane. */
    public function closestTo(Vector $point): Vector
    {
        $closest = $this->pieces[0]->from();
        foreach ($this->pieces as $piece) {
            $found = $piece->closestTo($point);
            $closest = $found->distanceTo($point) < $closest->distanceTo($point) ? $found : $closest;
        }

        return $closest;
    }

    /** Returns how near another loop comes, mm: between lines and ellipses as they are, else by chords. */
    public function distanceTo(self $other): float
    {
        $least = INF;
        foreach ([[$this, $other], [$other, $this]] as [$one, $two]) {
            foreach ($one->pieces as $piece) {
                foreach ($piece->points as $point) {
                    foreach ($two->pieces as $to) {
                        $least = min($least, $to->distanceTo($point));
                    }
                }
            }
        }

        return $least;
    }
}
