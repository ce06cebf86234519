<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Harness\BundleSpan;
use Bowline\Harness\LaidWire;
use Bowline\Harness\Way;
use Bowline\Job\Harness\Allowance;
use Bowline\Rules\Harness\HarnessFinding;
use Bowline\Rules\Harness\HarnessRules;
use Bowline\Rules\Remedy;
use Bowline\Solving\SolvedHarness;

/** Writes solved harnesses in the shape of schema/solution.json (`solvedHarness`): millimetres and kilograms. */
final class HarnessWriter
{
    /** @return array<string, mixed> */
    public static function write(SolvedHarness $solved): array
    {
        $laid = $solved->laid;

        return [
            'id' => $laid->harness->id,
            'wires' => array_map(self::wire(...), array_values($laid->wires)),
            'total' => array_sum(array_map(
                static fn (LaidWire $one): float => $one->cutLength() ?? 0.0, $laid->wires,
            )),
            'trunks' => self::trunks($solved),
            'packed' => $solved->arePacked,
            'findings' => array_map(self::finding(...), $solved->findings),
        ];
    }

    /** @return array<string, mixed> lengths of the wires of a harness and what is found of them (`triedHarness`) */
    public static function wires(SolvedHarness $solved): array
    {
        return [
            'id' => $solved->laid->harness->id,
            'lengths' => array_map(static fn (LaidWire $one): array => [
                $one->wire->id, $one->length(), $one->cutLength(),
            ], array_values($solved->laid->wires)),
            'rules' => array_keys(HarnessRules::ofWires()),
            'findings' => array_map(self::finding(...), $solved->findings),
        ];
    }

    /** @return array<string, mixed> */
    private static function wire(LaidWire $one): array
    {
        $wire = $one->wire;

        return [
            'id' => $wire->id,
            'length' => $one->length(),
            'cut_length' => $one->cutLength(),
            'ways' => array_map(static fn (Way $way): array => [
                'run' => $way->run, 'from' => $way->from, 'to' => $way->to,
            ], $one->ways()),
            'lead_offs' => $one->leadOffs === null ? [] : [$one->leadOffs[0]->length, $one->leadOffs[1]->length],
            'twist' => $one->twist(),
            'allowances' => array_map(static fn (Allowance $end): array => [
                'strip' => $end->strip, 'crimp' => $end->crimp, 'loop' => $end->loop,
            ], [$wire->from->allowance, $wire->to->allowance]),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function trunks(SolvedHarness $solved): array
    {
        return array_map(static fn (string $run): array => [
            'run' => $run,
            'spans' => array_map(static fn (BundleSpan $span): array => [
                'from' => $span->from, 'to' => $span->to, 'wires' => $span->wires, 'bare' => $span->bare,
                'diameter' => $span->diameter, 'min_radius' => $span->leastRadius,
                'moving_radius' => $span->movingRadius, 'mass' => $span->mass, 'fill' => $span->fill,
            ], $solved->bundles[$run]),
        ], $solved->laid->harness->trunks);
    }

    /** @return array<string, mixed> */
    private static function finding(HarnessFinding $one): array
    {
        return [
            'rule' => $one->rule,
            'severity' => $one->severity->value,
            'title' => $one->title,
            'message' => $one->message,
            'at' => $one->at->toArray(),
            'wire' => $one->wire,
            'run' => $one->run,
            'span' => $one->span,
            'measured' => $one->measured,
            'required' => $one->required,
            'waived' => $one->waived,
            'waiver' => ['rule' => $one->rule, 'of' => $one->key(), ...$one->off() === null
                ? []
                : ['off' => round($one->off(), 6)]],
            'remedies' => array_map(static fn (Remedy $remedy): string => $remedy->label, $one->remedies),
            'cures' => array_map(
                static fn (Remedy $remedy): array => ['list' => $remedy->list, 'item' => $remedy->item], $one->remedies,
            ),
        ];
    }

    /**
     * Writes where wires lie in trunks (schema/api.json, `insideTrunks`).
     *
     * @param  array<string, list<array{BundleSpan, list<array{list<string>, float, array{float, float}}>}>>  $sections
     * @return list<array<string, mixed>>
     */
    public static function inside(array $sections): array
    {
        return array_map(static fn (string $run): array => [
            'run' => $run,
            'spans' => array_map(static fn (array $one): array => [
                'from' => $one[0]->from, 'to' => $one[0]->to,
                'circles' => array_map(static fn (array $circle): array => [
                    'wires' => $circle[0], 'radius' => round($circle[1], 4), 'at' => [
                        round($circle[2][0], 4), round($circle[2][1], 4),
                    ],
                ], $one[1]),
            ], $sections[$run]),
        ], array_map(strval(...), array_keys($sections)));
    }
}
