<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Pose;
use Bowline\Geometry\Vector;
use Bowline\Job\Shape\Shape;
use Bowline\Job\Shape\ShapeReader;

/** What runs are joined to: a pump, a filter, a tank; a simple body and its ports. */
final readonly class Fitting
{
    /**
     * @param  Vector  $bodyAt  the middle of its body, in its own frame
     * @param  array<string, Port>  $ports  in space, by their own id
     */
    public function __construct(
        public string $id,
        public string $name,
        public Pose $pose,
        public ?Shape $body,
        public Vector $bodyAt,
        public array $ports,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $id = $node->get('id')->text();
        $pose = PoseReader::read($node->find('pose'), $values);
        $ports = [];
        foreach ($node->list('ports') as $portNode) {
            $portId = $portNode->get('id');
            if (isset($ports[$portId->text()])) {
                throw $portId->error(sprintf('there are two ports “%s” on this fitting', $portId->text()));
            }
            $size = $portNode->find('size');
            $ports[$portId->text()] = new Port(
                $id.'.'.$portId->text(),
                $pose->point($values->vector($portNode->get('at'))),
                $pose->direction($values->direction($portNode->get('axis'))),
                $size === null ? null : $values->positive($size, 'the size of a port'),
            );
        }
        $body = $node->find('body');
        $bodyAt = $body?->find('at');

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            $pose,
            $body === null ? null : ShapeReader::read($body, $values),
            $bodyAt === null ? Vector::zero() : $values->vector($bodyAt),
            $ports,
        );
    }
}
