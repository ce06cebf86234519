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
     * @param  list<array{float, float, string}>  $taken  what of it is taken by joints and flanges, and by what
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
     * @param  float  $before  how far the foot reaches back from its place, at most 0; $behind ahead
     * @return list<float>
     */
    public function places(float $before, float $behind): array
    {
        $places = [];
        foreach ($this->straights as [$start, $end]) {
            $free = [[$start, $end]];
            foreach ($this->taken as [$first, $last]) {
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

    private function between(Vector $axis, float $hostRadius, float $radius, Section $branch): ?Saddle
    {
        return $this->section->isRound && $branch->isRound && $radius <= $hostRadius + Tolerance::COINCIDENT
            && $axis->cross($this->along)->length() > Tolerance::NO_SIDE
            ? new Saddle($hostRadius, $radius, $axis->angleTo($this->along))
            : null;
    }
}
