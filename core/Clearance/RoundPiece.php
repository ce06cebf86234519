<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Space\Chain;
use Bowline\Space\TubeDistance;

/** A ball that is carried along a segment: a piece of a tube, the rim of its end, a flange. Millimetres. */
final class RoundPiece implements Surface
{
    /** How close to a curve its chain is, mm. */
    private const CHORD = 1e-3;

    public readonly Bounds $bounds;

    /** Null of a curve. */
    private readonly ?TubeDistance $tube;

    private ?Chain $chain = null;

    /**
     * @param  float  $along  developed length of the run at its start
     * @param  bool  $isAlong  whether it goes along the run; a rim stays at one place of it
     * @param  string|null  $end  `from` or `to` where it stands out from the tube at an end
     */
    public function __construct(
        public readonly Segment $segment,
        public readonly float $radius,
        public readonly float $along,
        public readonly bool $isAlong,
        public readonly ?string $end,
    ) {
        $this->bounds = Bounds::of([$segment]);
        $this->tube = $this->isChain() ? null : TubeDistance::along(new Path([$segment]), $radius, false, false);
    }

    public function bounds(): Bounds
    {
        return $this->bounds->grown($this->radius);
    }

    public function roundedBox(): ?array
    {
        $isAlongAxis = is_infinite($this->segment->leastRadius())
            && $this->segment->directionAt(0.0)->axisName() !== null;

        return $isAlongAxis ? [$this->bounds, $this->radius] : null;
    }

    /** Whether it is carried along a curve that has no closed form, which is looked at as a chain of chords. */
    public function isChain(): bool
    {
        return count($this->segment->knots()) > 2;
    }

    /** Returns its centre line between two lengths along it, which it counts. */
    public function chain(float $from, float $to): Chain
    {
        $isWhole = $from <= 0.0 && $to >= $this->segment->length();
        if ($isWhole && $this->chain !== null) {
            return $this->chain;
        }
        $places = array_filter(
            [0.0, ...$this->segment->places(new Chord(self::CHORD))],
            static fn (float $at): bool => $at > $from && $at < $to,
        );
        $along = [max(0.0, $from), ...$places, min($to, $this->segment->length())];
        $chain = new Chain(array_map($this->segment->pointAt(...), $along), $along);
        $this->chain = $isWhole ? $chain : $this->chain;

        return $chain;
    }

    /** Returns the developed length of the run at a length along it. */
    public function lengthAt(float $along): float
    {
        return $this->along + ($this->isAlong ? $along : 0.0);
    }

    public function at(Vector $point, float $within = INF): array
    {
        if ($this->tube === null) {
            [$distance, $along] = $this->chain(0.0, INF)->nearestTo($point->x, $point->y, $point->z);
            $out = $point->minus($this->segment->pointAt($along));
            $away = $out->length() > Tolerance::NOTHING
                ? $out->unit()
                : $this->segment->directionAt($along)->anySquare();

            return [$distance - $this->radius, $away, $this->lengthAt($along)];
        }
        [$distance, $x, $y, $z, $along] = $this->tube->at($point->x, $point->y, $point->z);

        return [$distance, new Vector($x, $y, $z), $this->lengthAt($along)];
    }
}
