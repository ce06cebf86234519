<?php

declare(strict_types=1);

namespace Bowline\Space;

/**
 * Triangles of the surface on which a signed distance is 0: cubes that it goes through, found by halving larger ones as
 * far as is wanted there, have a vertex for each sheet that goes through them, and every side of a cube on which the
 * sign changes joins those of the cubes round it (dual contouring of an octree; sheets are told apart by the faces that
 * they cross, as in G. M. Nielson, Dual Marching Cubes, 2004). Closed but where what is looked at ends.
 */
final class SurfaceNet
{
    private const CORNERS = [
        [0, 0, 0], [1, 0, 0], [0, 1, 0], [1, 1, 0], [0, 0, 1], [1, 0, 1], [0, 1, 1], [1, 1, 1],
    ];

    /** Sides of a cube by the corners that they join, and their axes. */
    private const SIDES = [
        [0, 1, 0], [2, 3, 0], [4, 5, 0], [6, 7, 0], [0, 2, 1], [1, 3, 1], [4, 6, 1], [5, 7, 1], [0, 4, 2], [1, 5, 2],
        [2, 6, 2], [3, 7, 2],
    ];

    /** The four cubes round a side along x, y and z, right-handed about it. */
    private const ROUND = [
        [[0, 0, 0], [0, -1, 0], [0, -1, -1], [0, 0, -1]],
        [[0, 0, 0], [0, 0, -1], [-1, 0, -1], [-1, 0, 0]],
        [[0, 0, 0], [-1, 0, 0], [-1, -1, 0], [0, -1, 0]],
    ];

    /** Half the diagonal of a cube of half a size of 1, and what distances may be off. */
    private const REACH = 1.8;

    /** Triangles round two corners: two round each of the ten sides of cubes that end there. */
    private const SPECK = 20;

    /** Cubes or vertices between two words of what part is done. */
    private const PAUSE = 500;

    /** What part of the time it takes to divide the cubes. */
    private const DIVIDED = 0.7;

    /** @var array<int, float> distances at corners, by their number */
    private array $distances = [];

    /** @var array<int, int> sizes of the undivided cubes, in the smallest, by the number of their lowest corner */
    private array $cubes = [];

    /** @var array<int, array<int, true>> numbers of the divided cubes, by their size */
    private array $divided = [];

    /**
     * Sides on which the sign changes and that no cube round them divides, by their key: the numbers of the four cubes
     * (−1 for none), and where on the side the surface is.
     *
     * @var array<int, array{list<int>, array{float, float, float}}>
     */
    private array $crossings = [];

    /** @var array<int, array<int, int>> by length and key: sides that have a crossing on them; length of that */
    private array $crossed = [];

    /** @var array<int, int> by a cube at a crossing: another crossing of the same sheet in the same cube */
    private array $sheets = [];

    /** @var list<array{int, int, int, int}> two cubes, and two crossings on the face between them that has more */
    private array $onFaces = [];

    /** @var list<array{float, float, float}> */
    public array $vertices = [];

    /** @var list<array{int, int, int}> counter-clockwise as seen from outside */
    public array $triangles = [];

    private readonly int $side;

    /** Size of the largest cubes, in the smallest. */
    private readonly int $largest;

    private readonly float $smallest;

    /**
     * @param  array{float, float, float}  $low  corner of the box that is looked at
     * @param  float  $size  of the box, mm
     * @param  float  $cube  greatest size of a cube, mm
     * @param  int  $halvings  how often it is halved at most
     */
    public function __construct(
        private readonly ImplicitSurface $surface,
        private readonly array $low,
        float $size,
        float $cube,
        int $halvings = 0,
        private readonly Progress $progress = new Progress,
    ) {
        $this->largest = 1 << $halvings;
        $this->smallest = $cube / $this->largest;
        $side = $this->largest;
        while ($side * $this->smallest < $size) {
            $side *= 2;
        }
        $this->side = $side + 1;
        $this->divide($side);
        foreach ($this->cubes as $number => $length) {
            $this->cross($number, $length);
        }
        foreach ($this->cubes as $number => $length) {
            $this->pair($number, $length);
        }
        $this->join();
        $this->dropSpecks();
        $this->distances = $this->cubes = $this->divided = $this->crossings = $this->crossed = [];
        $this->sheets = $this->onFaces = [];
    }

