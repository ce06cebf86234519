<?php

declare(strict_types=1);

use App\Models\Job;
use Illuminate\Support\Facades\DB;

it('lets nobody write between reading a job and keeping what became of it', function (): void {
    $file = tempnam(sys_get_temp_dir(), 'bowline');
    // A file of its own: two connections share no database in memory.
    config(['database.connections.shared' => ['database' => $file] + config('database.connections.sqlite')]);
    $this->artisan('migrate', ['--database' => 'shared']);
    config(['database.default' => 'shared']);
    $job = Job::query()->create([
        'name' => 'Shared',
        'show_units' => 'mm',
        'up' => 'z',
        'named_values' => new stdClass,
        'revision' => 1,
    ]);
    $other = new PDO('sqlite:'.$file, options: [PDO::ATTR_TIMEOUT => 0]);
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
    config(['database.default' => 'sqlite']);
    DB::purge('shared');
    unlink($file);
});
