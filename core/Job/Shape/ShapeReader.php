<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Section\OutlineShape;
use Bowline\Job\Values;

/** Reads a body by its "shape". A new shape is a new class and a line here. */
final class ShapeReader
{
    /**
     * @param  array<string, MeshTriangles>  $meshes  those at hand, by name
     *
     * @throws JobError
     */
    public static function read(Node $node, Values $values, array $meshes = []): Shape
    {
        $shape = $node->get('shape');

        return match ($shape->text()) {
            'box' => self::box($node->get('size'), $values),
            'cylinder' => new Cylinder(
                $values->positive($node->get('diameter'), 'the diameter'),
                $values->positive($node->get('height'), 'the height'),
            ),
            'panel' => new Panel(
                $values->positive($node->get('width'), 'the width'),
                $values->positive($node->get('height'), 'the height'),
                $values->notNegative($node->find('thickness'), 'the thickness', 2.0),
            ),
            'plate' => new Plate(
                OutlineShape::outline($node->get('outline'), $values),
                $values->positive($node->get('thickness'), 'the thickness'),
            ),
            'mesh' => self::mesh($node, $values, $meshes),
            default => throw $shape->error(sprintf('“%s” is no shape that Bowline knows', $shape->text())),
        };
    }

    private static function box(Node $node, Values $values): Box
    {
        foreach ($node->items() as $side) {
            $values->positive($side, 'a side of the box');
        }

        return new Box($values->vector($node));
    }

    /** @param  array<string, MeshTriangles>  $meshes */
    private static function mesh(Node $node, Values $values, array $meshes): MeshShape
    {
        $extent = $node->get('extent')->items();
        if (count($extent) !== 2) {
            throw $node->get('extent')->error('the lowest and the highest corner are expected here');
        }

        $name = $node->get('mesh')->text();
        [$least, $most] = array_map($values->vector(...), $extent);
        if (isset($meshes[$name]) && ! $meshes[$name]->isWithin($least, $most)) {
            throw $node->get('extent')->error(sprintf('the triangles of “%s” reach out of this', $name));
        }

        return new MeshShape(
            $name, $least, $most, $meshes[$name] ?? null, rounds: RoundEnd::all($node, $values),
        );
    }
}
