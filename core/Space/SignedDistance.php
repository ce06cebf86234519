<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Vector;

/**
 * The signed distance from a surface of triangles. Space is divided into cells, each of which caches the triangles that
 * can be nearest to a point in it.
 */
final class SignedDistance
{
    /** Smallest and largest width of a cell, mm; between these it is the average width of a triangle. */
    private const NARROWEST = 4.0;

    private const WIDEST = 30.0;

    /**
     * Only cells whose nearest triangle is within this distance are cached, mm; points farther away are asked about
     * seldom.
     */
    private const KEPT = 100.0;

    /** Bits for the number of a cell along one axis. */
    private const CELL_BITS = 20;

    private readonly TriangleSurface $surface;

    private readonly BoxTree $tree;

    /** Made when a side is first asked about. */
    private ?PseudoNormals $sides = null;

    /** Width of a cell, mm; known when it is first asked about. */
    private ?float $cell = null;

    /**
     * For each cell: the distance from its centre to the nearest triangle, whether the centre is inside, and the
     * triangles that can be nearest to a point in it with their distances from the centre; null where they are far.
     *
     * @var array<int, array{float, bool, list<array{float, int}>|null}>
     */
    private array $cells = [];

    private function __construct(TriangleSurface $surface)
    {
        $this->tree = BoxTree::of($surface);
        $this->surface = $this->tree->surface;
    }

    /**
     * @param  string  $packed  nine 32-bit little-endian floats a triangle, mm
     * @param  Vector  $least  lowest corner of where it will be asked about
     * @param  Vector  $most  highest corner
     */
    public static function of(string $packed, Vector $least, Vector $most): self
    {
        return new self(TriangleSurface::read($packed, $least, $most));
    }

    /**
     * Returns the distance from a part of a surface.
     *
     * @param  string  $packed  likewise, of the part
     */
    public static function part(string $packed, SurfaceSides $sides): self
    {
        return new self(TriangleSurface::part($packed, $sides));
    }

    /** Whether it knows the whole surface and may be asked about any point. */
    public function isWhole(): bool
    {
        return $this->surface->isWhole;
    }

    /**
     * @param  float  $within  mm; beyond this distance INF may be returned
     * @return array{float, float, float, float} signed distance in mm, negative inside, INF when farther away; and the
     *     unit outward normal
     */
    public function outside(float $x, float $y, float $z, float $within): array
    {
        $size = $this->cell ??= max(self::NARROWEST, min(self::WIDEST, $this->surface->averageWidth()));
        [$i, $j, $k] = [(int) floor($x / $size), (int) floor($y / $size), (int) floor($z / $size)];
        [$middle, $isWithin, $near] = $this->cells[self::key($i, $j, $k)] ??= $this->learn($i, $j, $k, $size);
        [$dx, $dy, $dz] = [$x - ($i + 0.5) * $size, $y - ($j + 0.5) * $size, $z - ($k + 0.5) * $size];
        $off = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
        // The ball about the centre that contains no triangle is all on one side.
        if (! $isWithin && $middle - $off > max(0.0, $within)) {
            return [INF, 0.0, 0.0, 1.0];
        }
        $nearest =
            $near === null
                ? $this->tree->nearest($x, $y, $z, $isWithin ? INF : $within)
                : $this->nearest($x, $y, $z, $near, $off);

        return $nearest === null ? [INF, 0.0, 0.0, 1.0] : $this->signed($x, $y, $z, $nearest);
    }

    /**
     * Returns the triangle nearest to a point, without caching what is near: places are seldom asked about twice.
     *
     * @param  float  $within  mm
     * @return array{int, array{float, float, float, float, int}}|null its number, and the closest point on it
     *     (ClosestPoint); null when none is within reach
     */
    public function nearestTriangle(float $x, float $y, float $z, float $within): ?array
    {
        return $this->tree->nearest($x, $y, $z, $within);
    }

    /**
     * @param  array{int, array{float, float, float, float, int}}  $nearest  triangle and place
     * @return array{float, float, float, float} as `outside` does
     */
    public function signed(float $x, float $y, float $z, array $nearest): array
    {
        $this->sides ??= PseudoNormals::of($this->surface);

        return $this->sides->signed($x, $y, $z, $nearest);
    }

    private static function key(int $i, int $j, int $k): int
    {
        $half = 1 << (self::CELL_BITS - 1);

        return (($i + $half) << (2 * self::CELL_BITS)) + (($j + $half) << self::CELL_BITS) + $k + $half;
    }

    /** @return array{float, bool, list<array{float, int}>|null} */
    private function learn(int $i, int $j, int $k, float $size): array
    {
        [$x, $y, $z] = [($i + 0.5) * $size, ($j + 0.5) * $size, ($k + 0.5) * $size];
        $nearest = $this->tree->nearest($x, $y, $z, INF);
        if ($nearest === null) {
            return [INF, false, null];
        }
        $off = sqrt($nearest[1][0]);
        $isWithin = $this->signed($x, $y, $z, $nearest)[0] < 0.0;
        if ($off > self::KEPT) {
            return [$off, $isWithin, null];
        }
        $near = $this->tree->within($x, $y, $z, $off + sqrt(3.0) * $size);
        asort($near);

        return [
            $off,
            $isWithin,
            array_map(
                static fn (int $number, float $off): array => [$off, $number],
                array_keys($near),
                array_values($near),
            ),
        ];
    }

    /**
     * @param  list<array{float, int}>  $near  triangles, by how far off a place they are at least
     * @param  float  $off  how far that place is from this one
     * @return array{int, array{float, float, float, float, int}}|null which, and where on it (ClosestPoint)
     */
    private function nearest(float $x, float $y, float $z, array $near, float $off): ?array
    {
        $nearest = null;
        $square = INF;
        $reach = INF;
        foreach ($near as [$least, $number]) {
            if ($least > $reach) {
                break;
            }
            $place = ClosestPoint::onTriangle($this->surface->triangles[$number], $x, $y, $z);
            if ($place[0] < $square) {
                $square = $place[0];
                $reach = sqrt($square) + $off;
                $nearest = [$number, $place];
            }
        }

        return $nearest;
    }
}
