<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Geometry\Vector;

/** The wall at every place of the bores of a body between its rings: from there to the nearest place outside. */
final readonly class WallMap
{
    private const BINS = 10;

    /** Widest wall that counts as even, as a part of the thinnest. */
    private const EVEN = 1e-6;

    /**
     * @param  non-empty-list<array{Vector, float, float}>  $places  each with its wall, mm, and its share of area, mm²
     */
    public function __construct(public array $places)
    {
    }

    /** @return array{Vector, float} where it is least, and how much, mm */
    public function least(): array
    {
        $found = $this->places[0];
        foreach ($this->places as $place) {
            $found = $place[1] < $found[1] ? $place : $found;
        }

        return [$found[0], $found[1]];
    }

    /** @return array{Vector, float} where it is greatest, and how much, mm */
    public function most(): array
    {
        $found = $this->places[0];
        foreach ($this->places as $place) {
            $found = $place[1] > $found[1] ? $place : $found;
        }

        return [$found[0], $found[1]];
    }

    /** @return list<array{from: float, to: float, area: float}> area of the bores by the wall there, in even steps */
    public function histogram(): array
    {
        [$least, $most] = [$this->least()[1], $this->most()[1]];
        $step = $most - $least < self::EVEN * $least ? 0.0 : ($most - $least) / self::BINS;
        $areas = array_fill(0, $step === 0.0 ? 1 : self::BINS, 0.0);
        foreach ($this->places as [, $wall, $area]) {
            $areas[$step === 0.0 ? 0 : min(self::BINS - 1, (int) floor(($wall - $least) / $step))] += $area;
        }

        return array_map(static fn (float $area, int $i): array => [
            'from' => $least + $i * $step, 'to' => $step === 0.0 ? $most : $least + ($i + 1) * $step, 'area' => $area,
        ], $areas, array_keys($areas));
    }
}
