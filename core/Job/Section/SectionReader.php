<?php

declare(strict_types=1);

namespace Bowline\Job\Section;

use Bowline\Job\JobError;
use Bowline\Job\Node;
use Bowline\Job\Section;
use Bowline\Job\Values;

/** Reads a section by its `shape`. A new shape is a new class and a line here. */
final class SectionReader
{
    /** @var array<string, class-string<SectionShape>> */
    private const SHAPES = [
        'round' => RoundShape::class,
        'rectangle' => RectangleShape::class,
        'arched' => ArchedShape::class,
        'outline' => OutlineShape::class,
    ];

    /** @throws JobError */
    public static function read(Node $node, Values $values): Section
    {
        $shape = $node->get('shape');
        $class = self::SHAPES[$shape->text()] ?? throw $shape->error(
            sprintf('“%s” is no shape of a section; %s are', $shape->text(), implode(', ', array_keys(self::SHAPES))),
        );

        return $class::read($node, $values);
    }
}
