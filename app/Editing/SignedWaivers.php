<?php

declare(strict_types=1);

namespace App\Editing;

use Bowline\Job\Node;
use stdClass;

/** Who has waived what breaks a rule, where people sign in: whoever does it, whatever their window says. */
final class SignedWaivers
{
    /** Most letters of a name (schema/job.json). */
    private const LONGEST = 100;

    /**
     * Returns a job file in which all that is waived after an edit, and was not before, has a name to it. What was
     * waived before keeps that of whoever did it.
     */
    public static function by(string $name, stdClass $before, stdClass $after): stdClass
    {
        $signed = self::signed($name, $before, $after, 'waivers');
        foreach (['runs', 'harnesses'] as $list) {
            $items = [];
            foreach ((new Node($before))->list($list) as $item) {
                $items[$item->get('id')->text()] = $item->object();
            }
            if (isset($signed->{$list})) {
                $signed->{$list} = array_map(static fn (Node $item): stdClass => self::signed(
                    $name, $items[$item->get('id')->text()] ?? new stdClass, $item->object(), 'waived',
                ), (new Node($signed))->list($list));
            }
        }

        return $signed;
    }

    private static function signed(string $name, stdClass $before, stdClass $after, string $key): stdClass
    {
        $now = (new Node($after))->list($key);
        if ($now === []) {
            return $after;
        }
        $was = array_map(static fn (Node $one): stdClass => $one->object(), (new Node($before))->list($key));
        $signed = clone $after;
        $signed->{$key} = array_map(static function (Node $node) use ($name, $was): stdClass {
            $one = $node->object();
            foreach ($was as $earlier) {
                if (ItemMerge::isSame(self::unsigned($one), self::unsigned($earlier))) {
                    return $earlier;
                }
            }

            return (object) [...get_object_vars($one), 'by' => mb_substr($name, 0, self::LONGEST)];
        }, $now);

        return $signed;
    }

    private static function unsigned(stdClass $waiver): stdClass
    {
        return (object) array_diff_key(get_object_vars($waiver), ['by' => true]);
    }
}
