<?php

declare(strict_types=1);

namespace Bowline\Job;

use stdClass;

/** Which runs hang on a fitting or a clamp, told from the file alone. */
final class Hanging
{
    /**
     * @param  stdClass  $run  as it stands in the file
     * @param  string  $list  "fittings" or "clamps"; nothing hangs on anything else
     */
    public static function on(stdClass $run, string $list, string $id): bool
    {
        foreach (self::places($run) as $place) {
            if (($list === 'fittings' && str_starts_with($place, $id.'.')) || ($list === 'clamps' && $place === $id)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> ports ("fitting.port") and clamps that the run names */
    public static function places(stdClass $run): array
    {
        $node = new Node($run);

        return [
            ...self::texts($node->find('from')?->find('port'), $node->find('to')?->find('port')),
            ...self::placesOfStops($node->find('route')?->list('stops') ?? []),
        ];
    }

    /**
     * @param  stdClass  $change  an edit of a run (schema/api.json, `laying`)
     * @return list<string> ports and clamps that it names
     */
    public static function placesOfChange(stdClass $change): array
    {
        $node = new Node($change);

        return [...self::texts($node->find('until'), $node->find('port')), ...self::placesOfStops($node->list('stops'))];
    }

    /**
     * @param  list<Node>  $stops
     * @return list<string>
     */
    private static function placesOfStops(array $stops): array
    {
        return array_merge(...array_map(static fn (Node $stop): array => self::texts($stop->find('until'), $stop->find('clamp')), $stops), ...[[]]);
    }

    /** @return list<string> */
    private static function texts(?Node ...$names): array
    {
        return array_values(array_filter(array_map(static fn (?Node $name): mixed => $name?->value, $names), is_string(...)));
    }
}
