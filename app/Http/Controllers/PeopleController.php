<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\RequestBody;
use App\Models\Job;
use App\Models\JobMember;
use App\Models\User;
use App\People\Invitations;
use App\People\JobPolicy;
use App\People\People;
use App\People\Role;
use App\People\Trail;
use App\People\TrailKind;
use Bowline\Job\JobError;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The people of a team, and of a job. */
final readonly class PeopleController
{
    public function __construct(private Invitations $invitations)
    {
    }

    public function index(): JsonResponse
    {
        $user = self::person();

        return response()->json([
            'team' => $user->team()->firstOrFail()->name,
            'people' => User::query()->where('team_id', $user->team_id)->orderBy('name')->orderBy('id')->get()->map(
                static fn (User $one): array => $one->forApi(),
            )->all(),
        ]);
    }

    public function invite(Request $request): JsonResponse
    {
        $body = RequestBody::of($request, 'invitePerson');
        $from = self::person();
        $invited = $this->invitations->send(
            $from->team()->firstOrFail(), Role::from($body->get('role')->text()), $body->get('name')->text(),
            $body->get('email'), $from->name,
        );
        Trail::note(TrailKind::People, sprintf('Invited %s as %s', $invited->name, $invited->role->value));

        return response()->json($invited->forApi(), 201);
    }

    /** Gives somebody another role, locks them out or lets them in again, or sends the invitation once more. */
    public function change(Request $request, int $user): JsonResponse
    {
        $from = self::person();
        $one = User::query()->where('team_id', $from->team_id)->find($user) ?? throw new NotFoundHttpException;
        $body = RequestBody::of($request, 'changePerson');
        $role = Role::tryFrom($body->find('role')?->text() ?? '') ?? $one->role;
        $isDisabled = $body->find('disabled')->value ?? $one->disabled_at !== null;
        $owners = User::query()->where('team_id', $from->team_id)->where('role', Role::Owner->value)
            ->whereNull('disabled_at')->whereNotNull('password')->pluck('id');
        if ($owners->all() === [$one->id] && ($role !== Role::Owner || $isDisabled === true)) {
            throw JobError::at('/role', 'a team keeps one owner: give somebody else that role first');
        }
        $one->forceFill([
            'role' => $role, 'disabled_at' => $isDisabled === true ? $one->disabled_at ?? now() : null,
        ])->save();
        if ($isDisabled === true) {
            $one->signOutEverywhere();
        }
        if ($body->find('again')?->value === true && $one->password === null) {
            $this->invitations->mail($one, $from->name);
        }
        Trail::note(TrailKind::People, sprintf(
            '%s is %s%s', $one->name, $one->role->value, $isDisabled === true ? ', locked out' : '',
        ));

        return response()->json($one->forApi());
    }

    /** Lists the people who have to do with a job, and its link to those who may give it away. */
    public function ofJob(Job $job): JsonResponse
    {
        return response()->json(self::people(JobPolicy::working($job)));
    }

    /** Gives somebody a role in a job, by the e-mail address, or takes it back. */
    public function changeOfJob(Request $request, Job $job): JsonResponse
    {
        $job->refuseIfFrozen();
        $body = RequestBody::of($request, 'changeJobPerson');
        $email = $body->get('email');
        $one = User::query()->where('email', mb_strtolower(trim($email->text())))->first()
            ?? throw $email->error('nobody here has this e-mail address; an owner of a team invites people');
        $role = Role::tryFrom($body->find('role')?->text() ?? '');
        $members = JobMember::query()->where('job_id', $job->id);
        if ($role === null) {
            $members->where('user_id', $one->id)->delete();
        } else {
            JobMember::query()->updateOrCreate(['job_id' => $job->id, 'user_id' => $one->id], ['role' => $role]);
        }
        $words = sprintf('%s: %s in this job', $one->name, $role->value ?? 'no role of their own');
        Trail::note(TrailKind::People, $words, $job);

        return response()->json(self::people($job));
    }

    /** Makes a link by which anybody reads a job, or ends it. An older link ends with either. */
    public function link(Request $request, Job $job): JsonResponse
    {
        $job->refuseIfFrozen();
        $isOn = RequestBody::of($request, 'shareLink')->get('on')->value === true;
        $link = $isOn ? Str::random(40) : null;
        Job::query()->whereKey($job->id)->toBase()->update([
            'share_hash' => $link === null ? null : hash('sha256', $link),
        ]);
        Trail::note(TrailKind::People, $isOn ? 'Shared it by a link' : 'Ended its link', $job);

        return response()->json(['link' => $link === null ? null : url('/shared/'.$link)]);
    }

    /** @return array<string, mixed> schema/api.json, `jobPeople` */
    private static function people(Job $job): array
    {
        $own = JobMember::query()->with('user')->where('job_id', $job->id)->get()->keyBy('user_id');
        $all = User::query()->whereNull('disabled_at')->where(
            static fn ($query) => $query->where('team_id', $job->team_id)->orWhereIn('id', $own->keys()->all()),
        )->orderBy('name')->orderBy('id')->get();

        return [
            'shared' => $job->share_hash !== null,
            'people' => $all->map(static fn (User $one): array => [
                'name' => $one->name, 'email' => $one->email, 'role' => ($own[$one->id]->role ?? $one->role)->value,
                'own' => isset($own[$one->id]), 'guest' => $one->team_id !== $job->team_id,
            ])->all(),
        ];
    }

    private static function person(): User
    {
        return People::user() ?? throw new AuthenticationException;
    }
}
