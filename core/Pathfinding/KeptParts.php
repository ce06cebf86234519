<?php

declare(strict_types=1);

namespace Bowline\Pathfinding;

use Bowline\Job\FileValue;
use Bowline\Job\Node;
use Bowline\Routing\LaidJoint;
use Bowline\Routing\LaidRun;
use stdClass;

/**
 * Puts the joints of a run, and what repeats along it, on the way that takes its place: joints at the same share of the
 * length, on the nearest straight that holds them.
 */
final class KeptParts
{
    /**
     * @param  stdClass  $item  the new run in the shape of the job file
     * @param  LaidRun  $now  the same, laid
     * @return stdClass|null null where there is nothing to put there, or a joint finds no straight
     */
    public static function put(stdClass $item, LaidRun $before, LaidRun $now): ?stdClass
    {
        $source = new Node($before->run->source);
        $parts = $source->find('repeats') === null ? [] : ['repeats' => $source->get('repeats')->value];
        $told = array_map(static fn (Node $one): stdClass => $one->object(), $source->list('joints'));
        foreach (LaidJoint::all($before) as $joint) {
            $along = ($joint->at ?? $joint->told) / $before->length() * $now->length();
            $place = LaidJoint::places($now->path->straights(), $along, $joint->joint->gap)[0] ?? null;
            if ($place === null) {
                return null;
            }
            $parts['joints'][] = (object) [
                ...get_object_vars($told[$joint->index]),
                'at' => (object) ['length' => FileValue::roundForFile($place)],
            ];
        }

        return $parts === [] ? null : (object) [...get_object_vars($item), ...$parts];
    }
}
