<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\EndBodies;
use Bowline\Body\EndBody;
use Bowline\Body\Frame;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Geometry\Tolerance;
use Bowline\Job\JobError;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;
use Bowline\Space\TubeDistance;

/**
 * One body of a round run, the branches on its straights, and those on theirs, without rounding: cylinders that end in
 * the curves in which they meet. Outsides meet outsides and bores meet bores, so that all of it is open to each other.
 */
final readonly class BranchedBody
{
    /**
     * @param  non-empty-list<Stretch>  $stretches  of the host
     * @param  list<BranchTube>  $limbs  on the host
     * @param  non-empty-list<Column>  $outerColumns  round the outside of the host
     * @param  non-empty-list<Column>  $boreColumns  round its bore
     * @param  array{EndBody, EndBody}  $ends  of the host
     */
    private function __construct(
        private string $name,
        public LaidRun $host,
        private Section $section,
        private array $stretches,
        private array $limbs,
        private array $ends,
        private array $outerColumns,
        private array $boreColumns,
    ) {
    }

    /**
     * @param  list<LaidRun>  $runs  of which all but one stand on another
     * @param  string  $pointer  of the body in the job
     *
     * @throws JobError where they cannot be one body
     */
    public static function of(string $name, array $runs, string $pointer): self
    {
        Members::check($runs, false, $pointer);
        $host = self::host($runs, $pointer);
        $section = $host->run->stock->section;
        $stretches = Stretches::along($host->path, $host->run->section, $section->outsideDiameter / 2);
        if ($stretches === []) {
            throw JobError::at($pointer, sprintf('%s has no length', $host->run->name));
        }
        $limbs = BranchTube::on($host, false, $runs, $pointer);
        $last = count($stretches) - 1;
        $ends = [
            EndBodies::of($host->run->from->end, $section, EndBodies::room($stretches, 0)),
            EndBodies::of($host->run->to->end, $section, EndBodies::room($stretches, $last)),
        ];
        $taken = static fn (EndBody $end): float => max($end->back(), $end->bore());
        self::refuseOverlaps(
            $host->run->name, $stretches, $limbs, array_map($taken, $ends), $pointer,
        );
        foreach (BranchTube::all($limbs) as $limb) {
            self::refuseOverlaps(
                $limb->laid->run->name, $limb->stretches, $limb->branches,
                [$limb->outside->saddle->highest(), $taken($limb->end)], $pointer,
            );
        }
        self::refuseCrossings($host, $limbs, $pointer);
        $columns = array_map(
            static fn (bool $isBore): array => RingDivision::columns($stretches, $limbs, $isBore)
                ?? throw JobError::at($pointer, sprintf(
                    'the branches of %s stand so nearly in a row that they cannot be made exactly', $host->run->name,
                )),
            [false, ! $section->isSolid()],
        );

        return new self($name, $host, $section, $stretches, $limbs, $ends, ...$columns);
    }

    /**
     * @param  list<LaidRun>  $runs
     *
     * @throws JobError
     */
    private static function host(array $runs, string $pointer): LaidRun
    {
        $hosts = [];
        foreach ($runs as $laid) {
            $run = $laid->run;
            if ($run->from->branch === null && $run->to->branch === null) {
                $hosts[] = $laid;
            }
            if ($run->from->branch !== null && $run->to->branch !== null) {
                throw JobError::at($pointer, sprintf('%s stands on a run with both ends', $run->name));
            }
        }
        if (count($hosts) !== 1) {
            throw JobError::at($pointer, $hosts === []
                ? 'none of its runs carries the others'
                : sprintf('neither %s nor %s stands on a run of the body', $hosts[0]->run->name, $hosts[1]->run->name));
        }
        $ids = array_map(static fn (LaidRun $laid): string => $laid->run->id, $runs);
        foreach ($runs as $laid) {
            $branch = $laid->run->from->branch ?? $laid->run->to->branch;
            if ($branch !== null && ! in_array($branch->host, $ids, true)) {
                throw JobError::at($pointer, sprintf(
                    '%s stands on %s, which is none of the runs of the body', $laid->run->name, $branch->name,
                ));
            }
        }

        return $hosts[0];
    }

    /**
     * @param  string  $name  of the run that they stand on
     * @param  non-empty-list<Stretch>  $stretches  of that
     * @param  list<BranchTube>  $branches
     * @param  array{float, float}  $taken  of its first and its last straight, by its ends
     *
     * @throws JobError where a branch has no room on its straight, or two stand over one another
     */
    private static function refuseOverlaps(
        string $name,
        array $stretches,
        array $branches,
        array $taken,
        string $pointer,
    ): void {
        $places = [];
        foreach ($branches as $branch) {
            $place = self::place($branch, $stretches, $taken);
            if ($place === null) {
                throw JobError::at($pointer, sprintf(
                    '%s has no room on a straight of %s', $branch->laid->run->name, $name,
                ));
            }
            foreach ($places as [$other, $stretch, $from, $to]) {
                if ($stretch === $place[0] && $from < $place[2] + Tolerance::COINCIDENT
                    && $place[1] < $to + Tolerance::COINCIDENT
                    && ! RingDivision::areApart($stretches[$stretch], $other, $branch)) {
                    throw JobError::at($pointer, sprintf(
                        '%s and %s stand over one another', $other->laid->run->name, $branch->laid->run->name,
                    ));
                }
            }
            $places[] = [$branch, ...$place];
        }
    }

    /**
     * @param  list<BranchTube>  $limbs
     *
     * @throws JobError where a branch runs into what it does not stand on, or back into its host
     */
    private static function refuseCrossings(LaidRun $host, array $limbs, string $pointer): void
    {
        $all = BranchTube::all($limbs);
        $tubes = [[$host, TubeDistance::along(
            $host->path, $host->run->stock->section->outsideDiameter / 2, false, false,
        )]];
        foreach ($all as $limb) {
            $tubes[] = [$limb->laid, $limb->distance()];
        }
        foreach ($all as $limb) {
            $run = $limb->laid->run;
            foreach ($tubes as [$laid, $tube]) {
                $isHost = ($run->from->branch ?? $run->to->branch)?->host === $laid->run->id;
                $standsOnIt = ($laid->run->from->branch ?? $laid->run->to->branch)?->host === $run->id;
                if ($laid !== $limb->laid && ! $standsOnIt && $limb->runsInto($tube, $isHost)) {
                    throw JobError::at($pointer, sprintf('%s runs into %s', $run->name, $laid->run->name));
                }
            }
        }
    }

    /**
     * Returns what a branch takes of a straight.
     *
     * @param  non-empty-list<Stretch>  $stretches
     * @param  array{float, float}  $taken
     * @return array{int, float, float}|null number of the stretch, and from where to where, mm; null without the room
     */
    private static function place(BranchTube $branch, array $stretches, array $taken): ?array
    {
        $last = count($stretches) - 1;
        [$before, $behind] = $branch->span();
        foreach ($stretches as $i => $stretch) {
            $at = HostWall::placeOn($stretch, $branch->outside);
            if ($at !== null) {
                $from = $at + $before - ($i === 0 ? $taken[0] : 0.0);
                $left = ($stretch->straight ?? 0.0) - ($i === $last ? $taken[1] : 0.0) - $at - $behind;

                return min($from, $left) > Tolerance::COINCIDENT ? [$i, $at + $before, $at + $behind] : null;
            }
        }

        return null;
    }

    public function solid(): Solid
    {
        $outer = new SolidBuilder;
        $isEnclosed = array_filter($this->allEnds(), static fn (EndBody $end): bool => ! $end->closesBore()) === [];
        $inner = $isEnclosed ? new SolidBuilder : $outer;
        [$start, $rims] = $this->walls($outer, false, true);
        [$boreStart, $bores] = $this->section->isSolid() ? [null, []] : $this->walls($inner, true, true);
        $up = $this->host->run->section->up;
        [$facing, $end] = $this->facing();
        $this->ends[0]->addTo(
            $outer, $inner, $facing, $up, $start->reversed(), $boreStart === null ? [] : [$boreStart->reversed()],
        );
        $this->ends[1]->addTo($outer, $inner, $end, $up, $rims[0], array_slice($bores, 0, 1));
        foreach (BranchTube::all($this->limbs) as $i => $limb) {
            $limb->end->addTo(
                $outer, $inner, $limb->stretches[count($limb->stretches) - 1]->end(), $limb->laid->run->section->up,
                $rims[$i + 1], array_slice($bores, $i + 1, 1),
            );
        }

        return new Solid(
            $this->name, $isEnclosed && $inner->faces() !== [] ? [$outer->faces(), $inner->faces()] : [$outer->faces()],
        );
    }

    /** Returns the space of all its bores together; null where it is solid. */
    public function contents(): ?Solid
    {
        if ($this->section->isSolid()) {
            return null;
        }
        $builder = new SolidBuilder;
        [$boreStart, $bores] = $this->walls($builder, true, false);
        [$start, $end] = $this->facing();
        $up = $this->host->run->section->up;
        $this->ends[0]->addContents($builder, $start, $up, $boreStart->reversed());
        $this->ends[1]->addContents($builder, $end, $up, $bores[0]);
        foreach (BranchTube::all($this->limbs) as $i => $limb) {
            $limb->end->addContents(
                $builder, $limb->stretches[count($limb->stretches) - 1]->end(), $limb->laid->run->section->up,
                $bores[$i + 1],
            );
        }

        return new Solid($this->name, [$builder->faces()]);
    }

    /** @return list<EndBody> of the host and of all branches */
    private function allEnds(): array
    {
        return [...$this->ends, ...array_map(
            static fn (BranchTube $limb): EndBody => $limb->end, BranchTube::all($this->limbs),
        )];
    }

    /**
     * Adds the outsides of all runs, or their bores.
     *
     * @param  bool  $isAround  whether the material is outside of the bores
     * @return array{Profile, non-empty-list<Profile>} the loop at the start of the host, those at its end and at the
     *     far ends of the branches
     */
    private function walls(SolidBuilder $builder, bool $isBore, bool $isAround): array
    {
        $radius = ($isBore ? $this->section->insideDiameter() : $this->section->outsideDiameter) / 2;
        [$from, $to] = array_map(static fn (EndBody $end): float => $isBore ? $end->bore() : $end->back(), $this->ends);
        $start = $this->stretches[0]->start;
        $ring = Ring::round(
            $start->movedTo($start->at->plus($start->along->times($from))), $radius,
            $isBore ? $this->boreColumns : $this->outerColumns, $isBore && $isAround,
        );
        $wall = new HostWall(
            $builder, $this->stretches, $radius,
            array_map(static fn (BranchTube $limb): PlacedSaddle => $limb->foot($isBore), $this->limbs), $ring, $from,
            $to,
        );

        return [$ring->profile, [$wall->end(), ...self::branchWalls($builder, $this->limbs, $wall, $isBore)]];
    }

    /**
     * @param  list<BranchTube>  $branches
     * @param  HostWall  $host  in which their holes are
     * @return list<Profile> loops at their far ends, each before those of what stands on it
     */
    private static function branchWalls(SolidBuilder $builder, array $branches, HostWall $host, bool $isBore): array
    {
        $rims = [];
        foreach ($branches as $number => $branch) {
            $wall = $branch->wall($builder, $host->holes()[$number], $isBore);
            array_push($rims, $wall->end(), ...self::branchWalls($builder, $branch->branches, $wall, $isBore));
        }

        return $rims;
    }

    /** @return array{Frame, Frame} at both ends of the host, looking away from it */
    private function facing(): array
    {
        return [$this->stretches[0]->start->facingBack(), $this->stretches[count($this->stretches) - 1]->end()];
    }
}
