<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\Elastica;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\Run;
use Bowline\Routing\SpringRoute;

/** What a sprung hose could be: the shapes it may rest in, and the lengths at which it keeps its least radius. */
final readonly class RestingShapes
{
    /** Longer than this many times the way nobody orders a hose. */
    private const LONGEST = 2.5;

    /** How many lengths are tried, and how finely a limit is found, mm. */
    private const LOOKS = 7;

    private const FINE = 0.2;

    /**
     * @param  list<array{energy: float, least: float}>  $shapes  ∫κ² ds in 1/mm, tightest radius in mm; the one it comes to by itself first
     * @param  float|null  $shortest  mm, leads included; null where no length keeps the radius
     * @param  float|null  $longest  mm; null where it still keeps it at the longest that is looked at
     */
    private function __construct(
        public array $shapes,
        public ?float $shortest,
        public ?float $longest,
    ) {
    }

    public static function of(Run $run, SpringRoute $route): self
    {
        $shapes = array_map(
            static fn (Elastica $one): array => ['energy' => $one->energy, 'least' => $one->curve->least], $route->shapes($run, SpringRoute::MOST_SHAPES),
        );
        [$shortest, $longest] = self::lengths($run, $route);

        return new self($shapes, $shortest, $longest);
    }

    /** @return array{float|null, float|null} */
    private static function lengths(Run $run, SpringRoute $route): array
    {
        $needed = $run->stock->bend->leastRadius;
        [$distance, $leads] = $route->spanned($run);
        $keeps = static fn (float $free): bool => ($route->withLength($free + $leads)->shapes($run, 1)[0] ?? null)?->curve->least >= $needed * (1.0 - Tolerance::CURVE_ACCURACY);
        $good = $bad = $after = null;
        for ($look = 1; $look <= self::LOOKS; $look++) {
            // Closer together where the hose is hardly longer than the way.
            $free = $distance * (1.0 + (self::LONGEST - 1.0) * ($look / self::LOOKS) ** 2);
            $isGood = $keeps($free);
            if ($isGood) {
                $good ??= $free;
            } elseif ($good === null) {
                $bad = $free;
            } else {
                $after = $free;
                break;
            }
            $last = $isGood ? $free : ($last ?? null);
        }
        if ($good === null) {
            return [null, null];
        }

        return [
            self::limit($keeps, $bad ?? $distance * 1.0001, $good) + $leads,
            $after === null ? null : self::limit($keeps, $after, $last ?? $good) + $leads,
        ];
    }

    /** @param  callable(float): bool  $keeps */
    private static function limit(callable $keeps, float $bad, float $good): float
    {
        while (abs($good - $bad) > self::FINE) {
            $middle = ($good + $bad) / 2;
            [$bad, $good] = $keeps($middle) ? [$bad, $middle] : [$middle, $good];
        }

        return $good;
    }
}
