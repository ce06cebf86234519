<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\Elastica;
use Bowline\Geometry\FalsePosition;
use Bowline\Geometry\Tolerance;
use Bowline\Routing\RouteFacts;
use Bowline\Routing\Run;
use Bowline\Routing\SpringRoute;

/** The shapes in which a sprung hose can rest, and the range of lengths in which it keeps its least radius. */
final readonly class RestingShapes implements RouteFacts
{
    /** Longest length that is examined, as a multiple of the distance and of its own length. */
    private const LONGEST = 2.5;

    private const BEYOND = 1.2;

    /** Shortest length that is examined, as a multiple of the distance. */
    private const JUST_LONGER = 1.0001;

    /** Number of lengths that are tried, and the accuracy of a limit, mm. */
    private const TRIED_LENGTHS = 7;

    private const LIMIT_ACCURACY = 0.2;

    /** Two lengths nearer than this are the same, mm. */
    private const SAME_LENGTH = 0.5;

    /**
     * @param  list<array{energy: float, least: float}>  $shapes  ∫κ² ds in 1/mm, tightest radius in mm; the one it
     *     comes to by itself first
     * @param  float|null  $shortest  mm, leads included; null where no length keeps the radius
     * @param  float|null  $longest  mm; null where it still keeps it at the longest that is looked at
     * @param  float|null  $soldAs  the length of its stock's list that it has, mm; null where it has none of them
     * @param  float|null  $suggested  the shortest in whole mm; null where it is that, moves, or is sold in lengths
     */
    private function __construct(
        public array $shapes,
        public ?float $shortest,
        public ?float $longest,
        public ?float $suggested,
        public ?float $soldAs,
    ) {
    }

    public function toArray(): array
    {
        return [
            'kind' => 'spring',
            'shapes' => $this->shapes,
            'shortest' => $this->shortest,
            'longest' => $this->longest,
            'suggested' => $this->suggested,
            'sold_as' => $this->soldAs,
        ];
    }

    public static function of(Run $run, SpringRoute $route): self
    {
        $shapes = array_map(
            static fn (Elastica $one): array => ['energy' => $one->energy, 'least' => $one->curve->least],
            $route->shapes($run, SpringRoute::MOST_SHAPES),
        );
        [$shortest, $longest] = self::lengths($run, $route);

        $whole = $shortest === null ? null : ceil($shortest);
        $isOwn = $whole !== null && abs($whole - $route->length()) <= self::SAME_LENGTH;

        return new self(
            $shapes,
            $shortest,
            $longest,
            $isOwn || $run->isMoving() || $run->stock->lengths !== [] ? null : $whole,
            self::soldAs($run, $route->length()),
        );
    }

    private static function soldAs(Run $run, float $length): ?float
    {
        foreach ($run->stock->lengths as $sold) {
            if (abs($sold - $length) <= self::SAME_LENGTH) {
                return $sold;
            }
        }

        return null;
    }

    /**
     * Returns the range of lengths that keep the least radius: the one it is in, or else the nearest one.
     *
     * @return array{float|null, float|null}
     */
    private static function lengths(Run $run, SpringRoute $route): array
    {
        $needed = $run->stock->bend->leastRadius * (1.0 - Tolerance::CURVE_ACCURACY);
        [$distance, $leads] = $route->spanned($run);
        [, $own] = $route->span($run);
        $spare = static function (float $free) use ($route, $run, $leads, $needed): float {
            $shape = $route->withLength($free + $leads)->shapes($run, 1)[0] ?? null;

            return match (true) {
                $shape === null => -1.0,
                $needed <= 0.0 => 1.0,
                default => min(1.0, $shape->curve->least / $needed - 1.0),
            };
        };
        $looks = [$own];
        $longest = max(self::LONGEST * $distance, self::BEYOND * $own);
        for ($look = 1; $look <= self::TRIED_LENGTHS; $look++) {
            // Lengths are spaced more closely where the hose is hardly longer than the distance.
            $looks[] = $distance + ($longest - $distance) * ($look / self::TRIED_LENGTHS) ** 2;
        }
        $least = $distance * self::JUST_LONGER;
        $looks = array_values(array_filter($looks, static fn (float $free): bool => $free > $least));
        sort($looks);
        $looks = [$least, ...$looks];

        [$first, $last, $spares] = self::good($looks, $own, $spare);

        return $first === null ? [null, null] : [
            $leads + ($first === 0 ? $least : self::limit($spare, $looks, $spares, $first - 1, $first)),
            isset($looks[$last + 1]) ? $leads + self::limit($spare, $looks, $spares, $last + 1, $last) : null,
        ];
    }

    /**
     * Returns the row of lengths that keep the radius and is nearest to a length.
     *
     * @param  list<float>  $looks  lengths to try, ascending, mm
     * @param  callable(float): float  $spare  by how much the radius at a length is larger than needed, as a share
     * @return array{int|null, int, array<int, float>} numbers of the first and the last of the row, the first null
     *     where no length keeps it; and what is spare at each length that was tried
     */
    private static function good(array $looks, float $own, callable $spare): array
    {
        $spares = [];
        $isGood = static function (int $look) use ($looks, $spare, &$spares): bool {
            return isset($looks[$look]) && ($spares[$look] ??= $spare($looks[$look])) >= 0.0;
        };
        $order = array_keys($looks);
        usort($order, static fn (int $a, int $b): int => abs($looks[$a] - $own) <=> abs($looks[$b] - $own));
        foreach ($order as $look) {
            if ($isGood($look)) {
                [$first, $last] = [$look, $look];
                while ($isGood($first - 1)) {
                    $first--;
                }
                while ($isGood($last + 1)) {
                    $last++;
                }

                return [$first, $last, $spares];
            }
        }

        return [null, 0, $spares];
    }

    /**
     * Returns the last length that keeps the radius between one that does not and one that does.
     *
     * @param  callable(float): float  $spare
     * @param  list<float>  $looks
     * @param  array<int, float>  $spares
     */
    private static function limit(callable $spare, array $looks, array $spares, int $bad, int $good): float
    {
        return FalsePosition::narrowed(
            $spare, $looks[$bad], $spares[$bad], $looks[$good], $spares[$good], self::LIMIT_ACCURACY,
        )[1];
    }
}
