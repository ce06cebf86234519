<?php

declare(strict_types=1);

use App\Models\Job;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** Returns another connection to the database, which is in a file now: two in memory would share nothing. */
function anotherWriter(): PDO
{
    $file = (string) tempnam(sys_get_temp_dir(), 'bowline');
    config(['database.connections.shared' => ['database' => $file] + Config::array('database.connections.sqlite')]);
    Artisan::call('migrate', ['--database' => 'shared']);
    config(['database.default' => 'shared']);

    return new PDO('sqlite:'.$file, options: [PDO::ATTR_TIMEOUT => 0]);
}

afterEach(function (): void {
    $file = DB::getDatabaseName();
    config(['database.default' => 'sqlite']);
    DB::purge('shared');
    array_map(unlink(...), glob($file.'*') ?: []);
});

it('lets nobody write between reading a job and keeping what became of it', function (): void {
    $other = anotherWriter();
    $job = Job::query()->create([
        'name' => 'Shared',
        'show_units' => 'mm',
        'up' => 'z',
        'named_values' => new stdClass,
        'revision' => 1,
    ]);
    $write = fn () => $other->exec("update jobs set opened_at = '2026-01-01 00:00:00', revision = revision + 1");
    $write();

    $job->alone(function () use ($job, $write): void {
        // What the other wrote before is seen, …
        expect($job->revision)->toBe(2)
            // … what it would write now has to wait, …
            ->and($write)->toThrow(PDOException::class, 'locked');
        $job->name = 'Kept';
        $job->save();
    });
    // … and comes after.
    $write();

    expect(Job::query()->sole()->only('name', 'revision'))->toBe(['name' => 'Kept', 'revision' => 3]);
});

it('takes a task from the queue, and takes it off, while others write', function (): void {
    $other = anotherWriter();
    $queue = Queue::connection('database');
    DB::table('queued')->insert([
        'queue' => 'default', 'payload' => json_encode(['job' => 'Nobody@work', 'uuid' => 'a']),
        'attempts' => 0, 'available_at' => 0, 'created_at' => 0,
    ]);
    // Another process tries to write as soon as the queue has read, as it does before it writes.
    $answers = [];
    DB::listen(function (QueryExecuted $query) use ($other, &$answers): void {
        if (str_starts_with($query->sql, 'select * from "queued"')) {
            try {
                $other->exec("insert into password_reset_tokens (email, token) values (random(), '')");
                $answers[] = 'written';
            } catch (PDOException $error) {
                $answers[] = $error->getMessage();
            }
        }
    });

    $task = $queue->pop();
    expect($task?->hasFailed())->toBeFalse()
        ->and(DB::table('queued')->whereNotNull('reserved_at')->count())->toBe(1);
    $task?->release();
    expect(DB::table('queued')->whereNull('reserved_at')->count())->toBe(1);
    $queue->pop()?->delete();

    expect(DB::table('queued')->count())->toBe(0)
        ->and($answers)->toHaveCount(4)->each->toContain('database is locked');
});

it('begins no transaction while another one writes, and can begin one afterwards', function (): void {
    $other = anotherWriter();
    DB::statement('pragma busy_timeout = 0');
    $other->exec('begin immediate');

    expect(fn () => DB::transaction(fn (): int => 1))->toThrow(PDOException::class, 'locked')
        ->and(DB::transactionLevel())->toBe(0);
    $other->exec('commit');
    $count = DB::transaction(function () use ($other): int {
        expect(fn () => $other->exec('begin immediate'))->toThrow(PDOException::class, 'locked');

        return DB::table('jobs')->count();
    });
    // Its lock is gone with it.
    $other->exec('begin immediate');

    expect($count)->toBe(0);
});
