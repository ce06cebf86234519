<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Saddle;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;

/** The place on another run, its host, on which a run begins or ends. Developed lengths of the host, in mm. */
final readonly class Branch
{
    /**
     * @param  string  $host  id of the host
     * @param  string  $name  of the host
     * @param  float  $told  where it stands, as told
     * @param  float  $length  of the host
     * @param  Vector  $at  on the centreline of the host
     * @param  Vector  $along  unit, direction of the host there
     * @param  Section  $section  of the host there
     * @param  list<array{float, float}>  $straights  of the host
     * @param  list<array{float, float, string}>  $taken  what of it is taken by joints, flanges and tees, and by what
     * @param  list<BranchBeside>  $others  that are set on it, or set in
     */
    public function __construct(
        public string $host,
        public string $name,
        public BranchKind $kind,
        public float $told,
        public float $length,
        public Vector $at,
        public Vector $along,
        public Section $section,
        public array $straights,
        public array $taken,
        public array $others = [],
    ) {
    }

    /**
     * Returns the curve in which the outside of a branch meets that of the host.
     *
     * @param  Vector  $axis  of the branch, unit, away from the host
     * @return Saddle|null null where one is not round, or the branch is wider than the host or along it
     */
    public function saddle(Vector $axis, Section $branch): ?Saddle
    {
        return $this->between($axis, $this->section->outsideDiameter / 2, $branch->outsideDiameter / 2, $branch);
    }

    /** Returns the tee that it is let in by; null where it is none, or none is made for both. */
    public function tee(Section $branch): ?TeeSize
    {
        return $this->kind === BranchKind::Tee ? TeeSize::of($this->section, $branch) : null;
    }

    /** Returns how far from its centreline the tube of a branch begins, mm; 0 where it cannot stand on it. */
    public function reach(Vector $axis, Section $branch): float
    {
        $tee = $this->tee($branch);
        if ($tee !== null) {
            return $tee->outlet;
        }
        $radius = match ($this->kind) {
            BranchKind::SetOn, BranchKind::Tee => $this->section->outsideDiameter / 2,
            BranchKind::SetIn => $this->section->insideDiameter() / 2,
        };

        return $this->between($axis, $radius, $branch->outsideDiameter / 2, $branch)?->lowest() ?? 0.0;
    }

    /** @return array{float, float}|null the straight of the host that holds a place; null where it bends there */
    public function straightAt(float $along): ?array
    {
        foreach ($this->straights as [$from, $to]) {
            if ($along >= $from - Tolerance::RULE_SLACK && $along <= $to + Tolerance::RULE_SLACK) {
                return [$from, $to];
            }
        }

        return null;
    }

    /**
     * Returns the place nearest to the told one on each free part of a straight, the nearest first.
     *
     * @param  Vector  $axis  of the branch, unit, away from the host
     * @return list<float>
     */
    public function places(Vector $axis, Section $branch): array
    {
        [$before, $behind] = $this->span($axis, $branch);
        $taken = $this->takenFrom($axis, $branch);
        $places = [];
        foreach ($this->straights as [$start, $end]) {
            $free = [[$start, $end]];
            foreach ($taken as [$first, $last]) {
                $left = [];
                foreach ($free as [$from, $to]) {
                    array_push($left, ...$last <= $from || $first >= $to
                        ? [[$from, $to]]
                        : array_filter(
                            [[$from, $first], [$last, $to]], static fn (array $part): bool => $part[1] > $part[0],
                        ));
                }
                $free = $left;
            }
            foreach ($free as [$from, $to]) {
                if ($to - $behind > $from - $before) {
                    $places[] = max($from - $before, min($to - $behind, $this->told));
                }
            }
        }
        usort($places, fn (float $one, float $other): int => abs($one - $this->told) <=> abs($other - $this->told));

        return $places;
    }

    /**
     * Returns what of the host is taken where a branch would stand on it: by joints, flanges and tees, and by other
     * branches on its side.
     *
     * @param  Vector  $axis  of the branch, unit, away from the host
     * @return list<array{float, float, string}> developed lengths from where to where, mm, and by what
     */
    public function takenFrom(Vector $axis, Section $branch): array
    {
        $taken = $this->taken;
        foreach ($this->others as $other) {
            $turn = $axis->squareTo($this->along)->angleTo($other->axis->squareTo($other->along));
            $isBeside = $this->kind !== BranchKind::Tee
                && $turn > $this->halfAngle($branch) + $this->halfAngle($other->section);
            if (! $isBeside) {
                [$before, $behind] = $this->reachOf(
                    $this->between($other->axis, $this->section->outsideDiameter / 2,
                        $other->section->outsideDiameter / 2, $other->section), $other->section,
                );
                $taken[] = [$other->at + $before, $other->at + $behind, $other->name];
            }
        }

        return $taken;
    }

    /**
     * Returns how far the foot of a branch reaches along the host, with a weld as wide as its wall round it, or its tee
     * does.
     *
     * @return array{float, float} from its place back, at most 0, and ahead, mm
     */
    public function span(Vector $axis, Section $branch): array
    {
        $tee = $this->tee($branch);

        return $tee === null ? $this->reachOf($this->saddle($axis, $branch), $branch) : [-$tee->run, $tee->run];
    }

    /** @return array{float, float} along the host, mm; as wide as the branch where it cannot stand on it */
    private function reachOf(?Saddle $saddle, Section $branch): array
    {
        $weld = $branch->isSolid() ? 0.0 : $branch->wall;
        [$before, $behind] = $saddle?->span() ?? [-$branch->outsideDiameter / 2, $branch->outsideDiameter / 2];

        return [$before - $weld, $behind + $weld];
    }

    /** Returns half of the angle that a branch takes round the host, with its weld, radians. */
    private function halfAngle(Section $branch): float
    {
        $half = $branch->outsideDiameter / 2 + ($branch->isSolid() ? 0.0 : $branch->wall);

        return asin(min(1.0, $half / ($this->section->outsideDiameter / 2)));
    }

    private function between(Vector $axis, float $hostRadius, float $radius, Section $branch): ?Saddle
    {
        return $this->section->isRound && $branch->isRound && $radius <= $hostRadius + Tolerance::COINCIDENT
            && $axis->cross($this->along)->length() > Tolerance::NO_SIDE
            ? new Saddle($hostRadius, $radius, $axis->angleTo($this->along))
            : null;
    }
}
