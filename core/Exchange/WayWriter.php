<?php

declare(strict_types=1);

namespace Bowline\Exchange;

use Bowline\Job\Node;
use Bowline\Pathfinding\Way;

/** Writes ways that were found, in the shape of `way` in schema/laying.json: millimetres. */
final class WayWriter
{
    /** @return array<string, mixed> */
    public static function write(Way $way): array
    {
        $ref = $way->nearestThing()?->ref();

        return [
            'stops' => array_map(
                static fn (Node $one): mixed => $one->value, (new Node($way->item))->get('route')->list('stops'),
            ),
            'bends' => $way->bends(),
            'length' => $way->length(),
            'nearest' => $way->nearest === null ? null : max(0.0, $way->nearest->gap->distance),
            'nearest_to' => $ref === null ? null : ['list' => $ref->list, 'id' => $ref->id],
            'beside' => $way->beside,
            'run' => $way->item,
        ];
    }
}
