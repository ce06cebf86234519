<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Bending\BendTable;
use Bowline\Job\JobError;
use Bowline\Routing\LaidRun;

/**
 * What a bender does to make a tube, in its order. Millimetres and radians. A bend that is set further than it shall be
 * draws more tube round the die, which springs back straight: the next feed is shorter by that.
 */
final readonly class BendProgram
{
    /**
     * @param  list<BendStep>  $steps
     * @param  float  $cut  length of the raw tube
     * @param  float  $tail  straight behind the last bend
     */
    private function __construct(
        public array $steps,
        public float $cut,
        public float $tail,
        public float $outsideDiameter,
        public float $wall,
    ) {
    }

    /** @throws JobError when it has elbows, which are not bent */
    public static function of(LaidRun $laid): self
    {
        $table = BendTable::of($laid);
        $steps = [];
        $end = $more = 0.0;
        foreach ($table->rows as $i => $row) {
            if ($laid->bends[$i]->elbow !== null) {
                throw JobError::at('/runs', sprintf('bend %d of %s is an elbow', $i + 1, $laid->run->name));
            }
            $straight = $row->mark - $end;
            $steps[] = new BendStep(
                $straight, $straight - $more, $i === 0 ? 0.0 : $row->rotation, $row->setAngle, $row->angle,
                $row->radius,
            );
            $end = $table->cutLength - $row->markFromEnd;
            $more = ($row->setAngle - $row->angle) * $row->radius;
        }
        $section = $laid->run->stock->section;

        return new self($steps, $table->cutLength, $table->cutLength - $end, $section->outsideDiameter, $section->wall);
    }

    /** Returns the program that bends the same tube from its other end. Rotations keep their sense. */
    public function reversed(): self
    {
        $steps = [];
        $more = 0.0;
        $count = count($this->steps);
        for ($i = $count - 1; $i >= 0; $i--) {
            $step = $this->steps[$i];
            $straight = $i === $count - 1 ? $this->tail : $this->steps[$i + 1]->straight;
            $steps[] = new BendStep(
                $straight, $straight - $more, $i === $count - 1 ? 0.0 : $this->steps[$i + 1]->turn, $step->set,
                $step->angle, $step->radius,
            );
            $more = ($step->set - $step->angle) * $step->radius;
        }

        return new self(
            $steps, $this->cut, $this->steps[0]->straight ?? $this->tail, $this->outsideDiameter, $this->wall,
        );
    }

    /**
     * Returns the same with angles set by what is known of the springback, and feeds longer by what slips.
     *
     * @param  callable(BendStep): SpringbackModel  $model
     * @param  float  $slip  part of a feed that is lost
     */
    public function corrected(callable $model, float $slip): self
    {
        $steps = [];
        $more = 0.0;
        foreach ($this->steps as $step) {
            $set = $model($step)->set($step->angle);
            $steps[] = new BendStep(
                $step->straight, ($step->straight - $more) / (1.0 - $slip), $step->turn, $set, $step->angle,
                $step->radius,
            );
            $more = ($set - $step->angle) * $step->radius;
        }

        return new self($steps, $this->cut, $this->tail, $this->outsideDiameter, $this->wall);
    }

    /** Returns the tube as it should be. */
    public function wanted(): MadeTube
    {
        return new MadeTube(array_map(
            static fn (BendStep $step): array => [$step->straight, $step->turn, $step->angle, $step->radius],
            $this->steps,
        ), $this->tail, $this->outsideDiameter);
    }

    /** @return list<float> radii of its dies, in order */
    public function radii(): array
    {
        return array_map(static fn (BendStep $step): float => $step->radius, $this->steps);
    }

    /**
     * Returns what the tube would hit on its way, by the number of the step from 0; none where it swings free.
     *
     * @return array<int, string> "bed", "floor" or "tube", which is itself
     */
    public function hits(MachineSpace $space): array
    {
        $hits = [];
        $front = [];
        $behind = $this->cut;
        foreach ($this->steps as $i => $step) {
            $behind -= $step->feed;
            $hit = $space->hit($front, $step, $this->outsideDiameter / 2, $behind);
            $behind -= $step->set * $step->radius;
            if ($hit !== null) {
                $hits[$i] = $hit;
            }
            $front = $space->after($front, $step->straight, $step->turn, $step->angle, $step->radius);
        }

        return $hits;
    }
}
