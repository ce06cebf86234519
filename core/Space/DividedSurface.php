<?php

declare(strict_types=1);

namespace Bowline\Space;

use Bowline\Geometry\Vector;
use RuntimeException;

/**
 * The signed distance from a surface of very many triangles: space is divided into cubes, which hold all triangles
 * that reach into them as packed floats; the distance from those of a cube is made ready when it is first asked about.
 * A place of the surface lies in a cube that holds all triangles which meet there, so that this one knows the side.
 */
final class DividedSurface
{
    /** Number of cubes, lowest corner, width, cubes along each axis, whether it is open, whether it is turned. */
    private const HEAD = 'Pe4P3C2';

    private const HEAD_NAMED = 'Pcount/e4place/P3across/Copen/Cturned';

    private const HEAD_BYTES = 66;

    /** Triangles that are looked at together. */
    private const CHUNK = 4000;

    private const FLOATS = 9;

    private const SIZE = 36;

    /** Triangles that a cube has about, where the surface is a sheet. */
    private const IN_A_CUBE = 100;

    /** Room round the surface, mm. */
    private const ROOM = 1.0;

    /** What reaches up to the side of a cube within this counts as in it, mm. */
    private const AT_SIDE = 1e-6;

    /** @var array<int, SignedDistance> surfaces of cubes that have been asked about, by their keys */
    private array $ready = [];

    /** @var array<int, int> keys of single cubes, by the number of their box */
    private array $keys = [];

    /** @var array<int, array{float, float, float, float, float, float}> boxes of the tree, by number */
    private array $boxes = [];

    /**
     * @param  array<int, string|array{int, int}>  $cubes  triangles by the keys of cubes, or where they begin in a file
     *     and how many bytes they are
     * @param  list<int>  $counts  cubes along each axis
     * @param  resource|null  $file  that they are read from
     */
    private function __construct(
        private readonly array $cubes,
        private readonly Vector $least,
        private readonly float $width,
        private readonly array $counts,
        private readonly SurfaceSides $sides,
        private readonly mixed $file = null,
    ) {
        if ($cubes !== []) {
            $places = [];
            foreach ($cubes as $key => $_) {
                $places[$key] = $this->place($key);
            }
            $this->branch(1, $places);
        }
    }

    /**
     * @param  string  $packed  nine 32-bit little-endian floats a triangle, mm
     * @param  Vector  $least  lowest corner of a box that holds it
     * @param  Vector  $most  highest corner
     */
    public static function of(string $packed, Vector $least, Vector $most): self
    {
        // A little room on all sides, so that no corner lies beyond the cubes.
        $least = $least->minus(new Vector(self::ROOM, self::ROOM, self::ROOM));
        $size = $most->minus($least)->plus(new Vector(self::ROOM, self::ROOM, self::ROOM))->toArray();
        $sorted = $size;
        rsort($sorted);
        $width = max(1.0, sqrt($sorted[0] * $sorted[1] * self::IN_A_CUBE * self::SIZE / max(1, strlen($packed))));
        $counts = array_map(static fn (float $wide): int => 1 + (int) ($wide / $width), $size);
        [$lowX, $lowY, $lowZ] = $least->toArray();
        [$acrossY, $acrossZ] = [$counts[1], $counts[2]];
        [$lastX, $lastY, $lastZ] = [$counts[0] - 1, $counts[1] - 1, $counts[2] - 1];
        $side = self::AT_SIDE;
        [$sumX, $sumY, $sumZ, $area, $volume] = [0.0, 0.0, 0.0, 0.0, 0.0];
        $cubes = [];
        $bytes = self::CHUNK * self::SIZE;
        for ($start = 0, $all = strlen($packed); $start < $all; $start += $bytes) {
            $piece = substr($packed, $start, $bytes);
            // Counted from 1. Plain numbers without calls: this is done for each of a million triangles.
            /** @var array<int, float> $f */
            $f = (array) unpack('g*', $piece);
            for ($n = 1, $at = 0, $count = count($f); $n < $count; $n += self::FLOATS, $at += self::SIZE) {
                [$ax, $ay, $az] = [$f[$n] - $lowX, $f[$n + 1] - $lowY, $f[$n + 2] - $lowZ];
                [$bx, $by, $bz] = [$f[$n + 3] - $lowX, $f[$n + 4] - $lowY, $f[$n + 5] - $lowZ];
                [$cx, $cy, $cz] = [$f[$n + 6] - $lowX, $f[$n + 7] - $lowY, $f[$n + 8] - $lowZ];
                [$ux, $uy, $uz, $vx, $vy, $vz] = [$bx - $ax, $by - $ay, $bz - $az, $cx - $ax, $cy - $ay, $cz - $az];
                [$nx, $ny, $nz] = [$uy * $vz - $uz * $vy, $uz * $vx - $ux * $vz, $ux * $vy - $uy * $vx];
                $sumX += $nx;
                $sumY += $ny;
                $sumZ += $nz;
                $area += sqrt($nx * $nx + $ny * $ny + $nz * $nz);
                $volume += $ax * $nx + $ay * $ny + $az * $nz;
                $low = $ax < $bx ? $ax : $bx;
                $high = $ax < $bx ? $bx : $ax;
                $fromX = (int) ((($cx < $low ? $cx : $low) - $side) / $width);
                $toX = (int) ((($cx > $high ? $cx : $high) + $side) / $width);
                $low = $ay < $by ? $ay : $by;
                $high = $ay < $by ? $by : $ay;
                $fromY = (int) ((($cy < $low ? $cy : $low) - $side) / $width);
                $toY = (int) ((($cy > $high ? $cy : $high) + $side) / $width);
                $low = $az < $bz ? $az : $bz;
                $high = $az < $bz ? $bz : $az;
                $fromZ = (int) ((($cz < $low ? $cz : $low) - $side) / $width);
                $toZ = (int) ((($cz > $high ? $cz : $high) + $side) / $width);
                if ($fromX < 0 || $fromY < 0 || $fromZ < 0 || $toX > $lastX || $toY > $lastY || $toZ > $lastZ) {
                    // It lies out of what was told to hold it.
                    [$fromX, $fromY, $fromZ] = [
                        max(0, min($fromX, $lastX)), max(0, min($fromY, $lastY)), max(0, min($fromZ, $lastZ)),
                    ];
                    [$toX, $toY, $toZ] = [
                        max(0, min($toX, $lastX)), max(0, min($toY, $lastY)), max(0, min($toZ, $lastZ)),
                    ];
                }
                $triangle = substr($piece, $at, self::SIZE);
                for ($x = $fromX; $x <= $toX; $x++) {
                    for ($y = $fromY; $y <= $toY; $y++) {
                        for ($z = $fromZ; $z <= $toZ; $z++) {
                            $key = ($x * $acrossY + $y) * $acrossZ + $z;
                            $cubes[$key] = ($cubes[$key] ?? '').$triangle;
                        }
                    }
                }
            }
        }

        return new self($cubes, $least, $width, $counts, SurfaceSides::ofSums(
            $sumX, $sumY, $sumZ, $area, $volume,
        ));
    }

