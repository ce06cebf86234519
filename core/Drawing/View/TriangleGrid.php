<?php

declare(strict_types=1);

namespace Bowline\Drawing\View;

use Bowline\Body\Mesh;

/** Triangles in a projection, kept by squares of it, to ask what lies before a point. Plain arrays, for speed. */
final class TriangleGrid
{
    /** Squares along the longer side of the view. */
    private const SQUARES = 200;

    /** Two triangles in a square of the paper that is thinner than this share of its width are seen edge on. */
    private const EDGE_ON = 1e-12;

    /** @var list<list<float>> x, y and depth of each corner, and twice the area */
    private array $triangles = [];

    /** @var array<int, list<int>> numbers of triangles by square */
    private array $squares = [];

    private float $left = INF;

    private float $bottom = INF;

    private float $size = 1.0;

    private int $columns = 1;

    /** @param  list<DrawnBody>  $bodies */
    public function __construct(array $bodies, private readonly Projection $projection)
    {
        $right = $top = -INF;
        foreach ($bodies as $body) {
            $mesh = $body->mesh;
            $flat = $this->projected($mesh);
            foreach ($flat as [$x, $y]) {
                $this->left = min($this->left, $x);
                $this->bottom = min($this->bottom, $y);
                $right = max($right, $x);
                $top = max($top, $y);
            }
            foreach ($mesh->triangles as [$a, $b, $c]) {
                [[$ax, $ay, $ad], [$bx, $by, $bd], [$cx, $cy, $cd]] = [$flat[$a], $flat[$b], $flat[$c]];
                $area = ($bx - $ax) * ($cy - $ay) - ($cx - $ax) * ($by - $ay);
                if ($area > self::EDGE_ON || (! $body->isClosed && $area < -self::EDGE_ON)) {
                    $this->triangles[] = [$ax, $ay, $ad, $bx, $by, $bd, $cx, $cy, $cd, $area];
                }
            }
        }
        if ($this->triangles !== []) {
            $this->size = max($right - $this->left, $top - $this->bottom) / self::SQUARES;
            $this->columns = 1 + (int) floor(($right - $this->left) / $this->size);
            $this->sort();
        }
    }

    /** Whether a triangle lies nearer to whoever looks than a depth, by more than a slack, mm. */
    public function isBefore(float $x, float $y, float $depth, float $slack): bool
    {
        if ($x < $this->left || $y < $this->bottom) {
            return false;
        }
        $column = (int) (($x - $this->left) / $this->size);
        if ($column >= $this->columns) {
            return false;
        }
        $square = $column + $this->columns * (int) (($y - $this->bottom) / $this->size);
        foreach ($this->squares[$square] ?? [] as $number) {
            [$ax, $ay, $ad, $bx, $by, $bd, $cx, $cy, $cd, $area] = $this->triangles[$number];
            $u = (($bx - $x) * ($cy - $y) - ($cx - $x) * ($by - $y)) / $area;
            if ($u < 0.0 || $u > 1.0) {
                continue;
            }
            $v = (($cx - $x) * ($ay - $y) - ($ax - $x) * ($cy - $y)) / $area;
            if ($v < 0.0 || $u + $v > 1.0) {
                continue;
            }
            if ($u * $ad + $v * $bd + (1.0 - $u - $v) * $cd > $depth + $slack) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{float, float, float}> x, y and depth of each corner */
    public function projected(Mesh $mesh): array
    {
        [$right, $up, $towards] = [$this->projection->right, $this->projection->up, $this->projection->towards];
        $flat = [];
        foreach ($mesh->vertices as $at) {
            $flat[] = [
                $at->x * $right->x + $at->y * $right->y + $at->z * $right->z,
                $at->x * $up->x + $at->y * $up->y + $at->z * $up->z,
                $at->x * $towards->x + $at->y * $towards->y + $at->z * $towards->z,
            ];
        }

        return $flat;
    }

    private function sort(): void
    {
        foreach ($this->triangles as $number => [$ax, $ay, , $bx, $by, , $cx, $cy]) {
            $firstColumn = (int) ((min($ax, $bx, $cx) - $this->left) / $this->size);
            $lastColumn = (int) ((max($ax, $bx, $cx) - $this->left) / $this->size);
            $firstRow = (int) ((min($ay, $by, $cy) - $this->bottom) / $this->size);
            $lastRow = (int) ((max($ay, $by, $cy) - $this->bottom) / $this->size);
            for ($row = $firstRow; $row <= $lastRow; $row++) {
                for ($column = $firstColumn; $column <= $lastColumn; $column++) {
                    $this->squares[$column + $this->columns * $row][] = $number;
                }
            }
        }
    }
}
