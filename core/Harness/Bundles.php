<?php

declare(strict_types=1);

namespace Bowline\Harness;

use Bowline\Geometry\CirclePacking;
use Bowline\Geometry\Tolerance;
use Bowline\Job\Harness\Cover;

/** What lies in each trunk of a harness from place to place, and how thick it is. */
final class Bundles
{
    /** @var array<string, array{list<mixed>, list<BundleSpan>}> by trunk: what its spans were found of, and they */
    private array $found = [];

    /** @param  Packings  $packings  that are known already */
    public function __construct(private readonly Packings $packings = new FoundPackings)
    {
    }

    /**
     * Returns the spans of each trunk, in order along it; a trunk without wires has one. Asked again for the harness
     * with a change, it finds the spans of those trunks only in which the change is.
     *
     * @return array<string, list<BundleSpan>> by the id of the trunk
     */
    public function of(LaidHarness $laid): array
    {
        $passes = [];
        foreach ($laid->wires as $wire) {
            foreach ($wire->ways() as $way) {
                $passes[$way->run][] = [min($way->from, $way->to), max($way->from, $way->to), $wire];
            }
        }
        $spans = [];
        foreach ($laid->harness->trunks as $run) {
            $length = $laid->backbone->trunk($run)?->length();
            $spans[$run] = $length === null ? [] : $this->spans($laid, $run, $length, $passes[$run] ?? []);
        }

        return $spans;
    }

    /**
     * @param  list<array{float, float, LaidWire}>  $passes  from where to where each wire goes along it
     * @return list<BundleSpan>
     */
    private function spans(LaidHarness $laid, string $run, float $length, array $passes): array
    {
        $covers = array_values(array_filter(
            $laid->harness->covers, static fn (Cover $cover): bool => $cover->run === $run && $cover->from < $length,
        ));
        $of = [$length, $passes, array_map(get_object_vars(...), $covers)];
        if (($this->found[$run][0] ?? null) !== $of) {
            $this->found[$run] = [$of, $this->spansOf($length, $passes, $covers)];
        }

        return $this->found[$run][1];
    }

    /**
     * @param  list<array{float, float, LaidWire}>  $passes
     * @param  list<Cover>  $covers
     * @return list<BundleSpan>
     */
    private function spansOf(float $length, array $passes, array $covers): array
    {
        $borders = [0.0, $length];
        foreach ($passes as [$from, $to]) {
            array_push($borders, $from, $to);
        }
        foreach ($covers as $cover) {
            array_push($borders, $cover->from, min($length, $cover->to ?? $length));
        }
        sort($borders);
        $spans = [];
        for ($i = 1, $count = count($borders); $i < $count; $i++) {
            [$from, $to] = [$borders[$i - 1], $borders[$i]];
            if ($to - $from < Tolerance::COINCIDENT) {
                continue;
            }
            $middle = ($from + $to) / 2;
            $wires = [];
            foreach ($passes as [$start, $end, $wire]) {
                if ($start < $middle && $middle < $end) {
                    $wires[] = $wire;
                }
            }
            $spans[] = $this->span($from, $to, $wires, array_values(array_filter(
                $covers, static fn (Cover $one): bool => $one->from < $middle && $middle < ($one->to ?? $length),
            )));
        }

        return $spans;
    }

    /**
     * @param  list<LaidWire>  $wires
     * @param  list<Cover>  $covers
     */
    private function span(float $from, float $to, array $wires, array $covers): BundleSpan
    {
        $parts = self::parts($wires);
        $bare = 2 * $this->packings->radius(array_column($parts, 0));
        $diameter = $bare;
        $fill = $limit = null;
        foreach ($covers as $cover) {
            if ($cover->bore !== null) {
                // The share of the bore that what is in it takes.
                $taken = array_sum(array_map(
                    static fn (array $part): float => (2 * $part[0] / $cover->bore) ** 2, $parts,
                ));
                if ($fill === null || $taken > $fill) {
                    [$fill, $limit] = [$taken, $cover->fill];
                }
            }
            $diameter = $cover->outside($diameter);
        }
        $ids = [];
        $least = $moving = 0.0;
        foreach ($wires as $one) {
            $ids[] = $one->wire->id;
            $stock = $one->wire->cable->stock ?? $one->wire->stock;
            $least = max($least, $stock->bend->leastRadius);
            $moving = max($moving, $stock->movingRadius);
        }

        return new BundleSpan(
            $from, $to, $ids, $bare, $diameter, $least, $moving,
            array_sum(array_column($parts, 1)) * ($to - $from) / 1000.0, $fill, $limit,
        );
    }

    /**
     * Returns what lies beside each other: a cable for all wires in it, a pair of twisted wires as one, else a wire.
     *
     * @param  list<LaidWire>  $wires
     * @return list<array{float, float, list<string>}> radius, mm, mass of a metre of the trunk, kg, and ids of wires
     */
    public static function parts(array $wires): array
    {
        $parts = $pairs = [];
        foreach ($wires as $one) {
            $wire = $one->wire;
            $radius = $wire->stock->section->outsideDiameter / 2;
            if ($wire->cable !== null) {
                $stock = $wire->cable->stock;
                $parts['cable '.$wire->cable->id] = [
                    $stock->section->outsideDiameter / 2, $stock->massPerMetre,
                    [...$parts['cable '.$wire->cable->id][2] ?? [], $wire->id],
                ];
            } elseif ($wire->pair !== null) {
                $pairs[$wire->pair->id][] = [$radius, $wire->stock->massPerMetre, $wire];
            } else {
                $parts[] = [$radius, $wire->stock->massPerMetre, [$wire->id]];
            }
        }
        foreach ($pairs as $id => $members) {
            $radii = array_column($members, 0);
            rsort($radii);
            $factor = count($radii) < 2 ? 1.0 : (float) $members[0][2]->pair?->factor($radii[0] + $radii[1]);
            $parts['pair '.$id] = [
                CirclePacking::radius($radii), $factor * array_sum(array_column($members, 1)),
                array_map(static fn (array $member): string => $member[2]->id, $members),
            ];
        }

        return array_values($parts);
    }
}
