<?php

declare(strict_types=1);

use App\Http\LiveToken;
use App\Models\Job;
use App\People\Role;
use Illuminate\Support\Facades\Http;
use Tests\Jobs;
use Tests\OwnServer;

/*
 * The quick question whether anything is new in a job (public/live.php), by a server of its own; and who may ask it.
 */

const LIVE_KEY = 'of this test';

it('holds for a minute, for its job, by its key', function (): void {
    $token = LiveToken::of(7, 1000, LIVE_KEY);
    expect(LiveToken::jobOf($token, 1000, LIVE_KEY))->toBe(7)
        ->and(LiveToken::jobOf($token, 1060, LIVE_KEY))->toBe(7)
        ->and(LiveToken::jobOf($token, 1061, LIVE_KEY))->toBeNull()
        // From before the clock was set back, it does not hold until then.
        ->and(LiveToken::jobOf($token, 900, LIVE_KEY))->toBeNull()
        ->and(LiveToken::jobOf($token, 1000, 'of others'))->toBeNull()
        ->and(LiveToken::jobOf('8'.substr($token, 1), 1000, LIVE_KEY))->toBeNull()
        ->and(LiveToken::jobOf($token."\n", 1000, LIVE_KEY))->toBeNull();
    foreach (['', '.', '7', '7.1060', '7.1060.', '7.1060.'.str_repeat('g', 64), str_repeat('9', 500)] as $wrong) {
        expect(LiveToken::jobOf($wrong, 1000, LIVE_KEY))->toBeNull($wrong);
    }
});

it('gives a token with what only those are told who may see the job', function (): void {
    $open = static fn (): string => opened(json_encode(
        Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]), JSON_THROW_ON_ERROR,
    ));
    // On one desk and without nginx it is not served.
    $job = $open();
    expect(test()->getJson($job.'/revision')->assertOk()->json('live'))->toBeNull();
    config(['people.live' => true]);
    peopleOn();
    by(person(Role::Designer));
    $job = $open();
    $token = test()->postJson($job.'/presence', ['window' => 'w', 'picked' => null])->assertOk()->json('live');
    expect(LiveToken::jobOf($token, time(), config('app.key')))->toBe((int) basename($job))
        ->and(test()->getJson($job.'/revision')->assertOk()->json('live'))->toBeString();
    by(person(Role::Designer, 'Other yard'));
    test()->getJson($job.'/revision')->assertNotFound();
});

it('tells the revision and whether others have come, and nothing to others', function (): void {
    $database = (string) tempnam(sys_get_temp_dir(), 'live');
    exec('DB_DATABASE='.escapeshellarg($database).' php '.escapeshellarg(base_path('artisan')).' migrate --force -q');
    config(['database.connections.live' => [...config('database.connections.sqlite'), 'database' => $database]]);
    $job = Job::on('live')->create([
        'name' => 'Shared', 'show_units' => 'mm', 'up' => 'z', 'named_values' => new stdClass, 'revision' => 4,
        'step' => 3,
    ]);
    $table = $job->getConnection()->table(...);
    $team = $table('teams')->insertGetId(['name' => 'Yard']);
    $table('users')->insert([
        'name' => 'Ola', 'email' => 'ola@cleat.example', 'role' => 'designer', 'team_id' => $team,
    ]);
    $server = OwnServer::start($database, ['APP_KEY' => LIVE_KEY], 'public/live.php');
    try {
        $ask = static fn (?string $token) => Http::withHeaders(
            $token === null ? [] : ['X-Bowline-Live' => $token],
        )->get($server->address.'/live');
        $token = LiveToken::of($job->id, time(), LIVE_KEY);
        $alone = $ask($token);
        expect($alone->status())->toBe(200)->and($alone->json())->toMatchArray(['revision' => 4, 'step' => 3])
            ->and($alone->header('Cache-Control'))->toBe('no-store')
            ->and($alone->header('Content-Security-Policy'))->not->toBe('');
        $come = static fn (string $window, mixed $picked, int $ago = 0): int => $table('job_presences')->upsert([[
            'job_id' => $job->id, 'window' => $window, 'user_id' => 1, 'picked' => json_encode($picked),
            'seen_at' => now()->subSeconds($ago),
        ]], ['job_id', 'window']);
        $present = static fn (): string => $ask($token)->json('present');
        $words = [$present()];
        $come('of Ola', null);
        $words[] = $present();
        $come('of Ola', ['list' => 'runs', 'id' => 'feed']);
        $words[] = $present();
        // Each is another; heard of again with the same picked, it is the same.
        expect(array_unique($words))->toHaveCount(3);
        $come('of Ola', ['list' => 'runs', 'id' => 'feed']);
        expect($present())->toBe($words[2]);
        // Gone is as if nobody had come.
        $come('of Ola', ['list' => 'runs', 'id' => 'feed'], 11);
        expect($present())->toBe($words[0]);
        $old = LiveToken::of($job->id, time() - 61, LIVE_KEY);
        foreach ([null, 'x', $old, LiveToken::of($job->id, time(), 'of others')] as $no) {
            $answer = $ask($no);
            expect($answer->status())->toBe(403)->and($answer->body())->toBe('');
        }
        expect($ask(LiveToken::of(999, time(), LIVE_KEY))->status())->toBe(404);
        // It sees at once what is written, and a database that is put in the place of the other, as by a restore.
        $table('jobs')->update(['revision' => 5]);
        expect($ask($token)->json('revision'))->toBe(5);
        $put = static function (callable $make) use ($database, $job): void {
            $make($database.'.new');
            $job->getConnection()->disconnect();
            array_map(unlink(...), array_filter([$database.'-wal', $database.'-shm'], is_file(...)));
            rename($database.'.new', $database);
        };
        $put(static function (string $file) use ($job): void {
            $job->getConnection()->statement('VACUUM INTO '.(new PDO('sqlite::memory:'))->quote($file));
            (new PDO('sqlite:'.$file))->exec('UPDATE jobs SET revision = 9');
        });
        expect($ask($token)->json('revision'))->toBe(9);
        $table('jobs')->update(['deleted_at' => now()]);
        expect($ask($token)->status())->toBe(404);
        $put(static fn (string $file) => file_put_contents($file, str_repeat('This is no database. ', 10)));
        expect($ask($token)->status())->toBe(503);
    } finally {
        $server->end();
        array_map(unlink(...), glob($database.'*') ?: []);
    }
});
