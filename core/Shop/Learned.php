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
        return $this->with(MeasuredBend::of($program, $measured));
    }

    /**
     * Returns what is known with more bends.
     *
     * @param  list<MeasuredBend>  $bends
     */
    public function with(array $bends): self
    {
        [$precision, $sum] = [$this->precision, $this->precision * $this->slip];
        foreach ($bends as $bend) {
            $precision += $bend->feed ** 2 / self::STRAIGHT ** 2;
            $sum += $bend->feed * $bend->lost / self::STRAIGHT ** 2;
        }
        $pairs = array_map(static fn (MeasuredBend $bend): array => [$bend->set, $bend->got], $bends);

        return new self($this->springback->with($pairs, self::BEND), $sum / $precision, $precision);
    }
}
