<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Arc;
use Bowline\Geometry\Line;
use Bowline\Geometry\Path;
use Bowline\Geometry\Segment;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** Builds the path of a rigid run from its vertices: straights, bends with their rotations, and legs. */
final class CornerPath
{
    /** @var list<Segment> */
    private array $segments = [];

    /** @var list<Bend> */
    private array $bends = [];

    /** @var list<Leg> */
    private array $legs = [];

    /** Developed length so far, and the end point of the last bend. */
    private float $travelled = 0.0;

    private float $lastBendEnd = 0.0;

    /** @param  non-empty-list<Vertex>  $vertices */
    private function __construct(
        private readonly array $vertices,
        private readonly Fillets $fillets,
    ) {
        $this->build();
    }

    /** @param  non-empty-list<Vertex>  $vertices */
    public static function through(array $vertices): self
    {
        return new self($vertices, Fillets::fit(
            array_map(static fn (Vertex $vertex): array => $vertex->at->toArray(), $vertices),
            array_map(static fn (Vertex $vertex): float => $vertex->radius, $vertices),
            array_map(static fn (Vertex $vertex): bool => $vertex->ownRadius, $vertices),
        ));
    }

    /** @param  array<int, TiedCorner>  $tied  by vertex */
    public function lay(Run $run, array $tied, float $adjustedBy = 0.0, ?float $nearestLength = null): LaidRun
    {
        return new LaidRun(
            $run,
            $this->vertices,
            new Path($this->segments),
            $this->bends,
            $this->legs,
            $tied,
            $adjustedBy,
            $nearestLength,
        );
    }

    private function build(): void
    {
        $last = count($this->fillets->kept) - 1;
        $bendBefore = null;
        for ($k = 1; $k <= $last; $k++) {
            $in = $this->direction($k);
            $start = $this->travelled;
            $this->addStraight($k, $in);
            $this->legs[] = $this->leg($k, $bendBefore, $k < $last ? count($this->bends) : null, $start);
            if ($k < $last) {
                $bendBefore = count($this->bends);
                $this->addBend($k, $in, $this->direction($k + 1));
            }
        }
    }

    /**
     * Adds the straight of the leg that ends at kept vertex $k: one line or, where the run goes straight on through
     * vertices, one line between each two of them. Vertices that lie within the bends at its ends are skipped.
     */
    private function addStraight(int $k, Vector $along): void
    {
        $corner = $this->at($k - 1);
        $place = $this->fillets->tangent[$k - 1];
        $end = $corner->distanceTo($this->at($k)) - $this->fillets->tangent[$k];
        $from = $corner->plus($along->times($place));
        for ($i = $this->fillets->kept[$k - 1] + 1; $i < $this->fillets->kept[$k]; $i++) {
            $next = $this->vertices[$i]->at->minus($corner)->dot($along);
            if ($next > $place + Tolerance::COINCIDENT && $next < $end - Tolerance::COINCIDENT) {
                $to = $corner->plus($along->times($next));
                $this->addLine($from, $to);
                [$from, $place] = [$to, $next];
            }
        }
        $this->addLine($from, $this->at($k)->minus($along->times($this->fillets->tangent[$k])));
    }

    private function addLine(Vector $from, Vector $to): void
    {
        $line = new Line($from, $to);
        $length = $line->length();
        if ($length > Tolerance::NOTHING) {
            $this->segments[] = $line;
            $this->travelled += $length;
        }
    }

    private function addBend(int $k, Vector $in, Vector $out): void
    {
        $fillets = $this->fillets;
        $cross = $in->cross($out);
        // A path that comes straight back has no plane of its own; any plane will do.
        $normal = $cross->length() > Tolerance::NO_ROTATION ? $cross->unit() : $in->anySquare();
        $before = $this->bends === [] ? null : $this->bends[count($this->bends) - 1];
        $this->bends[] = $bend = new Bend(
            $fillets->asking[$k],
            $this->at($k),
            $in,
            $out,
            $normal,
            $fillets->turn[$k],
            $this->vertices[$fillets->asking[$k]]->radius,
            $fillets->radius[$k],
            $fillets->asked[$k],
            $fillets->tangent[$k],
            $this->travelled - $this->lastBendEnd,
            $before === null ? 0.0 : self::rotation($before->normal, $normal, $in),
            $this->travelled,
            $this->vertices[$fillets->asking[$k]]->elbow,
        );
        if ($bend->arcLength() > Tolerance::NOTHING) {
            $this->segments[] = Arc::rounding(
                $bend->corner,
                $in,
                $out,
                $normal,
                $bend->tangent,
                $bend->radius,
                $bend->angle,
            );
            $this->travelled += $bend->arcLength();
        }
        $this->lastBendEnd = $this->travelled;
    }

    private function leg(int $end, ?int $bendBefore, ?int $bendAfter, float $travelled): Leg
    {
        $way = $this->at($end)->minus($this->at($end - 1));

        return new Leg(
            $this->fillets->kept[$end - 1],
            $this->fillets->kept[$end],
            $bendBefore,
            $bendAfter,
            $way->unit(),
            $this->at($end - 1)->plus($this->at($end))->times(0.5),
            $way->length(),
            $travelled,
            $this->travelled - $travelled,
        );
    }

    /** Returns the rotation of the bend plane, right-handed about the travel between two bends (job-file.md). */
    private static function rotation(Vector $before, Vector $after, Vector $travel): float
    {
        $angle = atan2($travel->dot($before->cross($after)), $before->dot($after));

        // Half a turn is always +180°, independent of rounding.
        return $angle < -M_PI + Tolerance::PARALLEL ? M_PI : $angle;
    }

    private function at(int $k): Vector
    {
        return $this->vertices[$this->fillets->kept[$k]]->at;
    }

    /** Returns the unit direction of travel into kept vertex $k. */
    private function direction(int $k): Vector
    {
        return $this->at($k)->minus($this->at($k - 1))->unit();
    }
}
