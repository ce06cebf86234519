<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/** The straight nearest to points in the sense of least squares: through their centre, along their greatest spread. */
final readonly class LineFit
{
    /** Rounds of the power iteration; points of a straight lie far more along it than beside it. */
    private const ROUNDS = 60;

    /** Lines are parallel where the square of the sine of their angle is smaller: within 0.002 degrees. */
    private const PARALLEL = 1e-9;

    private function __construct(
        public Vector $centre,
        public Vector $along,
    ) {
    }

    /** @param  non-empty-list<Vector>  $points  in order along it, at least two */
    public static function of(array $points): self
    {
        $sum = Vector::zero();
        foreach ($points as $point) {
            $sum = $sum->plus($point);
        }
        $centre = $sum->times(1 / count($points));
        $along = $points[count($points) - 1]->minus($points[0])->unit();
        $forth = $along;
        for ($i = 0; $i < self::ROUNDS; $i++) {
            $next = Vector::zero();
            foreach ($points as $point) {
                $off = $point->minus($centre);
                $next = $next->plus($off->times($off->dot($along)));
            }
            $along = $next->length() > 0.0 ? $next->unit() : $along;
        }

        return new self($centre, $along->dot($forth) < 0.0 ? $along->times(-1.0) : $along);
    }

    /** Returns the point of it nearest to another. */
    public function nearest(Vector $point): Vector
    {
        return $this->centre->plus($this->along->times($point->minus($this->centre)->dot($this->along)));
    }

    /** Returns the middle between the nearest points of two lines; null where they are parallel. */
    public function meets(self $other): ?Vector
    {
        $between = $other->centre->minus($this->centre);
        $cos = $this->along->dot($other->along);
        $sine = 1.0 - $cos ** 2;
        if ($sine < self::PARALLEL) {
            return null;
        }
        $one = ($between->dot($this->along) - $cos * $between->dot($other->along)) / $sine;
        $two = ($cos * $between->dot($this->along) - $between->dot($other->along)) / $sine;

        return $this->centre->plus($this->along->times($one))
            ->plus($other->centre->plus($other->along->times($two)))->times(0.5);
    }
}