    /** Goes through the cubes from the largest to those that the surface goes through. */
    private function divide(int $side): void
    {
        $left = [[0, 0, 0, $side]];
        [$done, $all, $step] = [0, $side ** 3, 0];
        while (($next = array_pop($left)) !== null) {
            [$i, $j, $k, $size] = $next;
            if (++$step % self::PAUSE === 0) {
                $this->progress->tell(self::DIVIDED * $done / $all);
            }
            $half = $size * $this->smallest / 2;
            $x = $this->low[0] + $i * $this->smallest + $half;
            $y = $this->low[1] + $j * $this->smallest + $half;
            $z = $this->low[2] + $k * $this->smallest + $half;
            if (abs($this->surface->distance($x, $y, $z)) > self::REACH * $half) {
                $done += $size ** 3;

                continue;
            }
            $isLarge = $size > $this->largest
                || ($size > 1 && $this->surface->cubeAt($x, $y, $z, $half) < 1.99 * $half);
            if ($isLarge) {
                $this->divided[$size][$this->number($i, $j, $k)] = true;
                $size = intdiv($size, 2);
                foreach (self::CORNERS as [$a, $b, $c]) {
                    $left[] = [$i + $a * $size, $j + $b * $size, $k + $c * $size, $size];
                }

                continue;
            }
            $done += $size ** 3;
            if ($this->surface->isWanted($x, $y, $z)) {
                $this->cubes[$this->number($i, $j, $k)] = $size;
            }
        }
    }

    /** Finds where the surface crosses the sides of a cube. */
    private function cross(int $number, int $length): void
    {
        [$i, $j, $k] = $this->placeOf($number);
        $isInside = array_map(fn (array $corner): bool => $this->distanceAt(
            $i + $corner[0] * $length, $j + $corner[1] * $length, $k + $corner[2] * $length,
        ) < 0.0, self::CORNERS);
        foreach (self::SIDES as [$from, $to, $axis]) {
            if ($isInside[$from] !== $isInside[$to]) {
                [$a, $b, $c] = self::CORNERS[$from];
                $this->crossSide([$i + $a * $length, $j + $b * $length, $k + $c * $length], $axis, $length);
            }
        }
    }

    /** @param  array{int, int, int}  $at  start of the side */
    private function crossSide(array $at, int $axis, int $length): void
    {
        $key = 4 * $this->number(...$at) + $axis;
        if (isset($this->crossings[$key])) {
            return;
        }
        [$i, $j, $k] = $at;
        $cubes = [];
        foreach (self::ROUND[$axis] as [$a, $b, $c]) {
            $cube = $this->cubeAt($i + $a, $j + $b, $k + $c, $length);
            if ($cube === null) {
                return;
            }
            $cubes[] = $cube;
        }
        $before = $this->distanceAt($i, $j, $k);
        $part = $length * $before / ($before - $this->distanceAt(...self::moved($at, $axis, $length)));
        $this->crossings[$key] = [$cubes, match ($axis) {
            0 => [$i + $part, $j, $k],
            1 => [$i, $j + $part, $k],
            default => [$i, $j, $k + $part],
        }];
        for ($size = $length; $size <= $this->largest; $size *= 2) {
            $at = self::moved($at, $axis, -($at[$axis] % $size));
            $this->crossed[$size][4 * $this->number(...$at) + $axis] = $length;
        }
    }

    /**
     * @param  array{int, int, int}  $at
     * @return array{int, int, int}
     */
    private static function moved(array $at, int $axis, int $by): array
    {
        return match ($axis) {
            0 => [$at[0] + $by, $at[1], $at[2]],
            1 => [$at[0], $at[1] + $by, $at[2]],
            default => [$at[0], $at[1], $at[2] + $by],
        };
    }

    /**
     * Returns the number of the undivided cube of at least a size that a smallest one lies in; −1 where the surface
     * does not go, null where it is divided further.
     */
    private function cubeAt(int $i, int $j, int $k, int $size): ?int
    {
        if ($i < 0 || $j < 0 || $k < 0) {
            return -1;
        }
        $number = $this->number($i - $i % $size, $j - $j % $size, $k - $k % $size);
        if (isset($this->divided[$size][$number])) {
            return null;
        }
        while (($this->cubes[$number] ?? 0) !== $size) {
            $size *= 2;
            if ($size > $this->largest) {
                return -1;
            }
            $number = $this->number($i - $i % $size, $j - $j % $size, $k - $k % $size);
        }

        return $number;
    }

