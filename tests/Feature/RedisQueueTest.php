<?php

declare(strict_types=1);

use App\Machines\Machines;
use App\Models\Pack;
use App\Packs\MakePack;
use App\Queue\HeldTask;
use App\Queue\Tasks;
use Illuminate\Contracts\Queue\Job as QueuedJob;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\StartedMachines;

/*
 * Laravel's queue, cache and locks in a Redis of the test's own, and without it once it is killed.
 */

beforeEach(function (): void {
    $redis = StartedMachines::redis();
    config([
        'machines.redis' => $redis, 'database.redis.default.url' => $redis, 'queue.default' => 'failover',
        'cache.default' => 'failover', 'cache.stores.failover.stores' => ['redis', 'array'],
        // Tests beside this one take up what is left in the usual place.
        'queue.held' => sys_get_temp_dir().'/bowline-held-'.getmypid(),
    ]);
    Cache::store('array')->flush();
});

afterEach(fn () => StartedMachines::end());

/** A pack that waits to be made, with nothing on the queue for it. */
function waitingPack(): Pack
{
    return Pack::query()->create([
        'job_id' => (int) basename(demo()), 'format' => 'pdf', 'kinds' => ['lists'], 'runs' => null,
        'state' => 'waiting', 'asked_at' => now(),
    ]);
}

/** @return array{int, int, int} tasks in Redis, tasks in the database, and those of both that are worked on */
function onQueues(): array
{
    return [
        Queue::connection('redis')->pendingSize(), DB::table('queued')->whereNull('reserved_at')->count(),
        Tasks::figures()['working'],
    ];
}

/** Takes the next task as a worker does, which is then killed. */
function takenAndKilled(string $connection): QueuedJob
{
    $task = Queue::connection($connection)->pop();
    assert($task !== null);
    HeldTask::note($connection, $task);

    return $task;
}

it('puts tasks into Redis, from where a worker takes them', function (): void {
    $pack = waitingPack();
    Tasks::put(new MakePack($pack->id));
    expect(onQueues())->toBe([1, 0, 0])->and(Tasks::figures()['oldest'])->toBeGreaterThan(time() - 60);
    Artisan::call('queue:work', ['connection' => 'redis', '--once' => true]);
    expect(onQueues())->toBe([0, 0, 0])->and($pack->refresh()->state)->toBe('done')
        // What a worker was at is forgotten when it has come to its end.
        ->and(glob(config('queue.held').'/*'))->toBe([]);
});

it('puts them there only once what they are about is stored', function (): void {
    DB::transaction(static function (): void {
        Tasks::put(new MakePack(1));
        expect(onQueues())->toBe([0, 0, 0]);
    });
    expect(onQueues())->toBe([1, 0, 0]);
    try {
        DB::transaction(static function (): void {
            Tasks::put(new MakePack(2));
            throw new DomainException;
        });
    } catch (DomainException) {
        // Nothing of it is stored, and no task either.
    }
    expect(onQueues())->toBe([1, 0, 0]);
});

it('puts them into the database where Redis is away, says so, and has them worked from there', function (): void {
    $pack = waitingPack();
    StartedMachines::killRedis();
    Tasks::put(new MakePack($pack->id));
    expect(DB::table('queued')->count())->toBe(1)->and(Machines::areAway())->toBeTrue()
        ->and(Tasks::figures()['waiting'])->toBe(1);
    Artisan::call('queue:work', ['connection' => 'database', '--once' => true]);
    expect($pack->refresh()->state)->toBe('done')->and(DB::table('queued')->count())->toBe(0);
});

it('keeps cache and locks in Redis, and goes on without it', function (): void {
    Cache::put('depth', ['m' => 4.5], 60);
    expect(Cache::store('redis')->get('depth'))->toBe(['m' => 4.5])
        ->and(Cache::store('array')->get('depth'))->toBeNull();
    $isHeld = static fn (): bool => Cache::lock('berth', 60)->get();
    expect([$isHeld(), $isHeld()])->toBe([true, false]);
    StartedMachines::killRedis();
    expect(Cache::get('depth'))->toBeNull();
    Cache::put('depth', 5.0, 60);
    expect(Cache::get('depth'))->toBe(5.0)->and(Machines::areAway())->toBeTrue();
});

it('gives back at once what a worker held that was killed', function (string $connection): void {
    config(['queue.default' => $connection === 'redis' ? 'failover' : 'database']);
    Tasks::put(new MakePack(7));
    $payload = takenAndKilled($connection)->payload();
    expect(Tasks::figures())->toMatchArray(['waiting' => 0, 'working' => 1]);
    test()->artisan('bowline:take-up-again', ['--of' => getmypid()])->assertSuccessful();
    expect(Tasks::figures())->toMatchArray(['waiting' => 1, 'working' => 0]);
    // Once: what another has taken meanwhile is not given back again.
    $again = takenAndKilled($connection);
    expect($again->payload()['uuid'])->toBe($payload['uuid'])->and($again->attempts())->toBe(2);
    HeldTask::forget();
    test()->artisan('bowline:take-up-again', ['--of' => getmypid()])->assertSuccessful();
    expect(Tasks::figures())->toMatchArray(['waiting' => 0, 'working' => 1]);
})->with(['in Redis' => ['redis'], 'in the database' => ['database']]);

it('gives back all that was held when nobody works', function (): void {
    Tasks::put(new MakePack(7));
    Queue::connection('redis')->pop();
    Queue::connection('database')->push(new MakePack(8));
    Queue::connection('database')->pop();
    expect(onQueues())->toBe([0, 0, 2]);
    test()->artisan('bowline:take-up-again')->assertSuccessful();
    expect(onQueues())->toBe([1, 1, 0]);
});

it('puts again what Redis has lost, and nothing that waits there', function (): void {
    $pack = waitingPack();
    Tasks::put(new MakePack($pack->id));
    test()->artisan('bowline:take-up-again', ['--lost' => true])->assertSuccessful();
    expect(onQueues())->toBe([1, 0, 0]);
    StartedMachines::killRedis();
    test()->artisan('bowline:take-up-again', ['--lost' => true])->assertSuccessful();
    expect(DB::table('queued')->count())->toBe(1);
});
