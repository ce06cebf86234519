<?php

declare(strict_types=1);

namespace Bowline\Body\Block;

use Bowline\Body\Mesh;
use Bowline\Geometry\Tolerance;
use Bowline\Geometry\Vector;
use Bowline\Job\Block;

/** A block that came as triangles: they enclose it, and look outwards. */
final readonly class MeshBlock extends BlockShape implements CurvedSide
{
    /** Most triangles, so that all of them can be looked at while a channel is dragged. */
    private const MOST = 20_000;

    /** Why a mesh is no block, behind its name. */
    public const NONE = 'is a mesh that is open, or has more than 20 000 triangles: nothing can be taken out of it';

    /** Directions round a section in which it may come nearest to the outside. */
    private const DIRECTIONS = 24;

    private function __construct(Block $block, public Mesh $mesh)
    {
        parent::__construct($block, [], [$this]);
    }

    /** @return self|null null of what is no mesh, or one that encloses nothing */
    public static function from(Block $block): ?self
    {
        $triangles = $block->shape->triangles();
        $mesh = $triangles === null || $triangles->count() > self::MOST
            ? null
            : Mesh::ofTriangles($triangles->packed, $block->pose);
        if ($mesh === null || ! $mesh->isClosed()) {
            return null;
        }

        return new self($block, $mesh->volume() < 0.0 ? $mesh->reversed() : $mesh);
    }

    public function words(): string
    {
        return 'the outside of '.$this->block->name;
    }

    public function depthOf(Vector $point): float
    {
        $own = $this->block->pose->ownPoint($point);

        return -$this->block->shape->outside($own->x, $own->y, $own->z, INF)[0];
    }

    public function leavingAt(Vector $from, Vector $direction): array
    {
        $found = INF;
        foreach ($this->mesh->triangles as [$a, $b, $c]) {
            [$p, $q, $r] = [$this->mesh->vertices[$a], $this->mesh->vertices[$b], $this->mesh->vertices[$c]];
            // Möller and Trumbore, Fast, Minimum Storage Ray/Triangle Intersection, 1997.
            [$u, $v, $w] = [$q->minus($p), $r->minus($p), $from->minus($p)];
            $across = $direction->cross($v);
            $size = $u->dot($across);
            // Seen from behind: the line leaves there.
            if ($size > -Tolerance::SAFEGUARD) {
                continue;
            }
            [$s, $beside] = [$w->dot($across) / $size, $w->cross($u)];
            $t = $direction->dot($beside) / $size;
            $at = $v->dot($beside) / $size;
            if ($s >= 0.0 && $t >= 0.0 && $s + $t <= 1.0 && $at > -Tolerance::COINCIDENT) {
                $found = min($found, $at);
            }
        }

        return [null, $found];
    }

    public function distanceTo(Vector $centre, Vector $axis, float $radius): float
    {
        $first = $axis->anySquare();
        $second = $axis->cross($first);
        $least = INF;
        for ($i = 0; $i < ($radius > 0.0 ? self::DIRECTIONS : 1); $i++) {
            $turn = 2 * M_PI * $i / self::DIRECTIONS;
            $least = min($least, $this->depthOf(
                $centre->plus($first->times($radius * cos($turn)))->plus($second->times($radius * sin($turn))),
            ));
        }

        return $least;
    }

    public function outwardAt(Vector $point): Vector
    {
        $own = $this->block->pose->ownPoint($point);
        [, $x, $y, $z] = $this->block->shape->outside($own->x, $own->y, $own->z, INF);

        return $this->block->pose->direction(new Vector($x, $y, $z));
    }
}
