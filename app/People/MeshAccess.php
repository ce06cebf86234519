<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\JobMember;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Who gets a mesh: the team that brought it in, and whoever has to do with a job in which it stands. Its name is the
 * hash of its file, so that whoever names it in a job of theirs has had the file.
 */
final class MeshAccess
{
    /** Notes that the team has brought a mesh in. */
    public static function give(string $key): void
    {
        if (People::areOn()) {
            DB::table('mesh_teams')->insertOrIgnore(['key' => $key, 'team_id' => People::team()]);
        }
    }

    public static function isGiven(string $key): bool
    {
        if (! People::areOn()) {
            return true;
        }
        [$user, $shared] = [People::user(), array_keys(People::current()->shared)];
        if ($user !== null && DB::table('mesh_teams')->where('key', $key)->where('team_id', $user->team_id)->exists()) {
            return true;
        }
        $jobs = Job::query()->where(static fn (Builder $query) => $query->whereIn('id', $shared)->orWhere(
            static fn (Builder $own) => $user === null ? $own->whereRaw('0') : $own->where('team_id', $user->team_id)
                ->orWhereIn('id', JobMember::query()->where('user_id', $user->id)->select('job_id')),
        ));

        return DB::table('surroundings')->whereIn('job_id', $jobs->select('id'))
            ->whereRaw('instr(definition, ?) > 0', [$key])->exists();
    }
}
