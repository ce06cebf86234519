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
    private static function places(stdClass $run): array
    {
        $node = new Node($run);
        $names = [$node->find('from')?->find('port'), $node->find('to')?->find('port')];
        foreach ($node->find('route')?->list('stops') ?? [] as $stop) {
            array_push($names, $stop->find('until'), $stop->find('clamp'));
        }

        return array_values(array_filter(
            array_map(static fn (?Node $name): mixed => $name?->value, $names),
            is_string(...),
        ));
    }
}
