<?php

declare(strict_types=1);

use App\Models\Settling;
use App\Settling\SettleRun;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Tests\Triangles;

/*
 * Full disks, broken databases and workers that end in the middle of their work.
 */

/** The bytes of a binary STL of a box of many triangles. */
function stlOfBox(int $divided): string
{
    $triangles = str_split(Triangles::box([100, 100, 100], $divided), 36);

    return str_pad('Box', 80).pack('V', count($triangles)).implode('', array_map(static fn (string $one): string => pack('g3', 0, 0, 0).$one.pack('v', 0), $triangles));
}

function bringIn(string $bytes): TestResponse
{
    return test()->call('POST', '/api/meshes?name=box.stl', [], [], [], ['CONTENT_TYPE' => 'application/octet-stream'], $bytes);
}

it('keeps nothing of a mesh that a full disk has no room for, and takes it when there is room again', function (): void {
    $folder = sys_get_temp_dir().'/bowline-small-disk';
    @mkdir($folder);
    exec('mount -t tmpfs -o size=200k tmpfs '.escapeshellarg($folder).' 2>&1', $out, $exit);
    expect($exit)->toBe(0, 'a small disk to fill: '.implode(' ', $out));
    try {
        config(['filesystems.disks.local.root' => $folder]);
        Storage::forgetDisk('local');
        // 12 · 30² triangles of 36 bytes are 389 kB.
        $bytes = stlOfBox(30);
        bringIn($bytes)->assertStatus(507)->assertSee('Nothing of it was kept');
        expect(Storage::allFiles('meshes'))->toBe([]);
        exec('mount -o remount,size=2m '.escapeshellarg($folder));
        $mesh = bringIn($bytes)->assertCreated()->json('mesh');
        expect(strlen($this->get('/api/meshes/'.$mesh)->assertOk()->content()))->toBe(12 * 30 ** 2 * 36);
    } finally {
        exec('umount '.escapeshellarg($folder));
        rmdir($folder);
    }
});

it('tells that a mesh is damaged, and takes its file again', function (): void {
    Storage::fake('local');
    $bytes = stlOfBox(3);
    $mesh = bringIn($bytes)->assertCreated()->json('mesh');
    Storage::put('meshes/'.$mesh, substr((string) Storage::get('meshes/'.$mesh), 0, 500));
    $this->get('/api/meshes/'.$mesh)->assertNotFound();
    bringIn($bytes)->assertCreated();
    expect(strlen($this->get('/api/meshes/'.$mesh)->assertOk()->content()))->toBe(12 * 9 * 36);
});

it('says what is wrong with a broken database and what to do', function (string $content, string $words): void {
    $file = (string) tempnam(sys_get_temp_dir(), 'bowline');
    file_put_contents($file, $content);
    config(['database.connections.broken' => ['database' => $file] + config('database.connections.sqlite')]);
    $default = DB::getDefaultConnection();
    DB::setDefaultConnection('broken');
    try {
        $this->getJson('/api/jobs')->assertStatus(503)->assertSee($words);
        $this->getJson('/api/ready')->assertStatus(503)->assertSee($words)->assertJsonStructure(['message', 'reasons']);
    } finally {
        DB::setDefaultConnection($default);
        DB::purge('broken');
        unlink($file);
    }
    $this->getJson('/api/ready')->assertNoContent();
})->with([
    'no database' => ['This is a letter to the harbour master, and far longer than a hundred bytes, as a header of a database would be.', 'restore a backup'],
]);

it('takes up again what a worker held that was ended', function (): void {
    $job = demo();
    $id = (int) basename($job);
    $settling = Settling::query()->create(['job_id' => $id, 'key' => 'feed', 'from' => 'x', 'state' => 'settling', 'part' => 0.14]);
    DB::table('queued')->insert(['queue' => 'default', 'payload' => '{}', 'attempts' => 1, 'reserved_at' => time(), 'available_at' => time(), 'created_at' => time()]);
    $this->artisan('bowline:take-up-again')->assertSuccessful();
    expect(DB::table('queued')->value('reserved_at'))->toBeNull();
    // With nothing on the queue for it, it is put there.
    DB::table('queued')->delete();
    Queue::fake();
    $this->artisan('bowline:take-up-again')->assertSuccessful();
    Queue::assertPushed(SettleRun::class, 1);
    expect($settling->refresh()->state)->toBe('settling');
});

it('says that settling failed, and tries again when it is asked to', function (): void {
    $job = demo();
    $settling = Settling::query()->create(['job_id' => (int) basename($job), 'key' => 'feed', 'from' => 'x', 'state' => 'settling', 'part' => 0.4]);
    (new SettleRun($settling->id))->failed();
    $this->getJson($job.'/runs/feed/settling')->assertOk()->assertJson(['state' => 'failed']);
    Queue::fake();
    $this->postJson($job.'/runs/feed/settling', ['settle' => true])->assertOk()->assertJson(['state' => 'waiting']);
    Queue::assertPushed(SettleRun::class, 1);
});

it('lets no second worker take what a first still works on', function (): void {
    // A task may take as long as the worker lets it; only after that another takes it up.
    expect(config('queue.connections.database.retry_after'))->toBeGreaterThan((new SettleRun(1))->timeout);
});
