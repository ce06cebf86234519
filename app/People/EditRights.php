<?php

declare(strict_types=1);

namespace App\People;

use App\Editing\Change;
use App\Editing\ItemMerge;
use App\Models\Job;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Support\Facades\Gate;
use stdClass;

/** Whether somebody may make changes of a job: waivers by who may waive, all else by who may edit. */
final class EditRights
{
    /** Where waivers stand in an item, and in the header of a job. */
    private const WAIVERS = ['waived', 'waivers'];

    /**
     * @param  list<Change>  $changes
     *
     * @throws AuthorizationException
     */
    public static function require(Job $job, array $changes): void
    {
        $user = People::user();
        if ($user === null) {
            return;
        }
        [$mayEdit, $mayWaive] = array_map(
            static fn (string $ability): bool => Gate::forUser($user)->allows($ability, $job), ['edit', 'waive'],
        );
        foreach ($changes as $change) {
            $without = static fn (?stdClass $item): ?stdClass => $item === null
                ? null
                : (object) array_diff_key(get_object_vars($item), array_flip(self::WAIVERS));
            $only = static fn (?stdClass $item): stdClass => (object) array_filter(array_intersect_key(
                $item === null ? [] : get_object_vars($item), array_flip(self::WAIVERS),
            ), static fn (mixed $waivers): bool => $waivers !== null && $waivers !== []);
            // What goes takes its waivers along.
            if ($change->after !== null && ! ItemMerge::isSame($only($change->before), $only($change->after))
                && ! $mayWaive) {
                throw new AuthorizationException('Only a checker or an owner waives what breaks a rule.');
            }
            $isEdited = $change->before === null || $change->after === null
                || ! ItemMerge::isSame($without($change->before), $without($change->after));
            if ($isEdited && ! $mayEdit) {
                throw new AuthorizationException('Your role lets you waive, and not change the job.');
            }
        }
    }
}
