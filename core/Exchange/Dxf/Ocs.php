<?php

declare(strict_types=1);

namespace Bowline\Exchange\Dxf;

use Bowline\Geometry\Vector;

/**
 * The object coordinate system of flat entities in DXF: its z is the extrusion direction, and its x follows from that
 * by the "arbitrary axis" rule (DXF reference, object coordinate systems).
 */
final readonly class Ocs
{
    /** Components of z below this make the rule start from the world's y. */
    private const NEAR_Z = 1 / 64;

    public Vector $x;

    public Vector $y;

    public Vector $z;

    public function __construct(Vector $extrusion)
    {
        $this->z = $extrusion->length() > 0.0 ? $extrusion->unit() : new Vector(0.0, 0.0, 1.0);
        $isNear = abs($this->z->x) < self::NEAR_Z && abs($this->z->y) < self::NEAR_Z;
        $this->x = ($isNear ? new Vector(0.0, 1.0, 0.0) : new Vector(0.0, 0.0, 1.0))->cross($this->z)->unit();
        $this->y = $this->z->cross($this->x);
    }

    public function toWorld(Vector $own): Vector
    {
        return $this->x->times($own->x)->plus($this->y->times($own->y))->plus($this->z->times($own->z));
    }

    public function toOwn(Vector $world): Vector
    {
        return new Vector($world->dot($this->x), $world->dot($this->y), $world->dot($this->z));
    }
}
