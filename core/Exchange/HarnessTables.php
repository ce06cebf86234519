<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Harness\BundleSpan;
use Bowline\Harness\HarnessLabels;
use Bowline\Harness\LaidWire;
use Bowline\Harness\Nets;
use Bowline\Harness\Way;
use Bowline\Job\Harness\Terminal;
use Bowline\Job\Units;
use Bowline\Solving\SolvedHarness;

/** The lists by which a harness is made, each under its word. */
final readonly class HarnessTables
{
    private function __construct(
        private SolvedHarness $solved,
        private Units $units,
    ) {
    }

    /** @return array<string, ListTable> by their words */
    public static function all(SolvedHarness $solved, Units $units): array
    {
        $tables = new self($solved, $units);

        return [
            'wires' => $tables->wires(),
            'bundles' => $tables->bundles(),
            'cuts' => HarnessStock::cuts($solved, $units),
            'parts' => HarnessStock::parts($solved, $units),
            'connectors' => $tables->connectors(),
            'covers' => $tables->covers(),
            'labels' => $tables->labels(),
            'continuity' => $tables->continuity(),
        ];
    }

    private function wires(): ListTable
    {
        $unit = $this->units->word();

        return new ListTable([
            'wire', 'signal', 'from', 'from_pin', 'to', 'to_pin', 'stock', 'colour', 'cable', 'core', 'along_'.$unit,
            'twist_'.$unit, 'lead_off_from_'.$unit, 'lead_off_to_'.$unit, 'ends_'.$unit, 'length_'.$unit,
            'cut_length_'.$unit, 'way',
        ], array_map(fn (LaidWire $one): array => [
            $one->wire->id, $one->wire->signal ?? '', ...self::place($one->wire->from), ...self::place($one->wire->to),
            $one->wire->stock->name, $one->wire->colour ?? '', $one->wire->cable->name ?? '', $one->wire->core ?? '',
            ...$this->lengths($one),
            implode(' ', array_values(array_unique(array_map(
                fn (Way $way): string => $this->trunk($way->run), $one->ways(),
            )))),
        ], array_values($this->solved->laid->wires)));
    }

    /** @return list<float|null> of a wire: along trunks, twist, both lead-offs, what its ends need, and in all */
    private function lengths(LaidWire $one): array
    {
        return $one->leadOffs === null ? array_fill(0, 7, null) : array_map($this->units->amount(...), [
            $one->along(), $one->twist(), $one->leadOffs[0]->length, $one->leadOffs[1]->length,
            $one->wire->from->allowance->total() + $one->wire->to->allowance->total(), $one->length() ?? 0.0,
            $one->cutLength() ?? 0.0,
        ]);
    }

    private function bundles(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->solved->bundles as $run => $spans) {
            foreach ($spans as $span) {
                $rows[] = [
                    $this->trunk(strval($run)), $this->units->amount($span->from), $this->units->amount($span->to),
                    count($span->wires), $this->units->amount($span->diameter),
                    $this->units->amount($span->leastRadius),
                    $span->mass, $span->fill === null ? null : 100.0 * $span->fill, implode(' ', $span->wires),
                ];
            }
        }

        return new ListTable([
            'trunk', 'from_'.$unit, 'to_'.$unit, 'count', 'diameter_'.$unit, 'min_radius_'.$unit, 'mass_kg',
            'fill_percent', 'wires',
        ], $rows);
    }

    /** Every pin of the connectors that wires go to, also those without any. */
    private function connectors(): ListTable
    {
        $ports = $wires = [];
        foreach ($this->solved->laid->wires as $one) {
            foreach ([[$one->wire->from, $one->wire->to], [$one->wire->to, $one->wire->from]] as [$end, $far]) {
                if ($end->port !== null) {
                    $ports[$end->port->name] = $end->port;
                    $wires[$end->port->name][$end->pin ?? ''][] = [$one->wire, $far];
                }
            }
        }
        $shields = [];
        foreach ($this->solved->laid->harness->cables as $cable) {
            foreach ($cable->shield as $end) {
                if ($end->port !== null) {
                    $ports[$end->port->name] = $end->port;
                    $shields[$end->port->name][$end->pin ?? ''][] = $cable;
                }
            }
        }
        ksort($ports);
        $rows = [];
        foreach ($ports as $name => $port) {
            foreach ($port->pins === [] ? ['' => null] : $port->pins as $pin => $for) {
                foreach ($shields[$name][$pin] ?? [] as $cable) {
                    $rows[] = [
                        $port->name, strval($pin), $for ?? '', $cable->name.' shield', '', $cable->stock->name, '', '',
                    ];
                }
                $none = isset($shields[$name][$pin]) ? [] : [[null, null]];
                foreach ($wires[$name][$pin] ?? $none as [$wire, $far]) {
                    $rows[] = [
                        $port->name, strval($pin), $for ?? '', $wire->id ?? '', $wire->signal ?? '',
                        $wire->stock->name ?? '', $wire->colour ?? '', $far->name ?? '',
                    ];
                }
            }
        }

        return new ListTable(['connector', 'pin', 'for', 'wire', 'signal', 'stock', 'colour', 'goes_to'], $rows);
    }

    private function covers(): ListTable
    {
        $unit = $this->units->word();
        $rows = [];
        foreach ($this->solved->laid->harness->covers as $cover) {
            $length = $this->solved->laid->backbone->trunk($cover->run)?->length() ?? 0.0;
            $to = min($length, $cover->to ?? $length);
            $thickest = max([0.0, ...array_map(
                static fn (BundleSpan $span): float => $span->to > $cover->from && $span->from < $to
                    ? $span->bare
                    : 0.0,
                $this->solved->bundles[$cover->run] ?? [],
            )]);
            $rows[] = [
                $cover->name, $cover->kind->value, $this->trunk($cover->run), $this->units->amount($cover->from),
                $this->units->amount($to), $this->units->amount(max(0.0, $to - $cover->from)),
                $this->units->amount($thickest),
            ];
        }

        return new ListTable([
            'cover', 'kind', 'trunk', 'from_'.$unit, 'to_'.$unit, 'length_'.$unit, 'over_'.$unit,
        ], $rows);
    }

    private function labels(): ListTable
    {
        $rows = [];
        foreach ($this->solved->laid->wires as $one) {
            foreach ([[$one->wire->from, $one->wire->to], [$one->wire->to, $one->wire->from]] as [$end, $far]) {
                $rows[] = [
                    $one->wire->id, $end->name, sprintf('%s %s', $one->wire->id, $far->name),
                    $this->units->amount(HarnessLabels::FROM_END),
                ];
            }
        }

        return new ListTable(['wire', 'at', 'text', 'from_end_'.$this->units->word()], $rows);
    }

    /** What a tester has to find joined: pins that wires and splices join, each group once. */
    private function continuity(): ListTable
    {
        $groups = Nets::of($this->solved->laid->harness);
        $rows = [];
        foreach ($groups as $number => $net) {
            $rows[] = [$number + 1, implode(' ', $net->pins), implode(' ', $net->wires)];
        }

        return new ListTable(['net', 'pins', 'wires'], $rows);
    }

    /** @return array{string, string} port, or splice, and pin */
    private static function place(Terminal $terminal): array
    {
        return [$terminal->port->name ?? $terminal->name, $terminal->pin ?? ''];
    }

    private function trunk(string $run): string
    {
        return $this->solved->laid->backbone->trunk($run)->run->name ?? $run;
    }
}
