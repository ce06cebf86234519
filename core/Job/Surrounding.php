<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Shape\ShapeReader;

/** Something that stands around and is not routed to: a bulkhead, a floor, an engine bed. */
final readonly class Surrounding
{
    public function __construct(
        public string $id,
        public string $name,
        public Pose $pose,
        public Shape $shape,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $id = $node->get('id')->text();

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            PoseReader::read($node->find('pose'), $values),
            ShapeReader::read($node, $values),
        );
    }
}
