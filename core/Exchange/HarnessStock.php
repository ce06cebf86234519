<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Harness\Reels;
use Bowline\Job\Harness\CoverKind;
use Bowline\Job\Stock;
use Bowline\Job\Units;
use Bowline\Solving\SolvedHarness;

/** What a harness takes of each stock, and all that is bought for it. */
final readonly class HarnessStock
{
    private function __construct(
        private SolvedHarness $solved,
        private Units $units,
    ) {
    }

    /** What is cut of each stock, off which reels where it is sold in lengths, and what is left of those. */
    public static function cuts(SolvedHarness $solved, Units $units): ListTable
    {
        $list = new self($solved, $units);
        $rows = [];
        foreach ($list->lengths() as [$stock, $lengths]) {
            $told = [$stock->name, count($lengths), $units->amount(array_sum($lengths)), $list->numbers($lengths)];
            if ($stock->lengths === []) {
                $rows[] = [...$told, null, null, ''];

                continue;
            }
            $reel = max($stock->lengths);
            $reels = Reels::of($lengths, $reel);
            $rows[] = [...$told, $units->amount($reel), count($reels), $list->numbers(array_map(
                static fn (array $cut): float => $reel - array_sum($cut), $reels,
            ))];
        }
        $unit = $units->word();

        return new ListTable([
            'stock', 'count', 'total_'.$unit, 'lengths_'.$unit, 'reel_'.$unit, 'reels', 'offcuts_'.$unit,
        ], $rows);
    }

    /** All that is bought: wires and cables by their length, covers, connectors, splices, labels. */
    public static function parts(SolvedHarness $solved, Units $units): ListTable
    {
        $list = new self($solved, $units);
        $rows = [];
        foreach ($list->lengths() as [$stock, $lengths]) {
            $rows[] = [
                $stock->kind->value, $stock->name, count($lengths), $units->amount(array_sum($lengths)),
            ];
        }
        foreach ($list->covers() as [$kind, $name, $lengths]) {
            $rows[] = [$kind->value, $name, count($lengths), $units->amount(array_sum($lengths))];
        }
        $ports = [];
        foreach ($solved->laid->wires as $one) {
            foreach ([$one->wire->from, $one->wire->to] as $end) {
                if ($end->port !== null) {
                    $ports[$end->port->name] = count($end->port->pins);
                }
            }
        }
        ksort($ports);
        foreach ($ports as $name => $pins) {
            $rows[] = ['connector', $pins === 0 ? $name : sprintf('%s, %d pins', $name, $pins), 1, null];
        }
        if ($solved->laid->harness->splices !== []) {
            $rows[] = ['splice', '', count($solved->laid->harness->splices), null];
        }
        $rows[] = ['label', '', 2 * count($solved->laid->wires), null];

        return new ListTable(['kind', 'item', 'count', 'length_'.$units->word()], $rows);
    }

    /** @return list<array{Stock, non-empty-list<float>}> what is cut of each stock, longest first, a cable once, mm */
    private function lengths(): array
    {
        $stocks = $lengths = $cables = [];
        foreach ($this->solved->laid->wires as $one) {
            $length = $one->cutLength();
            if ($length !== null && $one->wire->cable !== null) {
                $id = $one->wire->cable->id;
                $cables[$id] = [$one->wire->cable->stock, max($cables[$id][1] ?? 0.0, $length)];
            } elseif ($length !== null) {
                $stocks[$one->wire->stock->id] = $one->wire->stock;
                $lengths[$one->wire->stock->id][] = $length;
            }
        }
        foreach ($cables as [$stock, $length]) {
            $stocks[$stock->id] = $stock;
            $lengths[$stock->id][] = $length;
        }
        $found = [];
        foreach ($stocks as $id => $stock) {
            rsort($lengths[$id]);
            $found[] = [$stock, $lengths[$id]];
        }

        return $found;
    }

    /** @return list<array{CoverKind, string, non-empty-list<float>}> of each kind of cover the lengths, mm */
    private function covers(): array
    {
        $covers = [];
        foreach ($this->solved->laid->harness->covers as $cover) {
            $whole = $this->solved->laid->backbone->trunk($cover->run)?->length() ?? 0.0;
            $length = min($whole, $cover->to ?? $whole) - $cover->from;
            if ($length > 0.0) {
                $name = $cover->bore === null
                    ? $cover->name
                    : sprintf('%s, bore %s', $cover->name, $this->units->say($cover->bore));
                $key = $cover->kind->value.' '.$name;
                $covers[$key] = [$cover->kind, $name, [...$covers[$key][2] ?? [], $length]];
            }
        }

        return array_values($covers);
    }

    /** @param  list<float>  $lengths  mm */
    private function numbers(array $lengths): string
    {
        return implode(' ', array_map(
            fn (float $one): string => CsvTables::number($this->units->amount($one)), $lengths,
        ));
    }
}
