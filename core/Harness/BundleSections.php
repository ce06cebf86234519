<?php

declare(strict_types=1);

namespace Bowline\Harness;

/** Where the wires of a harness lie in its trunks: each keeps its place from span to span as far as can be. */
final readonly class BundleSections
{
    /** Circles that differ by less are alike and may change places, mm. */
    private const ALIKE = 1e-6;

    public function __construct(private Packings $packings)
    {
    }

    /**
     * @param  array<string, list<BundleSpan>>  $bundles  of each trunk
     * @return array<string, list<array{BundleSpan, list<array{list<string>, float, array{float, float}}>}>> of each
     *     trunk the circles in each span: wires (several of a cable or a pair), radius, and place in the section, mm
     */
    public function of(LaidHarness $laid, array $bundles): array
    {
        $sections = [];
        foreach ($bundles as $run => $spans) {
            $before = [];
            foreach ($spans as $span) {
                $circles = $this->circles($laid, $span, $before);
                $sections[$run][] = [$span, $circles];
                $before = array_column(array_map(
                    static fn (array $one): array => [implode(' ', $one[0]), $one[2]], $circles,
                ), 1, 0);
            }
        }

        return $sections;
    }

    /**
     * @param  array<string, array{float, float}>  $before  places in the span before, by the ids of the wires
     * @return list<array{list<string>, float, array{float, float}}>
     */
    private function circles(LaidHarness $laid, BundleSpan $span, array $before): array
    {
        $parts = Bundles::parts(array_map(static fn (string $id): LaidWire => $laid->wires[$id], $span->wires));
        usort($parts, static fn (array $one, array $other): int => $other[0] <=> $one[0]);
        $free = $this->packings->places(array_column($parts, 0));
        $radii = array_column($parts, 0);
        $circles = [];
        // Those that lay in the span before choose first.
        foreach ([true, false] as $turn) {
            foreach ($parts as $i => $part) {
                if (isset($before[implode(' ', $part[2])]) !== $turn) {
                    continue;
                }
                $was = $before[implode(' ', $part[2])] ?? [0.0, 0.0];
                $best = null;
                foreach ($free as $place => [$x, $y]) {
                    $off = hypot($x - $was[0], $y - $was[1]);
                    if (abs($radii[$place] - $part[0]) < self::ALIKE && ($best === null || $off < $best[0])) {
                        $best = [$off, $place];
                    }
                }
                if ($best !== null) {
                    $circles[$i] = [$part[2], $part[0], $free[$best[1]]];
                    unset($free[$best[1]]);
                }
            }
        }

        ksort($circles);

        return array_values($circles);
    }
}
