<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * A segment that is neither straight nor an arc: dense points with the true direction and curvature at each, so that
 * nothing is judged by facets.
 */
final readonly class Curve implements Segment
{
    /** A numerical safeguard against division by 0. */
    private const SMALLEST_SHARE = 1e-300;

    /** Cosine of the turn between two points beyond which there is a corner. */
    private const SMOOTH = 0.99;

    /** Fewest pieces of a curve that was thinned out. */
    private const SPARSE = 40;

    /**
     * @param  list<Vector>  $points  two at least
     * @param  list<Vector>  $directions  unit, of travel at each point
     * @param  list<float>  $along  developed length at each point, mm, from 0 to the length
     * @param  list<float>  $curvature  at each point, 1/mm
     * @param  float  $least  smallest radius anywhere, mm; INF when it is straight
     * @param  float  $leastAt  developed length where that is
     * @param  list<Vector>  $through  the points that tell it, when it is a smooth curve through points
     */
    public function __construct(
        public array $points,
        public array $directions,
        public array $along,
        public array $curvature,
        public float $least,
        public float $leastAt,
        public array $through = [],
    ) {
    }

    /** Returns a straight, where there is no room for a curve. */
    public static function straight(Vector $from, Vector $to): self
    {
        $way = $to->minus($from);

        return new self([$from, $to], [$way->unit(), $way->unit()], [0.0, $way->length()], [0.0, 0.0], INF, 0.0);
    }

    public function start(): Vector
    {
        return $this->points[0];
    }

    public function end(): Vector
    {
        return $this->points[count($this->points) - 1];
    }

    public function length(): float
    {
        return $this->along[count($this->along) - 1];
    }

    public function pointAt(float $along): Vector
    {
        [$index, $s] = $this->place($along);
        [$from, $to] = [$this->points[$index], $this->points[$index + 1]];
        [$out, $in] = [$this->directions[$index], $this->directions[$index + 1]];
        if ($out->dot($in) < self::SMOOTH) {
            return $from->plus($to->minus($from)->times($s));
        }
        // Cubic between the two points and directions.
        $span = $this->along[$index + 1] - $this->along[$index];

        return CubicHermite::at($from, $out, $to, $in, $span, $s);
    }

    /**
     * Returns a copy with fewer points, for use during a drag.
     *
     * @param  float  $turn  largest turn between two points, radians; where it hardly turns their distance is limited
     *     too
     */
    public function sparser(float $turn): self
    {
        $last = count($this->points) - 1;
        $straight = cos($turn);
        $tightest = $this->curvature === [] ? 0 : (int) array_search(max($this->curvature), $this->curvature, true);
        $kept = [0];
        $gap = $this->length() / self::SPARSE;
        $before = 0;
        for ($i = 1; $i < $last; $i++) {
            if (
                $i === $tightest ||
                $this->directions[$before]->dot($this->directions[$i + 1]) < $straight ||
                $gap < $this->along[$i + 1] - $this->along[$before]
            ) {
                $kept[] = $before = $i;
            }
        }
        $kept[] = $last;

        return new self(
            array_map(fn (int $i): Vector => $this->points[$i], $kept),
            array_map(fn (int $i): Vector => $this->directions[$i], $kept),
            array_map(fn (int $i): float => $this->along[$i], $kept),
            array_map(fn (int $i): float => $this->curvature[$i], $kept),
            $this->least, $this->leastAt, $this->through,
        );
    }

    /** Returns the total turn of its direction, radians. */
    public function turning(): float
    {
        $turning = 0.0;
        foreach ($this->directions as $index => $direction) {
            $turning += $index === 0 ? 0.0 : $direction->angleTo($this->directions[$index - 1]);
        }

        return $turning;
    }

    public function directionAt(float $along): Vector
    {
        [$index, $part] = $this->place($along);
        $from = $this->directions[$index];
        $to = $this->directions[$index + 1];
        $rest = 1.0 - $part;

        return (new Vector(
            $from->x * $rest + $to->x * $part, $from->y * $rest + $to->y * $part, $from->z * $rest + $to->z * $part,
        ))->unit();
    }

    public function places(Chord $chord, float $offset = 0.0): array
    {
        $counts = [0.0];
        foreach ($this->shares($chord, $offset) as $i => $share) {
            $counts[] = $counts[$i] + $share;
        }
        $last = count($counts) - 1;
        $pieces = (int) $this->countPlaces($chord, $offset);
        $places = [];
        $i = 1;
        for ($piece = 1; $piece < $pieces; $piece++) {
            $count = $counts[$last] * $piece / $pieces;
            while ($i < $last && $counts[$i] < $count) {
                $i++;
            }
            $part = ($count - $counts[$i - 1]) / max(self::SMALLEST_SHARE, $counts[$i] - $counts[$i - 1]);
            $places[] = $this->along[$i - 1] + $part * ($this->along[$i] - $this->along[$i - 1]);
        }

        return [...$places, $this->length()];
    }

    public function countPlaces(Chord $chord, float $offset = 0.0): float
    {
        return max(1.0, ceil(array_sum($this->shares($chord, $offset)) - Tolerance::NOTHING));
    }

    /**
     * Returns the number of pieces, as a fraction, that each interval between two points needs for its turn.
     *
     * @return list<float>
     */
    private function shares(Chord $chord, float $offset): array
    {
        $shares = [];
        for ($i = 1, $count = count($this->points); $i < $count; $i++) {
            $bend = ($this->curvature[$i - 1] + $this->curvature[$i]) / 2;
            $radius = $bend > Tolerance::SAFEGUARD ? 1.0 / $bend : 1e12;
            $turn = max(
                $this->directions[$i - 1]->angleTo($this->directions[$i]),
                ($this->along[$i] - $this->along[$i - 1]) / $radius,
            );
            $shares[] = $chord->share($radius + $offset, $turn);
        }

        return $shares;
    }

    public function leastRadius(): float
    {
        return $this->least;
    }

    /** Returns the box of its points with half of the longest way between two of them on all sides. */
    public function bounds(): Bounds
    {
        $longest = 0.0;
        foreach ($this->along as $index => $along) {
            $longest = max($longest, $along - ($this->along[$index - 1] ?? 0.0));
        }

        return Bounds::ofPoints($this->points)->grown($longest / 2);
    }

    public function points(Chord $chord): array
    {
        return array_map($this->pointAt(...), $this->places($chord));
    }

    public function knots(): array
    {
        return $this->along;
    }

    public function reversed(): self
    {
        $length = $this->length();

        return new self(
            array_reverse($this->points),
            array_map(static fn (Vector $one): Vector => $one->times(-1.0), array_reverse($this->directions)),
            array_map(static fn (float $one): float => $length - $one, array_reverse($this->along)),
            array_reverse($this->curvature),
            $this->least,
            $length - $this->leastAt,
            array_reverse($this->through),
        );
    }

    /** Takes the nearest of its points and refines it between its neighbours by golden section. */
    public function closestTo(Vector $point): float
    {
        $nearest = 0;
        $least = INF;
        foreach ($this->points as $index => $one) {
            $distance = $one->distanceTo($point);
            if ($distance < $least) {
                [$nearest, $least] = [$index, $distance];
            }
        }
        $low = $this->along[max(0, $nearest - 1)];
        $high = $this->along[min(count($this->along) - 1, $nearest + 1)];
        [$between, $distance] = GoldenSection::least(
            fn (float $along): float => $this->pointAt($along)->distanceTo($point),
            $low,
            $high,
            GoldenSection::steps($high - $low, Tolerance::COINCIDENT),
        );

        return $distance < $least ? $between : $this->along[$nearest];
    }

    public function tightestAt(): float
    {
        return $this->leastAt;
    }

    /** Composed of small turns from point to point. */
    public function carried(Vector $direction, float $along): Vector
    {
        $last = $this->directions[0];
        $direction = $direction->squareTo($last);
        foreach ($this->directions as $i => $travel) {
            if ($this->along[$i] >= $along) {
                break;
            }
            $direction = $direction->transported($last, $travel);
            $last = $travel;
        }

        return $direction->transported($last, $this->directionAt($along));
    }

    public function bendingAt(float $along): null
    {
        return null;
    }

    public function curve(): self
    {
        return $this;
    }

    public function accept(SegmentVisitor $visitor): mixed
    {
        return $visitor->curve($this);
    }

    /** @return array{int, float} the piece between two points, and how far into it */
    private function place(float $along): array
    {
        $low = Bisection::piece($this->along, $along);
        $span = $this->along[$low + 1] - $this->along[$low];

        return [$low, $span > 0.0 ? min(1.0, max(0.0, ($along - $this->along[$low]) / $span)) : 0.0];
    }
}
