<?php

declare(strict_types=1);

namespace Tests;

use Bowline\Body\Mesh;

/** Bodies as packed triangles, nine 32-bit floats each. */
final class Triangles
{
    /** @param  list<list<list<float>>>  $triangles */
    public static function pack(array $triangles): string
    {
        return pack('g*', ...array_merge(...array_merge(...$triangles)));
    }

    /**
     * A box about the origin, each side of it in so many pieces squared.
     *
     * @param  list<float>  $size
     */
    public static function box(array $size, int $pieces): string
    {
        $triangles = [];
        foreach ([[0, 1, 2], [1, 2, 0], [2, 0, 1]] as [$u, $v, $w]) {
            foreach ([-1, 1] as $side) {
                $corner = static function (int $i, int $j) use ($u, $v, $w, $side, $size, $pieces): array {
                    $at = [0, 0, 0];
                    [$at[$u], $at[$v], $at[$w]] = [
                        $size[$u] * ($i / $pieces - 0.5),
                        $size[$v] * ($j / $pieces - 0.5),
                        ($size[$w] * $side) / 2,
                    ];

                    return $at;
                };
                for ($i = 0; $i < $pieces; $i++) {
                    for ($j = 0; $j < $pieces; $j++) {
                        [$a, $b, $c, $d] = [
                            $corner($i, $j),
                            $corner($i + 1, $j),
                            $corner($i + 1, $j + 1),
                            $corner($i, $j + 1),
                        ];
                        array_push(
                            $triangles,
                            ...$side > 0 ? [[$a, $b, $c], [$a, $c, $d]] : [[$a, $c, $b], [$a, $d, $c]],
                        );
                    }
                }
            }
        }

        return self::pack($triangles);
    }

    /** How many pieces a mesh has that share no vertex with one another. */
    public static function shells(Mesh $mesh): int
    {
        /** @var array<int, int> $parents */
        $parents = [];
        $rootOf = static function (int $one) use (&$parents): int {
            while (isset($parents[$one])) {
                // Halves the way for those that come after.
                $parents[$one] = $parents[$parents[$one]] ?? $parents[$one];
                $one = $parents[$one];
            }

            return $one;
        };
        $roots = [];
        foreach ($mesh->triangles as $corners) {
            foreach ([$corners[1], $corners[2]] as $other) {
                [$one, $two] = [$rootOf($corners[0]), $rootOf($other)];
                if ($one !== $two) {
                    $parents[$one] = $two;
                }
            }
        }
        foreach ($mesh->triangles as [$corner]) {
            $roots[$rootOf($corner)] = true;
        }

        return count($roots);
    }

    /** A ball about the origin in so many facets around. */
    public static function ball(float $radius, int $facets, bool $isInsideOut = false): string
    {
        $at = static fn (int $i, int $j): array => [
            $radius * sin((2 * M_PI * $j) / $facets) * cos((2 * M_PI * $i) / $facets),
            $radius * sin((2 * M_PI * $j) / $facets) * sin((2 * M_PI * $i) / $facets),
            $radius * cos((2 * M_PI * $j) / $facets),
        ];
        $triangles = [];
        for ($i = 0; $i < $facets; $i++) {
            for ($j = 0; $j < $facets / 2; $j++) {
                // The facets at the poles are half of the others.
                $triangles[] = [$at($i, $j), $at($i, $j + 1), $at($i + 1, $j + 1)];
                $triangles[] = [$at($i, $j), $at($i + 1, $j + 1), $at($i + 1, $j)];
            }
        }

        return self::pack($isInsideOut ? array_map(array_reverse(...), $triangles) : $triangles);
    }
}
