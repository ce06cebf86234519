<?php

declare(strict_types=1);

namespace Bowline\Routing\Flexible;

use Bowline\Curves\Elastica;
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
        $needed = $run->stock->bend->leastRadius;
        [$distance, $leads] = $route->spanned($run);
        [, $own] = $route->span($run);
        $keeps = static fn (float $free): bool => ($route->withLength($free + $leads)->shapes($run, 1)[0] ?? null)
            ?->curve->least >=
            $needed * (1.0 - Tolerance::CURVE_ACCURACY);
        $looks = [$own];
        for ($look = 1; $look <= self::TRIED_LENGTHS; $look++) {
            // Lengths are spaced more closely where the hose is hardly longer than the distance.
            $looks[] =
                $distance *
                (1.0 +
                    (max(self::LONGEST, (self::BEYOND * $own) / $distance) - 1.0) * ($look / self::TRIED_LENGTHS) ** 2);
        }
        $looks = array_values(
            array_filter($looks, static fn (float $free): bool => $free > $distance * self::JUST_LONGER),
        );
        sort($looks);
        $isGood = array_map($keeps, $looks);
        $good = array_keys(array_filter($isGood));
        if ($good === []) {
            return [null, null];
        }
        usort($good, static fn (int $a, int $b): int => abs($looks[$a] - $own) <=> abs($looks[$b] - $own));
        $first = $last = $good[0];
        while ($isGood[$first - 1] ?? false) {
            $first--;
        }
        while ($isGood[$last + 1] ?? false) {
            $last++;
        }

        return [
            self::limit($keeps, $looks[$first - 1] ?? $distance * self::JUST_LONGER, $looks[$first]) + $leads,
            isset($looks[$last + 1]) ? self::limit($keeps, $looks[$last + 1], $looks[$last]) + $leads : null,
        ];
    }

    /** @param  callable(float): bool  $keeps */
    private static function limit(callable $keeps, float $bad, float $good): float
    {
        while (abs($good - $bad) > self::LIMIT_ACCURACY) {
            $middle = ($good + $bad) / 2;
            [$bad, $good] = $keeps($middle) ? [$bad, $middle] : [$middle, $good];
        }

        return $good;
    }
}
