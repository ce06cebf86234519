<?php

declare(strict_types=1);

namespace Bowline\Proposals\Division;

use Bowline\Harness\LaidHarness;
use Bowline\Job;
use Bowline\Job\FileValue;
use Bowline\Job\Node;
use stdClass;

/**
 * What is told of trunks that are broken in two or joined: branches on them, and in harnesses the trunks, splices,
 * covers, the board, and what wires go by way of.
 */
final readonly class TrunkReferences
{
    /** Lengths of a board as built are noted to a thousandth, so places nearer together are one, mm. */
    private const NOTED = 0.01;

    /**
     * @param  Job  $job  as it was
     * @param  list<string>  $trunks  those that change, as they were; those after the change are in $place
     * @param  callable(string, float): array{string, float}  $place  trunk and length after the change, of a place on
     *     one of them before it, mm
     */
    public function __construct(
        private Job $job,
        private array $trunks,
        private mixed $place,
    ) {
    }

    /**
     * Returns the other runs that stand on the trunks, each with its place told anew.
     *
     * @return list<stdClass>
     */
    public function branches(): array
    {
        $changed = [];
        foreach ((new Node($this->job->source))->list('runs') as $node) {
            $run = clone $node->object();
            foreach (['from', 'to'] as $end) {
                $on = $node->find($end)?->find('on');
                if ($on !== null && in_array($on->find('run')?->value, $this->trunks, true)
                    && ! in_array($node->get('id')->value, $this->trunks, true)) {
                    $run->{$end} = (object) [
                        ...get_object_vars($node->get($end)->object()), 'on' => $this->placed($on),
                    ];
                    $changed[$node->get('id')->text()] = $run;
                }
            }
        }

        return array_values($changed);
    }

    /**
     * @param  list<array{string, float}>  $after  the trunks that stand in place of them, in order, and how long they
     *     are, mm
     * @return list<stdClass> harnesses that have one of the trunks, after the change
     */
    public function harnesses(array $after): array
    {
        $changed = [];
        foreach ((new Node($this->job->source))->list('harnesses') as $node) {
            $told = array_map(static fn (Node $one): string => $one->text(), $node->list('trunks'));
            if (array_intersect($told, $this->trunks) !== []) {
                $changed[] = $this->harness($node, $told, $after);
            }
        }

        return $changed;
    }

    /**
     * @param  list<string>  $told  its trunks
     * @param  list<array{string, float}>  $after
     */
    private function harness(Node $node, array $told, array $after): stdClass
    {
        $harness = clone $node->object();
        $trunks = [];
        foreach ($told as $run) {
            array_push($trunks, ...in_array($run, $this->trunks, true) ? array_column($after, 0) : [$run]);
        }
        $harness->trunks = array_values(array_unique($trunks));
        foreach ([...$this->splices($node), ...$this->allCovers($node)] as $list => $items) {
            $harness->{$list} = $items;
        }
        if ($node->find('wires') !== null) {
            $laid = $this->laid($node->get('id')->text());
            $harness->wires = array_map(
                fn (Node $wire): stdClass => $this->wire($wire, $laid), $node->list('wires'),
            );
        }
        $board = $node->find('board');
        if ($board !== null) {
            $harness->board = $this->board($board, $after, $this->laid($node->get('id')->text()));
        }

        return $harness;
    }

    /**
     * @param  list<array{string, float}>  $after
     * @return stdClass the board without angles of trunks that went, and what was built as the trunks are called now
     */
    private function board(Node $node, array $after, LaidHarness $laid): stdClass
    {
        $board = clone $node->object();
        if ($node->find('angles') !== null) {
            $gone = array_diff($this->trunks, array_column($after, 0));
            $board->angles = array_map(static fn (Node $angle): mixed => $angle->value, array_values(array_filter(
                $node->list('angles'), static fn (Node $angle): bool => ! in_array(
                    $angle->get('run')->value, $gone, true,
                ),
            )));
        }
        $built = $node->find('built');
        if ($built !== null) {
            $board->built = (object) [
                ...get_object_vars($built->object()), 'trunks' => $this->built($built, $after, $laid),
                ...$this->splices($built), ...$this->allCovers($built),
            ];
        }

        return $board;
    }

    /** @return array{splices?: list<stdClass>} of a harness, or of its board as built; empty where it tells of none */
    private function splices(Node $node): array
    {
        return $node->find('splices') === null ? [] : [
            'splices' => array_map(fn (Node $splice): stdClass => (object) [
                ...get_object_vars($splice->object()), 'on' => $this->placed($splice->get('on')),
            ], $node->list('splices')),
        ];
    }

    /** @return array{covers?: list<stdClass>} of a harness, or of its board as built; empty where it tells of none */
    private function allCovers(Node $node): array
    {
        return $node->find('covers') === null
            ? []
            : ['covers' => array_merge(...array_map($this->covers(...), $node->list('covers')))];
    }

    private function laid(string $harness): LaidHarness
    {
        $one = $this->job->harnesses[$harness];

        return LaidHarness::of($one, array_map(
            fn (string $run) => $this->job->runs[$run]->route->lay($this->job->runs[$run]),
            array_combine($one->trunks, $one->trunks),
        ));
    }

    /** Returns a wire that goes by way of what stands in place of the trunks that it went by way of. */
    private function wire(Node $wire, LaidHarness $laid): stdClass
    {
        $via = array_map(static fn (Node $one): string => $one->text(), $wire->list('via'));
        if (array_intersect($via, $this->trunks) === []) {
            return $wire->object();
        }
        $ways = [];
        foreach (($laid->wires[$wire->get('id')->text()] ?? null)?->ways() ?? [] as $way) {
            // The two places a little inside of what it goes along say which trunks that is on afterwards.
            $in = min(1.0, $way->length() / 4) * ($way->to <=> $way->from);
            $ways[$way->run] = ! in_array($way->run, $this->trunks, true) ? [$way->run] : array_unique([
                ($this->place)($way->run, $way->from + $in)[0], ($this->place)($way->run, $way->to - $in)[0],
            ]);
        }
        $after = [];
        foreach ($via as $run) {
            array_push($after, ...$ways[$run] ?? [($this->place)($run, 0.0)[0]]);
        }
        // Two that became one are gone along once.
        $after = array_values(array_filter(
            $after, static fn (string $run, int $i): bool => $i === 0 || $after[$i - 1] !== $run, ARRAY_FILTER_USE_BOTH,
        ));

        return (object) [...get_object_vars($wire->object()), 'via' => $after];
    }

    /** @return list<stdClass> what covers the same lengths: one cover, or one on each of two trunks */
    private function covers(Node $cover): array
    {
        $run = $cover->get('run')->text();
        if (! in_array($run, $this->trunks, true)) {
            return [$cover->object()];
        }
        $trunk = $this->job->runs[$run];
        $length = $trunk->route->lay($trunk)->length();
        $values = $this->job->site->values;
        $from = $cover->find('from') === null ? 0.0 : $values->number($cover->get('from'));
        $to = $cover->find('to') === null ? $length : min($length, $values->number($cover->get('to')));
        [$first, $start] = ($this->place)($run, $from);
        [$last, $end] = ($this->place)($run, $to);
        $told = static fn (string $on, ?float $start, ?float $end): stdClass => (object) [
            ...array_diff_key(get_object_vars($cover->object()), ['from' => 0, 'to' => 0]), 'run' => $on,
            ...$start === null || $start <= 0.0 ? [] : ['from' => FileValue::roundForFile($start)],
            ...$end === null ? [] : ['to' => FileValue::roundForFile($end)],
        ];

        return $first === $last
            ? [$told($first, min($start, $end), max($start, $end))]
            : [$told($first, $start, null), $told($last, null, $end)];
    }

    private function placed(Node $on): stdClass
    {
        $run = $on->get('run')->text();
        if (! in_array($run, $this->trunks, true)) {
            return $on->object();
        }
        [$now, $length] = ($this->place)($run, $this->job->site->values->number($on->get('length')));

        return (object) [
            ...get_object_vars($on->object()), 'run' => $now, 'length' => FileValue::roundForFile($length),
        ];
    }

    /**
     * @param  list<array{string, float}>  $after
     * @return list<stdClass> lengths of the board that was built, on the trunks as they are now
     */
    private function built(Node $built, array $after, LaidHarness $laid): array
    {
        $trunks = $ends = [];
        foreach ($built->list('trunks') as $node) {
            $run = $node->get('run')->text();
            if (! in_array($run, $this->trunks, true)) {
                $trunks[] = $node->object();

                continue;
            }
            $at = 0.0;
            $lengths = array_map($this->job->site->values->number(...), $node->list('lengths'));
            foreach ($lengths as $i => $length) {
                // An end is a place of the board only where something else meets it, once it is an end no more.
                if ($i > 0 || $laid->backbone->isMetAt($run, 0.0, $this->trunks)) {
                    [$now, $place] = ($this->place)($run, $at);
                    $ends[$now][] = $place;
                }
                $at += $length;
            }
            if ($laid->backbone->isMetAt($run, $laid->backbone->trunk($run)?->length() ?? 0.0, $this->trunks)) {
                [$now, $place] = ($this->place)($run, $at);
                $ends[$now][] = $place;
            }
        }
        foreach ($after as [$run, $whole]) {
            $places = [0.0, $whole, ...$ends[$run] ?? []];
            sort($places);
            $lengths = [];
            for ($i = 1, $count = count($places); $i < $count; $i++) {
                if ($places[$i] - $places[$i - 1] > self::NOTED) {
                    $lengths[] = FileValue::roundForFile($places[$i] - $places[$i - 1]);
                }
            }
            $trunks[] = (object) ['run' => $run, 'lengths' => $lengths];
        }

        return $trunks;
    }

    /**
     * @param  list<stdClass>  $runs
     * @param  list<stdClass>  $harnesses
     * @param  list<string>  $gone
     * @return list<array{list: 'runs'|'harnesses', id: string, item: stdClass|null}> edits of the job
     */
    public function edits(array $runs, array $harnesses, array $gone = []): array
    {
        $edits = [];
        foreach (['runs' => [...$runs, ...$this->branches()], 'harnesses' => $harnesses] as $list => $items) {
            foreach ($items as $item) {
                $edits[] = ['list' => $list, 'id' => is_string($item->id ?? null) ? $item->id : '', 'item' => $item];
            }
        }
        foreach ($gone as $id) {
            $edits[] = ['list' => 'runs', 'id' => $id, 'item' => null];
        }

        return $edits;
    }
}
