<?php

declare(strict_types=1);

namespace Bowline\Body;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;

/** A surface of triangles, counter-clockwise seen from outside; that of a body is closed. Millimetres. */
final readonly class Mesh
{
    /** Bytes of a corner: three 32-bit floats. */
    private const CORNER = 12;

    /**
     * @param  list<Vector>  $vertices
     * @param  list<array{int, int, int}>  $triangles  indices into the vertices
     */
    public function __construct(
        public array $vertices,
        public array $triangles,
    ) {
    }

    /**
     * Returns triangles in space, with each corner that several of them share once; those with two corners in one point
     * are left out.
     *
     * @param  string  $packed  nine 32-bit little-endian floats a triangle, mm
     */
    public static function ofTriangles(string $packed, Pose $pose): self
    {
        $vertices = [];
        $numbers = [];
        $triangles = [];
        for ($at = 0, $length = strlen($packed); $at < $length; $at += 3 * self::CORNER) {
            $a = self::corner(substr($packed, $at, self::CORNER), $pose, $vertices, $numbers);
            $b = self::corner(substr($packed, $at + self::CORNER, self::CORNER), $pose, $vertices, $numbers);
            $c = self::corner(substr($packed, $at + 2 * self::CORNER, self::CORNER), $pose, $vertices, $numbers);
            if ($a !== $b && $b !== $c && $c !== $a) {
                $triangles[] = [$a, $b, $c];
            }
        }

        return new self($vertices, $triangles);
    }

    /**
     * Returns the number of a corner, which is added where it is new.
     *
     * @param  string  $bytes  three floats
     * @param  list<Vector>  $vertices
     * @param  array<string, int>  $numbers  of the vertices, by their bytes
     */
    private static function corner(string $bytes, Pose $pose, array &$vertices, array &$numbers): int
    {
        if (! isset($numbers[$bytes])) {
            /** @var array{1: float, 2: float, 3: float} $floats */
            $floats = unpack('g3', $bytes);
            $numbers[$bytes] = count($vertices);
            $vertices[] = $pose->point(new Vector($floats[1], $floats[2], $floats[3]));
        }

        return $numbers[$bytes];
    }

    /** Returns the enclosed volume in mm³, by the divergence theorem; negative when the mesh is inside out. */
    public function volume(): float
    {
        $sum = 0.0;
        foreach ($this->triangles as [$a, $b, $c]) {
            $sum += $this->vertices[$a]->dot($this->vertices[$b]->cross($this->vertices[$c]));
        }

        return $sum / 6;
    }
}
