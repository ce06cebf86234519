<?php

declare(strict_types=1);

namespace Bowline\Job\Shape;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Values;

/** Reads a body by its "shape". A new shape is a new class and a line here. */
final class ShapeReader
{
    /** @throws JobError */
    public static function read(Node $node, Values $values): Shape
    {
        $shape = $node->get('shape');

        return match ($shape->text()) {
            'box' => self::box($node->get('size'), $values),
            'cylinder' => new Cylinder(
                $values->positive($node->get('diameter'), 'the diameter'),
                $values->positive($node->get('height'), 'the height'),
            ),
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
}
