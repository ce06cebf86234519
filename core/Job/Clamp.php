<?php

declare(strict_types=1);

namespace Bowline\Job;

use Bowline\Geometry\Vector;
use stdClass;

/** What holds a run: it goes through the clamp's centre on the clamp's axis. Millimetres. */
final readonly class Clamp
{
    /** @param  stdClass  $source  the clamp as it stands in the file; never changed */
    public function __construct(
        public string $id,
        public string $name,
        public Vector $at,
        public Vector $axis,
        public float $bore,
        public float $width,
        public stdClass $source,
    ) {
    }

    /** @throws JobError */
    public static function read(Node $node, Values $values): self
    {
        $id = $node->get('id')->text();

        return new self(
            $id,
            $node->find('name')?->text() ?? $id,
            $values->vector($node->get('at')),
            $values->direction($node->get('axis')),
            $values->positive($node->get('bore'), 'the bore'),
            $values->notNegative($node->get('width'), 'the width'),
            $node->object(),
        );
    }
}
