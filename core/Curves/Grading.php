<?php

declare(strict_types=1);

namespace Bowline\Curves;

/**
 * Parameters from 0 to 1 that are denser towards both ends, for a line that bends most at its ends: s = ½ + tanh(β(2ξ −
 * 1)) / 2 tanh β for even ξ; even where β is 0.
 */
final readonly class Grading
{
    /** First steps longer than this share of an even step are not graded. */
    private const EVEN = 0.98;

    private function __construct(
        private int $count,
        private float $beta,
    ) {
    }

    /**
     * @param  int  $count  pieces
     * @param  float  $decay  length over which the bend at an end falls to 1/e, of a length of 1
     * @param  float  $steps  pieces that this length should take at an end
     */
    public static function forDecay(int $count, float $decay, float $steps): self
    {
        return new self($count, self::beta(min(1.0, $count * $decay / $steps)));
    }

    public static function even(int $count): self
    {
        return new self($count, 0.0);
    }

    /** @return list<float> */
    public function places(): array
    {
        $end = tanh($this->beta);

        return array_map(
            fn (int $i): float => $this->beta === 0.0
                ? $i / $this->count
                : 0.5 + tanh($this->beta * ((2 * $i) / $this->count - 1)) / (2 * $end),
            range(0, $this->count),
        );
    }

    /** @return list<float> lengths of the pieces between the places */
    public function pieces(): array
    {
        $places = $this->places();

        return array_map(static fn (int $i): float => $places[$i + 1] - $places[$i], range(0, $this->count - 1));
    }

    /** @return list<float> derivative of each place by ξ */
    public function stretch(): array
    {
        $end = tanh($this->beta);

        return array_map(
            fn (int $i): float => $this->beta === 0.0
                ? 1.0
                : $this->beta / ($end * cosh($this->beta * ((2 * $i) / $this->count - 1)) ** 2),
            range(0, $this->count),
        );
    }

    /** @return list<float> second derivative of each place by ξ, over the first */
    public function bend(): array
    {
        return array_map(
            fn (int $i): float => -4 * $this->beta * tanh($this->beta * ((2 * $i) / $this->count - 1)),
            range(0, $this->count),
        );
    }

    /** Returns β for which the steps at the ends are this share of an even step, 2β / sinh 2β, by bisection. */
    private static function beta(float $share): float
    {
        if ($share > self::EVEN) {
            return 0.0;
        }
        [$low, $high] = [0.0, 10.0];
        for ($i = 0; $i < 50; $i++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = 2 * $middle > $share * sinh(2 * $middle) ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }
}
