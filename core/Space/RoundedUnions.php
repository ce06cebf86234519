<?php

declare(strict_types=1);

namespace Bowline\Space;

/** What several tubes are together, of which some meet with one radius of rounding and some with another. */
final readonly class RoundedUnions implements UnionDistance
{
    /** All tubes, sharp. */
    private RoundedUnion $all;

    /** @param  non-empty-list<RoundedUnion>  $groups  tubes that meet with one radius, by the numbers of all */
    public function __construct(private array $groups)
    {
        $tubes = $groups[0]->tubes;
        foreach ($groups as $group) {
            $tubes += $group->tubes;
        }
        $this->all = new RoundedUnion($tubes, 0.0);
    }

    public function tubes(): array
    {
        return $this->all->tubes;
    }

    public function balls(): array
    {
        return array_map(static fn (RoundedUnion $group): float => $group->rounding, $this->groups);
    }

    public function nearest(float $x, float $y, float $z): int
    {
        return $this->all->nearest($x, $y, $z);
    }

    public function bound(float $x, float $y, float $z, float $accuracy): float
    {
        return min(array_map(
            static fn (RoundedUnion $group): float => $group->bound($x, $y, $z, $accuracy), $this->groups,
        ));
    }

    public function at(float $x, float $y, float $z, float $accuracy): array
    {
        return min(array_map(
            static fn (RoundedUnion $group): array => $group->at($x, $y, $z, $accuracy), $this->groups,
        ));
    }

    public function nearestGroup(float $x, float $y, float $z, float $accuracy): RoundedUnion
    {
        $found = $this->groups[0];
        $least = INF;
        foreach ($this->groups as $group) {
            // On a tube the fillet of another group may lie farther out, which only this tells.
            $distance = $group->at($x, $y, $z, $accuracy)[0];
            if ($distance < $least) {
                [$least, $found] = [$distance, $group];
            }
        }

        return $found;
    }

    public function ballNear(float $x, float $y, float $z, float $within): ?float
    {
        $balls = array_filter(array_map(
            static fn (RoundedUnion $group): ?float => $group->ballNear($x, $y, $z, $within), $this->groups,
        ), is_float(...));

        return $balls === [] ? null : min($balls);
    }
}
