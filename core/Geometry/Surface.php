<?php

declare(strict_types=1);

namespace Bowline\Geometry;

/**
 * A surface of triangles that something may lie on: how far off it a place is, and on which side. The side is told by
 * the normal of whatever of the nearest triangle is nearest, its face, an edge or a corner (Bærentzen and Aanæs,
 * Signed distance computation using the angle weighted pseudonormal, IEEE Trans. Vis. Comput. Graph. 11, 2005).
 *
 * A surface that encloses nothing is a sheet: every place is outside of it. Space is divided into cells, which learn
 * when they are first asked which triangles may be the nearest to a place in them.
 */
final class Surface
{
    /** Triangles that are read at a time, and floats of each. */
    private const CHUNK = 4000;

    private const FLOATS = 9;

    /** What its faces, as vectors, do not add up to nothing by, as a part of all of them, is open. */
    private const OPEN = 1e-3;

    /** Cells are as wide as a triangle is on an average, within these, mm. */
    private const NARROWEST = 4.0;

    private const WIDEST = 30.0;

    /**
     * Which triangles are nearest is kept for cells that are nearer to one than this, mm; farther off it is asked
     * seldom.
     */
    private const KEPT = 100.0;

    /** Of a mesh of more triangles than this only those about where it is asked are taken. */
    private const MANY = 100_000;

    /** Triangles at the end of a branch of the tree. */
    private const LEAF = 4;

    /** Bits of a number that there are for a cell along one axis, for a corner, and for the order of places. */
    private const CELL_BITS = 20;

    private const CORNER_BITS = 28;

    private const ORDER_BITS = 10;

    /**
     * First corner, ways to the two others, and the numbers of all three.
     *
     * @var list<array{float, float, float, float, float, float, float, float, float, int, int, int}>
     */
    private array $triangles = [];

    /** @var list<array{float, float, float}> of each triangle, unit */
    private array $normals = [];

    /** Whether it encloses nothing. */
    private bool $isOpen = false;

    /** @var array<int, true> triangles that both sides of are outside, though it encloses something */
    private array $isSheet = [];

    /** @var array<int, array{float, float, float}> of each edge, by the numbers of its corners; not of one at a rim */
    private array $edges = [];

    /** @var array<int, array{float, float, float}> of each corner; not of one at a rim */
    private array $corners = [];

    private bool $isWhole = true;

    private float $cell = self::WIDEST;

    /**
     * Least and greatest corner of each branch of the tree; branch n divides into 2n and 2n + 1.
     *
     * @var array<int, array{float, float, float, float, float, float}>
     */
    private array $boxes = [];

    /** Branches at the ends of the tree, 1 or a power of 2. */
    private int $leaves = 1;

    /**
     * Of each cell: how far off its middle the nearest triangle is, whether the middle is within, and those that may be
     * nearest to a place in it by how far off the middle they are; null where they are far.
     *
     * @var array<int, array{float, bool, list<array{float, int}>|null}>
     */
    private array $cells = [];

    private function __construct()
    {
    }

    /**
     * @param  string  $packed  nine 32-bit little-endian floats a triangle, mm
     * @param  Vector  $least  lowest corner of where it will be asked about
     * @param  Vector  $most  highest corner
     */
    public static function of(string $packed, Vector $least, Vector $most): self
    {
        $surface = new self;
        $surface->take($packed, $least, $most);
        $surface->grow();
        $surface->side();

        return $surface;
    }

    /** Whether it may be asked about elsewhere as well. */
    public function isWhole(): bool
    {
        return $this->isWhole;
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
                ? $this->search($x, $y, $z, $isWithin ? INF : $within)
                : $this->nearest($x, $y, $z, $near, $off);

        return $nearest === null ? [INF, 0.0, 0.0, 1.0] : $this->signed($x, $y, $z, $nearest);
    }

    private static function key(int $i, int $j, int $k): int
    {
        $half = 1 << (self::CELL_BITS - 1);

        return (($i + $half) << (2 * self::CELL_BITS)) + (($j + $half) << self::CELL_BITS) + $k + $half;
    }

