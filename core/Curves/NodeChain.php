<?php

declare(strict_types=1);

namespace Bowline\Curves;

use Bowline\Geometry\Vector;

/**
 * Nodes joined by links of one length: the control points of a cubic B-spline, which bends no more than they do. Plain
 * float arrays that are changed in place: a draped line is corrected by hundreds of steps.
 */
final class NodeChain
{
    /** @var array<int, float> where the nodes are, mm */
    public array $x;

    /** @var array<int, float> */
    public array $y;

    /** @var array<int, float> */
    public array $z;

    /** @var array<int, float> 1 where a node is free to move, 0 where it is held */
    public array $free;

    public readonly int $links;

    /**
     * @param  list<Vector>  $nodes  two at least
     * @param  float  $link  length that every link is to have, mm
     */
    public function __construct(array $nodes, public float $link)
    {
        $this->links = count($nodes) - 1;
        $this->x = array_map(static fn (Vector $node): float => $node->x, $nodes);
        $this->y = array_map(static fn (Vector $node): float => $node->y, $nodes);
        $this->z = array_map(static fn (Vector $node): float => $node->z, $nodes);
        $this->free = array_fill(0, $this->links + 1, 1.0);
    }

    public function node(int $i): Vector
    {
        return new Vector($this->x[$i], $this->y[$i], $this->z[$i]);
    }

    public function put(int $i, Vector $at): void
    {
        [$this->x[$i], $this->y[$i], $this->z[$i]] = [$at->x, $at->y, $at->z];
    }

    /** Moves a node by a multiple of a vector. */
    public function move(int $i, float $by, float $x, float $y, float $z): void
    {
        $this->x[$i] += $by * $x;
        $this->y[$i] += $by * $y;
        $this->z[$i] += $by * $z;
    }

    public function isFree(int $node): bool
    {
        return ($this->free[$node] ?? 0.0) !== 0.0;
    }

    /**
     * Returns points of a link as weights of its four nodes: those of a cubic B-spline.
     *
     * @return list<array{float, float, float, float}> one more than $count, the last at the next node
     */
    public static function splineWeights(int $count): array
    {
        return array_map(static function (int $place) use ($count): array {
            $s = $place / $count;

            return [
                (1 - $s) ** 3 / 6,
                (3 * $s ** 3 - 6 * $s ** 2 + 4) / 6,
                (-3 * $s ** 3 + 3 * $s ** 2 + 3 * $s + 1) / 6,
                $s ** 3 / 6,
            ];
        }, range(0, $count));
    }

    /**
     * @param  array<int, float>  $part
     * @param  array{float, float, float, float}  $weights
     */
    public static function splineAt(array $part, int $link, array $weights): float
    {
        return $part[$link - 1] * $weights[0] +
            $part[$link] * $weights[1] +
            $part[$link + 1] * $weights[2] +
            ($part[$link + 2] ?? 0.0) * $weights[3];
    }

    /**
     * Moves the point of a link with these weights by a vector; its four nodes move by their shares.
     *
     * @param  array{float, float, float, float}  $weights
     */
    public function movePlace(int $link, array $weights, float $x, float $y, float $z): void
    {
        $sum = 0.0;
        foreach ($weights as $k => $weight) {
            $sum += $this->isFree($link + $k - 1) ? $weight * $weight : 0.0;
        }
        foreach ($weights as $k => $weight) {
            if ($this->isFree($link + $k - 1) && $weight !== 0.0) {
                $this->move($link + $k - 1, $weight / $sum, $x, $y, $z);
            }
        }
    }
}
