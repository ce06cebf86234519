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
        foreach ($harness->wires as $wire) {
            $ends = [$wire->from->name, $wire->to->name];
            $old = array_values(array_unique(array_filter(
                array_map(static fn (string $end): ?string => $groupOf[$end] ?? null, $ends), is_string(...),
            )));
            $kept = $old[0] ?? $ends[0];
            foreach (array_slice($old, 1) as $other) {
                $groups[$kept] = [...$groups[$kept], ...$groups[$other]];
                unset($groups[$other]);
                $groupOf = array_map(static fn (string $one): string => $one === $other ? $kept : $one, $groupOf);
            }
            $groups[$kept][] = $wire->id;
            foreach ($ends as $end) {
                $groupOf[$end] = $kept;
            }
        }

        return array_map(static function (array $wires) use ($harness): Net {
            $pins = [];
            foreach ($wires as $id) {
                foreach ([$harness->wires[$id]->from, $harness->wires[$id]->to] as $terminal) {
                    if ($terminal->splice === null) {
                        $pins[$terminal->name] = $terminal->name;
                    }
                }
            }

            return new Net(array_values($pins), $wires);
        }, array_values($groups));
    }
}
