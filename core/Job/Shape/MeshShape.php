<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Geometry\Vector;

/** An imported body of triangles. */
final readonly class MeshShape implements Shape
{
    /** Margin of the extent of a mesh, mm, since a flat sheet has no thickness. */
    private const AROUND = 1e-3;

    /**
     * @param  string  $mesh  names its triangles
     * @param  Vector  $least  lowest corner of its extent, in its own frame, mm
     * @param  Vector  $most  highest corner
     * @param  MeshTriangles|null  $triangles  null when they are not at hand: then nothing lies on it
     * @param  array{Vector, Vector}|null  $about  lowest and highest corner of where it is asked about
     * @param  list<RoundEnd>  $rounds  of its holes and spigots, as far as they are known
     */
    public function __construct(
        private string $mesh,
        public Vector $least,
        public Vector $most,
        private ?MeshTriangles $triangles = null,
        private ?array $about = null,
        private array $rounds = [],
    ) {
    }

    public function about(Vector $middle, float $radius): self
    {
        $corner = new Vector($radius, $radius, $radius);

        return new self($this->mesh, $this->least, $this->most, $this->triangles, [
            $middle->minus($corner),
            $middle->plus($corner),
        ], $this->rounds);
    }

    public function halfExtent(): Vector
    {
        return $this->most->minus($this->least)->times(0.5)->plus(new Vector(self::AROUND, self::AROUND, self::AROUND));
    }

    public function middle(): Vector
    {
        return $this->most->plus($this->least)->times(0.5);
    }

    public function face(string $name): ?array
    {
        return null;
    }

    public function outside(float $x, float $y, float $z, float $within): array
    {
        $found = $this->about === null
            ? $this->triangles?->outside($x, $y, $z, $within, $this->least, $this->most)
            : $this->triangles?->surface(...$this->about)->outside($x, $y, $z, $within);

        return $found ?? [INF, 0.0, 0.0, 1.0];
    }

    public function drawnAs(): string
    {
        return 'mesh';
    }

    public function mesh(): string
    {
        return $this->mesh;
    }

    public function rounds(): array
    {
        return $this->rounds;
    }

    public function isUnknown(): bool
    {
        return $this->triangles === null;
    }

    public function faceWords(string $name): string
    {
        return '';
    }

    public function prism(): null
    {
        return null;
    }

    public function triangles(): ?Triangles
    {
        return $this->triangles?->triangles();
    }
}
