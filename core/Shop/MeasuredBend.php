<?php

declare(strict_types=1);

namespace Bowline\Shop;

/** What came out of one step of a bender. Millimetres and radians. */
final readonly class MeasuredBend
{
    /**
     * @param  float  $radius  of the die
     * @param  float  $lost  of the feed before the bend
     */
    public function __construct(
        public float $radius,
        public float $set,
        public float $got,
        public float $feed,
        public float $lost,
    ) {
    }

    /** @return list<self> by bend */
    public static function of(BendProgram $program, MeasuredTube $measured): array
    {
        $straights = $measured->straights($program->radii());
        $seen = [];
        $more = 0.0;
        foreach ($program->steps as $i => $step) {
            $got = $measured->angles[$i];
            // What came out is feed·(1 − slip), and what sprang back straight of the bend before.
            $seen[] = new self($step->radius, $step->set, $got, $step->feed, $step->feed - ($straights[$i] - $more));
            $more = ($step->set - $got) * $step->radius;
        }

        return $seen;
    }
}
