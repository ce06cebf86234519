<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;
use Bowline\Space\UnionDistance;

/** The wall at the places of the bores of a rounded body: how deep they lie in what its outsides are together. */
final readonly class JunctionWalls
{
    /** How exactly a wall is found, mm. */
    private const ACCURACY = 1e-6;

    /** How often the way to a thinner or thicker place beside one is halved. */
    private const HALVINGS = 14;

    /** Most steps to thinner or thicker places. */
    private const STEPS = 200;

    /** Ways that are tried from a place. */
    private const WAYS = 8;

    /** @param  UnionDistance  $outside  of the outsides of the legs */
    public function __construct(
        private UnionDistance $outside,
        private JunctionSurface $bores,
    ) {
    }

    /**
     * @param  Mesh  $mesh  of the bores
     * @param  float  $size  of its triangles, mm
     */
    public function over(Mesh $mesh, float $size): ?WallMap
    {
        $areas = [];
        foreach ($mesh->triangles as [$a, $b, $c]) {
            $area = $mesh->vertices[$b]->minus($mesh->vertices[$a])
                ->cross($mesh->vertices[$c]->minus($mesh->vertices[$a]))->length() / 2;
            foreach ([$a, $b, $c] as $corner) {
                $areas[$corner] = ($areas[$corner] ?? 0.0) + $area / 3;
            }
        }
        $places = [];
        foreach ($areas as $corner => $area) {
            $at = $mesh->vertices[$corner];
            $places[] = [$at, $this->at($at), $area];
        }
        if ($places === []) {
            return null;
        }
        $map = new WallMap($places);
        [[$thinnest, $least], [$thickest, $most]] = [$map->least(), $map->most()];

        // Vertices lie beside the extremes, which are found from the thinnest and the thickest of them.
        return $most - $least < self::ACCURACY * $least ? $map : new WallMap([
            ...$places, $this->extreme($thinnest, 1.0, $size), $this->extreme($thickest, -1.0, $size),
        ]);
    }

    private function at(Vector $place): float
    {
        return -$this->outside->at($place->x, $place->y, $place->z, self::ACCURACY)[0];
    }

    /**
     * Returns the thinnest or thickest place of the bores beside another, by trying ways round it, each half as far
     * where none is better.
     *
     * @param  float  $sign  1 for the thinnest, −1 for the thickest
     * @param  float  $step  to begin with, mm
     * @return array{Vector, float, float} the place, its wall, mm, and no area
     */
    private function extreme(Vector $at, float $sign, float $step): array
    {
        $best = $sign * $this->at($at);
        for ($halvings = $steps = 0; $halvings < self::HALVINGS && $steps < self::STEPS; $steps++) {
            [, $x, $y, $z] = $this->outside->at($at->x, $at->y, $at->z, self::ACCURACY);
            $first = (new Vector($x, $y, $z))->anySquare();
            $second = (new Vector($x, $y, $z))->cross($first);
            $next = null;
            for ($way = 0; $way < self::WAYS; $way++) {
                $turn = 2 * M_PI * $way / self::WAYS;
                $to = $at->plus($first->times($step * cos($turn)))->plus($second->times($step * sin($turn)));
                $place = new Vector(...$this->bores->onSurface($to->x, $to->y, $to->z));
                $wall = $sign * $this->at($place);
                if ($wall < $best - self::ACCURACY && $this->bores->isWanted($place->x, $place->y, $place->z)) {
                    [$best, $next] = [$wall, $place];
                }
            }
            if ($next === null) {
                $step /= 2;
                $halvings++;
            }
            $at = $next ?? $at;
        }

        return [$at, $sign * $best, 0.0];
    }
}
