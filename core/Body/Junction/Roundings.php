<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Job\JoinedBody;
use Bowline\Space\RoundedUnion;
use Bowline\Space\RoundedUnions;
use Bowline\Space\TubeDistance;
use Bowline\Space\UnionDistance;

/** With which radius the legs of a body are rounded where they meet. */
final readonly class Roundings
{
    /** @param  non-empty-list<array{non-empty-list<int>, float}>  $groups  numbers of legs, and their radius, mm */
    private function __construct(private array $groups)
    {
    }

    /**
     * @param  non-empty-list<MemberTube>  $legs
     * @param  float  $radius  wherever any of them meet, mm
     */
    public static function even(array $legs, float $radius): self
    {
        return new self([[array_keys($legs), $radius]]);
    }

    /**
     * Returns those that a body is told: its radius, and others where two runs meet that have one of their own. Runs
     * that meet in a row with one radius are rounded together.
     *
     * @param  non-empty-list<MemberTube>  $legs
     */
    public static function of(JoinedBody $body, array $legs): self
    {
        if ($body->rounds === []) {
            return self::even($legs, $body->round);
        }
        $pairs = [];
        foreach (self::meetings($legs) as [$one, $other]) {
            $radius = $body->roundBetween($legs[$one]->laid->run->id, $legs[$other]->laid->run->id);
            $pairs[sprintf('%.9F', $radius)][] = [$one, $other];
        }
        $groups = [];
        foreach ($pairs as $radius => $alike) {
            foreach (self::connected($alike) as $group) {
                $isWhole = self::countWithin($group, array_merge(...array_values($pairs)))
                    === self::countWithin($group, $alike);
                foreach ($isWhole ? [$group] : self::pairsWithin($group, $alike) as $legsOfOne) {
                    $groups[] = [$legsOfOne, (float) $radius];
                }
            }
        }

        return $groups === [] ? self::even($legs, $body->round) : new self($groups);
    }

    /**
     * Returns which legs meet: those whose outsides overlap.
     *
     * @param  list<MemberTube>  $legs
     * @return list<array{int, int}> their numbers
     */
    public static function meetings(array $legs): array
    {
        $pairs = [];
        foreach ($legs as $number => $leg) {
            for ($other = 0; $other < $number; $other++) {
                if ($leg->gapTo($legs[$other]) < 0.0) {
                    $pairs[] = [$other, $number];
                }
            }
        }

        return $pairs;
    }

    /** Returns the greatest radius with which a leg is rounded where it meets another, mm. */
    public function greatestOf(int $leg): float
    {
        return max(0.0, ...array_map(
            static fn (array $group): float => in_array($leg, $group[0], true) ? $group[1] : 0.0, $this->groups,
        ));
    }

    public function greatest(): float
    {
        return max(array_column($this->groups, 1));
    }

    /**
     * Returns what the outsides of legs are together, or their bores.
     *
     * @param  non-empty-list<MemberTube>  $legs
     * @param  float|null  $more  how much larger the radius of a rounding is, mm; null where they meet sharp
     */
    public function union(array $legs, bool $isBore, ?float $more): UnionDistance
    {
        $tube = static fn (MemberTube $leg): TubeDistance => $leg->tube($isBore ? $leg->bore : $leg->radius);
        if ($more === null) {
            return new RoundedUnion(array_map($tube, $legs), 0.0);
        }
        $unions = [];
        foreach ($this->groups as [$numbers, $radius]) {
            $tubes = [];
            foreach ($numbers as $number) {
                $tubes[$number] = $tube($legs[$number]);
            }
            $unions[] = new RoundedUnion($tubes, $radius > 0.0 ? $radius + $more : 0.0);
        }

        return count($unions) === 1 ? $unions[0] : new RoundedUnions($unions);
    }

    /**
     * @param  non-empty-list<array{int, int}>  $pairs
     * @return list<non-empty-list<int>> numbers that hang together
     */
    private static function connected(array $pairs): array
    {
        $groups = [];
        foreach ($pairs as $pair) {
            $joined = $pair;
            foreach ($groups as $i => $group) {
                if (array_intersect($group, $pair) !== []) {
                    $joined = [...$joined, ...$group];
                    unset($groups[$i]);
                }
            }
            $groups[] = array_values(array_unique($joined));
        }

        return array_values($groups);
    }

    /**
     * @param  list<int>  $group
     * @param  list<array{int, int}>  $pairs
     */
    private static function countWithin(array $group, array $pairs): int
    {
        return count(self::pairsWithin($group, $pairs));
    }

    /**
     * @param  list<int>  $group
     * @param  list<array{int, int}>  $pairs
     * @return list<array{int, int}>
     */
    private static function pairsWithin(array $group, array $pairs): array
    {
        return array_values(array_filter(
            $pairs, static fn (array $pair): bool => array_diff($pair, $group) === [],
        ));
    }
}
