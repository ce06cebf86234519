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

    /** Cosine of the turn from one triangle to the next beyond which there is an edge between them. */
    private const SMOOTH = 0.8;

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

    /** Returns the same with its other side outside. */
    public function reversed(): self
    {
        return new self($this->vertices, array_map(
            static fn (array $corners): array => [$corners[0], $corners[2], $corners[1]], $this->triangles,
        ));
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

    /**
     * Returns the volume in mm³ within the smooth surface whose vertices it has. Over a side d with the normals n at
     * its ends that stands d·(n₂ − n₁)/8 off its middle, and over a triangle by a third of its area times the sum of
     * those.
     */
    public function smoothVolume(): float
    {
        $normals = $corners = [];
        foreach ($this->triangles as $number => [$a, $b, $c]) {
            $normals[$number] = $this->vertices[$b]->minus($this->vertices[$a])
                ->cross($this->vertices[$c]->minus($this->vertices[$a]));
            foreach ([$a, $b, $c] as $corner) {
                $corners[$corner][] = $number;
            }
        }
        $units = array_map(
            static fn (Vector $normal): Vector => $normal->length() > 0.0 ? $normal->unit() : $normal, $normals,
        );
        $volume = $this->volume();
        foreach ($this->triangles as $number => $triangle) {
            // The normal at a corner is the mean of the triangles there that this one goes over into without an edge.
            $own = array_map(static function (int $corner) use ($corners, $normals, $units, $number): Vector {
                $sum = Vector::zero();
                foreach ($corners[$corner] as $other) {
                    $sum = $units[$other]->dot($units[$number]) > self::SMOOTH ? $sum->plus($normals[$other]) : $sum;
                }

                return $sum->length() > 0.0 ? $sum->unit() : $sum;
            }, $triangle);
            $off = 0.0;
            foreach ([0, 1, 2] as $i) {
                $next = ($i + 1) % 3;
                $off += $this->vertices[$triangle[$next]]->minus($this->vertices[$triangle[$i]])
                    ->dot($own[$next]->minus($own[$i])) / 8;
            }
            $volume += $normals[$number]->length() / 2 * $off / 3;
        }

        return $volume;
    }

    /** Returns its area in mm². */
    public function area(): float
    {
        $sum = 0.0;
        foreach ($this->triangles as [$a, $b, $c]) {
            $sum += $this->vertices[$b]->minus($this->vertices[$a])
                ->cross($this->vertices[$c]->minus($this->vertices[$a]))->length() / 2;
        }

        return $sum;
    }

    /** Returns the centre of gravity of what it encloses. */
    public function centre(): Vector
    {
        $origin = $this->vertices[$this->triangles[0][0] ?? 0] ?? Vector::zero();
        $volume = 0.0;
        $moment = Vector::zero();
        foreach ($this->triangles as $triangle) {
            [$a, $b, $c] = array_map(fn (int $corner): Vector => $this->vertices[$corner]->minus($origin), $triangle);
            $part = $a->dot($b->cross($c)) / 6;
            $volume += $part;
            $moment = $moment->plus($a->plus($b)->plus($c)->times($part / 4));
        }

        return $volume === 0.0 ? $origin : $origin->plus($moment->times(1 / $volume));
    }

    /** Whether every side of a triangle is one of exactly one other, in the other direction. */
    public function isClosed(): bool
    {
        $sides = [];
        foreach ($this->triangles as [$a, $b, $c]) {
            foreach ([[$a, $b], [$b, $c], [$c, $a]] as [$from, $to]) {
                $key = $from << 32 | $to;
                if (isset($sides[$key])) {
                    return false;
                }
                $sides[$key] = true;
            }
        }
        foreach (array_keys($sides) as $key) {
            if (! isset($sides[($key & 0xFFFFFFFF) << 32 | $key >> 32])) {
                return false;
            }
        }

        return $sides !== [];
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
