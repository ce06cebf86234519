<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/** What a run hangs on, and which runs hang on a thing, told from the file alone. */
final class References
{
    /** Keys of a tie under which it may name what it is to. */
    public const ANCHORS = ['with', 'from', 'on_axis', 'parallel', 'square', 'to'];

    /** In place of a host: a fitting that moves, and what hangs on it must stay clear of all. */
    public const MOVES = '*';

    /** What a run names that lies on whatever it meets: all that stands in space. */
    public const ALL_AROUND = ['surroundings *', 'fittings *'];

    /**
     * The runs that hang on something of a job, through any depth: on a port of it, on a face, on what is mounted
     * on it, or on another run that does.
     *
     * @param  list<stdClass>  $runs  all of them, as they stand in the file
     * @param  list<array{string, string, string}>  $mounted  list,  id and host of each fitting and clamp that stands
     *     on something
     * @param  string  $list  "fittings", "clamps", "surroundings" or "runs"
     * @return list<string> ids
     */
    public static function runsOn(array $runs, array $mounted, string $list, string $id): array
    {
        $moving = [
            $list.' '.$id => true,
            ...in_array($list.' *', self::ALL_AROUND, true) ? [$list.' *' => true] : [],
        ];
        foreach ($mounted as [$kind, $own, $host]) {
            if (
                ($list === 'surroundings' && $host === $id) ||
                ($host === self::MOVES && in_array($list.' *', self::ALL_AROUND, true))
            ) {
                $moving[$kind.' '.$own] = true;
            }
        }
        $named = [];
        $sets = [];
        foreach ($runs as $run) {
            $own = is_string($run->id ?? null) ? $run->id : '';
            $named[$own] = self::referencedItems($run);
            $set = (new Node($run))->find('fixed_length')?->find('same_as')?->value;
            if (is_string($set)) {
                $sets[$set][] = $own;
            }
        }
        do {
            $before = count($moving);
            foreach ($named as $own => $things) {
                if (array_intersect_key(array_flip($things), $moving) !== []) {
                    $moving['runs '.$own] = true;
                }
            }
            foreach ($sets as $members) {
                // When one of them gets longer, all have to.
                if (array_filter($members, static fn (string $own): bool => isset($moving['runs '.$own])) !== []) {
                    $moving += array_fill_keys(
                        array_map(static fn (string $own): string => 'runs '.$own, $members),
                        true,
                    );
                }
            }
        } while (count($moving) > $before);
        unset($moving[$list.' '.$id]);

        return array_values(
            array_filter(
                array_map(strval(...), array_keys($named)),
                static fn (string $own): bool => isset($moving['runs '.$own]) || ($list === 'runs' && $own === $id),
            ),
        );
    }

    /** @return list<string> "list id" of all that a run names: fittings, clamps, surroundings, other runs */
    public static function referencedItems(stdClass $run): array
    {
        $node = new Node($run);
        $things = [];
        foreach (self::places($run) as $place) {
            array_push($things, 'clamps '.$place, 'fittings '.explode('.', $place)[0]);
        }
        foreach ($node->find('route')?->list('stops') ?? [] as $stop) {
            foreach ($stop->list('ties') as $tie) {
                array_push($things, ...self::itemsOfTie($tie));
            }
        }
        $followed = array_map(static fn (?Node $part): ?Node => $part?->find('like')?->find('run'), [
            $node->find('from'),
            $node->find('to'),
            $node->find('route'),
        ]);
        foreach (self::texts($node->find('route')?->find('host'), ...$followed) as $other) {
            $things[] = 'runs '.$other;
        }
        if ($node->find('route')?->find('kind')?->value === 'drape' && $node->find('route')->list('kept') === []) {
            array_push($things, ...self::ALL_AROUND);
        }
        $own = 'runs '.(is_string($run->id ?? null) ? $run->id : '');

        return array_values(array_unique(array_filter($things, static fn (string $thing): bool => $thing !== $own)));
    }

    /** @return list<string> ports ("fitting.port") and clamps that the run names */
    public static function places(stdClass $run): array
    {
        $node = new Node($run);

        return [
            ...self::texts($node->find('from')?->find('port'), $node->find('to')?->find('port')),
            ...self::placesOfStops($node->find('route')?->list('stops') ?? []),
            ...self::clampsOf($node->find('route')),
        ];
    }

    /** @return list<string> that a flexible route is led through */
    private static function clampsOf(?Node $route): array
    {
        return self::texts(
            ...array_map(static fn (Node $gate): ?Node => $gate->find('clamp'), [
                ...$route?->list('through') ?? [],
                ...$route?->list('points') ?? [],
            ]),
        );
    }

    /**
     * @param  stdClass  $change  an edit of a run (schema/api.json, `laying`)
     * @return list<string> "list id" of what it names
     */
    public static function itemsOfChange(stdClass $change): array
    {
        $node = new Node($change);
        $things = array_merge(
            ...array_map(self::itemsOfTie(...), $node->list('ties')),
            ...array_map(
                self::itemsOfTie(...),
                array_filter([$node->find('tie')], static fn (?Node $tie): bool => $tie?->value instanceof stdClass),
            ),
        );
        foreach (
            [
                ...self::texts($node->find('until'), $node->find('port'), $node->find('clamp')),
                ...self::placesOfStops($node->list('stops')),
                ...self::clampsOf($node->find('route')),
            ] as $place
        ) {
            array_push($things, 'clamps '.$place, 'fittings '.explode('.', $place)[0]);
        }

        return $things;
    }

    /** @return list<string> "list id" of what a tie names */
    public static function itemsOfTie(?Node $tie): array
    {
        $things = [];
        foreach (self::ANCHORS as $key) {
            $anchor = $tie?->find($key);
            foreach (self::texts($anchor) as $place) {
                array_push($things, 'clamps '.$place, 'fittings '.explode('.', $place)[0]);
            }
            foreach (self::texts($anchor?->find('of')) as $body) {
                $things[] = 'surroundings '.$body;
            }
            foreach (self::texts($anchor?->find('run')) as $run) {
                $things[] = 'runs '.$run;
            }
        }

        return $things;
    }

    /**
     * @param  list<Node>  $stops
     * @return list<string>
     */
    private static function placesOfStops(array $stops): array
    {
        return array_merge(
            ...array_map(
                static fn (Node $stop): array => [
                    ...self::texts($stop->find('until'), $stop->find('clamp')),
                    ...self::placesOfTies($stop->list('ties')),
                ],
                $stops,
            ),
            ...[[]],
        );
    }

    /**
     * @param  list<Node>  $ties
     * @return list<string>
     */
    private static function placesOfTies(array $ties): array
    {
        $places = [];
        foreach ($ties as $tie) {
            array_push($places, ...self::texts(...array_map($tie->find(...), self::ANCHORS)));
        }

        return $places;
    }

    /** @return list<string> */
    private static function texts(?Node ...$names): array
    {
        return array_values(
            array_filter(array_map(static fn (?Node $name): mixed => $name?->value, $names), is_string(...)),
        );
    }
}
