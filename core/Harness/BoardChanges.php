<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Harness\Change\CoverChange;
use Bowline\Harness\Change\PinsChange;
use Bowline\Harness\Change\SpliceChange;
use Bowline\Harness\Change\TrunkChange;
use Bowline\Job\Harness\BuiltBoard;
use Bowline\Job\Harness\BuiltCover;

/** Compares a harness with the board that was built of it. */
final readonly class BoardChanges
{
    private function __construct(
        private LaidHarness $laid,
        private BuiltBoard $built,
        private BuiltBoard $now,
    ) {
    }

    /** @return list<BoardChange> none where no board was built */
    public static function of(LaidHarness $laid): array
    {
        $built = $laid->harness->built;
        if ($built === null) {
            return [];
        }
        $changes = new self($laid, $built, self::now($laid));

        return [...$changes->trunks(), ...$changes->pins(), ...$changes->splices(), ...$changes->covers()];
    }

    /** Returns the board as it is to be built now. */
    public static function now(LaidHarness $laid): BuiltBoard
    {
        $lengths = $pins = $splices = $covers = [];
        foreach ($laid->harness->trunks as $run) {
            if ($laid->backbone->trunk($run) !== null) {
                $lengths[$run] = $laid->backbone->lengthsOf($run);
            }
        }
        foreach ($laid->harness->wires as $wire) {
            foreach ([$wire->from, $wire->to] as $end) {
                if ($end->port !== null) {
                    $pins[$end->port->name] ??= array_map(
                        static fn (array $one): array => [$one[0], $one[1]->id],
                        $laid->harness->pinsOf($end->port->name),
                    );
                }
            }
        }
        foreach ($laid->harness->splices as $splice) {
            $splices[$splice->id] = $splice;
        }
        foreach ($laid->harness->covers as $cover) {
            $length = $laid->backbone->trunk($cover->run)?->length() ?? 0.0;
            $covers[] = new BuiltCover(
                $cover->run, $cover->kind, min($cover->from, $length), min($cover->to ?? $length, $length),
                $cover->thickness,
            );
        }

        return new BuiltBoard($lengths, $pins, $splices, $covers);
    }

    /** @return list<BoardChange> */
    private function trunks(): array
    {
        $changes = [];
        foreach ($this->now->lengths as $run => $lengths) {
            array_push($changes, ...$this->ofTrunk(strval($run), $this->built->lengths[$run] ?? null, $lengths));
        }
        foreach (array_keys(array_diff_key($this->built->lengths, $this->now->lengths)) as $run) {
            $changes[] = new TrunkChange('gone', strval($run), strval($run));
        }

        return $changes;
    }

    /**
     * @param  list<float>|null  $was
     * @param  list<float>  $lengths
     * @return list<BoardChange>
     */
    private function ofTrunk(string $run, ?array $was, array $lengths): array
    {
        [$name, $all] = [$this->nameOf($run), array_sum($lengths)];
        if ($was === null) {
            return [new TrunkChange('new', $name, $run, [0.0, $all])];
        }
        if (count($was) !== count($lengths)) {
            $isAsLong = abs($all - array_sum($was)) < BuiltCover::SAME;

            return [new TrunkChange($isAsLong ? 'places' : 'length', $name, $run, [0.0, $all], array_sum($was))];
        }
        $changes = [];
        $from = 0.0;
        foreach ($lengths as $i => $length) {
            if (abs($length - $was[$i]) >= BuiltCover::SAME) {
                $changes[] = new TrunkChange('length', $name, $run, [$from, $from + $length], $was[$i]);
            }
            $from += $length;
        }

        return $changes;
    }

    /** @return list<BoardChange> */
    private function pins(): array
    {
        $changes = [];
        foreach ($this->now->pins + $this->built->pins as $port => $pins) {
            $differ = self::differing($this->built->pins[$port] ?? [], $this->now->pins[$port] ?? []);
            if ($differ !== []) {
                $changes[] = new PinsChange($port, $differ);
            }
        }

        return $changes;
    }

    /**
     * @param  list<array{string, string}>  $was
     * @param  list<array{string, string}>  $is
     * @return list<string> pins whose wires differ
     */
    private static function differing(array $was, array $is): array
    {
        $differ = [];
        foreach ([[$was, $is], [$is, $was]] as [$these, $those]) {
            foreach ($these as $one) {
                if (! in_array($one, $those, true)) {
                    $differ[] = $one[0];
                }
            }
        }

        natsort($differ);

        return array_values(array_unique($differ));
    }

    /** @return list<BoardChange> */
    private function splices(): array
    {
        [$built, $now, $changes] = [$this->built->splices, $this->now->splices ?? [], []];
        foreach ($built === null ? [] : $now + $built as $id => $either) {
            [$was, $is] = [$built[$id] ?? null, $now[$id] ?? null];
            $hasMoved = $was?->run !== $is?->run;
            if ($was === null || $is === null) {
                $changes[] = new SpliceChange($was, $is);
            } elseif ($hasMoved || abs($was->along - $is->along) >= BuiltCover::SAME) {
                $changes[] = new SpliceChange(
                    $was, $is, $hasMoved ? $this->nameOf($was->run) : null, $hasMoved ? $this->nameOf($is->run) : null,
                );
            }
        }

        return $changes;
    }

    /** @return list<BoardChange> those that differ are paired by their trunk and kind, in order along it */
    private function covers(): array
    {
        if ($this->built->covers === null) {
            return [];
        }
        [$was, $is] = [array_map($this->goneAlong(...), $this->built->covers), $this->now->covers ?? []];
        foreach ($is as $i => $cover) {
            $same = array_key_first(array_filter($was, $cover->isAs(...)));
            if ($same !== null) {
                unset($was[$same], $is[$i]);
            }
        }
        $inOrder = static fn (BuiltCover $one, BuiltCover $other): int => [$one->run, $one->from] <=> [
            $other->run, $other->from,
        ];
        usort($is, $inOrder);
        uasort($was, $inOrder);
        $changes = [];
        foreach ($is as $cover) {
            $before = array_key_first(array_filter(
                $was, static fn (BuiltCover $one): bool => $one->run === $cover->run && $one->kind === $cover->kind,
            ));
            $changes[] = new CoverChange(
                $this->nameOf($cover->run), $before === null ? null : $was[$before], $cover,
            );
            if ($before !== null) {
                unset($was[$before]);
            }
        }
        foreach ($was as $cover) {
            $changes[] = new CoverChange($this->nameOf($cover->run), $cover, null);
        }

        return $changes;
    }

    /** Returns a cover that went to the end of its trunk as it goes there now: that the trunk has changed is told. */
    private function goneAlong(BuiltCover $cover): BuiltCover
    {
        [$before, $now] = [$this->built->lengths[$cover->run] ?? null, $this->now->lengths[$cover->run] ?? null];

        return $before === null || $now === null || abs($cover->to - array_sum($before)) >= BuiltCover::SAME
            ? $cover
            : new BuiltCover($cover->run, $cover->kind, $cover->from, array_sum($now), $cover->thickness);
    }

    private function nameOf(string $run): string
    {
        return $this->laid->backbone->trunk($run)->run->name ?? $run;
    }
}
