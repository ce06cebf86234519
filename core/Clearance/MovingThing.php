<?php

declare(strict_types=1);

namespace Bowline\Clearance;

use Bowline\Geometry\Bounds;
use Bowline\Geometry\Chord;
use Bowline\Geometry\Path;
use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Harness\BundleSpan;
use Bowline\Job\Fitting;
use Bowline\Job\Movement;
use Bowline\Job\PortName;
use Bowline\Routing\LaidRun;
use Bowline\Routing\MovedShapes;
use Closure;

/** A fitting that moves, the room beside it, or a run that follows one, at any position of the movement. */
final class MovingThing
{
    /** Equal steps in which the movement is looked at first. */
    public const STEPS = 48;

    /** How close to the centre line of a run the points are that it is drawn by, mm. */
    private const DRAWN = 0.2;

    /** @var array<array-key, Thing> by the position */
    private array $known = [];

    private ?Bounds $bounds = null;

    /** @var non-empty-list<float> largest displacement of a point from each step to the next, mm */
    private readonly array $travel;

    /**
     * @param  non-empty-array<array-key, Movement>  $movements  of the fitting, or of those that the run is on, by ids
     * @param  Closure(float): Thing  $make
     * @param  Closure(float): non-empty-list<Vector>  $places  points of it, including the one that moves farthest
     */
    private function __construct(
        private readonly array $movements,
        private readonly Closure $make,
        Closure $places,
    ) {
        $this->travel = array_map(static fn (int $step): float => max(array_map(
            static fn (Vector $one, Vector $other): float => $one->distanceTo($other),
            $places(($step - 1) / self::STEPS), $places($step / self::STEPS),
        )), range(1, self::STEPS));
    }

    /** @return self|null null where it stands still */
    public static function ofSolid(SolidThing $thing, ?Fitting $fitting): ?self
    {
        $movement = $fitting?->movement;
        if ($fitting === null || $movement === null) {
            return null;
        }
        $box = $thing->bounds();
        $corners = [];
        foreach ([$box->low->x, $box->high->x] as $x) {
            foreach ([$box->low->y, $box->high->y] as $y) {
                foreach ([$box->low->z, $box->high->z] as $z) {
                    $corners[] = new Vector($x, $y, $z);
                }
            }
        }

        return new self(
            [$fitting->id => $movement],
            static fn (float $part): Thing => SolidThing::ofPart($fitting->moved($part), $thing->room()) ?? $thing,
            static fn (float $part): array => array_map(
                static fn (Vector $corner): Vector => $movement->point($corner, $part), $corners,
            ),
        );
    }

    /**
     * @param  list<BundleSpan>  $spans  of a trunk; none of another run
     * @return self|null null where it does not move, or how is not known yet
     */
    public static function ofRun(RunThing $thing, array $spans): ?self
    {
        $run = $thing->laid->run;
        $movements = [];
        foreach ([$run->from, $run->to] as $end) {
            if ($end->movement !== null) {
                $movements[PortName::of($end->port ?? '')->fitting] = $end->movement;
            }
        }
        $shapes = $movements === [] ? null : $thing->laid->shapes();
        if ($shapes === null) {
            return null;
        }

        return new self(
            $movements,
            static fn (float $part): Thing => RunThing::of(
                LaidRun::curve($run->moved($part), new Path([$shapes->at($part)])), $spans,
            ) ?? $thing,
            static fn (float $part): array => self::places($shapes, $part),
        );
    }

    /** @return non-empty-list<Vector> */
    private static function places(MovedShapes $shapes, float $part): array
    {
        $curve = $shapes->at($part);

        return [$curve->start(), ...$curve->points];
    }

    public function at(float $part): Thing
    {
        return $this->known[(string) $part] ??= ($this->make)($part);
    }

    /** Returns the larger of its displacements from a step to the one before and the one after, mm. */
    public function travelBeside(int $step): float
    {
        return max($this->travel[$step - 1] ?? 0.0, $this->travel[$step] ?? 0.0);
    }

    /**
     * Returns it at positions of which none is farther from the next than told, mm.
     *
     * @return non-empty-list<Thing>
     */
    public function passing(float $apart): array
    {
        $things = [$this->at(0.0)];
        $gone = 0.0;
        foreach ($this->travel as $step => $way) {
            if ($gone > 0.0 && $gone + $way > $apart) {
                $things[] = $this->at($step / self::STEPS);
                $gone = 0.0;
            }
            $gone += $way;
        }

        return [...$things, $this->at(1.0)];
    }

    /** Returns a box that holds it at all positions, but for what it goes between two steps. */
    public function bounds(): Bounds
    {
        if ($this->bounds === null) {
            $all = $this->at(0.0)->bounds();
            for ($i = 1; $i <= self::STEPS; $i++) {
                $all = $all->with($this->at($i / self::STEPS)->bounds());
            }
            $this->bounds = $all->grown(max($this->travel) / 2);
        }

        return $this->bounds;
    }

    public function moment(float $part): Moment
    {
        $thing = $this->at($part);

        return new Moment(
            $part,
            array_values($this->movements)[0]->angle($part),
            array_map(static fn (Movement $one): Pose => $one->at($part), $this->movements),
            $thing instanceof RunThing ? [$thing->ref()->id => $thing->path()->points(new Chord(self::DRAWN))] : [],
        );
    }
}
