<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/** What a run refers to, and which runs depend on an item, from the file alone. */
final class References
{
    /** Keys of a tie that may hold a reference. */
    public const ANCHORS = ['with', 'from', 'on_axis', 'parallel', 'square', 'to'];

    /** Stands for every fitting that moves, when what depends on it must stay clear of everything. */
    public const MOVES = '*';

    /** Lists of the job whose items a draped run depends on. */
    private const AROUND = ['surroundings', 'fittings'];

    /**
     * Returns the runs that depend on an item, through any depth: on a port of it, on a face, on what is mounted on it,
     * on another run that does, in one block with it, with a flange at a fitting where it has one, on a run on which it
     * stands, or the other of two that a bought tee joins.
     *
     * @param  list<stdClass>  $runs  all runs in the shape of the file
     * @param  list<array{ItemRef, string}>  $mounted  fittings and clamps that are mounted on something, and the id of
     *     that
     * @return list<string> ids
     */
    public static function runsOn(array $runs, array $mounted, ItemRef $item): array
    {
        $isAround = in_array($item->list, self::AROUND, true);
        $moving = ItemRef::unique([$item, ...$isAround ? [ItemRef::all($item->list)] : []]);
        foreach ($mounted as [$own, $host]) {
            if (($item->list === 'surroundings' && $host === $item->id) || ($host === self::MOVES && $isAround)) {
                $moving[$own->key()] = $own;
            }
        }
        $named = $sets = $blocks = $tees = $branches = $flanged = $refs = [];
        foreach ($runs as $run) {
            $own = ItemRef::run(is_string($run->id ?? null) ? $run->id : '');
            $refs[$own->key()] = $own;
            $node = new Node($run);
            $named[$own->key()] = ItemRef::unique(self::referencedItems($run));
            $set = $node->find('fixed_length')?->find('same_as')?->value;
            if (is_string($set)) {
                $sets[$set][$own->key()] = $own;
            }
            $block = Channel::blockOf($node);
            if ($block !== null) {
                $blocks[$block][$own->key()] = $own;
            }
            foreach (self::flangedFittings($node) as $fitting) {
                $flanged[$fitting][$own->key()] = $own;
            }
            foreach (self::branchEnds($node) as $end) {
                $host = $end->get('on')->find('run')?->value;
                if (is_string($host)) {
                    $branches[$host][$own->key()] = $own;
                }
                if (is_string($host) && $end->get('on')->find('kind')?->value === BranchKind::Tee->value) {
                    // The run that a tee is welded into is cut there, wherever its branch stands.
                    $tees[] = [$own->key() => $own, ItemRef::run($host)->key() => ItemRef::run($host)];
                }
            }
        }
        do {
            $before = count($moving);
            foreach ($named as $key => $items) {
                if (array_intersect_key($items, $moving) !== []) {
                    $moving[$key] = $refs[$key];
                }
            }
            foreach ([
                ...array_values($sets), ...array_values($blocks), ...$tees, ...array_values($branches),
                ...array_values($flanged),
            ] as $members) {
                // When one of a set gets longer, all of them do; channels of a block leave walls to one another, and
                // branches of one run, or flanges at one fitting, have to stand beside each other.
                if (array_intersect_key($members, $moving) !== []) {
                    $moving += $members;
                }
            }
        } while (count($moving) > $before);

        return array_values(
            array_map(static fn (ItemRef $run): string => $run->id, array_intersect_key($refs, $moving)),
        );
    }

    /** @return array<'from'|'to', string> ids of the fittings at which the ends of a run have flanges, by the end */
    public static function flangedEnds(Node $run): array
    {
        $fittings = [];
        foreach (['from', 'to'] as $which) {
            $end = $run->find($which);
            $port = $end?->find('port')?->value;
            if (is_string($port) && $end->find('end')?->find('type')?->value === 'flange') {
                $fittings[$which] = PortName::of($port)->fitting;
            }
        }

        return $fittings;
    }

    /** @return list<string> ids of the fittings at which a run has flanges */
    public static function flangedFittings(Node $run): array
    {
        return array_values(array_unique(self::flangedEnds($run)));
    }

    /** @return list<string> ids of the runs on which a run stands */
    public static function hosts(stdClass $run): array
    {
        return self::texts(...array_map(
            static fn (Node $end): ?Node => $end->get('on')->find('run'), self::branchEnds(new Node($run)),
        ));
    }

    /** @return list<Node> the ends of a run that stand on another */
    public static function branchEnds(Node $run): array
    {
        return array_values(array_filter(
            [$run->find('from'), $run->find('to')], static fn (?Node $end): bool => $end?->find('on') !== null,
        ));
    }

    /** @return list<ItemRef> all that a run names, each once: fittings, clamps, surroundings, other runs */
    public static function referencedItems(stdClass $run): array
    {
        $node = new Node($run);
        $items = [];
        foreach (self::places($run) as $place) {
            array_push($items, ...ItemRef::ofPlace($place));
        }
        foreach ($node->find('route')?->list('stops') ?? [] as $stop) {
            foreach ($stop->list('ties') as $tie) {
                array_push($items, ...self::itemsOfTie($tie));
            }
        }
        $followed = array_map(static fn (?Node $part): ?Node => $part?->find('like')?->find('run'), [
            $node->find('from'),
            $node->find('to'),
            $node->find('route'),
        ]);
        foreach (['from', 'to'] as $end) {
            $followed[] = $node->find($end)?->find('end')?->find('same_as')?->find('run');
            $followed[] = $node->find($end)?->find('on')?->find('run');
        }
        $block = Channel::blockOf($node);
        if ($block !== null) {
            array_push($followed, ...$node->get('body')->list('meets'));
            array_push($items, ItemRef::of('fittings', $block), ItemRef::of('surroundings', $block));
        }
        foreach (self::texts($node->find('route')?->find('host'), ...$followed) as $other) {
            $items[] = ItemRef::run($other);
        }
        if ($node->find('route')?->find('kind')?->value === 'drape' && $node->find('route')->list('kept') === []) {
            array_push($items, ...array_map(ItemRef::all(...), self::AROUND));
        }
        $own = ItemRef::run(is_string($run->id ?? null) ? $run->id : '');

        return array_values(array_diff_key(ItemRef::unique($items), [$own->key() => true]));
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
     * @return list<ItemRef> what it names
     */
    public static function itemsOfChange(stdClass $change): array
    {
        $node = new Node($change);
        $items = array_merge(
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
            array_push($items, ...ItemRef::ofPlace($place));
        }

        return $items;
    }

    /** @return list<ItemRef> what a tie names */
    public static function itemsOfTie(?Node $tie): array
    {
        $items = [];
        foreach (self::ANCHORS as $key) {
            $anchor = $tie?->find($key);
            foreach (self::texts($anchor) as $place) {
                array_push($items, ...ItemRef::ofPlace($place));
            }
            foreach (self::texts($anchor?->find('of')) as $body) {
                $items[] = ItemRef::of('surroundings', $body);
            }
            foreach (self::texts($anchor?->find('run')) as $run) {
                $items[] = ItemRef::run($run);
            }
        }

        return $items;
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