    private function take(string $packed, Vector $least, Vector $most): void
    {
        $numbers = [];
        [$sumX, $sumY, $sumZ, $area, $volume] = [0.0, 0.0, 0.0, 0.0, 0.0];
        $bytes = self::FLOATS * 4 * self::CHUNK;
        $this->isWhole = strlen($packed) <= self::FLOATS * 4 * self::MANY;
        for ($at = 0, $all = strlen($packed); $at < $all; $at += $bytes) {
            /** @var list<float> $f */
            $f = array_values((array) unpack('g*', substr($packed, $at, $bytes)));
            for ($n = 0, $count = count($f) - self::FLOATS; $n <= $count; $n += self::FLOATS) {
                [$ax, $ay, $az, $bx, $by, $bz, $cx, $cy, $cz] = [
                    $f[$n],
                    $f[$n + 1],
                    $f[$n + 2],
                    $f[$n + 3],
                    $f[$n + 4],
                    $f[$n + 5],
                    $f[$n + 6],
                    $f[$n + 7],
                    $f[$n + 8],
                ];
                [$ux, $uy, $uz, $vx, $vy, $vz] = [$bx - $ax, $by - $ay, $bz - $az, $cx - $ax, $cy - $ay, $cz - $az];
                [$nx, $ny, $nz] = [$uy * $vz - $uz * $vy, $uz * $vx - $ux * $vz, $ux * $vy - $uy * $vx];
                $size = sqrt($nx * $nx + $ny * $ny + $nz * $nz);
                if ($size < 1e-9) {
                    continue;
                }
                $sumX += $nx;
                $sumY += $ny;
                $sumZ += $nz;
                $area += $size;
                $volume += $ax * $nx + $ay * $ny + $az * $nz;
                if (
                    ! $this->isWhole &&
                    (min($ax, $bx, $cx) > $most->x ||
                        max($ax, $bx, $cx) < $least->x ||
                        min($ay, $by, $cy) > $most->y ||
                        max($ay, $by, $cy) < $least->y ||
                        min($az, $bz, $cz) > $most->z ||
                        max($az, $bz, $cz) < $least->z)
                ) {
                    continue;
                }
                $corners = [];
                foreach ([[$ax, $ay, $az], [$bx, $by, $bz], [$cx, $cy, $cz]] as [$x, $y, $z]) {
                    // 0 and −0 are one place.
                    $corners[] = $numbers[pack('g3', $x + 0.0, $y + 0.0, $z + 0.0)] ??= count($numbers);
                }
                $this->triangles[] = [
                    $ax,
                    $ay,
                    $az,
                    $ux,
                    $uy,
                    $uz,
                    $vx,
                    $vy,
                    $vz,
                    $corners[0],
                    $corners[1],
                    $corners[2],
                ];
                $this->normals[] = [$nx / $size, $ny / $size, $nz / $size];
            }
        }
        $this->isOpen = sqrt($sumX * $sumX + $sumY * $sumY + $sumZ * $sumZ) > self::OPEN * $area;
        if (! $this->isOpen && $volume < 0.0) {
            // It has been turned inside out.
            $this->normals = array_map(
                static fn (array $normal): array => [-$normal[0], -$normal[1], -$normal[2]],
                $this->normals,
            );
        }
    }

