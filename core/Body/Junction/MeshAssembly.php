<?php

declare(strict_types=1);

namespace Bowline\Body\Junction;

use Bowline\Body\Mesh;
use Bowline\Geometry\Vector;
use LogicException;

/** Puts meshes together that share vertices at the same places. */
final class MeshAssembly
{
    /** Places nearer than this are one vertex, mm. */
    private const SAME = 1e-9;

    /** @var list<Vector> */
    private array $vertices = [];

    /** @var array<string, int> their numbers by their places */
    private array $numbers = [];

    /** @var list<array{int, int, int}> */
    private array $triangles = [];

    /** @param  bool  $isReversed  whether its other side is outside */
    public function add(Mesh $mesh, bool $isReversed): void
    {
        $numbers = [];
        foreach ($mesh->triangles as [$one, $two, $three]) {
            $a = $numbers[$one] ??= $this->vertex($mesh->vertices[$one]);
            $b = $numbers[$two] ??= $this->vertex($mesh->vertices[$two]);
            $c = $numbers[$three] ??= $this->vertex($mesh->vertices[$three]);
            if ($a !== $b && $b !== $c && $c !== $a) {
                $this->triangles[] = $isReversed ? [$a, $c, $b] : [$a, $b, $c];
            }
        }
    }

    /**
     * Joins two rings round one axis by triangles, whatever their divisions.
     *
     * @param  list<Vector>  $near  of the ring from which the axis points to the other
     * @param  list<Vector>  $far
     * @param  bool  $isReversed  whether the axis lies outside
     */
    public function bridge(array $near, array $far, Vector $centre, Vector $axis, bool $isReversed): void
    {
        $first = $axis->anySquare();
        $second = $axis->cross($first);
        [$near, $nearTurns] = $this->turned($near, $centre, $first, $second);
        [$far, $farTurns] = $this->turned($far, $centre, $first, $second);
        [$n, $f] = [count($near), count($far)];
        if ($n < 3 || $f < 3) {
            throw new LogicException('a ring has three vertices at least');
        }
        // From the first of one to the one of the other that comes next, once round both.
        [$i, $j] = [0, 0];
        while ($i < $n || $j < $f) {
            $nextNear = $i < $n ? ($i + 1 < $n ? $nearTurns[$i + 1] : $nearTurns[0] + 2 * M_PI) : INF;
            $nextFar = $j < $f ? ($j + 1 < $f ? $farTurns[$j + 1] : $farTurns[0] + 2 * M_PI) : INF;
            [$a, $b] = [$near[$i % $n], $far[$j % $f]];
            if ($nextNear <= $nextFar) {
                $triangle = [$a, $near[($i + 1) % $n], $b];
                $i++;
            } else {
                $triangle = [$a, $far[($j + 1) % $f], $b];
                $j++;
            }
            $this->triangles[] = $isReversed ? [$triangle[0], $triangle[2], $triangle[1]] : $triangle;
        }
    }

    /**
     * @param  list<Vector>  $ring
     * @return array{list<int>, list<float>} its vertices by their turn about an axis, and these, radians
     */
    private function turned(array $ring, Vector $centre, Vector $first, Vector $second): array
    {
        $turned = [];
        foreach ($ring as $at) {
            $way = $at->minus($centre);
            $turned[$this->vertex($at)] = atan2($way->dot($second), $way->dot($first));
        }
        asort($turned);

        return [array_keys($turned), array_values($turned)];
    }

    public function mesh(): Mesh
    {
        return new Mesh($this->vertices, $this->triangles);
    }

    private function vertex(Vector $at): int
    {
        $key = sprintf('%d %d %d', round($at->x / self::SAME), round($at->y / self::SAME), round($at->z / self::SAME));
        if (! isset($this->numbers[$key])) {
            $this->numbers[$key] = count($this->vertices);
            $this->vertices[] = $at;
        }

        return $this->numbers[$key];
    }
}
