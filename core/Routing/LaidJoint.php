<?php

declare(strict_types=1);

namespace Bowline\Routing;

use Bowline\Geometry\Tolerance;
use Bowline\Job\Joint\Joint;

/** A joint of a laid run: where it was told, and where it is. Developed lengths in mm. */
final readonly class LaidJoint
{
    /**
     * @param  int  $index  in the run, as told
     * @param  float  $told  of the middle of its gap
     * @param  float|null  $at  the nearest to that on a straight that holds its gap; null where there is none
     */
    private function __construct(
        public int $index,
        public Joint $joint,
        public float $told,
        public ?float $at,
    ) {
    }

    /** @return list<self> the joints of a run, in the order along it */
    public static function all(LaidRun $laid): array
    {
        $straights = $laid->run->joints === [] ? [] : $laid->path->straights();
        $joints = [];
        foreach ($laid->run->joints as $index => $joint) {
            $told = $joint->length ?? self::onLeg($laid, $joint->leg, $joint->fromStart);
            $places = self::places($straights, $told, $joint->gap);
            $joints[] = new self($index, $joint, $told, $places[0] ?? null);
        }
        $place = static fn (self $joint): float => $joint->at ?? $joint->told;
        usort($joints, static fn (self $one, self $other): int => $place($one) <=> $place($other));

        return $joints;
    }

    /** Whether it is where it was told. */
    public function isInPlace(): bool
    {
        return $this->at !== null && abs($this->at - $this->told) < Tolerance::RULE_SLACK;
    }

    /** @return array{float, float} where the spools before and behind it end and begin */
    public function span(): array
    {
        $half = $this->joint->gap / 2;

        return [($this->at ?? $this->told) - $half, ($this->at ?? $this->told) + $half];
    }

    /**
     * Returns the nearest place on each straight that holds a gap, the nearest first.
     *
     * @param  list<array{float, float}>  $straights
     * @param  float  $before  straight that it needs besides on its near side, mm; $behind likewise
     * @return list<float>
     */
    public static function places(
        array $straights,
        float $told,
        float $gap,
        float $before = 0.0,
        float $behind = 0.0,
    ): array {
        $places = [];
        foreach ($straights as [$start, $end]) {
            [$first, $last] = [$start + $before + $gap / 2, $end - $behind - $gap / 2];
            if ($last - $first > -Tolerance::NOTHING) {
                $places[] = max($first, min($last, $told));
            }
        }
        usort($places, static fn (float $one, float $other): int => abs($one - $told) <=> abs($other - $told));

        return $places;
    }

    /** Returns the developed length of a place on a leg, told from the corner at which it begins. */
    private static function onLeg(LaidRun $laid, int $vertex, float $fromStart): float
    {
        foreach ($laid->legs as $leg) {
            if ($leg->fromVertex < $vertex && $vertex <= $leg->toVertex) {
                $corner = $laid->vertices[$leg->fromVertex]->at;
                $ahead = $laid->vertices[$vertex - 1]->at->minus($corner)->dot($leg->direction) + $fromStart;
                $tangent = $leg->bendBefore === null ? 0.0 : $laid->bends[$leg->bendBefore]->tangent;

                return $leg->start + $ahead - $tangent;
            }
        }

        return $fromStart;
    }
}
