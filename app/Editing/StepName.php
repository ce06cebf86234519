<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\Node;
use stdClass;

/** The name of a step, derived from its changes: "Rename Pump", "Change stock of Fuel feed". */
final class StepName
{
    /** Names of changes by key of the item. */
    private const KEYS = [
        'name' => 'Rename', 'pose' => 'Move', 'at' => 'Move', 'axis' => 'Turn', 'stock' => 'Change stock of',
        'fixed_length' => 'Change length of',
        'route' => 'Change path of',
        'from' => 'Change start of',
        'to' => 'Change end of',
        'section' => 'Change section of',
        'bend' => 'Change bends of',
        'ports' => 'Change ports of',
        'body' => 'Change body of',
        'size' => 'Change size of', 'bore' => 'Change bore of', 'corner' => 'Change radius of',
    ];

    /** @param  list<Change>  $changes */
    public static function of(array $changes): string
    {
        // Dependent runs come behind what was changed.
        $first = $changes[0] ?? null;
        foreach ($changes as $change) {
            if ($change->list !== 'runs' && $change->list !== '') {
                $first = $change;
                break;
            }
        }
        if ($first === null) {
            return 'Change nothing';
        }
        if ($first->list === '') {
            return self::header($first->before, $first->after);
        }
        [$before, $after] = [$first->before, $first->after];
        if ($before === null || $after === null) {
            return ($after !== null ? 'Add ' : 'Delete ').self::name($after ?? $before, $first->id);
        }
        foreach (self::KEYS as $key => $words) {
            if (! ItemMerge::isSame($before->{$key} ?? null, $after->{$key} ?? null)) {
                return $words.' '.self::name($before, $first->id);
            }
        }

        return 'Change '.self::name($before, $first->id);
    }

    public static function name(mixed $item, string $id): string
    {
        $name = $item instanceof stdClass ? (new Node($item))->find('name')?->value : null;

        return is_string($name) && $name !== '' ? $name : $id;
    }

    private static function header(?stdClass $before, ?stdClass $after): string
    {
        return ($before->name ?? '') !== ($after->name ?? '')
            ? 'Rename the job' : 'Change the job’s values';
    }
}
