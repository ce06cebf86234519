<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Vector;

/**
 * How far off a surface of triangles a point is, and on which side. Space is divided into cells, which learn when they
 * are first asked which triangles may be the nearest to a point in them.
 */
final class SignedDistance
{
    /** Cells are as wide as a triangle is on an average, within these, mm. */
    private const NARROWEST = 4.0;

    private const WIDEST = 30.0;

    /**
     * Which triangles are nearest is kept for cells that are nearer to one than this, mm; farther off it is asked
     * seldom.
     */
    private const KEPT = 100.0;

    /** Bits of a number that there are for a cell along one axis. */
    private const CELL_BITS = 20;

    private readonly TriangleSurface $surface;

    private readonly BoxTree $tree;

    private readonly PseudoNormals $sides;

    private readonly float $cell;

    /**
     * Of each cell: how far off its middle the nearest triangle is, whether the middle is within, and those that may be
     * nearest to a place in it by how far off the middle they are; null where they are far.
     *
     * @var array<int, array{float, bool, list<array{float, int}>|null}>
     */
    private array $cells = [];

    private function __construct(TriangleSurface $surface)
    {
        $this->tree = BoxTree::of($surface);
        $this->surface = $this->tree->surface;
        $this->sides = PseudoNormals::of($this->surface);
        $this->cell = max(self::NARROWEST, min(self::WIDEST, $surface->averageWidth()));
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

    /** Whether it may be asked about elsewhere as well. */
    public function isWhole(): bool
    {
        return $this->surface->isWhole;
    }

    /**
     * @param  float  $within  mm; farther off than this, how far is not told
     * @return array{float, float, float, float} how far outside, less than 0 within, INF when it is farther off; and
     *     the unit way out
     */
    public function outside(float $x, float $y, float $z, float $within): array
    {
        $size = $this->cell;
        [$i, $j, $k] = [(int) floor($x / $size), (int) floor($y / $size), (int) floor($z / $size)];
        [$middle, $isWithin, $near] = $this->cells[self::key($i, $j, $k)] ??= $this->learn($i, $j, $k);
        [$dx, $dy, $dz] = [$x - ($i + 0.5) * $size, $y - ($j + 0.5) * $size, $z - ($k + 0.5) * $size];
        $off = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
        // Within the ball about the middle that no triangle reaches into, all is on one side.
        if (! $isWithin && $middle - $off > max(0.0, $within)) {
            return [INF, 0.0, 0.0, 1.0];
        }
        $nearest =
            $near === null
                ? $this->tree->nearest($x, $y, $z, $isWithin ? INF : $within)
                : $this->nearest($x, $y, $z, $near, $off);

        return $nearest === null ? [INF, 0.0, 0.0, 1.0] : $this->sides->signed($x, $y, $z, $nearest);
    }

    private static function key(int $i, int $j, int $k): int
    {
        $half = 1 << (self::CELL_BITS - 1);

        return (($i + $half) << (2 * self::CELL_BITS)) + (($j + $half) << self::CELL_BITS) + $k + $half;
    }

    /** @return array{float, bool, list<array{float, int}>|null} */
    private function learn(int $i, int $j, int $k): array
    {
        [$x, $y, $z] = [($i + 0.5) * $this->cell, ($j + 0.5) * $this->cell, ($k + 0.5) * $this->cell];
        $nearest = $this->tree->nearest($x, $y, $z, INF);
        if ($nearest === null) {
            return [INF, false, null];
        }
        $off = sqrt($nearest[1][0]);
        $isWithin = $this->sides->signed($x, $y, $z, $nearest)[0] < 0.0;
        if ($off > self::KEPT) {
            return [$off, $isWithin, null];
        }
        $near = $this->tree->within($x, $y, $z, $off + sqrt(3.0) * $this->cell);
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
