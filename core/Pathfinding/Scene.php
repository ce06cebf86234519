<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Clearance\Clearances;
use Bowline\Clearance\RoundPiece;
use Bowline\Clearance\SolidPiece;
use Bowline\Geometry\Bounds;
use Bowline\Geometry\Line;
use Bowline\Geometry\Vector;
use Bowline\Harness\BundleSpan;
use Bowline\Job;
use Bowline\Job\ItemRef;
use Bowline\Job\Surrounding;
use Bowline\Routing\LaidRun;

/** A job with all of its runs as they are laid, among which others are laid. */
final readonly class Scene
{
    /** How finely it is looked whether a run goes along others, mm. */
    private const STEP = 40.0;

    /** Most straights of other runs that a way rather goes along. */
    private const MOST_OF_COMB = 24;

    /** How far what moves goes at most between two of its positions that are kept off, mm. */
    private const PASSING = 20.0;

    /** Cosine of the angle up to which runs go along each other, 10 degrees. */
    private const ALONG = 0.985;

    /**
     * @param  list<LaidRun>  $laid
     * @param  array<string, list<BundleSpan>>  $bundles  of trunks, by run
     * @param  list<Errand>  $awaiting  what is still to be laid, whose mouths are kept free
     */
    private function __construct(
        public Job $job,
        public array $laid,
        private array $bundles,
        public Clearances $clearances,
        private array $awaiting,
    ) {
    }

    /**
     * @param  list<LaidRun>  $laid  all runs of the job
     * @param  array<string, list<BundleSpan>>  $bundles  of trunks, by run
     */
    public static function of(Job $job, array $laid, array $bundles = []): self
    {
        return new self($job, $laid, $bundles, new Clearances($job, $laid, $bundles), []);
    }

    /** @param  list<LaidRun>  $laid */
    private function among(array $laid): self
    {
        return new self(
            $this->job, $laid, $this->bundles, new Clearances($this->job, $laid, $this->bundles, $this->clearances),
            $this->awaiting,
        );
    }

    /** Returns a copy with a run that was laid, in place of one of the same id. */
    public function with(LaidRun $run): self
    {
        return $this->withAll([$run]);
    }

    /** @param  list<LaidRun>  $runs */
    public function withAll(array $runs): self
    {
        $ids = array_map(static fn (LaidRun $one): string => $one->run->id, $runs);
        $others = array_filter($this->laid, static fn (LaidRun $one): bool => ! in_array($one->run->id, $ids, true));

        return $runs === [] ? $this : $this->among([...array_values($others), ...$runs]);
    }

    public function withoutRun(string $id): self
    {
        return $this->among(array_values(array_filter(
            $this->laid, static fn (LaidRun $one): bool => $one->run->id !== $id,
        )));
    }

    /**
     * Returns a copy in which the mouths of what is still to be laid are kept free.
     *
     * @param  list<Errand>  $errands
     */
    public function awaiting(array $errands): self
    {
        return new self($this->job, $this->laid, $this->bundles, $this->clearances, $errands);
    }

    /** @param  list<string>  $ignored  keys of items that do not count */
    public function obstacles(Errand $errand, array $ignored = []): Obstacles
    {
        $all = [];
        $everywhere = new Bounds(new Vector(-INF, -INF, -INF), new Vector(INF, INF, INF));
        foreach ([...$this->clearances->things(), ...$this->clearances->passing(self::PASSING)] as $thing) {
            if (in_array($thing->ref()->key(), $ignored, true)) {
                continue;
            }
            [$needed] = $this->clearances->neededBy($errand->service?->class, $thing);
            foreach ($thing->surfaces($everywhere, INF) as $surface) {
                $all[] = Obstacle::of($thing->ref(), $surface, $errand->outside() + $needed);
            }
        }
        foreach ($this->job->guides->keepOuts as $one) {
            $all[] = Obstacle::of(
                ItemRef::of('keep_outs', $one->id), new SolidPiece($one->box, $one->pose), $errand->outside(),
            );
        }

        return new Obstacles([...$all, ...$this->reserved($errand)]);
    }

    /** @return list<Obstacle> the way out of ports up to the first bend of what is still to be laid */
    private function reserved(Errand $errand): array
    {
        $all = [];
        foreach ($this->awaiting as $one) {
            [$needed] = $this->job->clearances->between($errand->service?->class, $one->service?->class);
            foreach ($one === $errand ? [] : [$one->from, $one->to] as $port) {
                $out = $port->axis->times($one->stock->section->outsideDiameter + $one->radius());
                $all[] = Obstacle::of(
                    ItemRef::of('keep_outs', $port->name),
                    new RoundPiece(new Line($port->at, $port->at->plus($out)), $one->outside(), 0.0, true, null),
                    $errand->outside() + $needed,
                );
            }
        }

        return $all;
    }

    /** Returns how far the centre line of a run is off something of the surroundings that it goes along, mm. */
    public function standOff(Errand $errand, Surrounding $one): float
    {
        [$needed] = $this->job->clearances->between($errand->service?->class, null);

        return max($this->job->guides->follow[$one->id] ?? 0.0, $needed) + $errand->outside();
    }

    /**
     * Returns what a way rather goes along: what is to be followed, and where nearness counts all that stands around.
     *
     * @return list<array{Bounds, float, float}> bounds, how far off them its centre line is, and by what share of a mm
     *     it costs less there
     */
    public function guides(Errand $errand): array
    {
        $guides = [];
        foreach ($this->job->site->surroundings as $one) {
            $share = isset($this->job->guides->follow[$one->id]) ? Weights::FOLLOWING : $errand->weights->nearness;
            if ($share > 0.0 && ! $one->shape->isUnknown()) {
                $guides[] = [
                    (new SolidPiece($one->shape, $one->pose))->bounds(), $this->standOff($errand, $one), $share,
                ];
            }
        }

        return [...$guides, ...$this->asBefore($errand)];
    }

    /** @return list<array{Bounds, float, float}> the straights of the run that is laid again, as `guides` */
    private function asBefore(Errand $errand): array
    {
        return array_map(static function (array $straight) use ($errand): array {
            assert($errand->again !== null);
            [$from, $to] = array_map($errand->again->path->pointAt(...), $straight);

            return [Bounds::of([new Line($from, $to)]), 0.0, Weights::AS_BEFORE];
        }, $errand->again?->path->straights() ?? []);
    }

    /**
     * Returns the straights of runs as what a way rather goes along, at the least pitch: those nearest to its ports.
     *
     * @param  list<LaidRun>  $runs
     * @return list<array{Bounds, float, float}> as `guides`
     */
    public function comb(Errand $errand, array $runs): array
    {
        $guides = [];
        foreach ($runs as $run) {
            [$needed] = $this->job->clearances->between($errand->service?->class, $run->run->service?->class);
            $outside = $run->run->stock->section->outsideDiameter / 2 + $run->run->insulation;
            foreach ($run->path->straights() as [$from, $to]) {
                if ($to - $from > 3 * self::STEP) {
                    $straight = new Line($run->path->pointAt($from), $run->path->pointAt($to));
                    $guides[] = [Bounds::of([$straight]), $outside + $needed + $errand->outside(), Weights::BESIDE];
                }
            }
        }
        $middle = $errand->from->at->plus($errand->to->at)->times(0.5);
        usort(
            $guides, static fn (array $one, array $other): int => $one[0]->distanceTo($middle)
            <=> $other[0]->distanceTo($middle),
        );

        return array_slice($guides, 0, self::MOST_OF_COMB);
    }

    /** Returns how much of a run goes along others, close enough for one clamp to take both, mm. */
    public function besideOthers(LaidRun $laid): float
    {
        $beside = 0.0;
        $length = $laid->length();
        $steps = max(1, (int) ceil($length / self::STEP));
        for ($i = 0; $i < $steps; $i++) {
            $along = ($i + 0.5) * $length / $steps;
            $beside += $this->isBeside($laid, $laid->path->pointAt($along), $laid->path->directionAt($along))
                ? $length / $steps
                : 0.0;
        }

        return $beside;
    }

    private function isBeside(LaidRun $laid, Vector $at, Vector $direction): bool
    {
        foreach ($this->laid as $other) {
            $outside = $laid->run->stock->section->outsideDiameter + $other->run->stock->section->outsideDiameter;
            if ($other === $laid || $other->length() < self::STEP) {
                continue;
            }
            $along = $other->path->closestTo($at);
            if ($other->path->pointAt($along)->distanceTo($at) < 1.5 * $outside
                && abs($other->path->directionAt($along)->dot($direction)) > self::ALONG) {
                return true;
            }
        }

        return false;
    }
}
