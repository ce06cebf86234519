<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Job\Harness\BuiltBoard;

/** Compares a harness with the board that was built of it. */
final class BoardChanges
{
    /** Lengths that differ by less are the same to a hand with a peg, mm. */
    private const SAME = 0.5;

    /** @return list<BoardChange> none where no board was built */
    public static function of(LaidHarness $laid): array
    {
        $built = $laid->harness->built;
        if ($built === null) {
            return [];
        }
        $now = self::now($laid);
        $changes = [];
        foreach ($now->lengths as $run => $lengths) {
            array_push($changes, ...self::ofTrunk(
                strval($run), $laid->backbone->trunk(strval($run))->run->name ?? strval($run),
                $built->lengths[$run] ?? null, $lengths,
            ));
        }
        foreach (array_keys(array_diff_key($built->lengths, $now->lengths)) as $run) {
            $changes[] = new BoardChange('gone', strval($run), strval($run));
        }
        foreach ($now->pins + $built->pins as $port => $pins) {
            $differ = self::pins($built->pins[$port] ?? [], $now->pins[$port] ?? []);
            if ($differ !== []) {
                $changes[] = new BoardChange('pins', $port, pins: $differ);
            }
        }

        return $changes;
    }

    /** Returns the board as it is to be built now. */
    public static function now(LaidHarness $laid): BuiltBoard
    {
        $lengths = $pins = [];
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

        return new BuiltBoard($lengths, $pins);
    }

    /**
     * @param  list<float>|null  $was
     * @param  list<float>  $lengths
     * @return list<BoardChange>
     */
    private static function ofTrunk(string $run, string $name, ?array $was, array $lengths): array
    {
        $all = array_sum($lengths);
        if ($was === null) {
            return [new BoardChange('new', $name, $run, [0.0, $all], null, $all)];
        }
        if (count($was) !== count($lengths)) {
            return [
                abs($all - array_sum($was)) < self::SAME
                    ? new BoardChange('places', $name, $run, [0.0, $all], array_sum($was), $all)
                    : new BoardChange('length', $name, $run, [0.0, $all], array_sum($was), $all),
            ];
        }
        $changes = [];
        $from = 0.0;
        foreach ($lengths as $i => $length) {
            if (abs($length - $was[$i]) >= self::SAME) {
                $changes[] = new BoardChange('length', $name, $run, [$from, $from + $length], $was[$i], $length);
            }
            $from += $length;
        }

        return $changes;
    }

    /**
     * @param  list<array{string, string}>  $was
     * @param  list<array{string, string}>  $is
     * @return list<string> pins whose wires differ
     */
    private static function pins(array $was, array $is): array
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
}