    /**
     * Makes the box of some cubes, and those of the two halves of it: of box n these are 2n and 2n + 1.
     *
     * @param  non-empty-array<int, array{int, int, int}>  $places  numbers of the cubes along the axes, by their keys
     */
    private function branch(int $number, array $places): void
    {
        [$lowX, $lowY, $lowZ, $highX, $highY, $highZ] = [PHP_INT_MAX, PHP_INT_MAX, PHP_INT_MAX, -1, -1, -1];
        foreach ($places as [$x, $y, $z]) {
            $lowX = $x < $lowX ? $x : $lowX;
            $lowY = $y < $lowY ? $y : $lowY;
            $lowZ = $z < $lowZ ? $z : $lowZ;
            $highX = $x > $highX ? $x : $highX;
            $highY = $y > $highY ? $y : $highY;
            $highZ = $z > $highZ ? $z : $highZ;
        }
        $width = $this->width;
        $this->boxes[$number] = [
            $this->least->x + $lowX * $width, $this->least->y + $lowY * $width, $this->least->z + $lowZ * $width,
            $this->least->x + ($highX + 1) * $width, $this->least->y + ($highY + 1) * $width,
            $this->least->z + ($highZ + 1) * $width,
        ];
        if (count($places) === 1) {
            $this->keys[$number] = array_key_first($places);

            return;
        }
        $wide = [$highX - $lowX, $highY - $lowY, $highZ - $lowZ];
        $axis = (int) array_search(max($wide), $wide, true);
        $middle = intdiv([$lowX, $lowY, $lowZ][$axis] + [$highX, $highY, $highZ][$axis], 2);
        $first = $second = [];
        foreach ($places as $key => $place) {
            if ($place[$axis] <= $middle) {
                $first[$key] = $place;
            } else {
                $second[$key] = $place;
            }
        }
        // There is a cube at each end of the widest side.
        assert($first !== [] && $second !== []);
        $this->branch(2 * $number, $first);
        $this->branch(2 * $number + 1, $second);
    }

    /** @return array{int, int, int} numbers of a cube along the axes */
    private function place(int $key): array
    {
        $layer = intdiv($key, $this->counts[2]);

        return [intdiv($layer, $this->counts[1]), $layer % $this->counts[1], $key % $this->counts[2]];
    }

    private function surface(int $key): SignedDistance
    {
        return $this->ready[$key] ??= SignedDistance::part($this->triangles($key), $this->sides);
    }

    /** @throws RuntimeException when the file has been cut off */
    private function triangles(int $key): string
    {
        $cube = $this->cubes[$key];
        if (is_string($cube) || ! is_resource($this->file)) {
            return is_string($cube) ? $cube : '';
        }
        fseek($this->file, $cube[0]);
        $packed = fread($this->file, max(1, $cube[1]));

        return $packed !== false && strlen($packed) === $cube[1]
            ? $packed
            : throw new RuntimeException('The triangles of a mesh have been cut off.');
    }

