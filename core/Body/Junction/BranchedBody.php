<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Boundary\Solid;
use Bowline\Body\EndBodies;
use Bowline\Body\EndBody;
use Bowline\Body\Frame;
use Bowline\Body\Motion\AxialProjection;
use Bowline\Body\Motion\Translation;
use Bowline\Body\Profile;
use Bowline\Body\SolidBuilder;
use Bowline\Body\Stretch;
use Bowline\Body\Stretches;
use Bowline\Geometry\Tolerance;
use Bowline\Job\JobError;
use Bowline\Job\Section;
use Bowline\Routing\LaidRun;

/**
 * One body of a round run and the branches on its straights, without rounding: cylinders that end in the curves in
 * which they meet. Outsides meet outsides and bores meet bores, so that all of it is open to each other.
 */
final readonly class BranchedBody
{
    /** Share of the radius of a branch that lies between its foot and its first ring. */
    private const MARGIN = 0.1;

    /**
     * @param  non-empty-list<Stretch>  $stretches  of the host
     * @param  list<BranchTube>  $limbs
     * @param  array{EndBody, EndBody}  $ends  of the host
     */
    private function __construct(
        private string $name,
        public LaidRun $host,
        private Section $section,
        private array $stretches,
        private array $limbs,
        private array $ends,
    ) {
    }

    /**
     * @param  list<LaidRun>  $runs  one of them the host of all others
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
        $limbs = [];
        foreach ($runs as $run) {
            if ($run !== $host) {
                $limbs[] = BranchTube::of($run, $section, $pointer);
            }
        }
        $last = count($stretches) - 1;
        $made = new self($name, $host, $section, $stretches, $limbs, [
            EndBodies::of($host->run->from->end, $section, EndBodies::room($stretches, 0)),
            EndBodies::of($host->run->to->end, $section, EndBodies::room($stretches, $last)),
        ]);
        $made->refuseOverlaps($pointer);

        return $made;
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
        foreach ($runs as $laid) {
            $branch = $laid->run->from->branch ?? $laid->run->to->branch;
            if ($branch !== null && $branch->host !== $hosts[0]->run->id) {
                throw JobError::at($pointer, sprintf(
                    '%s stands on %s, and all branches of a body stand on %s',
                    $laid->run->name, $branch->name, $hosts[0]->run->name,
                ));
            }
        }

        return $hosts[0];
    }

    /** @throws JobError where a branch has no room on its straight, or two stand over one another */
    private function refuseOverlaps(string $pointer): void
    {
        foreach ($this->limbs as $number => $limb) {
            if ($this->room($limb) <= Tolerance::COINCIDENT) {
                throw JobError::at($pointer, sprintf(
                    '%s has no room on a straight of %s', $limb->laid->run->name, $this->host->run->name,
                ));
            }
            foreach (array_slice($this->limbs, $number + 1) as $other) {
                $this->refuseOver($limb, $other, $pointer);
            }
        }
    }

    /** Returns the length of straight left before or behind a branch, whichever is less, mm; -INF off a straight. */
    private function room(BranchTube $limb): float
    {
        $last = count($this->stretches) - 1;
        $taken = static fn (EndBody $end): float => max($end->back(), $end->bore());
        [$before, $behind] = $limb->span();
        foreach ($this->stretches as $i => $stretch) {
            $at = HostWall::placeOn($stretch, $limb->outside);
            if ($at !== null) {
                return min(
                    $at + $before - ($i === 0 ? $taken($this->ends[0]) : 0.0),
                    ($stretch->straight ?? 0.0) - ($i === $last ? $taken($this->ends[1]) : 0.0) - $at - $behind,
                );
            }
        }

        return -INF;
    }

    /** @throws JobError */
    private function refuseOver(BranchTube $one, BranchTube $other, string $pointer): void
    {
        $names = sprintf('%s and %s', $one->laid->run->name, $other->laid->run->name);
        $along = fn (BranchTube $limb): array => array_map(
            fn (float $reach): float => $reach + $this->host->path->closestTo($limb->outside->at), $limb->span(),
        );
        [[$from, $to], [$otherFrom, $otherTo]] = [$along($one), $along($other)];
        if ($from < $otherTo + Tolerance::COINCIDENT && $otherFrom < $to + Tolerance::COINCIDENT) {
            throw JobError::at($pointer, sprintf('%s stand beside each other at one place', $names));
        }
        $angle = $this->turnOf($one) - $this->turnOf($other);
        $angle = abs($angle - 2 * M_PI * round($angle / (2 * M_PI)));
        $others = $other->halfAngles();
        // Outsides, and bores likewise: both have one, or neither.
        foreach ($one->halfAngles() as $i => $half) {
            $otherHalf = $others[$i];
            $isInRow = $angle < Tolerance::COINCIDENT && abs($half - $otherHalf) < Tolerance::COINCIDENT;
            if (! $isInRow && $angle < $half + $otherHalf - Tolerance::COINCIDENT) {
                throw JobError::at($pointer, sprintf(
                    '%s overlap round %s: branches of one size in a row, or apart round it, can be made exactly',
                    $names, $this->host->run->name,
                ));
            }
        }
    }

    /** Returns the angle of a branch round the section of the host, radians. */
    private function turnOf(BranchTube $limb): float
    {
        foreach ($this->stretches as $stretch) {
            if (HostWall::placeOn($stretch, $limb->outside) !== null) {
                return $stretch->start->angleOf($stretch->start->at->plus($limb->outside->over));
            }
        }

        return 0.0;
    }

    public function solid(): Solid
    {
        $outer = new SolidBuilder;
        $isEnclosed = array_filter($this->allEnds(), static fn (EndBody $end): bool => ! $end->closesBore()) === [];
        $inner = $isEnclosed ? new SolidBuilder : $outer;
        $outside = new HostWall(
            $outer, $this->stretches, $this->section->outsideDiameter / 2,
            array_map(static fn (BranchTube $limb): PlacedSaddle => $limb->outside, $this->limbs), false,
            $this->ends[0]->back(), $this->ends[1]->back(),
        );
        $bore = $this->section->isSolid() ? null : $this->bore($inner, true);
        $up = $this->host->run->section->up;
        [$start, $end] = $this->facing();
        $this->ends[0]->addTo(
            $outer, $inner, $start, $up, $outside->start()->reversed(),
            $bore === null ? [] : [$bore->start()->reversed()],
        );
        $this->ends[1]->addTo($outer, $inner, $end, $up, $outside->end(), $bore === null ? [] : [$bore->end()]);
        foreach ($this->limbs as $number => $limb) {
            [$rim, $far] = self::limbWall(
                $outer, $limb, $outside->holes()[$number], $limb->section->outsideDiameter / 2, $limb->end->back(),
            );
            $bores = $bore === null ? [] : [self::limbWall(
                $inner, $limb, $bore->holes()[$number], $limb->section->insideDiameter() / 2, $limb->end->bore(),
            )[0]];
            $limb->end->addTo($outer, $inner, $far, $limb->laid->run->section->up, $rim, $bores);
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
        $wall = $this->bore($builder, false);
        [$start, $end] = $this->facing();
        $up = $this->host->run->section->up;
        $this->ends[0]->addContents($builder, $start, $up, $wall->start()->reversed());
        $this->ends[1]->addContents($builder, $end, $up, $wall->end());
        foreach ($this->limbs as $number => $limb) {
            [$rim, $far] = self::limbWall(
                $builder, $limb, $wall->holes()[$number], $limb->section->insideDiameter() / 2, $limb->end->bore(),
            );
            $limb->end->addContents($builder, $far, $limb->laid->run->section->up, $rim);
        }

        return new Solid($this->name, [$builder->faces()]);
    }

    /** @return list<EndBody> of the host and of all branches */
    private function allEnds(): array
    {
        return [...$this->ends, ...array_map(static fn (BranchTube $limb): EndBody => $limb->end, $this->limbs)];
    }

    /** @param  bool  $isBore  whether the material is outside of it */
    private function bore(SolidBuilder $builder, bool $isBore): HostWall
    {
        return new HostWall(
            $builder, $this->stretches, $this->section->insideDiameter() / 2,
            array_values(array_filter(
                array_map(static fn (BranchTube $limb): ?PlacedSaddle => $limb->bore, $this->limbs),
            )), $isBore,
            $this->ends[0]->bore(), $this->ends[1]->bore(),
        );
    }

    /** @return array{Frame, Frame} at both ends of the host, looking away from it */
    private function facing(): array
    {
        return [$this->stretches[0]->start->facingBack(), $this->stretches[count($this->stretches) - 1]->end()];
    }

    /**
     * Adds the wall of a branch, from the hole of its host to its far end.
     *
     * @param  float  $radius  mm
     * @param  float  $trim  how far from its end it ends, mm
     * @return array{Profile, Frame} its loop there, and the frame at its end, looking away from it
     */
    private static function limbWall(
        SolidBuilder $builder,
        BranchTube $limb,
        Hole $hole,
        float $radius,
        float $trim,
    ): array {
        $first = $limb->stretches[0];
        $last = count($limb->stretches) - 1;
        $clear = $limb->outside->saddle->highest();
        $room = ($first->straight ?? 0.0) - ($last === 0 ? max($trim, $limb->end->back()) : 0.0) - $clear;
        $ring = $clear + min(self::MARGIN * $radius, $room / 2);
        $loop = $builder->sweep($hole->loop, new AxialProjection(
            $first->start->movedTo($first->start->at->plus($first->start->along->times($ring))), $radius,
        ));
        foreach ($limb->stretches as $i => $stretch) {
            $from = $i === 0 ? $ring : 0.0;
            $loop = $builder->sweep($loop, $stretch->straight === null
                ? $stretch->motion
                : new Translation($stretch->start->along->times(
                    $stretch->straight - $from - ($i === $last ? $trim : 0.0),
                )));
        }

        return [$loop, $limb->stretches[$last]->end()];
    }
}
