<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\EndBodies;
use Bowline\Body\EndBody;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Geometry\Path;
use Bowline\Geometry\Vector;
use Bowline\Job\Branch;
use Bowline\Job\JobError;
use Bowline\Job\RunEnd;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;
use Bowline\Space\TubeDistance;

/** A branch of a body of several runs, from its host outwards, with those that stand on it. */
final readonly class BranchTube
{
    /** Share of the radius of a branch that lies between its foot and its first ring. */
    private const MARGIN = 0.1;

    /** Places along a radius at which it is looked whether it runs into another. */
    private const LOOKED_AT = 8;

    /**
     * @param  non-empty-list<Stretch>  $stretches  from the centreline of the host
     * @param  PlacedSaddle  $outside  of its outside on that of the host
     * @param  PlacedSaddle|null  $bore  of its bore on that of the host; null where it is solid
     * @param  EndBody  $end  at its far end
     * @param  list<self>  $branches  that stand on it
     */
    private function __construct(
        public LaidRun $laid,
        public Section $section,
        public array $stretches,
        public PlacedSaddle $outside,
        public ?PlacedSaddle $bore,
        public EndBody $end,
        public array $branches,
    ) {
    }

    /**
     * Returns the branches that stand on a run, each with those on it.
     *
     * @param  bool  $isReversed  whether the host is gone along from its end
     * @param  list<LaidRun>  $runs  of the body
     * @param  string  $pointer  of the body in the job
     * @return list<self>
     *
     * @throws JobError where one cannot stand on its host
     */
    public static function on(LaidRun $host, bool $isReversed, array $runs, string $pointer): array
    {
        $branches = [];
        foreach ($runs as $run) {
            if (($run->run->from->branch ?? $run->run->to->branch)?->host === $host->run->id) {
                $branches[] = self::of($run, $host->run->stock->section, $isReversed, $runs, $pointer);
            }
        }

        return $branches;
    }

    /**
     * @param  list<self>  $branches
     * @return list<self> each before those on it
     */
    public static function all(array $branches): array
    {
        $all = [];
        foreach ($branches as $branch) {
            array_push($all, $branch, ...self::all($branch->branches));
        }

        return $all;
    }

    /**
     * @param  list<LaidRun>  $runs
     *
     * @throws JobError
     */
    private static function of(
        LaidRun $laid,
        Section $host,
        bool $isHostReversed,
        array $runs,
        string $pointer,
    ): self {
        $run = $laid->run;
        $isFrom = $run->from->branch !== null;
        [$near, $far] = $isFrom ? [$run->from, $run->to] : [$run->to, $run->from];
        $section = $run->stock->section;
        $path = $isFrom ? $laid->path : $laid->path->reversed();
        $stretches = Stretches::along($path, $run->section, $section->outsideDiameter / 2);
        $refuse = static fn (string $why): JobError => JobError::at($pointer, sprintf('%s %s', $run->name, $why));
        $branch = $near->branch;
        if ($branch === null || $near->axis === null || $stretches === []) {
            throw $refuse('does not stand on another run');
        }
        $along = $branch->along->times($isHostReversed ? -1.0 : 1.0);
        $outside = self::saddle($near, $branch, $along, $host->outsideDiameter, $section->outsideDiameter);
        $bore = $section->isSolid()
            ? null
            : self::saddle($near, $branch, $along, $host->insideDiameter(), $section->insideDiameter());
        if ($outside === null || ($bore === null && ! $section->isSolid())) {
            throw $refuse(sprintf('is wider than %s, or goes along it', $branch->name));
        }
        $straight = ($stretches[0]->straight ?? 0.0) - $outside->saddle->highest();
        if ($straight <= 0.0) {
            throw $refuse(sprintf('bends before it is clear of %s', $branch->name));
        }
        $last = count($stretches) - 1;

        return new self(
            $laid, $section, $stretches, $outside, $bore,
            EndBodies::of($far->end, $section, $last === 0 ? $straight / 2 : EndBodies::room($stretches, $last)),
            self::on($laid, ! $isFrom, $runs, $pointer),
        );
    }

    /** @return array{float, float} what its outside and its bore cover of the host, from where the axes meet, mm */
    public function span(): array
    {
        $spans = array_map(static fn (PlacedSaddle $foot): array => $foot->saddle->span(), $this->feet());

        return [min(array_column($spans, 0)), max(array_column($spans, 1))];
    }

    /** Returns its foot on the outside of its host, or on the bore of that. */
    public function foot(bool $isBore): PlacedSaddle
    {
        return $isBore ? $this->bore ?? $this->outside : $this->outside;
    }

    /**
     * Adds its wall, from the hole in its host to its far end, with a hole for each branch on it.
     *
     * @param  bool  $isBore  whether it is that of its bore
     */
    public function wall(SolidBuilder $builder, Hole $hole, bool $isBore): HostWall
    {
        $first = $this->stretches[0];
        $radius = ($isBore ? $this->section->insideDiameter() : $this->section->outsideDiameter) / 2;
        $clear = $this->outside->saddle->highest();
        $at = $clear + min(self::MARGIN * $radius, ($this->takenFirst() - $clear) / 2);
        $frame = $first->start->movedTo($first->start->at->plus($first->start->along->times($at)));

        return new HostWall(
            $builder, $this->stretches, $radius,
            array_map(static fn (self $branch): PlacedSaddle => $branch->foot($isBore), $this->branches),
            $hole->ring($builder, $frame, $radius), $at, $isBore ? $this->end->bore() : $this->end->back(),
        );
    }

    /** Returns the distance from its outside, from where it is clear of its host. */
    public function distance(): TubeDistance
    {
        $path = $this->path();

        return TubeDistance::along(
            $path->between($this->outside->saddle->highest(), $path->length), $this->section->outsideDiameter / 2,
            false, false,
        );
    }

    /**
     * Whether it runs into another tube beyond its foot.
     *
     * @param  bool  $isHost  whether that is the one that it stands on, from which it has to come away first
     */
    public function runsInto(TubeDistance $other, bool $isHost): bool
    {
        $path = $this->path();
        $radius = $this->section->outsideDiameter / 2;
        $from = $this->outside->saddle->highest();
        $count = (int) ceil(($path->length - $from) / $radius * self::LOOKED_AT);
        $hasLeft = ! $isHost;
        for ($i = 1; $i <= $count; $i++) {
            $point = $path->pointAt($from + ($path->length - $from) * $i / $count);
            $isNear = $other->at($point->x, $point->y, $point->z)[0] < $radius;
            if ($isNear && $hasLeft) {
                return true;
            }
            $hasLeft = $hasLeft || ! $isNear;
        }

        return false;
    }

    private function path(): Path
    {
        return $this->laid->run->from->branch === null ? $this->laid->path->reversed() : $this->laid->path;
    }

    /** Returns where on its first straight its end or a branch on it begins, from the start of its path, mm. */
    private function takenFirst(): float
    {
        $first = $this->stretches[0];
        $taken = [($first->straight ?? 0.0) - (
            count($this->stretches) === 1 ? max($this->end->back(), $this->end->bore()) : 0.0
        )];
        foreach ($this->branches as $branch) {
            $at = HostWall::placeOn($first, $branch->outside);
            if ($at !== null) {
                $taken[] = $at + $branch->span()[0];
            }
        }

        return min($taken);
    }

    /** @return non-empty-list<PlacedSaddle> of its outside and of its bore, where it has one */
    private function feet(): array
    {
        return $this->bore === null ? [$this->outside] : [$this->outside, $this->bore];
    }

    private static function saddle(
        RunEnd $end,
        Branch $branch,
        Vector $along,
        float $hostDiameter,
        float $diameter,
    ): ?PlacedSaddle {
        return $end->axis === null || $diameter > $hostDiameter
            || $end->axis->cross($along)->length() < PlacedSaddle::LEAST_SINE
            ? null
            : PlacedSaddle::of($branch->at, $along, $end->axis, $hostDiameter / 2, $diameter / 2);
    }
}
