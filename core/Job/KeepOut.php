<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Job\Shape\Box;

/** A box that runs which lay themselves stay out of, with all of their outside. */
final readonly class KeepOut
{
    private function __construct(
        public string $id,
        public string $name,
        public Pose $pose,
        public Box $box,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $id = $node->get('id')->text();
        $size = $values->vector($node->get('size'));
        if (min($size->toArray()) <= 0.0) {
            throw $node->get('size')->error('a box is larger than 0 in each direction');
        }

        return new self(
            $id, $node->find('name')?->text() ?? $id, PoseReader::read($node->find('pose'), $values), new Box($size),
        );
    }
}