    /** Tells which crossings on each face of a cube, and of the one beyond it, are of one sheet. */
    private function pair(int $number, int $length): void
    {
        $at = $this->placeOf($number);
        foreach ([0, 1, 2] as $axis) {
            foreach ([-1, $length] as $way) {
                $other = $this->cubeAt(...[...self::moved($at, $axis, $way), $length]);
                // Of two cubes of one size the one behind is asked.
                if ($other === null || $other < 0 || ($way < 0 && $this->cubes[$other] === $length)) {
                    continue;
                }
                $corner = $way < 0 ? $at : self::moved($at, $axis, $length);
                $round = $this->roundFace($corner, ($axis + 1) % 3, ($axis + 2) % 3, $length);
                // Places inside are together where two sheets could cross, so that crossings round them are of one.
                $isInside = $this->distanceAt(...$corner) < 0.0;
                $count = count($round);
                for ($i = $isInside ? 1 : 0; $i < $count; $i += 2) {
                    $pair = [$round[$i], $round[($i + 1) % $count]];
                    $this->connect($number, ...$pair);
                    $this->connect($other, ...$pair);
                    if ($count > 2) {
                        $this->onFaces[] = [$number, $other, ...$pair];
                    }
                }
            }
        }
    }

    /**
     * @param  array{int, int, int}  $corner  lowest of the face
     * @return list<int> keys of the crossings once round the face, from that corner
     */
    private function roundFace(array $corner, int $first, int $second, int $length): array
    {
        return [
            ...$this->along($corner, $first, $length),
            ...$this->along(self::moved($corner, $first, $length), $second, $length),
            ...array_reverse($this->along(self::moved($corner, $second, $length), $first, $length)),
            ...array_reverse($this->along($corner, $second, $length)),
        ];
    }

    /**
     * @param  array{int, int, int}  $at
     * @return list<int> keys of the crossings along a side
     */
    private function along(array $at, int $axis, int $length): array
    {
        $key = 4 * $this->number(...$at) + $axis;
        $of = $this->crossed[$length][$key] ?? null;
        if ($of === null || $of === $length) {
            return $of === null ? [] : [$key];
        }
        $half = intdiv($length, 2);

        return [...$this->along($at, $axis, $half), ...$this->along(self::moved($at, $axis, $half), $axis, $half)];
    }

    private function connect(int $cube, int $one, int $other): void
    {
        $one = $this->sheetOf($this->inCube($cube, $one));
        $other = $this->sheetOf($this->inCube($cube, $other));
        if ($one !== $other) {
            $this->sheets[$one] = $other;
        }
    }

    /** Returns the number of a cube at a crossing: the first of the four that is it. */
    private function inCube(int $cube, int $crossing): int
    {
        return 4 * $crossing + (int) array_search($cube, $this->crossings[$crossing][0], true);
    }

    private function sheetOf(int $one): int
    {
        while (isset($this->sheets[$one])) {
            $one = $this->sheets[$one];
        }

        return $one;
    }

