<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\MeshTriangles;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Shape\ShapeReader;

/** A thing that runs do not connect to: a bulkhead, a floor, an engine bed, a hatch on its hinge. */
final readonly class Surrounding
{
    /**
     * @param  Pose  $pose  with the swing of its hinge, when it has one
     * @param  float|null  $density  kg/m³; null where none is told
     */
    public function __construct(
        public string $id,
        public string $name,
        public Pose $pose,
        public Shape $shape,
        public ?Hinge $hinge,
        public ?float $density = null,
    ) {
    }

    /**
     * @param  array<string, MeshTriangles>  $meshes  those at hand, by name
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values, array $meshes = []): self
    {
        $id = $node->get('id')->text();
        $pose = PoseReader::read($node->find('pose'), $values);
        $hinge = Hinge::read($node->find('hinge'), $values);
        $density = $node->find('density');

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            $hinge === null ? $pose : $hinge->swing($pose),
            ShapeReader::read($node, $values, $meshes),
            $hinge,
            $density === null ? null : $values->positive($density, 'the density'),
        );
    }

    /**
     * Returns a flat face by its name, in space.
     *
     * @return array{Vector, Vector}|null a point on it and its unit normal
     */
    public function face(string $name): ?array
    {
        $face = $this->shape->face($name);

        return $face === null ? null : [$this->pose->point($face[0]), $this->pose->direction($face[1])];
    }

    /** @return array<string, array{Vector, Vector}> its flat faces by name: a point in space and the unit normal */
    public function faces(): array
    {
        $names = ['front', 'back', ...array_keys(Vector::axes())];

        return array_filter(array_map($this->face(...), array_combine($names, $names)));
    }

    /** Returns the words for a face behind the name of the thing; empty for the front of a panel. */
    public function faceWords(string $name): string
    {
        return $this->shape->faceWords($name);
    }
}
