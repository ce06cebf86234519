<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Mesh;
use App\Models\Team;
use App\Models\User;
use App\People\Invitations;
use App\People\Role;
use Bowline\Job\JobError;
use Bowline\Job\Node;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Turns signing in on and off, and makes teams. */
final class SetUpPeople extends Command
{
    /** Tables whose rows of one desk go to the first team. What ships with Bowline stays everybody's. */
    private const OF_TEAMS = [
        'jobs' => [], 'catalogue_rows' => ['own' => true], 'own_flanges' => [], 'measured_bends' => [],
    ];

    protected $signature = 'bowline:people {do : on, off or team} {email?} {name?} {team?}';

    protected $description = 'Lets people sign in (on), or nobody (off); makes a team with its owner (team)';

    public function handle(Invitations $invitations): int
    {
        $marker = storage_path('app/people');
        $word = fn (string $key): string => is_string($this->argument($key)) ? trim($this->argument($key)) : '';
        $do = $word('do');
        if ($do === 'off') {
            @unlink($marker);
            $this->line('Nobody has to sign in after Bowline is started again. People and teams are kept.');

            return self::SUCCESS;
        }
        $isFirst = User::query()->doesntExist();
        if (! in_array($do, ['on', 'team'], true) || (($isFirst || $do === 'team') && $word('name') === '')) {
            $this->line('Say: people on EMAIL "NAME" ["TEAM"], people off, or people team EMAIL "NAME" "TEAM".');

            return self::INVALID;
        }
        if ($isFirst || $do === 'team') {
            try {
                $owner = $this->owner($invitations, $word('team') === '' ? 'Team' : $word('team'));
            } catch (JobError $error) {
                $this->line(ucfirst($error->getMessage()).'.');

                return self::INVALID;
            }
            $this->line(sprintf('%s owns the team; this link is where the password is chosen:', $owner->name));
            $this->line(Invitations::link($owner));
        }
        if ($do === 'on') {
            touch($marker);
            $this->line('People sign in after Bowline is started again.');
        }

        return self::SUCCESS;
    }

    /** @throws JobError when the address is none or taken, or the name of the team is */
    private function owner(Invitations $invitations, string $name): User
    {
        if (Team::query()->where('name', $name)->exists()) {
            throw JobError::at('/team', sprintf('there is a team “%s” already', $name));
        }

        return DB::transaction(function () use ($invitations, $name): User {
            $isFirst = Team::query()->doesntExist();
            $team = Team::query()->create(['name' => $name]);
            $argument = fn (string $key): string => is_string($this->argument($key)) ? $this->argument($key) : '';
            $owner = $invitations->send(
                $team, Role::Owner, $argument('name'), new Node($argument('email')), 'Whoever runs this server',
            );
            foreach ($isFirst ? self::OF_TEAMS : [] as $table => $where) {
                DB::table($table)->where('team_id', 0)->where($where)->update(['team_id' => $team->id]);
            }
            foreach ($isFirst ? Mesh::query()->pluck('key') : [] as $key) {
                DB::table('mesh_teams')->insertOrIgnore(['key' => $key, 'team_id' => $team->id]);
            }

            return $owner;
        });
    }
}
