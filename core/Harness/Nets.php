<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Harness\Harness;

/** Finds which pins of a harness are joined. */
final class Nets
{
    /** @return list<Net> in the order of their first wires */
    public static function of(Harness $harness): array
    {
        /** @var array<string, list<string>> $groups ids of the wires of each, by one of its terminals */
        $groups = [];
        $groupOf = [];
        foreach (self::joins($harness) as [$ends, $name]) {
            $old = array_values(array_unique(array_filter(
                array_map(static fn (string $end): ?string => $groupOf[$end] ?? null, $ends), is_string(...),
            )));
            $kept = $old[0] ?? $ends[0];
            foreach (array_slice($old, 1) as $other) {
                $groups[$kept] = [...$groups[$kept], ...$groups[$other]];
                unset($groups[$other]);
                $groupOf = array_map(static fn (string $one): string => $one === $other ? $kept : $one, $groupOf);
            }
            $groups[$kept][] = $name;
            foreach ($ends as $end) {
                $groupOf[$end] = $kept;
            }
        }

        $pins = [];
        foreach (self::joins($harness) as [$ends]) {
            foreach ($ends as $end) {
                // Splices are named without a dot, and no tester reaches them.
                if (str_contains($end, '.')) {
                    $pins[$groupOf[$end]][$end] = $end;
                }
            }
        }

        return array_map(static fn (string $kept, array $wires): Net => new Net(
            array_values($pins[$kept] ?? []), $wires,
        ), array_map(strval(...), array_keys($groups)), array_values($groups));
    }

    /** @return list<array{array{string, string}, string}> two terminals that are joined, and by which wire or shield */
    private static function joins(Harness $harness): array
    {
        $joins = [];
        foreach ($harness->wires as $wire) {
            $joins[] = [[$wire->from->name, $wire->to->name], $wire->id];
        }
        foreach ($harness->cables as $cable) {
            foreach (array_slice($cable->shield, 1) as $other) {
                $joins[] = [[$cable->shield[0]->name, $other->name], $cable->id.' shield'];
            }
        }

        return $joins;
    }
}
