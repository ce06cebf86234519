<?php

declare(strict_types=1);

namespace Bowline\Shop;

/** What is known of a bender, a material and a die from parts that were bent and measured. */
final readonly class Learned
{
    /** Standard deviations of a bend with how it was measured, radians, and of a straight, mm. */
    private const BEND = 0.1 * M_PI / 180;

    private const STRAIGHT = 0.2;

    /** What a bender usually slips: nothing, more or less by a hundredth. */
    private const SLIP = 0.01;

    private function __construct(
        public SpringbackModel $springback,
        public float $slip,
        private float $precision,
    ) {
    }

    public static function nothing(): self
    {
        return new self(SpringbackModel::usual(), 0.0, 1 / self::SLIP ** 2);
    }

    /** Returns what is known with one more part. */
    public function from(BendProgram $program, MeasuredTube $measured): self
    {
        $pairs = array_map(
            static fn (BendStep $step, float $got): array => [$step->set, $got], $program->steps, $measured->angles,
        );
        $straights = $measured->straights($program->radii());
        [$precision, $sum, $more] = [$this->precision, $this->precision * $this->slip, 0.0];
        foreach ($program->steps as $i => $step) {
            // What came out is feed·(1 − slip), and what sprang back straight of the bend before.
            $lost = $step->feed - ($straights[$i] - $more);
            $precision += $step->feed ** 2 / self::STRAIGHT ** 2;
            $sum += $step->feed * $lost / self::STRAIGHT ** 2;
            $more = ($step->set - $measured->angles[$i]) * $step->radius;
        }

        return new self($this->springback->with($pairs, self::BEND), $sum / $precision, $precision);
    }
}
