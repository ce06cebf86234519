<?php

declare(strict_types=1);

namespace Bowline\Shop;

use Bowline\Geometry\RigidFit;
use Bowline\Geometry\Vector;
use Bowline\Job\PartTolerances;
use Bowline\Job\Units;

/** How a measured part differs from what it should be, whether it is good, and what can be done about it. */
final readonly class PartReport
{
    /**
     * @param  list<array{wanted: float, set: float, got: float, isIn: bool}>  $bends  radians
     * @param  list<array{wanted: float, got: float, isIn: bool}>  $straights  before, between and behind the bends, mm
     * @param  non-empty-list<Vector>  $design  start, corners and end as they should be
     * @param  non-empty-list<Vector>  $part  the same of the part, laid onto its design as well as can be
     * @param  list<array{by: float, isIn: bool}>  $off  distance of each from where it should be, mm
     * @param  array<int, float>  $more  radians by which bends can be bent on, by their number from 0: the part is good
     *     then; none where it is good, or cannot become so
     * @param  array<int, float>  $cuts  mm that can be cut off the first and the last straight, by their number from 0;
     *     likewise
     * @param  list<string>  $reasons  why it is out, in words; none where it is good
     */
    private function __construct(
        public array $bends,
        public array $straights,
        public array $design,
        public array $part,
        public array $off,
        public array $more,
        public array $cuts,
        public array $reasons,
        private Units $units,
    ) {
    }

    public static function of(
        BendProgram $program,
        MeasuredTube $measured,
        PartTolerances $tolerances,
        Units $units,
    ): self {
        $bends = $straights = $more = $cuts = $reasons = [];
        $isScrap = false;
        foreach ($program->steps as $i => $step) {
            $got = $measured->angles[$i];
            $isIn = abs($got - $step->angle) <= $tolerances->angle;
            $bends[] = ['wanted' => $step->angle, 'set' => $step->set, 'got' => $got, 'isIn' => $isIn];
            if (! $isIn) {
                $reasons[] = sprintf(
                    'Bend %d is %.2f° %s', $i + 1, rad2deg(abs($got - $step->angle)),
                    $got > $step->angle ? 'too far: it cannot be bent back.' : 'short: it can be bent on.',
                );
                $more[$i] = $step->angle - $got;
                $isScrap = $isScrap || $got > $step->angle;
            }
        }
        $lengths = array_map(static fn (BendStep $step): float => $step->straight, $program->steps);
        $lengths[] = $program->tail;
        foreach ($measured->straights($program->radii()) as $i => $got) {
            // What sprang back straight behind a bend is drawn round the die again where that is bent on.
            $drawn = max(0.0, $more[$i - 1] ?? 0.0) * ($program->steps[$i - 1]->radius ?? 0.0);
            $excess = $got - $drawn - $lengths[$i];
            $isIn = abs($excess) <= $tolerances->straight;
            $straights[] = ['wanted' => $lengths[$i], 'got' => $got, 'isIn' => $isIn];
            if ($isIn) {
                continue;
            }
            $isEnd = $i === 0 || $i === count($lengths) - 1;
            $reasons[] = sprintf(
                'Straight %d is %s too %s', $i + 1, self::length($units, abs($got - $lengths[$i])), match (true) {
                    $excess > 0 && $isEnd => 'long: it can be cut off.',
                    default => $got > $lengths[$i] ? 'long.' : 'short.',
                },
            );
            if ($excess > 0 && $isEnd) {
                $cuts[$i] = $excess;
            } else {
                $isScrap = true;
            }
        }
        $design = $program->wanted()->corners();
        $cut = $measured->cut($cuts[0] ?? 0.0, $cuts[count($lengths) - 1] ?? 0.0)->corners;
        $fit = RigidFit::of($cut, $design);
        $part = array_map($fit->point(...), $measured->corners);
        $off = array_map(
            static fn (Vector $at, Vector $other): float => $at->distanceTo($other), $part, $design,
        );
        // Of the part as it is once its ends are cut off.
        $farthest = $fit->worst($cut, $design);
        if ($farthest > $tolerances->place && $more === [] && ! $isScrap) {
            $reasons[] = sprintf(
                'Each bend and straight is within its limit, but together they put a corner %s off.',
                self::length($units, $farthest),
            );
            $isScrap = true;
        }

        return new self(
            $bends, $straights, $design, $part, array_map(static fn (float $by): array => [
                'by' => $by, 'isIn' => $by <= $tolerances->place,
            ], $off), $isScrap ? [] : $more, $isScrap ? [] : $cuts, $reasons, $units,
        );
    }

    public function isGood(): bool
    {
        return $this->reasons === [];
    }

    /** Returns what to do with the part, in words. */
    public function advice(): string
    {
        if ($this->isGood()) {
            return 'Good: it can be built in.';
        }
        if ($this->more === [] && $this->cuts === []) {
            return 'Scrap. The next part is bent by the corrected program.';
        }
        $words = [
            ...$this->more === [] ? [] : ['bend on '.implode(', ', array_map(
                static fn (float $angle, int $bend): string => sprintf('bend %d by %.2f°', $bend + 1, rad2deg($angle)),
                $this->more, array_keys($this->more),
            ))],
            ...array_map(fn (float $length, int $straight): string => sprintf(
                'cut %s off straight %d', self::length($this->units, $length), $straight + 1,
            ), $this->cuts, array_keys($this->cuts)),
        ];

        return 'It can be saved: '.implode(', ', $words).', then measure it again.';
    }

    /** Returns "2.50 mm", "0.0984 in". */
    private static function length(Units $units, float $length): string
    {
        return $units->column($length, 2).' '.$units->word();
    }
}
