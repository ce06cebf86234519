<?php

declare(strict_types=1);

namespace Bowline\Comparison;

use Bowline\Geometry\Vector;
use Bowline\Job;
use Bowline\Job\BranchKind;
use Bowline\Job\RunEnd;
use Bowline\Routing\LaidRun;
use Bowline\Routing\Spool;

/** Where another run stands on one: a hole or a tee in it. */
final readonly class Opening
{
    /**
     * @param  float  $along  developed length of the host, mm
     * @param  float  $diameter  of the branch, outside, mm
     * @param  float  $slant  of the branch to the host, radians
     * @param  Vector  $side  unit, square to the host, to which the branch goes off
     */
    private function __construct(
        public BranchKind $kind,
        public float $along,
        public float $diameter,
        public float $slant,
        public Vector $side,
    ) {
    }

    /** @return array<string, list<self>> the openings in each run that has some, in order along it, by its id */
    public static function all(Job $job): array
    {
        $openings = [];
        foreach ($job->runs as $run) {
            foreach ([[$run->from, $run->stock], [$run->to, $run->lastStock()]] as [$end, $stock]) {
                $opening = self::of($end, $stock->section->outsideDiameter);
                if ($opening !== null && $end->branch !== null) {
                    $openings[$end->branch->host][] = $opening;
                }
            }
        }

        return array_map(static function (array $ones): array {
            usort($ones, static fn (self $one, self $other): int => $one->along <=> $other->along);

            return $ones;
        }, $openings);
    }

    private static function of(RunEnd $end, float $diameter): ?self
    {
        [$branch, $axis] = [$end->branch, $end->axis];

        return $branch === null || $axis === null ? null : new self(
            $branch->kind, $branch->told, $diameter, $axis->angleTo($branch->along), $axis->squareTo($branch->along),
        );
    }

    /**
     * Returns those of a run that are in one spool of it, as told along that.
     *
     * @param  list<self>  $openings
     * @return list<self>
     */
    public static function within(array $openings, Spool $spool): array
    {
        return array_values(array_map(
            static fn (self $one): self => new self(
                $one->kind, $one->along - $spool->from, $one->diameter, $one->slant, $one->side,
            ),
            array_filter(
                $openings,
                static fn (self $one): bool => $one->along >= $spool->from && $one->along < $spool->to,
            ),
        ));
    }

    /** Whether it is the same hole in the same tube, which may lie elsewhere. */
    public function isLike(self $other, LaidRun $host, LaidRun $otherHost): bool
    {
        return $this->kind === $other->kind && Alike::lengths($this->along, $other->along)
            && Alike::lengths($this->diameter, $other->diameter) && Alike::angles($this->slant, $other->slant)
            && Alike::angles(
                PartFrame::turnOf($host, $this->along, $this->side),
                PartFrame::turnOf($otherHost, $other->along, $other->side),
            );
    }
}
