<?php

declare(strict_types=1);

use App\Models\Job;
use App\Models\Step;
use App\Packs\MakePack;
use App\People\Role;
use App\Queue\Tasks;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Tests\Jobs;

/*
 * The clock of the server is set back, by a day: nothing is lost, nothing waits for the day to pass again.
 */

function clockJob(): string
{
    return opened(json_encode(Jobs::file([['at' => [0, 0, 250]]], ['at' => [300, 0, 250]]), JSON_THROW_ON_ERROR));
}

function endAlong(string $job, float $x): void
{
    edit($job, 'runs', 'run', [...item($job, 'runs', 'run'), 'to' => ['at' => [$x, 0, 250]]])->assertOk();
}

it('keeps edits in the order in which they were made, and takes them back in that order', function (): void {
    $job = clockJob();
    endAlong($job, 310.0);
    $before = test()->getJson($job.'/revision')->json('revision');
    test()->travel(-1)->days();
    endAlong($job, 320.0);
    // Other windows learn of it: they go by the number, not by the time.
    expect(test()->getJson($job.'/revision')->json('revision'))->toBeGreaterThan($before)
        ->and(Step::query()->orderBy('number')->get()->map(
            static fn (Step $step): bool => $step->made_at > now()->addHours(20),
        )->all())->toBe([true, false]);
    $undone = static fn (): mixed => test()->postJson($job.'/undo', [])->assertOk()->json('job.runs.0.to.at.0');
    expect($undone())->toEqual(310)->and($undone())->toEqual(300);
});

it('works what was put on the queue before', function (): void {
    config(['queue.default' => 'database']);
    DB::table('queued')->insert([
        'queue' => 'default', 'payload' => '{"uuid":"before"}', 'attempts' => 0, 'reserved_at' => null,
        'available_at' => time() + 86_400, 'created_at' => time() + 86_400,
    ]);
    expect(Queue::connection('database')->pop())->toBeNull();
    Tasks::put(new MakePack(1));
    expect(Queue::connection('database')->pop()?->payload()['uuid'])->toBe('before')
        ->and(Queue::connection('database')->pop()?->payload()['displayName'])->toBe(MakePack::class);
});

it('shows nobody as being there who left before', function (): void {
    peopleOn();
    [$ida, $ola] = [person(Role::Designer), person(Role::Designer)];
    by($ida);
    $job = clockJob();
    $here = static fn (): array => test()->postJson($job.'/presence', ['window' => 'w', 'picked' => null])
        ->assertOk()->json('others.*.name');
    by($ola);
    test()->postJson($job.'/presence', ['window' => 'of Ola', 'picked' => null])->assertOk();
    by($ida);
    expect($here())->toBe([$ola->name]);
    test()->travel(-1)->days();
    expect($here())->toBe([]);
    by($ola);
    test()->postJson($job.'/presence', ['window' => 'of Ola', 'picked' => null])->assertOk();
    by($ida);
    expect($here())->toBe([$ola->name]);
});

it('keeps a job that was deleted before, and gives it back', function (): void {
    $job = clockJob();
    test()->deleteJson($job)->assertSuccessful();
    test()->travel(-1)->days();
    test()->artisan('model:prune')->assertSuccessful();
    test()->postJson($job.'/restore', [])->assertSuccessful();
    expect(Job::query()->count())->toBe(1);
});