    /** Returns it as a file: from that it is ready at once, and only the cubes are read that are asked about. */
    public function packed(): string
    {
        $lengths = $all = '';
        foreach (array_keys($this->cubes) as $key) {
            $triangles = $this->triangles($key);
            $lengths .= pack('P2', $key, strlen($triangles));
            $all .= $triangles;
        }

        return pack(
            self::HEAD, count($this->cubes), ...$this->least->toArray(), ...[$this->width, ...$this->counts],
            ...[$this->sides->isOpen ? 1 : 0, $this->sides->isTurned ? 1 : 0],
        ).$lengths.$all;
    }

    /**
     * @param  resource  $file  that was written by `packed`
     * @return self|null null when it is no such file
     */
    public static function open(mixed $file): ?self
    {
        $head = fread($file, self::HEAD_BYTES);
        /** @var list<int|float> $told */
        $told = $head === false || strlen($head) < self::HEAD_BYTES
            ? []
            : array_values((array) unpack(self::HEAD_NAMED, $head));
        if ($told === []) {
            return null;
        }
        [$count, $x, $y, $z, $width, $acrossX, $acrossY, $acrossZ, $isOpen, $isTurned] = $told;
        $lengths = $count > 0 ? fread($file, max(1, 16 * (int) $count)) : '';
        if ($lengths === false || strlen($lengths) !== 16 * (int) $count) {
            return null;
        }
        /** @var list<int> $numbers */
        $numbers = array_values((array) unpack('P*', $lengths));
        $cubes = [];
        $at = self::HEAD_BYTES + 16 * (int) $count;
        for ($i = 0; $i < 2 * $count; $i += 2) {
            $cubes[$numbers[$i]] = [$at, $numbers[$i + 1]];
            $at += $numbers[$i + 1];
        }

        return new self(
            $cubes, new Vector((float) $x, (float) $y, (float) $z), (float) $width,
            [(int) $acrossX, (int) $acrossY, (int) $acrossZ], new SurfaceSides($isOpen === 1, $isTurned === 1), $file,
        );
    }

    /**
     * @param  float  $within  mm; beyond this distance INF may be returned
     * @return array{float, float, float, float} signed distance in mm, negative inside, INF when farther away; and the
     *     unit outward normal
     */
    public function outside(float $x, float $y, float $z, float $within): array
    {
        $best = null;
        $in = 0;
        $far = $within;
        $open = $this->boxes === [] ? [] : [[0.0, 1]];
        while ($open !== []) {
            [$least, $number] = array_pop($open);
            if ($least > $far) {
                continue;
            }
            $key = $this->keys[$number] ?? null;
            if ($key !== null) {
                $found = $this->surface($key)->nearestTriangle($x, $y, $z, $far);
                if ($found !== null && ($best === null || $found[1][0] < $best[1][0])) {
                    [$best, $in] = [$found, $key];
                    $far = sqrt($found[1][0]);
                }

                continue;
            }
            $one = [$this->apart(2 * $number, $x, $y, $z), 2 * $number];
            $other = [$this->apart(2 * $number + 1, $x, $y, $z), 2 * $number + 1];
            array_push($open, ...$one[0] < $other[0] ? [$other, $one] : [$one, $other]);
        }
        if ($best === null) {
            return [INF, 0.0, 0.0, 1.0];
        }
        // The cube in which the nearest place lies knows its side.
        $there = $this->cubeAt($best[1][1], $best[1][2], $best[1][3]);
        $again = $there === $in || ! isset($this->cubes[$there])
            ? null
            : $this->surface($there)->nearestTriangle($x, $y, $z, $far + self::AT_SIDE);

        return $again === null
            ? $this->surface($in)->signed($x, $y, $z, $best)
            : $this->surface($there)->signed($x, $y, $z, $again);
    }

    /** Returns the key of the cube in which a place lies. */
    private function cubeAt(float $x, float $y, float $z): int
    {
        $number = static fn (float $off, float $width, int $count): int => max(
            0, min($count - 1, (int) floor($off / $width)),
        );

        return ($number($x - $this->least->x, $this->width, $this->counts[0]) * $this->counts[1]
            + $number($y - $this->least->y, $this->width, $this->counts[1])) * $this->counts[2]
            + $number($z - $this->least->z, $this->width, $this->counts[2]);
    }

    private function apart(int $number, float $x, float $y, float $z): float
    {
        $box = $this->boxes[$number];
        $dx = max($box[0] - $x, $x - $box[3], 0.0);
        $dy = max($box[1] - $y, $y - $box[4], 0.0);
        $dz = max($box[2] - $z, $z - $box[5], 0.0);

        return sqrt($dx * $dx + $dy * $dy + $dz * $dz);
    }
}
