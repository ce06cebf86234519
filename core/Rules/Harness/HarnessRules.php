<?php

declare(strict_types=1);

namespace Bowline\Rules\Harness;

use Bowline\Harness\Movements;

/** The list of rules about harnesses. A new rule is a new class and a line here. */
final class HarnessRules
{
    /** @return array<string, HarnessRule> by their word in findings: those that need no bundles */
    public static function ofWires(): array
    {
        return ['no-way' => new NoWay, 'wire-length' => new WireLength, 'wire-apart' => new WireApart];
    }

    /** @return array<string, HarnessRule> by their word in findings */
    public static function all(Movements $movements): array
    {
        return [
            ...self::ofWires(),
            'bundle-radius' => new BundleRadius,
            'bundle-moving' => new BundleMoving($movements),
            'bundle-clamp' => new BundleClamp,
            'conduit-fill' => new ConduitFill,
        ];
    }
}
