<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Harness\Harness;
use Bowline\Job\Harness\Terminal;

/**
 * Stands in for a tester to which a harness is plugged. It is told what is wrong with the harness that is before it,
 * and answers as such a device does: with the pins that it finds joined, and no more.
 */
final class SimulatedTester
{
    /**
     * @param  list<WiringFault>  $faults  of the harness that is plugged in
     * @return list<list<string>> pins that are joined, each group once; a pin that is joined to none is a group
     */
    public static function measure(Harness $harness, array $faults): array
    {
        $swapped = $opened = $joined = [];
        foreach ($faults as $fault) {
            match ($fault->kind) {
                'open' => $opened[$fault->of[0]] = true,
                'swapped' => [$swapped[$fault->of[0]], $swapped[$fault->of[1]]] = [$fault->of[1], $fault->of[0]],
                'short' => $joined[] = [$fault->of[0], $fault->of[1]],
            };
        }
        $pins = [];
        foreach ($harness->wires as $wire) {
            $ends = array_map(
                static fn (Terminal $end): string => $swapped[$end->name] ?? $end->name, [$wire->from, $wire->to],
            );
            foreach ([$wire->from, $wire->to] as $end) {
                if ($end->splice === null) {
                    $pins[$end->name] = true;
                }
            }
            if (! isset($opened[$wire->id])) {
                $joined[] = $ends;
            }
        }

        return self::groups(array_map(strval(...), array_keys($pins)), $joined);
    }

    /**
     * @param  list<string>  $pins
     * @param  list<array{string, string}>  $joined
     * @return list<list<string>>
     */
    private static function groups(array $pins, array $joined): array
    {
        $next = [];
        foreach ($joined as [$one, $other]) {
            $next[$one][] = $other;
            $next[$other][] = $one;
        }
        $groups = $seen = [];
        foreach ($pins as $pin) {
            if (isset($seen[$pin])) {
                continue;
            }
            $seen[$pin] = true;
            $group = [];
            for ($open = [$pin]; $open !== [];) {
                $at = array_shift($open);
                if (in_array($at, $pins, true)) {
                    $group[] = $at;
                }
                foreach ($next[$at] ?? [] as $one) {
                    if (! isset($seen[$one])) {
                        $seen[$one] = true;
                        $open[] = $one;
                    }
                }
            }
            $groups[] = $group;
        }

        return $groups;
    }
}
