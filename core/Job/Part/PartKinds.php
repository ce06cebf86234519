<?php

declare(strict_types=1);

namespace Bowline\Job\Part;

/** The kinds of parts that there are, in the order in which they are offered. */
final class PartKinds
{
    /** @return list<PartKind> */
    public static function all(): array
    {
        return [
            new Kind\Pump, new Kind\ImpellerPump, new Kind\Filter, new Kind\Strainer, new Kind\Canister,
            new Kind\Valve, new Kind\HullValve, new Kind\TankConnection, new Kind\BulkheadUnion, new Kind\Elbow,
            new Kind\Tee, new Kind\Manifold, new Kind\Tank, new Kind\HeaderTank, new Kind\HeatExchanger,
            new Kind\SeaChest, new Kind\Engine, new Kind\BarePort,
        ];
    }

    public static function find(string $word): ?PartKind
    {
        foreach (self::all() as $kind) {
            if ($kind->word() === $word) {
                return $kind;
            }
        }

        return null;
    }
}
