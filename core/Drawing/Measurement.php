<?php

declare(strict_types=1);

namespace Bowline\Drawing;

use Bowline\Geometry\Nearness;
use Bowline\Geometry\Vector;

/** What there is to measure between two things. Millimetres and radians. */
final readonly class Measurement
{
    /**
     * @param  Vector  $way  from one place to the other
     * @param  float|null  $angle  between two legs, a leg and a face, or two faces, from 0 to a right angle
     * @param  float|null  $along  length of run between, where both are of one run
     * @param  Nearness|null  $least  where they come nearest, by their axes; null between two points
     * @param  float|null  $clear  from outside to outside there; negative where they overlap
     * @param  float|null  $axes  between the axes of two legs, as if they went on
     */
    private function __construct(
        public Vector $way,
        public ?float $angle,
        public ?float $along,
        public ?Nearness $least,
        public ?float $clear,
        public ?float $axes,
    ) {
    }

    public static function between(MeasuredThing $from, MeasuredThing $to): self
    {
        [$one, $other] = [$from->along(), $to->along()];
        $isSame = $from->run !== null && $to->run !== null && $from->run->run->id === $to->run->run->id;
        $least = self::least($from, $to);

        return new self(
            $to->at->minus($from->at), self::angle($from, $to),
            $isSame ? abs($from->run->path->closestTo($to->at) - $from->run->path->closestTo($from->at)) : null,
            $least, $least === null ? null : $least->distance() - $from->radius() - $to->radius(),
            $one === null || $other === null ? null : Nearness::ofAxes($from->at, $one, $to->at, $other)->distance(),
        );
    }

    private static function least(MeasuredThing $from, MeasuredThing $to): ?Nearness
    {
        [$a, $b] = $from->piece ?? [$from->at, $from->at];
        [$c, $d] = $to->piece ?? [$to->at, $to->at];
        if ($from->normal !== null || $to->normal !== null) {
            $face = $from->normal !== null ? $from : $to;
            $thing = $face === $from ? [$c, $d] : [$a, $b];
            $normal = $face->normal ?? new Vector(0.0, 0.0, 1.0);
            $height = static fn (Vector $point): float => $point->minus($face->at)->dot($normal);
            [$first, $last] = [$height($thing[0]), $height($thing[1])];
            // A leg that goes through the plane touches it.
            $part = $first * $last < 0.0 ? $first / ($first - $last) : (abs($first) <= abs($last) ? 0.0 : 1.0);
            $nearest = $thing[0]->plus($thing[1]->minus($thing[0])->times($part));
            $foot = $nearest->minus($normal->times($height($nearest)));

            return Nearness::ofPieces($nearest, $nearest, $foot, $foot);
        }

        return $from->piece === null && $to->piece === null ? null : Nearness::ofPieces($a, $b, $c, $d);
    }

    private static function angle(MeasuredThing $from, MeasuredThing $to): ?float
    {
        $one = $from->along() ?? $from->normal;
        $other = $to->along() ?? $to->normal;
        if ($one === null || $other === null) {
            return null;
        }
        $angle = acos(min(1.0, abs($one->dot($other))));

        return ($from->normal === null) === ($to->normal === null) ? $angle : M_PI / 2 - $angle;
    }
}