    /** Which triangles are sheets, and the normals of edges and corners. */
    private function side(): void
    {
        $same = $sides = [];
        foreach ($this->triangles as $number => [, , , , , , , , , $a, $b, $c]) {
            $corners = [$a, $b, $c];
            sort($corners);
            $same[implode(' ', $corners)][] = $number;
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $sides[self::edge($from, $to)][] = $number;
            }
        }
        foreach ($same as $numbers) {
            // One and the same seen from both sides.
            foreach (count($numbers) > 1 ? $numbers : [] as $number) {
                $this->isSheet[$number] = true;
            }
        }
        $rim = [];
        foreach ($sides as $edge => $numbers) {
            if (count($numbers) < 2) {
                $rim[$edge >> self::CORNER_BITS] = $rim[$edge & ((1 << self::CORNER_BITS) - 1)] = true;

                continue;
            }
            $sum = [0.0, 0.0, 0.0];
            foreach ($numbers as $number) {
                foreach ($this->normals[$number] as $axis => $part) {
                    $sum[$axis] += $part;
                }
            }
            $this->edges[$edge] = $sum;
        }
        foreach ($this->triangles as $number => [, , , $ux, $uy, $uz, $vx, $vy, $vz, $a, $b, $c]) {
            [$u, $v] = [new Vector($ux, $uy, $uz), new Vector($vx, $vy, $vz)];
            $first = $u->angleTo($v);
            $second = $u->times(-1.0)->angleTo($v->minus($u));
            foreach ([[$a, $first], [$b, $second], [$c, M_PI - $first - $second]] as [$corner, $angle]) {
                if (isset($rim[$corner])) {
                    continue;
                }
                $sum = $this->corners[$corner] ?? [0.0, 0.0, 0.0];
                foreach ($this->normals[$number] as $axis => $part) {
                    $sum[$axis] += $angle * $part;
                }
                $this->corners[$corner] = $sum;
            }
        }
    }

    private static function edge(int $a, int $b): int
    {
        return (min($a, $b) << self::CORNER_BITS) + max($a, $b);
    }

    /** The tree: triangles in an order in which neighbours stay together, halved again and again. */
    private function grow(): void
    {
        $count = count($this->triangles);
        if ($count === 0) {
            return;
        }
        $this->cell = max(
            self::NARROWEST,
            min(self::WIDEST, array_sum(array_map(self::size(...), $this->triangles)) / $count),
        );
        $order = $this->order();
        asort($order);
        $kept = array_keys($order);
        $this->triangles = array_map(fn (int $number): array => $this->triangles[$number], $kept);
        $this->normals = array_map(fn (int $number): array => $this->normals[$number], $kept);
        while ($this->leaves * self::LEAF < $count) {
            $this->leaves *= 2;
        }
        for ($branch = 2 * $this->leaves - 1; $branch >= 1; $branch--) {
            $box = [INF, INF, INF, -INF, -INF, -INF];
            if ($branch < $this->leaves) {
                [$one, $other] = [$this->boxes[2 * $branch], $this->boxes[2 * $branch + 1]];
                $box = [
                    min($one[0], $other[0]),
                    min($one[1], $other[1]),
                    min($one[2], $other[2]),
                    max($one[3], $other[3]),
                    max($one[4], $other[4]),
                    max($one[5], $other[5]),
                ];
            }
            foreach ($branch < $this->leaves ? [] : $this->ofLeaf($branch) as $number) {
                [$x, $y, $z, $ux, $uy, $uz, $vx, $vy, $vz] = $this->triangles[$number];
                $box = [
                    min($box[0], $x, $x + $ux, $x + $vx),
                    min($box[1], $y, $y + $uy, $y + $vy),
                    min($box[2], $z, $z + $uz, $z + $vz),
                    max($box[3], $x, $x + $ux, $x + $vx),
                    max($box[4], $y, $y + $uy, $y + $vy),
                    max($box[5], $z, $z + $uz, $z + $vz),
                ];
            }
            $this->boxes[$branch] = $box;
        }
    }

    /** @param  array{float, float, float, float, float, float, float, float, float, int, int, int}  $triangle */
    private static function size(array $triangle): float
    {
        [, , , $ux, $uy, $uz, $vx, $vy, $vz] = $triangle;

        return sqrt(sqrt(($uy * $vz - $uz * $vy) ** 2 + ($uz * $vx - $ux * $vz) ** 2 + ($ux * $vy - $uy * $vx) ** 2));
    }

    /**
     * Of each triangle its number along a curve through all places (Morton's): the bits of its three coordinates in
     * turn.
     *
     * @return list<int>
     */
    private function order(): array
    {
        $middles = array_map(
            static fn (array $one): array => [
                $one[0] + ($one[3] + $one[6]) / 3,
                $one[1] + ($one[4] + $one[7]) / 3,
                $one[2] + ($one[5] + $one[8]) / 3,
            ],
            $this->triangles,
        );
        $least = $wide = [];
        foreach ([0, 1, 2] as $axis) {
            $part = array_column($middles, $axis);
            $least[$axis] = $part === [] ? 0.0 : min($part);
            $wide[$axis] = $part === [] ? 0.0 : max($part) - min($part);
        }
        $scale = ((1 << self::ORDER_BITS) - 1) / max(1e-9, ...$wide);

        return array_map(static function (array $middle) use ($least, $scale): int {
            $number = 0;
            foreach ($middle as $axis => $part) {
                $place = (int) (($part - $least[$axis]) * $scale);
                for ($bit = 0; $bit < self::ORDER_BITS; $bit++) {
                    $number |= ($place >> $bit & 1) << (3 * $bit + $axis);
                }
            }

            return $number;
        }, $middles);
    }

    /** @return list<int> triangles of a branch at the end of the tree */
    private function ofLeaf(int $branch): array
    {
        $count = count($this->triangles);
        $leaf = $branch - $this->leaves;
        $from = intdiv($leaf * $count, $this->leaves);
        $to = intdiv(($leaf + 1) * $count, $this->leaves);

        return $from < $to ? range($from, $to - 1) : [];
    }

    /** @return array{float, bool, list<array{float, int}>|null} */
    private function learn(int $i, int $j, int $k): array
    {
        [$x, $y, $z] = [($i + 0.5) * $this->cell, ($j + 0.5) * $this->cell, ($k + 0.5) * $this->cell];
        $nearest = $this->search($x, $y, $z, INF);
        if ($nearest === null) {
            return [INF, false, null];
        }
        $off = sqrt($nearest[1][0]);
        $isWithin = $this->signed($x, $y, $z, $nearest)[0] < 0.0;
        if ($off > self::KEPT) {
            return [$off, $isWithin, null];
        }
        $near = $this->gathered($x, $y, $z, $off + sqrt(3.0) * $this->cell);
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
     * The nearest of all triangles.
     *
     * @return array{int, array{float, float, float, float, int}}|null which, and where on it (closest); null when none
     *     is within that
     */
    private function search(float $x, float $y, float $z, float $within): ?array
    {
        $nearest = null;
        $square = $within * $within;
        $branches = $this->boxes === [] ? [] : [[self::squareTo($this->boxes[1], $x, $y, $z), 1]];
        while ($branches !== []) {
            [$least, $branch] = array_pop($branches);
            if ($least > $square) {
                continue;
            }
            if ($branch >= $this->leaves) {
                foreach ($this->ofLeaf($branch) as $number) {
                    $place = self::closest($this->triangles[$number], $x, $y, $z);
                    if ($place[0] < $square || $nearest === null && $place[0] <= $square) {
                        [$square, $nearest] = [$place[0], [$number, $place]];
                    }
                }

                continue;
            }
            $one = [self::squareTo($this->boxes[2 * $branch], $x, $y, $z), 2 * $branch];
            $other = [self::squareTo($this->boxes[2 * $branch + 1], $x, $y, $z), 2 * $branch + 1];
            // The nearer one is looked into first.
            array_push($branches, ...($one[0] < $other[0] ? [$other, $one] : [$one, $other]));
        }

        return $nearest;
    }

    /** @return array<int, float> triangles within a reach, and how far off they are */
    private function gathered(float $x, float $y, float $z, float $reach): array
    {
        $near = [];
        $branches = [1];
        while ($branches !== []) {
            $branch = array_pop($branches);
            if (self::squareTo($this->boxes[$branch], $x, $y, $z) > $reach * $reach) {
                continue;
            }
            if ($branch < $this->leaves) {
                array_push($branches, 2 * $branch, 2 * $branch + 1);

                continue;
            }
            foreach ($this->ofLeaf($branch) as $number) {
                $off = sqrt(self::closest($this->triangles[$number], $x, $y, $z)[0]);
                if ($off <= $reach) {
                    $near[$number] = $off;
                }
            }
        }

        return $near;
    }

    /** @param  array{float, float, float, float, float, float}  $box */
    private static function squareTo(array $box, float $x, float $y, float $z): float
    {
        $dx = $x < $box[0] ? $box[0] - $x : ($x > $box[3] ? $x - $box[3] : 0.0);
        $dy = $y < $box[1] ? $box[1] - $y : ($y > $box[4] ? $y - $box[4] : 0.0);
        $dz = $z < $box[2] ? $box[2] - $z : ($z > $box[5] ? $z - $box[5] : 0.0);

        return $dx * $dx + $dy * $dy + $dz * $dz;
    }

    /**
     * @param  list<array{float, int}>  $near  triangles, by how far off a place they are at least
     * @param  float  $off  how far that place is from this one
     * @return array{int, array{float, float, float, float, int}}|null which, and where on it (closest)
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
            $place = self::closest($this->triangles[$number], $x, $y, $z);
            if ($place[0] < $square) {
                $square = $place[0];
                $reach = sqrt($square) + $off;
                $nearest = [$number, $place];
            }
        }

        return $nearest;
    }

    /**
     * @param  array{int, array{float, float, float, float, int}}  $nearest
     * @return array{float, float, float, float}
     */
    private function signed(float $x, float $y, float $z, array $nearest): array
    {
        [$number, [$square, $px, $py, $pz, $part]] = $nearest;
        [$wx, $wy, $wz] = [$x - $px, $y - $py, $z - $pz];
        [$nx, $ny, $nz] = $this->normals[$number];
        $off = sqrt($square);
        [, , , , , , , , , $a, $b, $c] = $this->triangles[$number];
        $normal = match ($part) {
            0 => [$nx, $ny, $nz],
            1 => $this->edges[self::edge($a, $b)] ?? null,
            2 => $this->edges[self::edge($b, $c)] ?? null,
            3 => $this->edges[self::edge($c, $a)] ?? null,
            4 => $this->corners[$a] ?? null,
            5 => $this->corners[$b] ?? null,
            default => $this->corners[$c] ?? null,
        };
        $side =
            $normal === null || $this->isOpen || isset($this->isSheet[$number])
                ? 1.0
                : ($wx * $normal[0] + $wy * $normal[1] + $wz * $normal[2] < 0.0
                    ? -1.0
                    : 1.0);
        if ($off < 1e-9) {
            return [0.0, $nx, $ny, $nz];
        }

        return [$side * $off, $side * $wx / $off, $side * $wy / $off, $side * $wz / $off];
    }

    /**
     * The place of a triangle that is closest to another (Ericson, Real-Time Collision Detection, 5.1.5).
     *
     * @param  array{float, float, float, float, float, float, float, float, float, int, int, int}  $triangle
     * @return array{float, float, float, float, int} the square of how far off, the place, and what it is on: 0 the
     *     face, 1 to 3 an edge, 4 to 6 a corner
     */
    private static function closest(array $triangle, float $x, float $y, float $z): array
    {
        [$ax, $ay, $az, $ux, $uy, $uz, $vx, $vy, $vz] = $triangle;
        [$px, $py, $pz] = [$x - $ax, $y - $ay, $z - $az];
        $d1 = $ux * $px + $uy * $py + $uz * $pz;
        $d2 = $vx * $px + $vy * $py + $vz * $pz;
        $uu = $ux * $ux + $uy * $uy + $uz * $uz;
        $uv = $ux * $vx + $uy * $vy + $uz * $vz;
        $vv = $vx * $vx + $vy * $vy + $vz * $vz;
        // As seen from the second and the third corner.
        [$d3, $d4, $d5, $d6] = [$d1 - $uu, $d2 - $uv, $d1 - $uv, $d2 - $vv];
        $onC = $d1 * $d4 - $d3 * $d2;
        $onB = $d5 * $d2 - $d1 * $d6;
        $onA = $d3 * $d6 - $d5 * $d4;
        [$s, $t, $part] = match (true) {
            $d1 <= 0.0 && $d2 <= 0.0 => [0.0, 0.0, 4],
            $d3 >= 0.0 && $d4 <= $d3 => [1.0, 0.0, 5],
            $onC <= 0.0 && $d1 >= 0.0 && $d3 <= 0.0 => [$d1 / ($d1 - $d3), 0.0, 1],
            $d6 >= 0.0 && $d5 <= $d6 => [0.0, 1.0, 6],
            $onB <= 0.0 && $d2 >= 0.0 && $d6 <= 0.0 => [0.0, $d2 / ($d2 - $d6), 3],
            $onA <= 0.0 && $d4 >= $d3 && $d5 >= $d6 => [
                1.0 - ($d4 - $d3) / ($d4 - $d3 + $d5 - $d6),
                ($d4 - $d3) / ($d4 - $d3 + $d5 - $d6),
                2,
            ],
            default => [$onB / ($onA + $onB + $onC), $onC / ($onA + $onB + $onC), 0],
        };
        [$qx, $qy, $qz] = [$ax + $s * $ux + $t * $vx, $ay + $s * $uy + $t * $vy, $az + $s * $uz + $t * $vz];

        return [($x - $qx) ** 2 + ($y - $qy) ** 2 + ($z - $qz) ** 2, $qx, $qy, $qz, $part];
    }
}
