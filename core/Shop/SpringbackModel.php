<?php

declare(strict_types=1);

namespace Bowline\Shop;

/**
 * How a bend springs back, learned from angles that were set and what came out: got = (1 − k)·set − c, by linear
 * regression with what is usual beforehand (a Bayesian one with a normal prior), so that one bend tells something and
 * many tell more.
 */
final readonly class SpringbackModel
{
    /** What is usual: k about 0.025, more or less by as much; c about nothing, more or less by a degree. */
    private const USUAL = 0.025;

    private const SPREAD = 0.025;

    private const OPENING = M_PI / 180;

    /**
     * @param  array{float, float}  $mean  k and c, c in radians
     * @param  array{float, float, float}  $spread  variances of k and c, and their covariance
     */
    private function __construct(
        public array $mean,
        public array $spread,
    ) {
    }

    public static function usual(): self
    {
        return new self([self::USUAL, 0.0], [self::SPREAD ** 2, self::OPENING ** 2, 0.0]);
    }

    /**
     * Returns what is known with more bends.
     *
     * @param  list<array{float, float}>  $pairs  angles set and got, radians
     * @param  float  $deviation  of one of these, radians
     */
    public function with(array $pairs, float $deviation): self
    {
        [$kk, $cc, $kc] = $this->spread;
        $det = $kk * $cc - $kc ** 2;
        // Precisions add; what is seen of a bend is set − got = k·set + c.
        [$a, $b, $d] = [$cc / $det, -$kc / $det, $kk / $det];
        [$u, $v] = [$a * $this->mean[0] + $b * $this->mean[1], $b * $this->mean[0] + $d * $this->mean[1]];
        foreach ($pairs as [$set, $got]) {
            $a += $set ** 2 / $deviation ** 2;
            $b += $set / $deviation ** 2;
            $d += 1 / $deviation ** 2;
            $u += $set * ($set - $got) / $deviation ** 2;
            $v += ($set - $got) / $deviation ** 2;
        }
        $det = $a * $d - $b ** 2;

        return new self([($d * $u - $b * $v) / $det, ($a * $v - $b * $u) / $det], [$d / $det, $a / $det, -$b / $det]);
    }

    /** Returns the angle to set for one that is wanted, radians. */
    public function set(float $wanted): float
    {
        return ($wanted + $this->mean[1]) / (1.0 - $this->mean[0]);
    }

    /** Returns the standard deviation of what comes out where an angle is set, radians. */
    public function uncertainty(float $set): float
    {
        [$kk, $cc, $kc] = $this->spread;

        return sqrt(max(0.0, $set ** 2 * $kk + $cc + 2 * $set * $kc));
    }
}
