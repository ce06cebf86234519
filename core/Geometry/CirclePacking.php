<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * The smallest circle that given circles are found to fit into without lying over one another. Circles are placed
 * largest first, each where it touches two that lie already, as near to the middle as can be; then all are pushed
 * apart and inwards within a circle that gets smaller, from several beginnings, and the best is taken. Where few are
 * packed that is within a percent of the best that is known (equal circles: R. L. Graham, B. D. Lubachevsky, K. J.
 * Nurmela, P. R. J. Östergård, Dense packings of congruent circles in a circle, 1998).
 */
final readonly class CirclePacking
{
    /** Beginnings that are tried for a few circles, and sweeps that each is given. */
    private const BEGINNINGS = 6;

    private const SWEEPS = 160;

    /** Up to so many circles several beginnings are tried, and all pairs are looked at. */
    private const FEW = 24;

    /** Circles that others may still touch, as a multiple of the square root of how many lie. */
    private const RIM = 5.0;

    /** Up to so many circles the first beginning is pushed together. */
    private const MANY = 90;

    /** Shares of the best found that the circle has into which all are pushed, coarse and then fine. */
    private const SMALLER = [0.985, 0.997, 0.9994];

    /** How exactly the centre of all is found, as a share of their reach. */
    private const CENTRE = 1e-7;

    /** Share by which a circle has to be smaller for it to be worth to go on. */
    private const WORTH = 1e-4;

    /** Circles have come to rest when none is pushed by more than this share of the radius of what is round them. */
    private const SETTLED = 1e-5;

    /** @param  non-empty-list<float>  $radii  falling */
    private function __construct(private array $radii)
    {
    }

    /**
     * @param  list<float>  $radii  mm
     * @return float its radius, mm; 0 for none
     */
    public static function radius(array $radii): float
    {
        rsort($radii);

        return match (count($radii)) {
            0 => 0.0,
            1, 2 => array_sum($radii),
            default => (new self($radii))->packed()[0],
        };
    }

    /**
     * Returns where circles lie in the circle that they are packed into, which is about the origin.
     *
     * @param  list<float>  $radii  mm, falling
     * @return list<array{float, float}> mm
     */
    public static function places(array $radii): array
    {
        if (count($radii) < 3) {
            return match (count($radii)) {
                0 => [],
                1 => [[0.0, 0.0]],
                default => [[-$radii[1], 0.0], [$radii[0], 0.0]],
            };
        }
        $packing = new self($radii);
        [, $places] = $packing->packed();
        $apart = $packing->apart($places);
        [$x, $y] = $packing->centre($places, $apart);

        return array_map(
            static fn (array $place): array => [$place[0] * $apart - $x, $place[1] * $apart - $y], $places,
        );
    }

    /** @return array{float, list<array{float, float}>} the least radius that is found, and where they lie */
    private function packed(): array
    {
        $count = count($this->radii);
        $places = $this->placed();
        $best = $this->enclosing($places);
        if ($count <= self::MANY) {
            [$best, $places] = $this->pushed($places, $best);
        }
        $seed = 12_345;
        for ($i = 1; $count <= self::FEW && $i < self::BEGINNINGS; $i++) {
            [$begun, $seed] = $this->scattered($seed, $best);
            [$found, $foundPlaces] = $this->pushed($begun, $best);
            if ($found < $best) {
                [$best, $places] = [$found, $foundPlaces];
            }
        }

        return [$best, $places];
    }

    /**
     * Returns a beginning: the largest in the middle, each other where it touches two, as near to that as can be.
     *
     * @return list<array{float, float}>
     */
    private function placed(): array
    {
        $radii = $this->radii;
        $places = [[0.0, 0.0], [$radii[0] + ($radii[1] ?? 0.0), 0.0]];
        // Circles that others can no longer touch are left out of the search.
        $front = [0, 1];
        /** @var list<array{float, float}> $free places for the next circle, which is as large as the one before */
        $free = [];
        for ($i = 2, $count = count($radii); $i < $count; $i++) {
            $radius = $radii[$i];
            if ($radius !== $radii[$i - 1] || $i === 2) {
                $free = [];
                foreach ($front as $a => $one) {
                    array_push($free, ...$this->beside($places, $one, array_slice($front, 0, $a), $radius));
                }
            }
            [$x, $y] = self::middle($places, $radii);
            [$best, $nearest] = [null, INF];
            foreach ($free as $place) {
                $distance = ($place[0] - $x) ** 2 + ($place[1] - $y) ** 2;
                if ($distance < $nearest) {
                    [$best, $nearest] = [$place, $distance];
                }
            }
            $places[] = $best ??= [$places[0][0] + 2 * array_sum(array_slice($radii, 0, $i + 1)), 0.0];
            $least = (2 * $radius - Tolerance::COINCIDENT) ** 2;
            $free = array_values(array_filter(
                $free, static fn (array $one): bool => ($one[0] - $best[0]) ** 2 + ($one[1] - $best[1]) ** 2 >= $least,
            ));
            array_push($free, ...$this->beside($places, $i, $front, $radius));
            $front[] = $i;
            // About as many as lie at the rim, and those behind them.
            $most = max(self::FEW, (int) ceil(self::RIM * sqrt($i)));
            if (count($front) > $most) {
                $front = $this->outermost($places, $front, $most);
            }
        }

        return $places;
    }

    /**
     * Returns the free places of a circle at which it touches one of the placed and another.
     *
     * @param  non-empty-list<array{float, float}>  $places
     * @param  list<int>  $others
     * @return list<array{float, float}>
     */
    private function beside(array $places, int $one, array $others, float $radius): array
    {
        $free = [];
        foreach ($others as $other) {
            foreach (self::touching($places, $this->radii, $one, $other, $radius) as $place) {
                if ($this->isFree($places, $place, $radius)) {
                    $free[] = $place;
                }
            }
        }

        return $free;
    }

    /**
     * @param  non-empty-list<array{float, float}>  $places
     * @param  list<int>  $front
     * @return list<int> those that reach farthest from the middle
     */
    private function outermost(array $places, array $front, int $most): array
    {
        [$x, $y] = self::middle($places, $this->radii);
        usort($front, fn (int $one, int $other): int => hypot($places[$other][0] - $x, $places[$other][1] - $y)
            + $this->radii[$other] <=> hypot($places[$one][0] - $x, $places[$one][1] - $y) + $this->radii[$one]);

        return array_slice($front, 0, $most);
    }

    /**
     * Returns the middle of the mass of the circles that are placed.
     *
     * @param  non-empty-list<array{float, float}>  $places
     * @param  list<float>  $radii
     * @return array{float, float}
     */
    private static function middle(array $places, array $radii): array
    {
        $x = $y = $sum = 0.0;
        foreach ($places as $i => $place) {
            $area = $radii[$i] ** 2;
            $x += $place[0] * $area;
            $y += $place[1] * $area;
            $sum += $area;
        }

        return [$x / $sum, $y / $sum];
    }

    /**
     * @param  list<array{float, float}>  $places
     * @param  list<float>  $radii
     * @return list<array{float, float}> where a circle touches two others
     */
    private static function touching(array $places, array $radii, int $one, int $other, float $radius): array
    {
        [$a, $b] = [$radii[$one] + $radius, $radii[$other] + $radius];
        [$dx, $dy] = [$places[$other][0] - $places[$one][0], $places[$other][1] - $places[$one][1]];
        $apart = hypot($dx, $dy);
        if ($apart > $a + $b || $apart < abs($a - $b)) {
            return [];
        }
        $along = ($a * $a - $b * $b + $apart * $apart) / (2 * $apart);
        $aside = sqrt(max(0.0, $a * $a - $along * $along));
        [$x, $y] = [$dx / $apart, $dy / $apart];

        return [
            [$places[$one][0] + $x * $along - $y * $aside, $places[$one][1] + $y * $along + $x * $aside],
            [$places[$one][0] + $x * $along + $y * $aside, $places[$one][1] + $y * $along - $x * $aside],
        ];
    }

    /**
     * @param  list<array{float, float}>  $places
     * @param  array{float, float}  $place
     */
    private function isFree(array $places, array $place, float $radius): bool
    {
        // The last ones placed are the likeliest to be in the way.
        for ($i = count($places) - 1; $i >= 0; $i--) {
            $least = $radius + $this->radii[$i] - Tolerance::COINCIDENT;
            if (($places[$i][0] - $place[0]) ** 2 + ($places[$i][1] - $place[1]) ** 2 < $least * $least) {
                return false;
            }
        }

        return true;
    }

    /**
     * Returns a beginning at random, by a congruential generator, so that it is always the same.
     *
     * @return array{list<array{float, float}>, int} and the next seed
     */
    private function scattered(int $seed, float $within): array
    {
        $places = [];
        foreach ($this->radii as $radius) {
            $seed = ($seed * 1_103_515_245 + 12_345) % 2_147_483_648;
            $angle = 2 * M_PI * $seed / 2_147_483_648;
            $seed = ($seed * 1_103_515_245 + 12_345) % 2_147_483_648;
            $reach = ($within - $radius) * sqrt($seed / 2_147_483_648);
            $places[] = [$reach * cos($angle), $reach * sin($angle)];
        }

        return [$places, $seed];
    }

    /**
     * Pushes circles apart and into a circle that gets smaller as long as that leads to a smaller one.
     *
     * @param  list<array{float, float}>  $places
     * @return array{float, list<array{float, float}>} the least radius that is found, and where they lie
     */
    private function pushed(array $places, float $best): array
    {
        [$x, $y] = $this->centre($places);
        foreach ($places as $i => $place) {
            $places[$i] = [$place[0] - $x, $place[1] - $y];
        }
        $bestPlaces = $places;
        foreach (self::SMALLER as $share) {
            do {
                $places = $this->relaxed($bestPlaces, $best * $share);
                $found = $this->enclosing($places);
                $isBetter = $found < $best * (1.0 - self::WORTH);
                if ($found < $best) {
                    [$best, $bestPlaces] = [$found, $places];
                }
            } while ($isBetter);
        }

        return [$best, $bestPlaces];
    }

    /**
     * @param  list<array{float, float}>  $places
     * @return list<array{float, float}>
     */
    private function relaxed(array $places, float $within): array
    {
        $radii = $this->radii;
        $count = count($radii);
        $x = array_column($places, 0);
        $y = array_column($places, 1);
        // Of more circles each sweep takes longer and is worth less.
        $sweeps = (int) (self::SWEEPS * min(1.0, self::FEW / $count));
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            $worst = 0.0;
            for ($i = 0; $i < $count; $i++) {
                // Plain values, and no lists or calls: this is where the time goes.
                $atX = $x[$i];
                $atY = $y[$i];
                $radius = $radii[$i];
                for ($j = $i + 1; $j < $count; $j++) {
                    $dx = $x[$j] - $atX;
                    $dy = $y[$j] - $atY;
                    $least = $radius + $radii[$j];
                    $square = $dx * $dx + $dy * $dy;
                    if ($square >= $least * $least) {
                        continue;
                    }
                    $apart = sqrt($square);
                    $push = ($least - $apart) / 2;
                    $worst = $push > $worst ? $push : $worst;
                    $isApart = $apart > Tolerance::NOTHING;
                    $ux = $isApart ? $dx / $apart : 1.0;
                    $uy = $isApart ? $dy / $apart : 0.0;
                    // The smaller one gives way.
                    $share = 2 * $radii[$j] / $least;
                    $atX -= $ux * $push * $share;
                    $atY -= $uy * $push * $share;
                    $x[$j] += $ux * $push * (2 - $share);
                    $y[$j] += $uy * $push * (2 - $share);
                }
                $reach = hypot($atX, $atY);
                if ($reach + $radius > $within && $reach > Tolerance::NOTHING) {
                    $back = ($within - $radius) / $reach;
                    $worst = max($worst, $reach + $radius - $within);
                    $atX *= $back;
                    $atY *= $back;
                }
                $x[$i] = $atX;
                $y[$i] = $atY;
            }
            if ($worst < self::SETTLED * $within) {
                break;
            }
        }

        return array_map(static fn (float $one, float $other): array => [$one, $other], $x, $y);
    }

    /**
     * Returns the radius of a circle that holds all where they lie, drawn apart as far as none lies over another.
     *
     * @param  list<array{float, float}>  $places
     */
    private function enclosing(array $places): float
    {
        $apart = $this->apart($places);

        return is_infinite($apart) ? INF : $this->reach($places, $apart, ...$this->centre($places, $apart));
    }

    /**
     * Returns by how much places have to be drawn apart for no circle to lie over another, 1 or more; INF where two
     * have the same.
     *
     * @param  list<array{float, float}>  $places
     */
    private function apart(array $places): float
    {
        $apart = 1.0;
        foreach ($places as $i => [$x, $y]) {
            for ($j = 0; $j < $i; $j++) {
                $distance = hypot($x - $places[$j][0], $y - $places[$j][1]);
                if ($distance < $this->radii[$i] + $this->radii[$j]) {
                    $apart = $distance > 0.0
                        ? max($apart, ($this->radii[$i] + $this->radii[$j]) / $distance)
                        : INF;
                }
            }
        }

        return $apart;
    }

    /**
     * Returns the centre of the smallest circle that holds all, by steps that get shorter where none leads on: how far
     * the farthest is is a convex function of the centre.
     *
     * @param  list<array{float, float}>  $places
     * @param  float  $apart  by which the places are drawn apart
     * @return array{float, float}
     */
    private function centre(array $places, float $apart = 1.0): array
    {
        [$x, $y] = self::middle($places === [] ? [[0.0, 0.0]] : $places, $this->radii);
        [$x, $y] = [$x * $apart, $y * $apart];
        $reach = $this->reach($places, $apart, $x, $y);
        $step = $reach / 4;
        $turn = 0.0;
        while ($step > self::CENTRE * $reach) {
            $next = null;
            foreach ([0, 1, 2, 3, 4] as $i) {
                $way = $turn + $i * 2 * M_PI / 5;
                [$tryX, $tryY] = [$x + $step * cos($way), $y + $step * sin($way)];
                $tried = $this->reach($places, $apart, $tryX, $tryY);
                if ($tried < $reach) {
                    [$reach, $next] = [$tried, [$tryX, $tryY]];
                }
            }
            $step = $next === null ? $step * 0.6 : $step;
            $turn += 2.4;
            [$x, $y] = $next ?? [$x, $y];
        }

        return [$x, $y];
    }

    /** @param  list<array{float, float}>  $places */
    private function reach(array $places, float $apart, float $x, float $y): float
    {
        $reach = 0.0;
        foreach ($places as $i => $place) {
            $far = hypot($place[0] * $apart - $x, $place[1] * $apart - $y) + $this->radii[$i];
            $reach = $far > $reach ? $far : $reach;
        }

        return $reach;
    }
}
