<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\RigidFit;
use Bowline\Geometry\Vector;

/** A tube as it was measured: lines through the points of its straights, corners where these meet. */
final readonly class MeasuredTube
{
    /**
     * @param  non-empty-list<Vector>  $corners  start, corners, end
     * @param  list<float>  $angles  of its bends, radians
     */
    private function __construct(
        public array $corners,
        public array $angles,
    ) {
    }

    /**
     * @param  non-empty-list<non-empty-list<Vector>>  $points  by straight, in order along it; the first point of the
     *     first and the last of the last are its ends
     */
    public static function of(array $points): self
    {
        $lines = array_map(LineFit::of(...), $points);
        $corners = [$lines[0]->nearest($points[0][0])];
        $angles = [];
        for ($i = 1, $count = count($lines); $i < $count; $i++) {
            $corners[] = $lines[$i - 1]->meets($lines[$i]) ?? $lines[$i]->nearest($points[$i][0]);
            $angles[] = $lines[$i - 1]->along->angleTo($lines[$i]->along);
        }
        $last = $points[count($points) - 1];
        $corners[] = $lines[count($lines) - 1]->nearest($last[count($last) - 1]);

        return new self($corners, $angles);
    }

    /**
     * Returns how far each corner and end is from where it should be, once the part is laid onto its design as well as
     * can be.
     *
     * @return list<float> mm
     */
    public function offFrom(MadeTube $wanted): array
    {
        $design = $wanted->corners();
        $fit = RigidFit::of($this->corners, $design);

        return array_map(
            static fn (Vector $at, Vector $other): float => $fit->point($at)->distanceTo($other),
            $this->corners, $design,
        );
    }

    /**
     * Returns its straights between the bends, by the radii of the dies.
     *
     * @param  list<float>  $radii
     * @return list<float> mm
     */
    public function straights(array $radii): array
    {
        $tangents = array_map(
            static fn (float $angle, float $radius): float => $radius * tan($angle / 2), $this->angles, $radii,
        );

        $legs = $this->legs();

        return array_map(
            static fn (float $leg, int $i): float => $leg - ($tangents[$i - 1] ?? 0.0) - ($tangents[$i] ?? 0.0),
            $legs, array_keys($legs),
        );
    }

    /** Returns the same with so much cut off its start and its end, mm. */
    public function cut(float $start, float $end): self
    {
        $last = count($this->corners) - 1;
        $moved = fn (int $at, int $towards, float $by): Vector => $this->corners[$at]->plus(
            $this->corners[$towards]->minus($this->corners[$at])->unit()->times($by),
        );

        return new self(
            [$moved(0, 1, $start), ...array_slice($this->corners, 1, -1), $moved($last, $last - 1, $end)],
            $this->angles,
        );
    }

    /** @return list<float> lengths from corner to corner, mm */
    public function legs(): array
    {
        return array_map(
            fn (Vector $to, int $i): float => $to->distanceTo($this->corners[$i]), array_slice($this->corners, 1),
            array_keys(array_slice($this->corners, 1)),
        );
    }
}
