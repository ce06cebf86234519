<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\JobMember;
use App\Models\Revision;
use App\Models\User;

/**
 * What somebody may do of a job: by the role in it, else by that in the team whose job it is. An issued revision is a
 * part of its job.
 */
final class JobPolicy
{
    public function see(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::See);
    }

    public function meet(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Meet);
    }

    public function seeIssued(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::SeeIssued);
    }

    public function markMade(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::MarkMade);
    }

    public function make(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Make);
    }

    public function edit(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Edit);
    }

    public function change(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Change);
    }

    public function copy(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::See) && $user->role->can(Ability::Copy);
    }

    public function remark(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Remark);
    }

    public function waive(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Waive);
    }

    public function issue(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Issue);
    }

    public function own(User $user, Job $job): bool
    {
        return self::can($user, $job, Ability::Own);
    }

    /** Returns the role of somebody in a job; null where it is none of theirs. */
    public static function roleIn(User $user, Job $job): ?Role
    {
        $of = self::working($job);

        return self::rolesIn($user, [$of])[$of->id] ?? null;
    }

    /**
     * @param  iterable<int, Job>  $jobs  that are worked on
     * @return array<int, Role> of somebody, by the ids of the jobs that have to do with them
     */
    public static function rolesIn(User $user, iterable $jobs): array
    {
        $own = JobMember::query()->where('user_id', $user->id)
            ->whereIn('job_id', collect($jobs)->map(static fn (Job $job): int => $job->id))->get()->keyBy('job_id');
        $roles = [];
        foreach ($jobs as $job) {
            $role = $own[$job->id]->role ?? ($job->team_id === $user->team_id ? $user->role : null);
            if ($role !== null) {
                $roles[$job->id] = $role;
            }
        }

        return $roles;
    }

    /** Returns the job that a revision is of; the job itself where it is none. */
    public static function working(Job $job): Job
    {
        return $job->is_frozen
            ? Revision::query()->with('job')->where('frozen_id', $job->id)->first()->job ?? $job
            : $job;
    }

    private static function can(User $user, Job $job, Ability $ability): bool
    {
        $role = self::roleIn($user, $job);

        return $role !== null && ($job->is_frozen ? $role->canOfIssued($ability) : $role->can($ability));
    }
}