    /** Makes the vertex of each sheet in each cube, in the middle of its crossings, and the triangles round these. */
    private function join(): void
    {
        $sums = [];
        foreach ($this->crossings as $key => [$cubes, $at]) {
            foreach (array_unique($cubes) as $cube) {
                if ($cube >= 0) {
                    $sheet = $this->sheetOf($this->inCube($cube, $key));
                    [$x, $y, $z, $count] = $sums[$sheet] ?? [0.0, 0.0, 0.0, 0];
                    $sums[$sheet] = [$x + $at[0], $y + $at[1], $z + $at[2], $count + 1];
                }
            }
        }
        $numbers = [];
        foreach ($sums as $sheet => [$x, $y, $z, $count]) {
            $numbers[$sheet] = $made = $this->vertex($x / $count, $y / $count, $z / $count);
            if ($made % self::PAUSE === 0) {
                $this->progress->tell(self::DIVIDED + (1 - self::DIVIDED) * $made / count($sums));
            }
        }
        // Two sheets through one face may be one in both cubes beside it: each has a vertex of its own on the face.
        $between = [];
        foreach ($this->onFaces as [$one, $other, $first, $second]) {
            [[$ax, $ay, $az], [$bx, $by, $bz]] = [$this->crossings[$first][1], $this->crossings[$second][1]];
            $between[$first][$one][$other] = $between[$first][$other][$one] = $between[$second][$one][$other]
                = $between[$second][$other][$one] = $this->vertex(($ax + $bx) / 2, ($ay + $by) / 2, ($az + $bz) / 2);
        }
        foreach ($this->crossings as $key => [$cubes]) {
            if (in_array(-1, $cubes, true)) {
                continue;
            }
            $corners = [];
            $first = 0;
            foreach ($cubes as $i => $cube) {
                $next = $cubes[($i + 1) % 4];
                $corners[] = $numbers[$this->sheetOf($this->inCube($cube, $key))];
                if (isset($between[$key][$cube][$next])) {
                    // Divided from there, so that no triangle has a side of its own beside it.
                    $first = count($corners);
                    $corners[] = $between[$key][$cube][$next];
                }
            }
            $corners = [...array_slice($corners, $first), ...array_slice($corners, 0, $first)];
            $corners = array_values(array_unique($corners));
            if ($this->distances[intdiv($key, 4)] >= 0.0) {
                $corners = [$corners[0], ...array_reverse(array_slice($corners, 1))];
            }
            $this->polygon($corners, isset($between[$key]));
        }
    }

    /** Leaves out closed pieces round one or two corners: a narrow wedge between two sheets leaves such. */
    private function dropSpecks(): void
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
        foreach ($this->triangles as [$a, $b, $c]) {
            foreach ([$b, $c] as $other) {
                [$one, $two] = [$rootOf($a), $rootOf($other)];
                if ($one !== $two) {
                    $parents[$one] = $two;
                }
            }
        }
        $pieces = [];
        foreach ($this->triangles as $triangle) {
            $pieces[$rootOf($triangle[0])][] = $triangle;
        }
        if (count($pieces) > 1) {
            $this->triangles = array_merge(...array_values(array_filter(
                $pieces, static fn (array $piece): bool => count($piece) > self::SPECK,
            )));
        }
    }

    /** Adds the vertex near a place, in the smallest cubes from the lowest corner. */
    private function vertex(float $x, float $y, float $z): int
    {
        $this->vertices[] = $this->surface->onSurface(
            $this->low[0] + $this->smallest * $x, $this->low[1] + $this->smallest * $y,
            $this->low[2] + $this->smallest * $z,
        );

        return count($this->vertices) - 1;
    }

    /**
     * @param  list<int>  $corners
     * @param  bool  $isFromFirst  whether all ways across start there
     */
    private function polygon(array $corners, bool $isFromFirst): void
    {
        if (count($corners) === 4 && ! $isFromFirst) {
            $this->four($corners);

            return;
        }
        for ($i = 2; $i < count($corners); $i++) {
            $this->triangles[] = [$corners[0], $corners[$i - 1], $corners[$i]];
        }
    }

    /** @param  list<int>  $corners  four, divided by the shorter of both ways across */
    private function four(array $corners): void
    {
        [$a, $b, $c, $d] = $corners;
        if ($this->apart($a, $c) <= $this->apart($b, $d)) {
            array_push($this->triangles, [$a, $b, $c], [$a, $c, $d]);
        } else {
            array_push($this->triangles, [$a, $b, $d], [$b, $c, $d]);
        }
    }

    private function apart(int $one, int $other): float
    {
        [[$ax, $ay, $az], [$bx, $by, $bz]] = [$this->vertices[$one], $this->vertices[$other]];

        return ($ax - $bx) ** 2 + ($ay - $by) ** 2 + ($az - $bz) ** 2;
    }

    private function distanceAt(int $i, int $j, int $k): float
    {
        return $this->distances[$this->number($i, $j, $k)] ??= $this->surface->distance(
            $this->low[0] + $i * $this->smallest, $this->low[1] + $j * $this->smallest,
            $this->low[2] + $k * $this->smallest,
        );
    }

    private function number(int $i, int $j, int $k): int
    {
        return $i + $this->side * ($j + $this->side * $k);
    }

    /** @return array{int, int, int} */
    private function placeOf(int $number): array
    {
        return [
            $number % $this->side, intdiv($number, $this->side) % $this->side,
            intdiv($number, $this->side * $this->side),
        ];
    }
}
