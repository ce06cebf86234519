<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\Vector;

/**
 * A measuring arm with a fork that does not exist: it is told which straight of a part to take hold of, and where, and
 * tells the point of its middle there, in the frame in which the part lies, with noise (docs/bender.md).
 */
final class SimulatedArm
{
    private ?MadeTube $part = null;

    /**
     * @param  callable(string): ?MadeTube  $rack  returns the part of a number
     * @param  float  $deviation  of each coordinate, mm
     */
    public function __construct(
        private readonly mixed $rack,
        private readonly Noise $noise,
        private readonly float $deviation,
    ) {
    }

    /** Answers a line: "POINT 12.3 4.5 6.7", "OK 5" with the number of straights, or "ERR 40 there is no part 9". */
    public function answer(string $line): string
    {
        $words = explode(' ', (string) preg_replace('/\s+/', ' ', trim($line)));
        if (strtoupper($words[0]) === 'HELLO') {
            return 'ARM 1';
        }
        if (strtoupper($words[0]) === 'PART' && isset($words[1])) {
            $this->part = ($this->rack)($words[1]);

            return $this->part === null
                ? 'ERR 40 there is no part '.$words[1]
                : 'OK '.count($this->part->straights());
        }
        if (strtoupper($words[0]) !== 'TOUCH') {
            return 'ERR 10 there is no such line';
        }
        $straight = $words[1] ?? '';
        $share = $words[2] ?? '';
        if (! ctype_digit($straight) || ! is_numeric($share)) {
            return 'ERR 11 TOUCH takes a straight and a share of it';
        }
        $straights = $this->part?->straights() ?? [];

        return isset($straights[(int) $straight]) && (float) $share >= 0.0 && (float) $share <= 1.0
            ? $this->touched($straights[(int) $straight], (float) $share)
            : 'ERR 41 there is no such place on the part';
    }

    /** @param  array{Vector, Vector}  $straight */
    private function touched(array $straight, float $share): string
    {
        $at = $straight[0]->plus($straight[1]->minus($straight[0])->times($share));

        return vsprintf('POINT %.4F %.4F %.4F', array_map(
            fn (float $one): float => $one + $this->noise->of($this->deviation), $at->toArray(),
        ));
    }
}
