<?php

declare(strict_types=1);

namespace Bowline\Editing\Edit;

use Bowline\Job\Node;

/** Reads the corner that an edit is about. */
trait ReadsVertex
{
    /** @return int -1, which no corner has, when it is none */
    private static function vertexOf(Node $body): int
    {
        return self::vertexOrNone($body) ?? -1;
    }

    private static function vertexOrNone(Node $body): ?int
    {
        $vertex = $body->find('vertex')?->value;

        return match (true) {
            $vertex === null => null,
            is_int($vertex) => $vertex,
            default => -1,
        };
    }
}
