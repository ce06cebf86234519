<?php

declare(strict_types=1);

namespace Bowline\Space;

/**
 * A binary tree of boxes over the triangles of a surface, which are sorted along Morton's curve so that neighbours stay
 * together.
 */
final readonly class BoxTree
{
    /** Triangles of a leaf. */
    private const LEAF = 4;

    /** Bits of each coordinate in a Morton number. */
    private const ORDER_BITS = 10;

    /** Points nearer to each other than this are equal for the order, mm. */
    private const SAME_PLACE = 1e-9;

    /**
     * @param  TriangleSurface  $surface  with its triangles in the order of the tree
     * @param  array<int, array{float, float, float, float, float, float}>  $boxes  least and greatest corner of each
     *     branch; branch n divides into 2n and 2n + 1
     * @param  int  $leaves  number of leaves, a power of 2
     */
    private function __construct(
        public TriangleSurface $surface,
        private array $boxes,
        private int $leaves,
    ) {
    }

    public static function of(TriangleSurface $unordered): self
    {
        $order = self::order($unordered);
        asort($order);
        $surface = $unordered->ordered(array_keys($order));
        $count = count($surface->triangles);
        $leaves = 1;
        /** @var array<int, array{float, float, float, float, float, float}> $boxes */
        $boxes = [];
        if ($count === 0) {
            return new self($surface, $boxes, $leaves);
        }
        while ($leaves * self::LEAF < $count) {
            $leaves *= 2;
        }
        for ($branch = 2 * $leaves - 1; $branch >= 1; $branch--) {
            $box = [INF, INF, INF, -INF, -INF, -INF];
            if ($branch < $leaves) {
                [$one, $other] = [$boxes[2 * $branch], $boxes[2 * $branch + 1]];
                $box = [
                    min($one[0], $other[0]),
                    min($one[1], $other[1]),
                    min($one[2], $other[2]),
                    max($one[3], $other[3]),
                    max($one[4], $other[4]),
                    max($one[5], $other[5]),
                ];
            }
            foreach ($branch < $leaves ? [] : self::leaf($branch, $leaves, $count) as $number) {
                [$x, $y, $z, $ux, $uy, $uz, $vx, $vy, $vz] = $surface->triangles[$number];
                $box = [
                    min($box[0], $x, $x + $ux, $x + $vx),
                    min($box[1], $y, $y + $uy, $y + $vy),
                    min($box[2], $z, $z + $uz, $z + $vz),
                    max($box[3], $x, $x + $ux, $x + $vx),
                    max($box[4], $y, $y + $uy, $y + $vy),
                    max($box[5], $z, $z + $uz, $z + $vz),
                ];
            }
            $boxes[$branch] = $box;
        }

        return new self($surface, $boxes, $leaves);
    }

    /**
     * Returns the triangle nearest to a point.
     *
     * @param  float  $within  mm
     * @return array{int, array{float, float, float, float, int}}|null its number, and the closest point on it
     *     (ClosestPoint); null when none is within reach
     */
    public function nearest(float $x, float $y, float $z, float $within): ?array
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
                foreach (self::leaf($branch, $this->leaves, count($this->surface->triangles)) as $number) {
                    $place = ClosestPoint::onTriangle($this->surface->triangles[$number], $x, $y, $z);
                    if ($place[0] < $square || $nearest === null && $place[0] <= $square) {
                        [$square, $nearest] = [$place[0], [$number, $place]];
                    }
                }

                continue;
            }
            $one = [self::squareTo($this->boxes[2 * $branch], $x, $y, $z), 2 * $branch];
            $other = [self::squareTo($this->boxes[2 * $branch + 1], $x, $y, $z), 2 * $branch + 1];
            // The nearer child is visited first.
            array_push($branches, ...($one[0] < $other[0] ? [$other, $one] : [$one, $other]));
        }

        return $nearest;
    }

    /** @return array<int, float> triangles within a reach, mm, and how far off they are */
    public function within(float $x, float $y, float $z, float $reach): array
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
            foreach (self::leaf($branch, $this->leaves, count($this->surface->triangles)) as $number) {
                $off = sqrt(ClosestPoint::onTriangle($this->surface->triangles[$number], $x, $y, $z)[0]);
                if ($off <= $reach) {
                    $near[$number] = $off;
                }
            }
        }

        return $near;
    }

    /**
     * Returns the Morton number of each triangle: the bits of its three coordinates interleaved.
     *
     * @return list<int>
     */
    private static function order(TriangleSurface $surface): array
    {
        $middles = array_map(
            static fn (array $one): array => [
                $one[0] + ($one[3] + $one[6]) / 3,
                $one[1] + ($one[4] + $one[7]) / 3,
                $one[2] + ($one[5] + $one[8]) / 3,
            ],
            $surface->triangles,
        );
        $least = $wide = [];
        foreach ([0, 1, 2] as $axis) {
            $part = array_column($middles, $axis);
            $least[$axis] = $part === [] ? 0.0 : min($part);
            $wide[$axis] = $part === [] ? 0.0 : max($part) - min($part);
        }
        $scale = ((1 << self::ORDER_BITS) - 1) / max(self::SAME_PLACE, ...$wide);

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
    private static function leaf(int $branch, int $leaves, int $count): array
    {
        $leaf = $branch - $leaves;
        $from = intdiv($leaf * $count, $leaves);
        $to = intdiv(($leaf + 1) * $count, $leaves);

        return $from < $to ? range($from, $to - 1) : [];
    }

    /** @param  array{float, float, float, float, float, float}  $box */
    private static function squareTo(array $box, float $x, float $y, float $z): float
    {
        $dx = $x < $box[0] ? $box[0] - $x : ($x > $box[3] ? $x - $box[3] : 0.0);
        $dy = $y < $box[1] ? $box[1] - $y : ($y > $box[4] ? $y - $box[4] : 0.0);
        $dz = $z < $box[2] ? $box[2] - $z : ($z > $box[5] ? $z - $box[5] : 0.0);

        return $dx * $dx + $dy * $dy + $dz * $dz;
    }
}
